import type { EditEvent, HistoryState } from "./history.ts";
import type { HandState } from "./hand.ts";
import type { CallerEvent } from "./osc.ts";
import type { Here, HereRequest, KeptCue } from "./presence.ts";
import type { RigSeen, Trouble } from "./output.ts";
import type { RunEvent, RunState } from "./run.ts";

/** What a window hears live of the show that it watches. */
export interface FromServer {
  edit: (event: EditEvent) => void;
  /** Where a list stands, whole: sent to a window that begins to watch. */
  run: (state: RunState) => void;
  /** What has just been fired. */
  fired: (event: RunEvent) => void;
  hand: (state: HandState) => void;
  history: (state: HistoryState) => void;
  /** What simulated lights tell of themselves. */
  rig: (seen: RigSeen) => void;
  /** True while the database does not answer. */
  database: (away: boolean) => void;
  /** Everything that is wrong with the server, for as long as it is. */
  troubles: (troubles: readonly Trouble[]) => void;
  /** Which show is on stage; null: none. */
  stage: (show: number | null) => void;
  /** Who may do what has changed: a window asks again who it is. */
  people: () => void;
  /** Which windows have the show open, and where each of them is; this one among them. */
  here: (all: readonly Here[]) => void;
  /** Which cues somebody keeps for themselves. */
  kept: (kept: readonly KeptCue[]) => void;
  /** Why something that was asked over the live line is not done. */
  refused: (why: string) => void;
  removed: (show: number) => void;
  /** The run log of the show has more in it. */
  logged: (show: number) => void;
  /** What the caller does and says. */
  caller: (event: CallerEvent) => void;
}

/** The answer to `watch`: the revision of the show, or why it cannot be opened. */
export type WatchReply = { readonly revision: number } | { readonly error: string };

/** What a window asks over the live line. */
export interface ToServer {
  watch: (show: number, reply: (answer: WatchReply) => void) => void;
  /** What simulated lights tell of themselves; it is passed on to the windows of their show. */
  rig: (seen: RigSeen) => void;
  /** Where this window is now. */
  here: (here: HereRequest) => void;
  /** The server's clock, milliseconds. */
  clock: (reply: (now: number) => void) => void;
}
