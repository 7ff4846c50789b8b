import { drawsRange } from "./drawRange.ts";
import { type ListSheet, type SceneRun, at, count, cueOrder, sceneAt } from "@zm/core";
import { ChevronRight } from "lucide-react";
import { memo } from "react";
import { chosenCues, useSelection } from "../choice/selection.ts";
import { OffRow } from "./OffRow.tsx";
import { PartRow } from "./PartRow.tsx";
import { SpineRow } from "./SpineRow.tsx";
import type { SheetLine } from "./lines.ts";
import { toggleScene } from "./useSheetLines.ts";

interface LineRowProps {
  readonly list: ListSheet;
  readonly line: SheetLine;
  readonly top: number;
  readonly width: number;
  /** Label and times can be written into where they stand. */
  readonly editable?: boolean;
  /** Scenes can be folded here. */
  readonly folds?: boolean;
}

/** One line of the spine: a cue, a part of the cue above it, or a folded scene. */
export const LineRow = memo(function LineRow({ list, line, top, width, editable = false, folds = true }: LineRowProps) {
  switch (line.kind) {
    case "cue": {
      const begun = sceneBegun(list, line.row);
      return (
        <SpineRow
          list={list}
          row={line.row}
          top={top}
          width={width}
          editable={editable}
          scene={begun?.scene}
          folds={folds && begun !== undefined && begun.last > line.row}
        />
      );
    }
    case "part":
      return <PartRow list={list} row={line.row} part={line.part} top={top} width={width} look={LOOK} />;
    case "off":
      return <OffRow list={list} cue={line.cue} top={top} width={width} look={LOOK} />;
    case "scene":
      return <SceneRow list={list} row={line.row} last={line.last} scene={line.scene} top={top} width={width} />;
  }
});

/** The scene that begins with a row; undefined in its midst. */
function sceneBegun(list: ListSheet, row: number): SceneRun | undefined {
  const run = sceneAt(list, row);
  return run?.first === row ? run : undefined;
}

const LOOK =
  "absolute left-0 flex h-7 cursor-default select-none items-center gap-2 border-r border-b border-rule/60 border-r-rule text-[14px]";

type Placed = Pick<LineRowProps, "list" | "top" | "width"> & { readonly row: number };

/** A folded scene: its name, its cues, and that it opens. */
function SceneRow({ list, row, last, scene, top, width }: Placed & { readonly last: number; readonly scene: string }) {
  const [first, end] = [at(list.cues, row).number, at(list.cues, last).number];
  // A cue that is chosen inside is seen at the scene that hides it.
  const chosen = useSelection((selection) => {
    const cues = chosenCues(selection);
    return cues !== null && cueOrder(cues.from) <= cueOrder(end) && cueOrder(cues.to) >= cueOrder(first);
  });
  return (
    <div
      role="row"
      aria-selected={chosen}
      className={`${LOOK} ${chosen ? "bg-base-300 font-bold" : "bg-base-200"}`}
      style={{ top, width }}
      {...drawsRange(first, end)}
    >
      <span role="rowheader" className="min-w-0 flex-1 pl-1.5">
        <button
          type="button"
          className="flex h-7 w-full items-center gap-2 text-left"
          aria-expanded={false}
          title={`Open scene ${scene} (f)`}
          onClick={() => toggleScene(list.id, scene)}
        >
          <ChevronRight size={14} aria-hidden className="text-primary" />
          <span className="text-primary">{scene}</span>
          <span className="truncate text-quiet">
            {count(last - row + 1, "cue")}, {first} to {end}
          </span>
        </button>
      </span>
    </div>
  );
}
