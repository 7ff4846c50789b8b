/** What a rehearsal finds; the names are fixed, files and other tools rely on them (docs/running.md, Rehearsal). */
export const REHEARSAL_CODES = {
  "sweep-seen": "a lit light travels to where it belongs in view of the audience",
  late: "something is still moving when its cue's time is over",
  "cut-short": "a fade is ended by a later cue before it is done",
  "dark-missed": "light in a cue that is called a blackout",
} as const;

/** The name of a kind of finding. */
export type RehearsalCode = keyof typeof REHEARSAL_CODES;

/**
 * One thing that an audience would see and that is hardly meant. `at` is when it begins, seconds of the rehearsal, and `seconds` how long it lasts, or for a fade that is
 * cut how much of it is lost.
 */
export interface RehearsalFinding {
  readonly code: RehearsalCode;
  readonly cue: string;
  readonly channel: number;
  /** Such as "12.pan". */
  readonly key: string;
  readonly at: number;
  readonly seconds: number;
  readonly message: string;
}

/** What a rehearsal comes to; one without a finding is clean. */
export interface Rehearsal {
  readonly clean: boolean;
  /** How long the show took. */
  readonly seconds: number;
  /** The cues that have no call, and were taken 8 s after the one before. */
  readonly assumed: readonly string[];
  readonly findings: readonly RehearsalFinding[];
}

/** A moment or a time as it is reported: to the millisecond. Seconds. */
export function reported(seconds: number): number {
  return Math.round(seconds * 1000) / 1000;
}
