import { useVirtualizer } from "@tanstack/react-virtual";
import { type Comparison, type ImpactKind, type ListSheet, findRow, keyNamed, keyName } from "@zm/core";
import { useEffect, useEffectEvent, useMemo, useRef, useState } from "react";
import { useShallow } from "zustand/react/shallow";
import { lensKeys, trackedText } from "../cells/cells.ts";
import { chooseCue, chosenCues, extendToCue, useSelection } from "../choice/selection.ts";
import { type Lens, chooseLens, toggleUnder, useSheetView } from "../choice/sheetView.ts";
import { EmptyView } from "../shared/EmptyView.tsx";
import { Toggle } from "../shared/Toggle.tsx";

const ROW = 28;
const WIDTH = 74;
/** The cues at the left, which stay while the lights scroll. */
const NAMES = 300;
const LENSES = ["intensity", "position", "colour", "beam"] as const satisfies readonly Lens[];

/** One cue in the comparison: where it stands in both, and what is said of it. */
interface Line {
  readonly number: string;
  readonly label: string;
  readonly was: number;
  readonly is: number;
  readonly sign: string;
  readonly words: () => string;
}

/** The sign of what happened to a cue. */
const SIGNS: Readonly<Record<ImpactKind, string>> = { goes: "−", comes: "+", renumbered: "→", looks: "≠", runs: "t", stores: "t" };

interface CompareTableProps {
  readonly comparison: Comparison;
  readonly before: ListSheet;
  readonly after: ListSheet;
}

/** Two states cue by cue: what was struck through, what is beside it; whole cues come and go. */
export function CompareTable({ comparison, before, after }: CompareTableProps) {
  const choice = useSelection(useShallow(({ cue, cueEnd }) => ({ cue, cueEnd })));
  const [all, setAll] = useState(false);
  const lens = useSheetView((view): Lens => (view.lens === "times" ? "intensity" : view.lens));
  const lines = useMemo(() => linesOf(comparison, before, after, all), [comparison, before, after, all]);
  const lights = useMemo(() => lightsIn(comparison, before, after, lens), [comparison, before, after, lens]);
  const scroller = useRef<HTMLDivElement>(null);
  const rows = useVirtualizer({ count: lines.length, getScrollElement: () => scroller.current, estimateSize: () => ROW, overscan: 10 });
  const cues = chosenCues(choice);
  // What differs in the cue that is looked at is seen, however far out it stands.
  const bringInSight = useEffectEvent((cue: string | null) => {
    const index = lines.findIndex(({ number }) => number === cue);
    const line = lines[index];
    const element = scroller.current;
    if (!line || !element) return;
    rows.scrollToIndex(index);
    const column = lights.findIndex((light) => shownIn(before, light, line.was, lens) !== shownIn(after, light, line.is, lens));
    const [left, room] = [column * WIDTH, element.clientWidth - NAMES];
    if (column < 0 || (left >= element.scrollLeft && left + WIDTH <= element.scrollLeft + room)) return;
    element.scrollLeft = left;
  });
  useEffect(() => bringInSight(choice.cueEnd), [choice.cueEnd, lens]);
  const isChosen = (number: string): boolean => cues !== null && Number(number) >= Number(cues.from) && Number(number) <= Number(cues.to);
  return (
    <div className="flex min-h-0 min-w-0 flex-1 flex-col">
      <CompareTools lens={lens} all={all} onAll={() => setAll(!all)} />
      {comparison.beside.length > 0 && (
        <p className="border-b border-rule px-4 py-1.5 text-quiet">{comparison.beside.slice(0, 6).join("; ")}</p>
      )}
      {lines.length === 0 ? (
        <EmptyView title="No cue is different" words="Both states have the same cues with the same moves, times and looks." />
      ) : (
        <div ref={scroller} role="grid" aria-label="What is different" tabIndex={0} className="min-h-0 flex-1 overflow-auto bg-sheet">
          <div style={{ width: NAMES + lights.length * WIDTH + 20, minWidth: "100%" }}>
            <div role="row" className="sticky top-0 z-20 flex h-8 items-center border-b border-rule bg-base-100">
              <span role="columnheader" className="sticky left-0 z-10 w-[300px] shrink-0 bg-base-100 pl-4 text-quiet">
                cue
              </span>
              {lights.map((light) => (
                <span
                  key={light}
                  role="columnheader"
                  className="figures shrink-0 pr-2 text-right text-[13px] text-quiet"
                  style={{ width: WIDTH }}
                >
                  {light}
                </span>
              ))}
            </div>
            <div className="relative" style={{ height: rows.getTotalSize() }}>
              {rows.getVirtualItems().map(({ key, index, start }) => {
                const line = lines[index];
                return (
                  line && (
                    <CompareRow key={key} line={line} top={start} chosen={isChosen(line.number)}>
                      <Cells lights={lights} line={line} before={before} after={after} lens={lens} />
                    </CompareRow>
                  )
                );
              })}
            </div>
          </div>
        </div>
      )}
    </div>
  );
}

