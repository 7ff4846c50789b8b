import { useVirtualizer } from "@tanstack/react-virtual";
import { type MarkPlan, type MarkPolicy, POLICIES, POLICY_WORDS, count, findRow, litRows } from "@zm/core";
import { memo, useEffect, useEffectEvent, useRef } from "react";
import { useChoice } from "../choice/choice.ts";
import { PicturesDrawer } from "../picture/PicturesDrawer.tsx";
import { useShortcut } from "../shared/useShortcut.ts";
import { EmptyView } from "../shared/EmptyView.tsx";
import { Toggle } from "../shared/Toggle.tsx";
import { seconds, tenths } from "../shared/words.ts";
import { useMakeEdits } from "../show/useShow.ts";
import { SpineRow } from "../spine/Spine.tsx";
import { COLUMN, ROW } from "./grid.ts";
import { KNOWN_BRIEFLY } from "./knownWords.ts";
import { MarkColumn } from "./MarkColumn.tsx";
import { type ListPlan, useListPlan, usePlanning, useProposal } from "./usePlan.ts";

const HEADER = 56;
const SPINE = 250;
/** How much room the time until the next Go and the lights that move then take. */
const GAPS = 222;

/** All marks of the list: windows, times needed and there, and where a plan would put them. The spine's rows are its rows. */
export function PlannerView() {
  const plan = useListPlan();
  const proposal = useProposal(plan);
  const scroller = useRef<HTMLDivElement>(null);
  const { list, channels } = plan;
  const rows = useVirtualizer({ count: list.cues.length, getScrollElement: () => scroller.current, estimateSize: () => ROW, overscan: 6 });
  const columns = useVirtualizer({
    horizontal: true,
    count: channels.length,
    getScrollElement: () => scroller.current,
    estimateSize: () => COLUMN,
    overscan: 3,
    paddingStart: SPINE + GAPS,
  });
  const pictures = useChoice((choice) => choice.under === "pictures");
  useShortcut("pictures", () => useChoice.setState(({ under }) => ({ under: under === "pictures" ? null : "pictures" })));
  const chosen = usePlanning((planning) => planning.chosen);
  const cueEnd = useChoice((choice) => choice.cueEnd);
  const bring = useEffectEvent((cue: string | null) => {
    const row = cue === null ? -1 : findRow(list, cue);
    if (row >= 0) rows.scrollToIndex(row, { align: "auto" });
  });
  useEffect(() => bring(cueEnd), [cueEnd]);
  const bringLight = useEffectEvent((channel: number | undefined) => {
    const place = channel === undefined ? -1 : channels.indexOf(channel);
    if (place >= 0) columns.scrollToIndex(place, { align: "auto" });
  });
  useEffect(() => bringLight(chosen?.channel), [chosen]);
  const all = usePlanning((planning) => planning.all);
  if (plan.marks.length === 0 && all)
    return (
      <EmptyView
        title="No light is prepared in the dark"
        words="A light that comes up somewhere new, out of the dark, is prepared before: it gets a column here. Record a moving light that is dark in one cue, and lit somewhere else in a later one."
      />
    );
  const shown = rows.getVirtualItems();
  const [first, last] = [shown[0]?.index ?? 0, shown.at(-1)?.index ?? 0];
  return (
    <div className="flex h-full flex-col">
      <div
        ref={scroller}
        data-planner-sheet
        role="group"
        aria-label="Marks"
        tabIndex={0}
        className="relative min-h-0 flex-1 overflow-auto bg-sheet"
      >
        <div
          className="sticky top-0 z-20 flex border-b border-rule bg-base-100"
          style={{ height: HEADER, width: columns.getTotalSize() + 40, minWidth: "100%" }}
        >
          <div
            aria-hidden
            className="sticky left-0 z-10 flex shrink-0 items-end border-r border-rule bg-base-100 pb-1.5 text-[13px] text-quiet"
            style={{ width: SPINE }}
          >
            <span className="w-[58px] shrink-0 pr-2 text-right">cue</span>
            <span className="min-w-0 flex-1 pl-1.5">label</span>
            <span className="w-[86px] shrink-0">follows</span>
          </div>
          <Summary plan={plan} proposal={proposal} />
          <span className="absolute bottom-1.5 text-[13px] text-quiet" style={{ left: SPINE + 14 }}>
            until the next Go
          </span>
          <span className="absolute bottom-1.5 text-[13px] text-quiet" style={{ left: SPINE + 160 }}>
            moving
          </span>
          {columns.getVirtualItems().map(({ index, start }) => {
            const channel = channels[index] ?? 0;
            return (
              <span
                key={channel}

                className={`figures absolute bottom-1.5 ${chosen?.channel === channel ? "font-bold text-secondary" : "text-quiet"}`}
                style={{ left: start + 4 }}
              >
                {channel}
              </span>
            );
          })}
        </div>
        <div className="relative" style={{ height: rows.getTotalSize(), width: columns.getTotalSize() + 40 }}>
          <div
            role="grid"
            aria-label="Cues"
            aria-rowcount={list.cues.length + 1}
            className="sticky left-0 z-10 h-0"
            style={{ width: SPINE }}
          >
            {shown.map(({ index, start }) => (
              <SpineRow key={list.cues[index]?.number ?? index} list={list} row={index} top={start} width={SPINE} />
            ))}
          </div>
          {shown.map(({ index, start }) => (
            <GapRow key={index} plan={plan} row={index} top={start} />
          ))}
          {columns.getVirtualItems().map(({ index, start }) => {
            const channel = channels[index] ?? 0;
            return (
              <MarkColumn
                key={channel}
                list={list}
                channel={channel}
                marks={plan.byChannel.get(channel) ?? []}
                proposal={proposal}
                timeFor={plan.timeFor}
                lit={litRows(list, channel)}
                x={start}
                first={first}
                last={last}
              />
            );
          })}
        </div>
      </div>
      {pictures && <PicturesDrawer list={list} chosen />}
    </div>
  );
}

