import type { RunChange } from "../mix/runChange.ts";
import type { FiredCue } from "../mix/fired.ts";

/** Who pressed: a window of the application, or something outside that speaks OSC; `who` tells them apart. */
export interface PressedBy {
  readonly by: "window" | "osc";
  readonly who: string;
}

/** What fired a cue: who pressed, or what in the show. */
export type FiredBy = PressedBy["by"] | "follow" | "action" | "standby";
/** How it came about: the next cue in order, out of order, one back; or what is no cue: held, going on, let go of. */
export type LogHow = "next" | "goto" | "back" | "hold" | "resume" | "release";

/** One entry of a run log. `cue` is null for what fires none. `at` is milliseconds of the server's clock, which runs on through a run. */
export interface LogEntry {
  readonly at: number;
  readonly list: string;
  readonly cue: string | null;
  readonly how: LogHow;
  readonly by: FiredBy;
  readonly who: string;
  /** How many steps the list has made by itself from there on; absent for what makes none. They have no entries of their own. */
  readonly steps?: number | undefined;
  /** True for a step that a list makes by itself: it is counted with the entry before it. */
  readonly isStep?: boolean;
}

/** What has happened to what runs, as far as a log needs it. The run's clock read 0 at `origin`, milliseconds. */
export interface Logged {
  readonly change: RunChange;
  readonly fired: readonly FiredCue[];
  readonly origin: number;
  readonly from: PressedBy | null;
}

/**
 * The entries that something that has happened gives, in the order in which it happened, what was pressed before what it brought about in the same moment. `first` is the list that a press without a list speaks of.
 * Empty where nothing was fired, held or let go of.
 */
export function logEntries({ change, fired, origin, from }: Logged, first: string): LogEntry[] {
  const list = ("list" in change ? change.list : undefined) ?? first;
  const pressed = { by: from?.by ?? "window", who: from?.who ?? "" } as const;
  const cues = fired.toSorted(causeFirst).map(({ at, list: of, cue, by, isStep }): LogEntry => {
    const own = by === "press" || by === "standby" ? pressed : { by, who: "" };
    const how = by === "press" && of === list ? howPressed(change) : "next";
    return { at: origin + at * 1000, list: of, cue, how, ...own, by: by === "standby" ? by : own.by, ...(isStep ? { isStep } : {}) };
  });
  const how = withoutCue(change);
  return how ? [...cues, { at: origin + change.t * 1000, list, cue: null, how, ...pressed }] : cues;
}

/** The order of time; what was pressed stands before what it brought about in the same moment. */
function causeFirst(a: FiredCue, b: FiredCue): number {
  return a.at - b.at || Number(b.by === "press") - Number(a.by === "press");
}

/** How a press fires a cue. */
function howPressed(change: RunChange): LogHow {
  if ("goto" in change) return "goto";
  return "back" in change ? "back" : "next";
}

/** What a press does that fires no cue; undefined for one that fires, and for what no log tells. */
function withoutCue(change: RunChange): LogHow | undefined {
  if ("hold" in change) return change.hold === false ? "resume" : "hold";
  return "release" in change ? "release" : undefined;
}
