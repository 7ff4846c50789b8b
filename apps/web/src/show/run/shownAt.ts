import { type Ramp, rampAt } from "@zm/core";

/** Where a fader is shown: the time on screen lags a little, and what was just moved must not be shown where it was, or the next key would start from there. */
export function shownAt(ramp: Ramp, now: number): number {
  return rampAt(ramp, Math.max(now, ramp.start));
}
