import { type Ramp, rampAt, steady } from "./ramp.ts";
import type { Keys } from "../sheet/keys.ts";

/**
 * What lies over everything that comes out: the grand master, and the blackout. Per cent; both may be on their way.
 * The blackout is how much is held back: 0 of nothing, 100 of all levels.
 */
export interface Grand {
  readonly master: Ramp;
  readonly blackout: Ramp;
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

/**
 * Lays grand master and blackout over a frame: `values` by key ordinal hold what runs with the Hand over it.
 * Changes `values` in place; only levels are scaled, and those of lights that stay are not.
 */
export function applyGrand(keys: Keys, share: number, values: Float64Array): void {
  if (share >= 1) return;
  for (const { ordinal, attribute, house } of keys.all)
    if (attribute.family === "intensity" && !house) values[ordinal] = (values[ordinal] ?? 0) * share;
}

/** True while grand master or blackout are on their way. */
export function isGrandMoving({ master, blackout }: Grand, now: number): boolean {
  return [master, blackout].some(({ start, fade }) => now < start + fade);
}