/** What is seen of the comparison: which family of values, only what differs, pictures. */
function CompareTools({ lens, all, onAll }: { lens: Lens; all: boolean; onAll: () => void }) {
  const pictures = useSheetView((each) => each.under === "pictures");
  return (
    <div className="flex h-10 shrink-0 items-center gap-4 border-b border-rule px-4">
      <div role="group" aria-label="Lens" className="flex gap-1.5">
        {LENSES.map((each) => (
          <Toggle key={each} pressed={lens === each} onClick={() => chooseLens(each)}>
            {each[0]?.toUpperCase()}
            {each.slice(1)}
          </Toggle>
        ))}
      </div>
      <Toggle pressed={!all} onClick={onAll}>
        Only what differs
      </Toggle>
      <Toggle
        pressed={pictures}
        title="The chosen cue as a picture, then and now, and the difference"
        onClick={() => toggleUnder("pictures")}
      >
        Pictures
      </Toggle>
    </div>
  );
}

interface CompareRowProps {
  readonly line: Line;
  readonly top: number;
  readonly chosen: boolean;
  readonly children: React.ReactNode;
}

function CompareRow({ line, top, chosen, children }: CompareRowProps) {
  const gone = line.is < 0 ? "text-error line-through" : "";
  return (
    <div
      role="row"
      title={line.words()}
      aria-selected={chosen}
      className={`absolute left-0 flex w-full items-center border-b border-rule/50 ${chosen ? "bg-base-300" : "hover:bg-base-200"}`}
      style={{ top, height: ROW }}
      onClick={(event) => (event.shiftKey ? extendToCue : chooseCue)(line.number)}
    >
      <span role="rowheader" className="sticky left-0 flex w-[300px] shrink-0 items-center gap-2 bg-inherit pl-4">
        <span className={`figures w-3 ${line.sign === "−" ? "text-error" : "text-secondary"}`}>{line.sign}</span>
        <span className={`figures w-12 text-right ${gone}`}>{line.number}</span>
        <span className={`min-w-0 flex-1 truncate ${gone}`}>{line.label}</span>
      </span>
      {children}
    </div>
  );
}

interface CellsProps {
  readonly lights: readonly number[];
  readonly line: Line;
  readonly before: ListSheet;
  readonly after: ListSheet;
  readonly lens: Lens;
}

/** What a light shows in a row; empty where the cue is not there. */
function shownIn(list: ListSheet, light: number, row: number, lens: Lens): string {
  return row < 0 ? "" : trackedText(list, lensKeys(list, light, lens), row, lens);
}

/** What the lights showed and show in a cue; where none of them differs in this lens, what else is different in words. */
function Cells({ lights, line, before, after, lens }: CellsProps) {
  const cells = lights.map((light) => ({
    light,
    was: shownIn(before, light, line.was, lens),
    is: shownIn(after, light, line.is, lens),
  }));
  if (line.sign !== "" && line.is >= 0 && cells.every(({ was, is }) => was === is))
    return (
      <span role="gridcell" className="min-w-0 flex-1 truncate text-secondary">
        {line.words()}
      </span>
    );
  return cells.map(({ light, was, is }) => (
    <span
      key={light}
      role="gridcell"
      className="figures flex shrink-0 justify-end gap-1.5 overflow-hidden pr-2 text-[13px] whitespace-nowrap"
      style={{ width: WIDTH }}
    >
      {was === is ? (
        <span className="text-quiet">{is}</span>
      ) : (
        <>
          {was !== "" && <s className="text-quiet">{was}</s>}
          <span className="font-bold text-secondary">{is === "" && line.is >= 0 ? "○" : is}</span>
        </>
      )}
    </span>
  ));
}

/** The cues in their order, those that differ alone or all of them. */
function linesOf(comparison: Comparison, before: ListSheet, after: ListSheet, all: boolean): Line[] {
  const own = comparison.lines.filter(({ list }) => list === after.id);
  const told = own.map(({ cue, after: number, words, kind }): Line => {
    // A cue that comes is named by its new number, and may stand where another was.
    const was = kind === "comes" ? -1 : findRow(before, cue);
    const is = number === undefined ? -1 : findRow(after, number);
    return { number: number ?? cue, label: labelOf(is >= 0 ? after : before, is >= 0 ? is : was), was, is, sign: SIGNS[kind], words };
  });
  if (!all) return told.sort((a, b) => Number(a.number) - Number(b.number));
  const known = new Set(told.map(({ number }) => number));
  const same = after.cues.flatMap((cue, is): Line[] =>
    known.has(cue.number)
      ? []
      : [{ number: cue.number, label: cue.label ?? "", was: findRow(before, cue.number), is, sign: "", words: () => "as it was" }],
  );
  return [...told, ...same].sort((a, b) => Number(a.number) - Number(b.number));
}

function labelOf(list: ListSheet, row: number): string {
  return list.cues[row]?.label ?? "";
}

/** The lights that have something different in this lens, in their order; so many as can be looked over. */
function lightsIn({ steps }: Comparison, before: ListSheet, after: ListSheet, lens: Lens): number[] {
  const found = new Set<number>();
  for (const step of steps) {
    if (step.at !== "move" || step.list !== after.id) continue;
    const name = keyName(step.channel, step.attribute);
    const key = keyNamed(after.keys, name) ?? keyNamed(before.keys, name);
    if (key?.attribute.family === lens) found.add(step.channel);
  }
  return [...found].sort((a, b) => a - b).slice(0, 80);
}
