import {
  type ListSheet,
  type MarkPlan,
  type MarkProposal,
  type MarkSettings,
  type PlanWeights,
  type PlannedMark,
  type WeighedPlace,
  PLAN_WEIGHTS,
  PLAN_WEIGHT_BOUNDS,
  POLICIES,
  POLICY_WORDS,
  WEIGHT_WORDS,
  count,
  findRow,
  isPlaced,
  placeMark,
  planWeightNames,
  proposePlan,
  sceneAt,
  waysOut,
  tenths,
} from "@zm/core";
import { Suspense, useMemo } from "react";
import { considerEdits } from "../choice/draft.ts";
import { lazyPart } from "../shared/lazyPart.ts";
import { Fact } from "../shared/Fact.tsx";
import { NumberField } from "../shared/NumberField.tsx";
import { SecondsField } from "../shared/SecondsField.tsx";
import { Toggle } from "../shared/Toggle.tsx";
import { cueName } from "../shared/words.ts";
import { useMakeEdits, useShow } from "../show/useShow.ts";
import { KNOWN_WORDS } from "./knownWords.ts";
import { LightTimes } from "./LightTimes.tsx";
import { travelWords } from "./MarkColumn.tsx";
import { type ListPlan, useListPlan, usePlanning, useProposal } from "./usePlan.ts";

const PlannerCharts = lazyPart(async () => (await import("./PlannerCharts.tsx")).PlannerCharts);

/** Beside the planner: the chosen mark with the places that it could have and the ways out, and the plan for the whole list. */
export function PlannerPanel() {
  const plan = useListPlan();
  const proposal = useProposal(plan);
  const chosen = usePlanning((planning) => planning.chosen);
  const row = chosen ? findRow(plan.list, chosen.cue) : -1;
  const planned = plan.marks.find(({ mark }) => mark.channel === chosen?.channel && mark.calledAt === row);
  if (plan.marks.length === 0) return <p className="text-quiet">Marks are planned here once there are some.</p>;
  return (
    <>
      {planned ? (
        <ChosenMark plan={plan} planned={planned} />
      ) : (
        <p className="text-quiet">
          A lozenge is where a light is prepared in the dark. Choose one for what it needs and has, and for the places that it could have;
          drag it along its dotted window, or press the arrow keys.
        </p>
      )}
      <WholePlan plan={plan} proposal={proposal} />
      <Suspense fallback={null}>
        <PlannerCharts plan={plan} />
      </Suspense>
    </>
  );
}

/** Puts edits under consideration: their impact stands above, and makes or drops them. */
function consider(edits: readonly Parameters<ReturnType<typeof useMakeEdits>>[0][number][]): void {
  considerEdits("planner", [...edits]);
}

