import { type Ramp, rampAt, steady } from "./ramp.ts";

/** A list or a held look that is seen alone. */
export type Soloist = { readonly list: string } | { readonly look: string };

/**
 * What lies over everything that comes out: the grand master, and the blackout. Per cent; both may be on their way.
 * The blackout is how much is held back: 0 of nothing, 100 of all levels. Solo, lights that are to be found and parked values are absent where
 * there are none.
 */
export interface Grand {
  readonly master: Ramp;
  readonly blackout: Ramp;
  /** Only lights whose level this holds come out. */
  readonly solo?: Soloist | undefined;
  /** Lights that flash until they are let go, so that they are found. */
  readonly identify?: readonly number[] | undefined;
  /** Values that keys stay at whatever runs, by the name of the key; in the attribute's own unit. */
  readonly parked?: Readonly<Record<string, number>> | undefined;
}

/** Everything comes out as it is. */
export const WHOLE: Grand = { master: steady(100), blackout: steady(0) };

/**
 * How much of every level comes out at a moment, 0 to 1 (docs/running.md, Blackout).
 * Levels of lights that stay come out whole.
 */
export function grandShare({ master, blackout }: Grand, now: number): number {
  return (rampAt(master, now) / 100) * (1 - rampAt(blackout, now) / 100);
}

/** True while grand master or blackout are on their way, or lights flash. */
export function isGrandMoving({ master, blackout, identify = [] }: Grand, now: number): boolean {
  return identify.length > 0 || [master, blackout].some(({ start, fade }) => now < start + fade);
}
