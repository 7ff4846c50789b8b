import { EMPTY_HAND, type Hand, type HandChange, type ShowSheet, changeHand } from "@zm/core";
import { create } from "zustand";
import { notify, tellTrouble } from "../shared/notices.ts";
import { toldOr } from "../shared/toldOr.ts";
import { type HandNews, api } from "../show/api.ts";

/** What is in hand as this window has it; ahead of the server while changes are on their way. */
interface HandState {
  readonly show: number;
  readonly hand: Hand;
  readonly turn: number;
}

export const useHand = create<HandState>(() => ({ show: 0, hand: EMPTY_HAND, turn: -1 }));

let waiting: HandChange[] = [];
let sending = false;

/** Takes what the server tells of the Hand; while own changes are on their way, their answer brings it. */
export function takeHandNews({ show, hand, turn }: HandNews): void {
  if (sending || waiting.length > 0) return;
  useHand.setState({ show, hand, turn });
}

/** Forgets the Hand of a show that was left. */
export function leaveHand(): void {
  waiting = [];
  useHand.setState({ show: 0, hand: EMPTY_HAND, turn: -1 });
}

/**
 * Changes what is in hand: shown at once, sent as quickly as the server takes it. `now` is milliseconds of the server's clock. A
 * change that the rig does not take is told to the user and gives false.
 */
export function makeHandChange(show: number, sheet: ShowSheet, change: HandChange, now: number): boolean {
  const after = toldOr(() => changeHand(useHand.getState().hand, change, sheet, now));
  if (!after) return false;
  useHand.setState({ show, hand: after });
  waiting.push(change);
  if (!sending) void send(show);
  return true;
}

async function send(show: number): Promise<void> {
  sending = true;
  try {
    let newest: HandNews | undefined;
    while (waiting.length > 0) {
      const changes = waiting.slice(0, 100);
      waiting = waiting.slice(100);
      const reply = await api.changeHand(show, changes);
      if (!reply.stored) notify("This is in hand, but the database is away: a restart would lose it.", "trouble");
      newest = reply;
    }
    if (newest) useHand.setState({ show, hand: newest.hand, turn: newest.turn });
  } catch (error) {
    waiting = [];
    tellTrouble(error);
    const known = await api.hand(show).catch(() => undefined);
    if (known) useHand.setState(known);
  } finally {
    sending = false;
  }
}

/** Gives the Hand as it was before its last step. */
export async function stepHandBack(show: number): Promise<void> {
  try {
    const { hand, turn } = await api.handBack(show);
    useHand.setState({ show, hand, turn });
  } catch (error) {
    tellTrouble(error);
  }
}
