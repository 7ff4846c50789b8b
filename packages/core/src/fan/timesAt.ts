import type { MoveTiming } from "../show/move.ts";
import { type Fan, fanAt } from "./fan.ts";

/**
 * Own times that are asked for lights: a number of seconds, or a fan over them; null takes a time away, what is left out stays.
 * Seconds, or fans of seconds; a curve is never spread.
 */
export interface TimesWish {
  readonly fade?: Fan | null | undefined;
  readonly delay?: Fan | null | undefined;
  readonly curve?: MoveTiming["curve"] | null | undefined;
}
/**
 * Such times for one light.
 * Null forgets, absent leaves as it is.
 */
export interface TimingPatch extends TimesWish {
  readonly fade?: number | null | undefined;
  readonly delay?: number | null | undefined;
}

/**
 * What the light at `place` of `count` is asked for.
 * Places count from 0 in the order in which the lights were chosen.
 */
export function timesAt({ fade, delay, curve }: TimesWish, place: number, count: number): TimingPatch {
  const seconds = (asked: Fan | null): number | null => (asked === null ? null : fanAt(asked, place, count));
  return {
    ...(fade === undefined ? {} : { fade: seconds(fade) }),
    ...(delay === undefined ? {} : { delay: seconds(delay) }),
    ...(curve === undefined ? {} : { curve }),
  };
}

/**
 * A move's own times after a patch.
 * Times that are taken away are absent afterwards, so that the part decides again.
 */
export function patchedTiming(own: MoveTiming, { fade, delay, curve }: TimingPatch): MoveTiming {
  const after = <T>(asked: T | null | undefined, before: T | undefined): T | undefined =>
    asked === undefined ? before : (asked ?? undefined);
  return { fade: after(fade, own.fade), delay: after(delay, own.delay), curve: after(curve, own.curve) };
}
