import { toTenth } from "@zm/core";
/** How time is laid out across a picture. */
export interface TimeScale {
  /** Where 0 seconds is, and how far a second reaches; pixels. */
  readonly zero: number;
  readonly perSecond: number;
  /** Seconds from end to end. */
  readonly whole: number;
  readonly ticks: readonly number[];
}

const STEPS = [0.1, 0.2, 0.5, 1, 2, 5, 10, 20, 30, 60, 120, 300, 600];
const HOUR = 3600;
/** The ticks stand at least so far apart, pixels. */
const APART = 48;

/** A scale for so many seconds between two places across a picture, with round ticks. A cue without times is drawn on one second. */
export function timeScale(longest: number, left: number, right: number): TimeScale {
  const whole = Math.max(1, longest * 1.12);
  const perSecond = (right - left) / whole;
  const step = STEPS.find((each) => each * perSecond >= APART) ?? HOUR * Math.ceil(APART / perSecond / HOUR);
  const ticks = Array.from({ length: Math.floor(whole / step) + 1 }, (_, index) => toTenth(index * step));
  return { zero: left, perSecond, whole, ticks };
}

/** Where a moment stands across the picture, pixels. */
export function placeOf({ zero, perSecond }: TimeScale, moment: number): number {
  return zero + moment * perSecond;
}

/** A time that was dragged, to the tenth of a second, or with `fine` to the hundredth; never below 0. */
export function snapped(time: number, fine: boolean): number {
  const steps = fine ? 100 : 10;
  return Math.max(0, Math.round(time * steps) / steps);
}