function ChosenMark({ plan: { list, quiet, measured }, planned }: { plan: ListPlan; planned: PlannedMark }) {
  const { sheet } = useShow();
  const weights = usePlanning((planning) => planning.weights);
  const { mark, available, known, report } = planned;
  const light = sheet.show.channels.find(({ number }) => number === mark.channel);
  const types = useMemo(() => new Map(sheet.show.channels.map(({ number, type }) => [number, type])), [sheet.show.channels]);
  const alone = useMemo(
    () =>
      proposePlan(list, {
        script: sheet.show.script,
        measured,
        weights,
        rows: { first: mark.calledAt, last: mark.calledAt },
        pinnedToo: true,
      }),
    [list, sheet.show.script, weights, measured, mark.calledAt],
  );
  const own = alone.proposals.find((each) => each.mark.channel === mark.channel);
  const missing = report === "mark-late" ? mark.needed - (available ?? 0) : (own?.short ?? 0);
  const ways = missing > 0 || report === "mark-lit" ? waysOut(list, types, mark, Math.max(missing, own?.short ?? 0)) : [];
  return (
    <section aria-label="Chosen mark" className="flex flex-col gap-2.5">
      <div>
        <h2 className="text-[17px] font-bold">{light?.label ? `${mark.channel} ${light.label}` : `Light ${mark.channel}`}</h2>
        <p className="text-quiet">comes up in {cueName(list.cues[mark.calledAt])}</p>
        <p className="text-[13px] text-quiet">{travelWords(list, mark)}</p>
      </div>
      <dl className="border-y border-rule py-2">
        <Fact name="prepared in" value={mark.markAt === null ? "in view" : cueName(list.cues[mark.markAt])} />
        <Fact name="needs" value={`${tenths(mark.needed)} s`} />
        <Fact name="has" value={available === null ? "nobody knows" : `${tenths(available)} s`} bad={report === "mark-late"} />
        {known && <Fact name="known by" value={KNOWN_WORDS[known]} />}
        {mark.markAt !== null && (quiet[mark.markAt] ?? 0) > 0 && <Fact name="quiet then" value={`${tenths(quiet[mark.markAt] ?? 0)} s`} />}
      </dl>
      {report === "mark-late" && (
        <p className="text-error">
          It would still move for {tenths(missing)} s while it comes up in {list.cues[mark.calledAt]?.number}.
        </p>
      )}
      {report === "mark-lit" && <p className="text-error">It is lit in cue {mark.strayCue}, which is named for it: it moves in view.</p>}
      <CueMarks list={list} row={mark.calledAt} channel={mark.channel} />
      {own?.best && <Places list={list} own={own} weights={weights} />}
      {ways.length > 0 && (
        <div role="group" aria-label="Ways out" className="flex flex-col gap-1.5">
          <h3 className="font-bold">Ways out</h3>
          {ways.map(({ words, edits }) => (
            <button
              key={words}
              type="button"
              className="btn btn-sm h-auto min-h-8 justify-start border-neutral px-2 py-1 text-left font-normal"
              title="Shows what it would do; nothing is made yet"
              onClick={() => consider(edits)}
            >
              {words}
            </button>
          ))}
        </div>
      )}
    </section>
  );
}

/** What the cue says of the marks of its lights: policy, how slow, how much later; for the cue or for all of its scene. */
function CueMarks({ list, row, channel }: { list: ListSheet; row: number; channel: number }) {
  const makeEdits = useMakeEdits();
  const cue = list.cues[row];
  if (!cue) return null;
  const scene = sceneAt(list, row);
  const set = (change: Partial<MarkSettings>, rows: { first: number; last: number } = { first: row, last: row }): void => {
    const edits = list.cues.slice(rows.first, rows.last + 1).map((each) => {
      const mark = Object.fromEntries(Object.entries({ ...each.mark, ...change }).filter(([, value]) => value !== undefined));
      return { op: "setCue" as const, list: list.id, from: each.number, to: each.number, mark: Object.keys(mark).length > 0 ? mark : null };
    });
    void makeEdits(edits);
  };
  const own = cue.mark?.channels?.[channel];
  const { [channel]: _own, ...others } = cue.mark?.channels ?? {};
  return (
    <div className="flex flex-col gap-1.5">
      <div className="flex items-center gap-2">
        <label htmlFor="mark-policy" className="w-14 shrink-0 text-quiet">
          prepared
        </label>
        <select
          id="mark-policy"
          className="select select-sm min-w-0 flex-1 bg-base-100"
          value={cue.mark?.policy ?? ""}
          onChange={(event) => set({ policy: POLICIES.find((each) => each === event.target.value) })}
        >
          <option value="">as the list has it</option>
          {POLICIES.map((each) => (
            <option key={each} value={each}>
              {POLICY_WORDS[each]}
            </option>
          ))}
        </select>
        {scene && scene.last > scene.first && (
          <button
            type="button"
            className="btn btn-xs h-8 border-neutral px-1.5 font-normal"
            title={`All cues of ${scene.scene} are prepared as this one is then`}
            onClick={() => set({ policy: cue.mark?.policy }, scene)}
          >
            for {scene.scene}
          </button>
        )}
      </div>
      <div className="flex items-center gap-2">
        <span className="w-14 shrink-0 text-quiet" title="All lights of the cue">
          all take
        </span>
        <SecondsField label="Marks of this cue take, seconds" value={cue.mark?.fade} onTake={(fade) => set({ fade: fade ?? undefined })} />
        <span className="text-quiet">waits</span>
        <SecondsField
          label="Marks of this cue wait, seconds"
          value={cue.mark?.delay}
          onTake={(delay) => set({ delay: delay ?? undefined })}
        />
      </div>
      <LightTimes list={list} row={row} channel={channel} />
      {own && (
        <button
          type="button"
          className="btn btn-xs self-start border-neutral px-1.5 font-normal"
          title="What is said of this light alone goes; what the cue or the list says counts again"
          onClick={() => set({ channels: Object.keys(others).length > 0 ? others : undefined })}
        >
          {own.view ? "Not in view any more" : "As the cue or the list has it"}
        </button>
      )}
    </div>
  );
}

