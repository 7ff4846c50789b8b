import type { Rehearsal, RehearsalFinding, RehearsalMoment } from "@zm/core";
import { wrap } from "comlink";
import { create } from "zustand";
import { tellTrouble } from "../../shared/notices.ts";
import type { Rehearsals } from "./rehearsalThread.ts";

/** What is rehearsed: a list of a show as it was after an edit. As what "now" was before, the rehearsal is only held against the newest. */
export interface RehearsalTask {
  readonly show: number;
  readonly list: string;
  readonly revision: number;
  /** How many times as fast as it is spoken the show is called. */
  readonly speed: number;
  readonly as: "now" | "before";
}

/** A rehearsal that is over, and what was rehearsed. */
export interface Rehearsed extends RehearsalTask {
  readonly rehearsal: Rehearsal;
}

interface RehearsalState {
  readonly running: RehearsalTask | null;
  readonly now: Rehearsed | null;
  /** What the newest is held against: the one before it, or a state that was chosen. */
  readonly before: Rehearsed | null;
}

/** The rehearsals of this window; they survive a change of view. */
export const useRehearsal = create<RehearsalState>(() => ({ running: null, now: null, before: null }));

let worker: Worker | undefined;

/** Begins a rehearsal in a thread of its own; one that runs is given up. */
export function beginRehearsal(task: RehearsalTask): void {
  stopRehearsal();
  const own = new Worker(new URL("./rehearsalThread.ts", import.meta.url), { type: "module" });
  worker = own;
  useRehearsal.setState({ running: task });
  const { show, list, revision, speed } = task;
  wrap<Rehearsals>(own)
    .rehearse(show, revision, { list, speed })
    .then((rehearsal) => own === worker && useRehearsal.setState(taken({ ...task, rehearsal })))
    .catch(tellTrouble)
    .finally(() => {
      if (own === worker) stopRehearsal();
    });
}

/** Gives up the rehearsal that runs; what was found before stays. */
export function stopRehearsal(): void {
  worker?.terminate();
  worker = undefined;
  useRehearsal.setState({ running: null });
}

/** What is known once a rehearsal is over: the newest takes the place of the one before, if that was of the same list. */
function taken(rehearsed: Rehearsed): Partial<RehearsalState> {
  if (rehearsed.as === "before") return { before: rehearsed };
  const { now } = useRehearsal.getState();
  return { now: rehearsed, before: now && isOf(now, rehearsed) && now.revision !== rehearsed.revision ? now : beforeOf(rehearsed) };
}

function beforeOf(rehearsed: Rehearsed): Rehearsed | null {
  const { before } = useRehearsal.getState();
  return before && isOf(before, rehearsed) ? before : null;
}

function isOf(one: RehearsalTask, other: RehearsalTask): boolean {
  return one.show === other.show && one.list === other.list && one.speed === other.speed;
}

const NOTHING: readonly RehearsalFinding[] = [];

/** What the newest rehearsal found of a list; nothing where it was of another. */
export function findingsOf(now: Rehearsed | null, show: number, list: string): readonly RehearsalFinding[] {
  return now?.show === show && now.list === list ? now.rehearsal.findings : NOTHING;
}

let looking: Worker | undefined;

/** The stage at a moment of a rehearsal, computed in a thread of its own. A question that is asked before another is answered takes its place: that one is never answered. */
export async function stageAt({ show, revision, list, speed }: RehearsalTask, at: number): Promise<RehearsalMoment> {
  looking?.terminate();
  const own = new Worker(new URL("./rehearsalThread.ts", import.meta.url), { type: "module" });
  looking = own;
  try {
    return await wrap<Rehearsals>(own).moment(show, revision, { list, speed }, at);
  } finally {
    own.terminate();
    if (looking === own) looking = undefined;
  }
}
