import { EMPTY_HAND, type Hand, type HandChange, type ShowSheet, changeHand } from "@zm/core";
import { create } from "zustand";
import { notify, tellTrouble } from "../shared/notices.ts";
import { unlessRefused } from "../shared/unlessRefused.ts";
import type { HandState } from "@zm/protocol";
import { api } from "./api.ts";
import { currentGesture } from "./gesture.ts";
import { receiveHistory } from "./historyStore.ts";
import { type Runner, enqueue, newestInQueue } from "./queue.ts";

/** What is in hand as this window has it; ahead of the server while changes are on their way. */
interface WindowHand {
  readonly show: number;
  readonly hand: Hand;
  readonly version: number;
  readonly damaged: boolean;
}

export const useHand = create<WindowHand>(() => ({ show: 0, hand: EMPTY_HAND, version: -1, damaged: false }));

/** Changes that go to the server together. */
interface Batch {
  readonly changes: { readonly change: HandChange; readonly gesture: string }[];
  sent: boolean;
  /** Its number in the queue. */
  place: number;
}

let newest: Batch | undefined;
/** Batches that are on their way. */
let sending = 0;
/** The newest that the server told while own changes were on their way. */
let latest: HandState | undefined;

/** Takes what the server tells of the Hand. What is older than what is known is left alone; while own changes are on their way it waits for them. */
export function receiveHand(state: HandState): void {
  receiveHistory(state.history);
  const known = useHand.getState();
  if (known.show === state.show && state.version < known.version) return;
  if (sending > 0) {
    if (!latest || state.version >= latest.version) latest = state;
    return;
  }
  useHand.setState({ show: state.show, hand: state.hand, version: state.version, damaged: state.damaged });
}

/** Whatever the server says next of the Hand is taken, however it counts. */
export function forgetHandTurn(): void {
  latest = undefined;
  useHand.setState({ version: -1 });
}

/** Forgets the Hand of a show that was left. */
export function leaveHand(): void {
  latest = undefined;
  useHand.setState({ show: 0, hand: EMPTY_HAND, version: -1, damaged: false });
}

/**
 * Changes what is in hand: shown at once, sent in order. `now` is milliseconds of the server's clock. A change that the rig
 * does not take is told to the user and gives false.
 */
export function makeHandChange(show: number, sheet: ShowSheet, change: HandChange, now: number, run: Runner = enqueue): boolean {
  const after = unlessRefused(() => changeHand(useHand.getState().hand, change, sheet, now));
  if (!after) return false;
  useHand.setState({ show, hand: after });
  const one = { change, gesture: currentGesture() };
  // A batch that still waits takes along what comes, unless something else has been asked for since.
  if (run === enqueue && newest && !newest.sent && newest.place === newestInQueue()) {
    newest.changes.push(one);
    return true;
  }
  const batch: Batch = { changes: [one], sent: false, place: 0 };
  sending += 1;
  void run(() => sendBatch(show, batch)).finally(() => {
    sending -= 1;
    settle();
  });
  batch.place = newestInQueue();
  newest = batch;
  return true;
}

async function sendBatch(show: number, batch: Batch): Promise<void> {
  batch.sent = true;
  try {
    for (const { gesture, changes } of byGesture(batch)) {
      const reply = await api.changeHand(show, changes, gesture);
      if (!reply.stored) notify("This is in hand, but the database is away: a restart would lose it.", "trouble");
      receiveHistory(reply.history);
      if (!latest || reply.version >= latest.version) latest = reply;
    }
  } catch (error) {
    tellTrouble(error);
    latest = (await api.hand(show).catch(() => undefined)) ?? latest;
  }
}

/** The changes of a batch, those of one gesture together. */
function byGesture({ changes }: Batch): { gesture: string; changes: HandChange[] }[] {
  const groups: { gesture: string; changes: HandChange[] }[] = [];
  for (const { change, gesture } of changes) {
    const group = groups.at(-1);
    if (group?.gesture === gesture && group.changes.length < 100) group.changes.push(change);
    else groups.push({ gesture, changes: [change] });
  }
  return groups;
}

/** When nothing of this window is on its way any more, the Hand is what the server last told. */
function settle(): void {
  if (sending > 0 || !latest) return;
  const { show, hand, version, damaged } = latest;
  latest = undefined;
  useHand.setState({ show, hand, version, damaged });
}