/** Which policy the list has, how many lights are prepared, and how many have no time. */
function Summary({ plan: { list, marks }, proposal }: { plan: ListPlan; proposal: MarkPlan | null }) {
  const makeEdits = useMakeEdits();
  const all = usePlanning((planning) => planning.all);
  const policy = list.list.marks?.policy ?? "before";
  const late = marks.filter(({ report }) => report === "mark-late").length;
  const lit = marks.filter(({ report }) => report === "mark-lit").length;
  const unknown = marks.filter(({ mark, known }) => mark.markAt !== null && known === null).length;
  const set = (wanted: MarkPolicy): void => {
    const { cues: _cues, ...head } = list.list;
    void makeEdits([{ op: "setList", list: { ...head, marks: { ...head.marks, policy: wanted } } }]);
  };
  return (
    <div className="sticky z-10 flex h-8 items-center gap-3 pl-3.5 text-[13px]" style={{ left: SPINE }}>
      <span className="text-quiet">prepared</span>
      <span role="group" aria-label="When lights are prepared" className="flex gap-1">
        {POLICIES.map((each) => (
          <Toggle key={each} pressed={policy === each} title={POLICY_TITLES[each]} onClick={() => set(each)}>
            {POLICY_WORDS[each]}
          </Toggle>
        ))}
      </span>
      <Toggle
        pressed={all}
        title="Also lights that need no time, such as those that only change colour"
        onClick={() => usePlanning.setState({ all: !all })}
      >
        All lights
      </Toggle>
      {late > 0 && <span className="font-bold text-error">{late} late</span>}
      {lit > 0 && <span className="font-bold text-error">{lit} in light</span>}
      <span>{count(marks.length, "mark")}</span>
      {unknown > 0 && <span className="text-quiet">{unknown} of unknown time</span>}
      {proposal && <span className="text-secondary">{proposal.proposals.filter(({ moves }) => moves).length} proposed elsewhere</span>}
    </div>
  );
}

const POLICY_TITLES = {
  before: "Lights are prepared in the cue just before they are called",
  dark: "Lights are prepared as soon as they are dark",
  view: "Lights move in view as they come up",
} as const;

/** How long a time bar can be, pixels; long times are pressed together. */
const LONGEST_BAR = 44;

/** What lies between a cue and the next: how long it is and how that is known, whether it is quiet, how many lights move then. */
const GapRow = memo(function GapRow({ plan: { list, until, quiet, moving }, row, top }: { plan: ListPlan; row: number; top: number }) {
  const time = row + 1 < list.cues.length ? until(row, row + 1) : null;
  const lights = moving[row] ?? 0;
  const known = time === null ? "" : KNOWN_BRIEFLY[time.by];
  const silent = quiet[row] ?? 0;
  return (
    <div className="absolute flex h-7 items-center border-b border-rule/60 text-[13px]" style={{ top, left: SPINE, width: GAPS }}>
      <span
        aria-hidden
        className={`ml-1.5 h-5 w-1.5 shrink-0 ${silent > 0 ? "rounded-l-full border-l-2 border-secondary" : ""}`}
        title={silent > 0 ? `Quiet for ${seconds(silent)} s` : undefined}
      />
      <span className="ml-1 flex w-[142px] shrink-0 items-center gap-1.5">
        {time === null ? (
          <span className="text-quiet">{row + 1 < list.cues.length ? "?" : ""}</span>
        ) : (
          <>
            <span
              aria-hidden
              className="h-2.5 shrink-0 bg-quiet/70"
              style={{ width: Math.min(LONGEST_BAR, 3 + 9 * Math.log2(1 + Math.max(0, time.seconds))) }}
            />
            <span className="figures">{tenths(time.seconds)}</span>
            <span className="whitespace-nowrap text-quiet">{known}</span>
          </>
        )}
        {silent > 0 && <span className="sr-only">, quiet for {seconds(silent)} seconds</span>}
      </span>
      <span className="flex items-center gap-1.5">
        {lights > 0 && (
          <>
            <span aria-hidden className="h-2.5 bg-secondary/60" style={{ width: Math.min(34, 4 * lights) }} />
            <span className="figures">{lights}</span>
          </>
        )}
      </span>
    </div>
  );
});
