import type { ListSheet } from "@zm/core";
import { ChevronDown } from "lucide-react";
import { chooseSceneOf, toggleScene } from "./useSheetLines.ts";

/** The button at the first cue of a scene that folds it; with Shift it chooses the scene, and then its act. */
export function SceneFold({ list, scene, cue }: { list: ListSheet; scene: string; cue: string }) {
  return (
    <button
      type="button"
      className="flex h-7 shrink-0 items-center text-[13px] font-normal text-primary hover:underline"
      aria-expanded
      aria-label={`Fold scene ${scene}`}
      title={`Fold scene ${scene} into one line (f); with Shift choose its cues, then its act (Shift F)`}
      onPointerDown={(event) => event.stopPropagation()}
      onClick={(event) => (event.shiftKey ? chooseSceneOf(list, cue) : toggleScene(list.id, scene))}
    >
      <ChevronDown size={12} aria-hidden />
      {scene}
    </button>
  );
}
