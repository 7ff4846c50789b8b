import { useCallback } from "react";
import { liveOutputs } from "../show/outputs.ts";
import { useShow } from "../show/useShow.ts";
import { StagePicture } from "../picture/StagePicture.tsx";

/** The stage as it runs, without anything that can be pressed; `cue` is the one that was fired last. */
export function RunPicture({ cue }: { cue: string | null }) {
  const { sheet } = useShow();
  const outputs = useCallback(() => liveOutputs(sheet), [sheet]);
  return (
    <div className="min-h-0 flex-1">
      <StagePicture
        outputs={outputs}
        labels={false}
        description={cue === null ? "The stage; nothing has been fired" : `The stage in cue ${cue}`}
      />
    </div>
  );
}
