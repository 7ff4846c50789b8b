/** A number that goes from one value to another in a time, in a straight line: a master, a fader. Times are seconds of the engine's clock. */
export interface Ramp {
  readonly from: number;
  readonly to: number;
  readonly start: number;
  readonly fade: number;
}

/** A ramp that stands still. */
export function steady(value: number): Ramp {
  return { from: value, to: value, start: 0, fade: 0 };
}

/** Where a ramp has come at a moment; before it begins it is where it begins. */
export function rampAt({ from, to, start, fade }: Ramp, now: number): number {
  const elapsed = now - start;
  if (elapsed < 0) return from;
  return elapsed >= fade ? to : from + ((to - from) * elapsed) / fade;
}

/** A ramp from where this one is now to another value, in so many seconds. */
export function rampTo(ramp: Ramp, to: number, now: number, fade: number): Ramp {
  return { from: rampAt(ramp, now), to, start: now, fade };
}