/** The best places that a mark could have, with what each costs. */
function Places({ list, own, weights }: { list: ListSheet; own: MarkProposal; weights: PlanWeights }) {
  const { mark, best, now } = own;
  const places = [best, now].filter((place): place is WeighedPlace => place !== null);
  const once = places.filter((place, index) => places.findIndex(({ row }) => row === place.row) === index);
  return (
    <div role="group" aria-label="Places" className="flex flex-col gap-1.5">
      <h3 className="font-bold">Places</h3>
      {once.map((place) => (
        <button
          key={place.row}
          type="button"
          aria-pressed={place.row === mark.markAt}
          className="btn btn-sm h-auto min-h-8 flex-col items-start gap-0 border-neutral px-2 py-1 text-left font-normal aria-pressed:border-secondary"
          title="Shows what it would do; nothing is made yet"
          onClick={() => consider([placeMark(list, mark, place.row)])}
        >
          <span className="font-bold">in {cueName(list.cues[place.row])}</span>
          <span className="text-[13px] text-quiet">{placeWords(place, weights)}</span>
        </button>
      ))}
      {mark.markAt !== null && (
        <button
          type="button"
          className="btn btn-sm justify-start border-neutral px-2 font-normal"
          onClick={() => consider([placeMark(list, mark, null)])}
        >
          it moves in view
        </button>
      )}
    </div>
  );
}

/** What a place has and what was weighed against it. */
function placeWords({ time, cost }: WeighedPlace, weights: PlanWeights): string {
  const has = time === null ? "time nobody knows" : `has ${tenths(time.seconds)} s`;
  const of = (name: keyof PlanWeights): number => (weights[name] > 0 ? cost[name] / weights[name] : 0);
  return [
    has,
    ...(of("short") > 0 ? [`${tenths(of("short"))} s too little`] : []),
    ...(of("quiet") > 0 ? [`${tenths(of("quiet"))} s in a quiet line`] : []),
    ...(of("early") > 0 ? [`${count(of("early"), "cue")} early`] : []),
    ...(of("crowd") > 0 ? [`${count(of("crowd"), "other light")} then`] : []),
  ].join(", ");
}

/** A plan for the whole list: asked for, looked at, made as one edit. */
function WholePlan({ plan, proposal }: { plan: ListPlan; proposal: MarkPlan | null }) {
  const weights = usePlanning((planning) => planning.weights);
  const moved = proposal?.proposals.filter(({ moves }) => moves) ?? [];
  const late = proposal?.proposals.filter(({ isLate }) => isLate) ?? [];
  const placed = plan.marks.filter(({ mark }) => isPlaced(plan.list, mark)).length;
  const pinnedToo = usePlanning((planning) => planning.pinnedToo);
  const most = Math.max(0, ...plan.moving);
  return (
    <section aria-label="Plan" className="flex flex-col gap-2 border-t border-rule pt-3">
      <h2 className="font-bold">Plan for the list</h2>
      {!proposal && (
        <>
          <p className="text-quiet">
            A place for every mark: enough time first, then not in a quiet line, then late, then few lights at once.
          </p>
          <button type="button" className="btn btn-sm border-neutral" onClick={() => usePlanning.setState({ proposes: true })}>
            Ask for a plan
          </button>
        </>
      )}
      {proposal && (
        <>
          <p role="status">{planWords(moved, late)}</p>
          {placed > 0 && (
            <Toggle
              pressed={pinnedToo}
              title="Marks with a line under them were placed by hand, or by their cue"
              onClick={() => usePlanning.setState({ pinnedToo: !pinnedToo })}
            >
              {pinnedToo ? "Also those that cues place" : `${count(placed, "mark")} placed by cues stay`}
            </Toggle>
          )}
          <PlanLines list={plan.list} moved={moved} late={late} />
          <div className="flex gap-1.5">
            <button
              type="button"
              className="btn btn-sm flex-1 border-neutral"
              disabled={moved.length === 0}
              title="Shows its impact; all of it is one edit, and one undo"
              onClick={() => consider(proposal.edits)}
            >
              Make the plan …
            </button>
            <button type="button" className="btn btn-sm border-neutral" onClick={() => usePlanning.setState({ proposes: false })}>
              Put away
            </button>
          </div>
        </>
      )}
      <details>
        <summary className="cursor-pointer py-1 text-quiet">Weights</summary>
        <div className="flex flex-col gap-1">
          {planWeightNames().map((name) => (
            <label key={name} className="flex items-center gap-2">
              <span className="min-w-0 flex-1 text-[13px] text-quiet">{WEIGHT_WORDS[name]}</span>
              <span className="w-[64px]">
                <NumberField
                  label={WEIGHT_WORDS[name]}
                  value={weights[name]}
                  {...PLAN_WEIGHT_BOUNDS}
                  onTake={(value) => value !== null && usePlanning.setState({ weights: { ...weights, [name]: value } })}
                />
              </span>
            </label>
          ))}
          <button
            type="button"
            className="btn btn-xs self-start border-neutral font-normal"
            onClick={() => usePlanning.setState({ weights: PLAN_WEIGHTS })}
          >
            As they were
          </button>
        </div>
      </details>
      <p className="flex justify-between text-quiet">
        at once, at most
        <span className="figures text-base-content">
          {most > 0 ? `${most} in ${plan.list.cues[plan.moving.indexOf(most)]?.number ?? ""}` : "none"}
        </span>
      </p>
    </section>
  );
}

