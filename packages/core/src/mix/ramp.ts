/**
 * A number that goes from one value to another in a time, in a straight line: a master, a fader. Times are seconds of the engine's clock.
 * A fade of 0 is there from `start` on.
 */
export interface Ramp {
  readonly from: number;
  readonly to: number;
  readonly start: number;
  readonly fade: number;
}

/**
 * A ramp that stands still.
 * It has been there since always.
 */
export function steady(value: number): Ramp {
  return { from: value, to: value, start: 0, fade: 0 };
}

/**
 * Where a ramp has come at a moment; before it begins it is where it begins.
 * Behind its end it is where it ends.
 */
export function rampAt({ from, to, start, fade }: Ramp, now: number): number {
  const elapsed = now - start;
  if (elapsed < 0) return from;
  return elapsed >= fade ? to : from + ((to - from) * elapsed) / fade;
}

/**
 * A ramp from where this one is now to another value, in so many seconds.
 * A ramp under way goes on from where it has come, so nothing jumps unless the time is 0.
 */
export function rampTo(ramp: Ramp, to: number, now: number, fade: number): Ramp {
  return { from: rampAt(ramp, now), to, start: now, fade };
}
