import type { VirtualItem } from "@tanstack/react-virtual";
import { type MarkPlan, type MarkPolicy, POLICIES, POLICY_WORDS, count } from "@zm/core";
import { useListSettings } from "../show/useListSettings.ts";
import { Toggle } from "../shared/Toggle.tsx";
import { HEADER, SPINE } from "./grid.ts";
import { type ListPlan, usePlanning } from "./usePlan.ts";

interface PlannerHeadProps {
  readonly plan: ListPlan;
  readonly proposal: MarkPlan | null;
  readonly columns: readonly VirtualItem[];
  readonly width: number;
}

/** The head of the planner: what its columns are, and a summary of the list's marks. */
export function PlannerHead({ plan, proposal, columns, width }: PlannerHeadProps) {
  const { channels } = plan;
  const chosen = usePlanning((planning) => planning.chosen);
  return (
    <div className="sticky top-0 z-20 flex border-b border-rule bg-base-100" style={{ height: HEADER, width, minWidth: "100%" }}>
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
      {columns.map(({ index, start }) => {
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
  );
}

/** Which policy the list has, how many lights are prepared, and how many have no time. */
function Summary({ plan: { list, marks }, proposal }: { plan: ListPlan; proposal: MarkPlan | null }) {
  const change = useListSettings(list.id);
  const all = usePlanning((planning) => planning.all);
  const policy = list.list.marks?.policy ?? "before";
  const late = marks.filter(({ report }) => report === "mark-late").length;
  const lit = marks.filter(({ report }) => report === "mark-lit").length;
  const unknown = marks.filter(({ mark, known }) => mark.markAt !== null && known === null).length;
  const set = (wanted: MarkPolicy): void => change((settings) => ({ ...settings, marks: { ...settings.marks, policy: wanted } }));
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
