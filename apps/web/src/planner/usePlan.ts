import {
  type ListSheet,
  type MarkPlan,
  type PlanWeights,
  PLAN_WEIGHTS,
  type PlannedMark,
  type Show,
  cached,
  type MarkTime,
  type MeasuredTimes,
  knownTimes,
  markTimes,
  marksOf,
  planMarks,
  proposePlan,
  quietSeconds,
  expectedTimes,
} from "@zm/core";
import { useMemo } from "react";
import { create } from "zustand";
import { useMeasured } from "../show/runLog.ts";
import { useList, useShow } from "../show/useShow.ts";

/** One mark, by what does not change when it is moved: its light, and the cue in which that is called. */
export interface MarkName {
  readonly channel: number;
  readonly cue: string;
}

interface Planning {
  readonly chosen: MarkName | null;
  /** A plan has been asked for: its places are drawn beside those that the marks have. */
  readonly proposes: boolean;
  readonly weights: PlanWeights;
  /** A plan may also move marks that their cues place. */
  readonly pinnedToo: boolean;
  /** Lights that need no time are shown too: colours change at once. */
  readonly all: boolean;
}

/** What is being thought about in the planner; it survives a change of view. */
export const usePlanning = create<Planning>(() => ({ chosen: null, proposes: false, weights: PLAN_WEIGHTS, pinnedToo: false, all: false }));

/** The marks of a list, those of each light together, and what lies between its cues. */
export interface ListPlan {
  readonly list: ListSheet;
  readonly marks: readonly PlannedMark[];
  /** The lights that any mark is for, in the order of the rig. */
  readonly channels: readonly number[];
  readonly byChannel: ReadonlyMap<number, readonly PlannedMark[]>;
  /** By row: how many lights are prepared in the gap behind it. */
  readonly moving: readonly number[];
  readonly until: ReturnType<typeof knownTimes>;
  /** The times between cues that runs give. */
  readonly measured: MeasuredTimes;
  /** By row: for how long quiet lines are spoken before the next cue; seconds. */
  readonly quiet: readonly number[];
  /** The time that a mark would have in a row of its window. */
  readonly timeFor: MarkTime;
}

/** The plan of the list that is worked on, kept for as long as list and script stay the same. */
export function useListPlan(): ListPlan {
  const list = useList();
  const { sheet } = useShow();
  const { script } = sheet.show;
  const all = usePlanning((planning) => planning.all);
  const measured = useMeasured(list);
  return useMemo(() => listPlan(list, script, all, measured), [list, script, all, measured]);
}

function listPlan(list: ListSheet, script: Show["script"], all: boolean, measured: MeasuredTimes): ListPlan {
  const turns = new Set(marksOf(list).flatMap(({ needed, window, channel }) => (needed > 0 && window ? [channel] : [])));
  // The first cue comes out of nothing: there is no dark before it in which anything could be prepared.
  const marks = planMarks(list, script, measured).filter(({ mark }) => mark.window !== null && (all || turns.has(mark.channel)));
  const byChannel = new Map<number, PlannedMark[]>();
  const moving = list.cues.map(() => 0);
  for (const planned of marks) {
    const { channel, markAt } = planned.mark;
    byChannel.set(channel, [...(byChannel.get(channel) ?? []), planned]);
    if (markAt !== null) moving[markAt] = (moving[markAt] ?? 0) + 1;
  }
  const channels = [...list.keys.byChannel.keys()].filter((channel) => byChannel.has(channel));
  const expected = expectedTimes(list, script);
  const quiet = list.cues.map((_, row) => {
    const [from, to] = [expected[row], expected[row + 1]];
    return from == null || to == null ? 0 : quietSeconds(script, from, to);
  });
  return {
    list,
    marks,
    channels,
    byChannel,
    moving,
    until: knownTimes(list, script, measured),
    measured,
    quiet,
    timeFor: markTimes(list, script, measured),
  };
}

/** By what runs give, which belongs to one list as it stands, then by script and weights. */
const plansOf = cached((_measured: MeasuredTimes) => new WeakMap<object, Map<string, MarkPlan>>());
const NO_SCRIPT = {};

/** The plan that is proposed for the list, once one has been asked for; null before. */
export function useProposal({ list, measured }: ListPlan): MarkPlan | null {
  const { sheet } = useShow();
  const { script } = sheet.show;
  const { proposes, weights, pinnedToo } = usePlanning();
  return useMemo(() => {
    if (!proposes) return null;
    const known = plansOf(measured).get(script ?? NO_SCRIPT) ?? new Map<string, MarkPlan>();
    plansOf(measured).set(script ?? NO_SCRIPT, known);
    const name = JSON.stringify({ weights, pinnedToo });
    const plan = known.get(name) ?? proposePlan(list, { script, measured, weights, pinnedToo });
    known.set(name, plan);
    return plan;
  }, [proposes, list, script, weights, pinnedToo, measured]);
}
