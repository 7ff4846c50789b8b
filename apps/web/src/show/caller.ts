import type { CallerEvent, CallerState } from "@zm/protocol";
import { create } from "zustand";
import { notify } from "../shared/notices.ts";

interface Caller extends CallerState {
  /** Where in the play the caller reads; null while nobody does. */
  readonly line: string | null;
  readonly moment: number;
}

const AWAY: Caller = { running: false, speed: 1, said: [], line: null, moment: 0 };
const MOST_SAID = 60;

/** The simulated stage manager of the show that is open, as the server tells of it. */
export const useCaller = create<Caller>(() => AWAY);

/** Takes the whole: for a window that opens, and for one whose line to the server comes back. A caller that went with the server is told. */
export function receiveCaller(state: CallerState): void {
  const { running, line } = useCaller.getState();
  if (running && !state.running && state.said[0]?.what !== "ends")
    notify(
      `The caller went away with the server${line === null ? "" : `, at line ${line}`}. Choose a cue and call the play from there`,
      "trouble",
    );
  useCaller.setState({ ...state, line: null, moment: state.said[0]?.moment ?? 0 });
}

/** Takes what the caller has just done or said. */
export function receiveCallerEvent(event: CallerEvent): void {
  const { said, line } = useCaller.getState();
  const ends = event.what === "ends";
  useCaller.setState({
    running: !ends,
    moment: event.moment,
    line: ends ? null : event.what === "reads" ? event.line : line,
    said: event.what === "reads" ? said : [event, ...said].slice(0, MOST_SAID),
  });
}

/** Forgets the caller of a show that is left. */
export function leaveCaller(): void {
  useCaller.setState(AWAY);
}
