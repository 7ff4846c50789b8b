import { BEATS as BEATS_OF_SHOW, LEVEL, RATE } from "@zm/core";
import type { NumberBounds } from "./readNumber.ts";

/** Beats a minute, as a show takes them. */
export const BEATS = { min: BEATS_OF_SHOW.least, max: BEATS_OF_SHOW.most } satisfies NumberBounds;
/** How many times as fast a list can run. */
export const RATES = { min: RATE.least, max: RATE.most } satisfies NumberBounds;
/** Per cent of a level, a master or a fader. */
export const PERCENT = { min: LEVEL.least, max: LEVEL.most } satisfies NumberBounds;
