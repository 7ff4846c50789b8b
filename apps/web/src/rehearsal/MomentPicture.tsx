import { useQuery } from "@tanstack/react-query";
import { type RehearsalFinding, clockWords } from "@zm/core";
import { useCallback } from "react";
import { errorMessage } from "../shared/errorMessage.ts";
import { useShow } from "../show/useShow.ts";
import { StagePicture } from "../picture/StagePicture.tsx";
import { lightsUnderway } from "../picture/underway.ts";
import { useStageLook } from "../picture/stageLook.ts";
import { type Rehearsed, stageAt } from "../show/rehearsal/rehearsal.ts";

/** A little after it has begun a finding is seen best. Seconds, and never more than half of how long it lasts. */
const INTO = 0.3;

/** The stage at the moment of a finding, with the lights where they are then, and crosses where they should be. */
export function MomentPicture({ own, finding }: { own: Rehearsed; finding: RehearsalFinding }) {
  const { sheet, revision } = useShow();
  const { view, haze } = useStageLook();
  const at = finding.at + (finding.code === "cut-short" ? 0 : Math.min(INTO, finding.seconds / 2));
  const { show, list, speed } = own;
  const { data, error, isPending } = useQuery({
    queryKey: ["rehearsal moment", show, own.revision, list, speed, at],
    queryFn: () => stageAt(own, at),
    staleTime: Number.POSITIVE_INFINITY,
    retry: false,
  });
  const lights = useCallback(() => (data ? lightsUnderway(sheet, data.actual, data.target) : []), [data, sheet]);
  if (own.revision !== revision)
    return <p className="px-4 py-2 text-quiet">The show has been edited since: rehearse it again to see what was found in the picture.</p>;
  return (
    <figure className="flex h-full flex-col bg-black" data-theme="desk">
      <figcaption className="shrink-0 truncate bg-base-100 px-3 py-1 text-[13px] text-quiet" aria-live="polite">
        {error
          ? errorMessage(error)
          : isPending
            ? `Running the show up to ${clockWords(at)} …`
            : `${clockWords(at)}, cue ${finding.cue}: ${finding.message}`}
      </figcaption>
      <div className="min-h-0 flex-1">
        {data && (
          <StagePicture
            lights={lights}
            labels={false}
            view={view}
            haze={haze}
            description={`The stage ${clockWords(at)} into the show: ${finding.message}`}
          />
        )}
      </div>
    </figure>
  );
}
