import type { MoveSpec, Moves, OwnTiming } from "./schema.ts";

/**
 * What a move asks for: a number, a palette's value, or to let go.
 * Exactly one of the three, as FORMAT asks. A value is in the attribute's own unit; a palette is named by its id.
 */
export type MoveTarget = { value: number } | { palette: string } | { release: true };
/**
 * The times and the curve that a move has of its own, beside those of its part. Seconds.
 * An absent field means that the part decides, by the table of docs/rules.md, Times.
 */
export type MoveTiming = OwnTiming;

/** One object for all moves without times of their own, since most have none. */
const NO_TIMING: MoveTiming = {};

/**
 * The move's own times and curve; empty for a bare number.
 * The object is for reading; what a move stores is not changed through it.
 * Fans are gone by then: each stored move has numbers.
 */
export function moveTiming(spec: MoveSpec): MoveTiming {
  return typeof spec === "number" ? NO_TIMING : spec;
}

/**
 * The number a move stores itself, or undefined for a palette reference or a release.
 * In the attribute's own unit. Use `resolve` of the sheet for the number that a palette stands for.
 */
export function plainValue(spec: MoveSpec): number | undefined {
  return typeof spec === "number" ? spec : spec.value;
}

/**
 * The palette that a move refers to, if it does.
 * The palette's id; undefined for a number and for a release.
 * The palette may have no value for the light: then the key counts as unset and Check reports it.
 */
export function paletteOf(spec: MoveSpec): string | undefined {
  return typeof spec === "number" ? undefined : spec.palette;
}

/**
 * True for a move that takes its key out of the look.
 * A release of an intensity takes it to 0; any other key is let go of and stays where it is (docs/rules.md, Times).
 */
export function isRelease(spec: MoveSpec): boolean {
  return typeof spec !== "number" && spec.release === true;
}

/**
 * A move in its shortest spelling: a bare number where it has no times of its own.
 * One spelling for each move is what makes two documents that say the same identical byte for byte.
 * Undefined times are left away; an empty timing adds nothing.
 */
export function makeMove(target: MoveTarget, timing: MoveTiming = NO_TIMING): MoveSpec {
  // Absent fields stay absent: a stored move is the same text whoever made it.
  const own = {
    ...(timing.fade === undefined ? {} : { fade: timing.fade }),
    ...(timing.delay === undefined ? {} : { delay: timing.delay }),
    ...(timing.curve === undefined ? {} : { curve: timing.curve }),
  };
  if ("value" in target && Object.keys(own).length === 0) return target.value;
  if ("value" in target) return { value: target.value, ...own };
  if ("palette" in target) return { palette: target.palette, ...own };
  return { release: true, ...own };
}

/**
 * True when two moves say the same, times included.
 * Both absent is the same as well. A bare number equals an object with the same value and no times.
 * Numbers are compared exactly: what differs by rounding differs in the document.
 */
export function sameMove(a: MoveSpec | undefined, b: MoveSpec | undefined): boolean {
  if (a === b) return true;
  if (a === undefined || b === undefined) return false;
  const at = moveTiming(a);
  const bt = moveTiming(b);
  return (
    plainValue(a) === plainValue(b) &&
    paletteOf(a) === paletteOf(b) &&
    isRelease(a) === isRelease(b) &&
    at.fade === bt.fade &&
    at.delay === bt.delay &&
    at.curve === bt.curve
  );
}

/**
 * How many moves stand in a part, or in anything else that holds them by light and attribute.
 * Counts keys, not lights: a light with pan and tilt moved counts twice. 0 for an empty part.
 */
export function movesIn(moves: Moves): number {
  return Object.values(moves).reduce((sum, attributes) => sum + Object.keys(attributes).length, 0);
}