/** So many lights of a plan are named before the rest is folded away. */
const NAMED = 6;

/** Each light that a plan moves, from where to where, and each that stays late. */
function PlanLines({ list, moved, late }: { list: ListSheet; moved: readonly MarkProposal[]; late: readonly MarkProposal[] }) {
  const lines = [
    ...late.map(({ mark }) => `${mark.channel} for ${list.cues[mark.calledAt]?.number ?? ""} is late wherever it is prepared`),
    ...moved.map(({ mark, best, now }) => moveWords(list, mark, now, best)),
  ];
  const row = (line: string) => <li key={line}>{line}</li>;
  return (
    <div className="text-[13px]">
      <ul aria-label="Lights of the plan">{lines.slice(0, NAMED).map(row)}</ul>
      {lines.length > NAMED && (
        <details>
          <summary className="cursor-pointer py-0.5 text-quiet">{lines.length - NAMED} more</summary>
          <ul>{lines.slice(NAMED).map(row)}</ul>
        </details>
      )}
    </div>
  );
}

/** "65 for 33: in 31 instead of 32, has 4.2 s instead of 0.6". */
function moveWords(
  list: ListSheet,
  { channel, calledAt }: MarkProposal["mark"],
  now: WeighedPlace | null,
  best: WeighedPlace | null,
): string {
  const cueAt = (row: number | undefined): string => (row === undefined ? "view" : (list.cues[row]?.number ?? ""));
  const has = best?.time ? `, has ${tenths(best.time.seconds)} s${now?.time ? ` instead of ${tenths(now.time.seconds)}` : ""}` : "";
  return `${channel} for ${cueAt(calledAt)}: in ${cueAt(best?.row)} instead of ${cueAt(now?.row)}${has}`;
}

/** What a plan does, in a sentence. */
function planWords(moved: readonly MarkProposal[], late: readonly MarkProposal[]): string {
  const cannot = late.length;
  if (moved.length === 0)
    return cannot === 0
      ? "Every mark is where it had better be."
      : `No mark had better be elsewhere; ${count(cannot, "light")} cannot be in time anywhere.`;
  const gains = moved.filter(({ best, now }) => now === null || (best?.cost.short ?? 0) < now.cost.short).length;
  const quiet = moved.filter(({ best, now }) => now !== null && (best?.cost.quiet ?? 0) < now.cost.quiet).length;
  const words = [
    ...(gains > 0 ? [`${gains} gain time`] : []),
    ...(quiet > 0 ? [`${quiet} leave quiet lines`] : []),
    ...(moved.length > gains + quiet ? ["others spread"] : []),
  ];
  return `Moves ${count(moved.length, "mark")}: ${words.join(", ")}${cannot > 0 ? `; ${cannot} cannot be in time anywhere` : ""}.`;
}
