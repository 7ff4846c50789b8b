import type { Cue, ListSheet } from "@zm/core";
import { memo } from "react";
import { useSelection } from "../choice/selection.ts";
import { cueOnStage, useLive } from "../show/live.ts";
import { useFlash } from "../show/flash.ts";
import { KeptTag } from "./KeptTag.tsx";
import { OthersTag } from "./OthersTag.tsx";
import { drawsRange } from "./drawRange.ts";
import { CarriesTag, CueTags, SetTag } from "./CueTags.tsx";
import { SceneFold } from "./SceneFold.tsx";
import { FollowCell, LabelCell, LastsCell, NumberCell, TimeCell } from "./SpineCells.tsx";
import { BARE, NARROW, SLIM } from "./widths.ts";

interface SpineRowProps {
  list: ListSheet;
  row: number;
  top: number;
  width: number;
  /** Label and times can be written into where they stand. */
  editable?: boolean;
  /** The scene that begins here. */
  scene?: string | undefined;
  /** It can be folded: it has more cues than this one. */
  folds?: boolean;
}

/** One cue of the spine: number, label, what fires it, its times. */
export const SpineRow = memo(function SpineRow({ list, row, top, width, editable = false, scene, folds = false }: SpineRowProps) {
  const cue = list.cues[row];
  const chosen = useSelection((choice) => cue !== undefined && inRange(cue, choice.cue, choice.cueEnd));
  const onStage = useLive((live) => cue !== undefined && cueOnStage(live.run, list.id) === cue.number);
  const flashes = useFlash(({ cues }) => cue !== undefined && cues.has(`${list.id}/${cue.number}`));
  if (!cue) return null;
  const cell = { list: list.id, cue, editable };
  return (
    <div
      role="row"
      aria-rowindex={row + 2}
      aria-selected={chosen}
      className={`absolute left-0 flex h-7 cursor-default items-center select-none border-r border-b border-rule/60 border-r-rule text-[14px] ${chosen ? "bg-base-300" : "bg-base-100"} ${flashes ? "flash" : ""}`}
      style={{ top, width }}
      {...drawsRange(cue.number)}
    >
      {cue.block && <span aria-hidden className="pointer-events-none absolute -top-[3px] right-0 left-0 h-[4px] border-y border-primary" />}
      {cue.restate && <span aria-hidden className="absolute top-1 bottom-1 left-1 w-[4px] border-x border-primary" />}
      <NumberCell list={list.id} cue={cue} chosen={chosen} onStage={onStage} />
      <LabelCell {...cell} chosen={chosen}>
        {width > SLIM && <CueTags list={list.id} cue={cue} />}
        <SetTag list={list.id} cue={cue.number} />
        <KeptTag list={list.id} cue={cue.number} />
        <OthersTag list={list.id} cue={cue.number} />
        <CarriesTag cue={cue} />
        {width > SLIM && scene !== undefined && (
          <span className="ml-auto">
            {folds ? (
              <SceneFold list={list} scene={scene} cue={cue.number} />
            ) : (
              <span className="text-[13px] font-normal text-primary" title={`Scene ${scene} begins with this cue`}>
                {scene}
              </span>
            )}
          </span>
        )}
      </LabelCell>
      {width > BARE && <FollowCell {...cell} />}
      {width > NARROW && <TimeCell {...cell} name="up" />}
      {width > NARROW && <TimeCell {...cell} name="down" />}
      {width > SLIM && <LastsCell list={list} row={row} cue={cue} />}
    </div>
  );
});

function inRange(cue: Cue, a: string | null, b: string | null): boolean {
  if (a === null) return false;
  const ends = [Number(a), Number(b ?? a)].sort((x, y) => x - y);
  const number = Number(cue.number);
  return number >= (ends[0] ?? 0) && number <= (ends[1] ?? 0);
}
