/** The clock of a running list: it stands while the list is held. Plain data, so that windows read the same time from it. */
export interface ListClock {
  /** Milliseconds of the clock of whoever runs the list, at which the list's clock read `seconds`. */
  readonly at: number;
  readonly seconds: number;
  readonly held: boolean;
}

/** The list's own time at a moment in milliseconds. Seconds. */
export function listTime(clock: ListClock, now: number): number {
  return clock.held ? clock.seconds : clock.seconds + (now - clock.at) / 1000;
}

/** The clock stopped where it is. */
export function holdClock(clock: ListClock, now: number): ListClock {
  return { at: now, seconds: listTime(clock, now), held: true };
}

/** The clock going on from where it stood. */
export function resumeClock(clock: ListClock, now: number): ListClock {
  return { at: now, seconds: listTime(clock, now), held: false };
}
