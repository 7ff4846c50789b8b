import { ChevronDown } from "lucide-react";
import { toggleScene } from "./useSheetLines.ts";

/** The button at the first cue of a scene that folds it. */
export function SceneFold({ list, scene }: { list: string; scene: string }) {
  return (
    <button
      type="button"
      className="flex h-7 shrink-0 items-center text-[13px] font-normal text-primary hover:underline"
      aria-expanded
      aria-label={`Fold scene ${scene}`}
      title={`Fold scene ${scene} into one line (f)`}
      onPointerDown={(event) => event.stopPropagation()}
      onClick={() => toggleScene(list, scene)}
    >
      <ChevronDown size={12} aria-hidden />
      {scene}
    </button>
  );
}
