import type { VirtualItem } from "@tanstack/react-virtual";
import { type MarkPlan, type MarkPolicy, POLICIES, POLICY_WORDS, count } from "@zm/core";
import { useListSettings } from "../show/useListSettings.ts";
import { chooseCue } from "../choice/selection.ts";
import { SecondsField } from "../shared/SecondsField.tsx";
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
  const unknown = marks.filter(({ mark, known }) => mark.markAt !== null && known === null).length;
  const set = (wanted: MarkPolicy): void => change((settings) => ({ ...settings, marks: { ...settings.marks, policy: wanted } }));
  return (
    <div className="sticky z-10 flex h-8 items-center gap-2.5 pl-3.5 text-[13px] whitespace-nowrap" style={{ left: SPINE }}>
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
      <label
        className="flex items-center gap-1.5 text-quiet"
        title="How long lights take in the dark where their cue says nothing; empty: as fast as they can. Typed: list prepared takes 3"
      >
        taking
        <span className="w-14">
          <SecondsField
            label="marks of the list take, seconds"
            value={list.list.marks?.fade}
            hint="0"
            onTake={(fade) =>
              change((settings) => ({ ...settings, marks: withoutNothing({ ...settings.marks, fade: fade ?? undefined }) }))
            }
          />
        </span>
      </label>
      <Troubled marks={marks} list={list} report="mark-late" words="late" />
      <Troubled marks={marks} list={list} report="mark-lit" words="in light" />
      <span>{count(marks.length, "mark")}</span>
      {unknown > 0 && <span className="text-quiet">{unknown} of unknown time</span>}
      {proposal && <span className="text-secondary">{proposal.proposals.filter(({ moves }) => moves).length} proposed</span>}
    </div>
  );
}

/** Settings without the fields that say nothing. */
function withoutNothing<T extends object>(settings: T): T {
  const said = { ...settings };
  for (const [name, value] of Object.entries(settings)) if (value === undefined) Reflect.deleteProperty(said, name);
  return said;
}

interface TroubledProps {
  readonly marks: ListPlan["marks"];
  readonly list: ListPlan["list"];
  readonly report: "mark-late" | "mark-lit";
  readonly words: string;
}

/** How many marks have a trouble; pressed, it leads to the first of them, and pressed again to the next. */
function Troubled({ marks, list, report, words }: TroubledProps) {
  const chosen = usePlanning((planning) => planning.chosen);
  const troubled = marks.filter((each) => each.report === report).map(({ mark }) => mark);
  if (troubled.length === 0) return null;
  const at = troubled.findIndex(({ channel, calledAt }) => channel === chosen?.channel && list.cues[calledAt]?.number === chosen.cue);
  const lead = (): void => {
    const next = troubled[(at + 1) % troubled.length];
    const cue = next && list.cues[next.calledAt]?.number;
    if (!next || cue === undefined) return;
    usePlanning.setState({ chosen: { channel: next.channel, cue } });
    chooseCue(cue);
  };
  return (
    <button
      type="button"
      className="h-7 rounded px-1 font-bold text-error underline"
      title={`Leads to ${at < 0 ? "the first" : "the next"} of them`}
      onClick={lead}
    >
      {troubled.length} {words}
    </button>
  );
}

const POLICY_TITLES = {
  before: "Lights are prepared in the cue just before they are called",
  dark: "Lights are prepared as soon as they are dark",
  view: "Lights move in view as they come up",
} as const;
