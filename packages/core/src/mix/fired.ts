/**
 * A cue that was fired, for a caller that keeps a log.
 * `at` is seconds of the run's clock.
 */
export interface FiredCue {
  readonly at: number;
  readonly list: string;
  readonly cue: string;
  readonly by: "press" | "follow" | "action" | "standby";
  /** True for a step that a list makes by itself. */
  readonly isStep?: boolean;
}

/** How a cue is fired: in its order, or out of it, then in a time of its own for every key where one is said. */
export interface Fire {
  readonly how: "next" | "goto";
  readonly time?: number | undefined;
}
