import { heldInto } from "../marks/marks.ts";
import { type Cue, type Curve, FAMILIES, type MoveSpec, type Part } from "../show/schema.ts";
import { isRelease } from "../show/move.ts";
import { columnOf, valueAt } from "../sheet/entry.ts";
import type { Key } from "../sheet/keys.ts";
import { resolve } from "../sheet/palettes.ts";
import { type ListSheet, cueAt, eachMove } from "../sheet/sheet.ts";
import { type Timing, timingOf } from "./times.ts";
import { isWide, partNumbered, transitionAt, transitionOf } from "./transition.ts";

/**
 * Visits every key of the transition of a row with its delay and fade, seconds, and its curve: what `transitionAt` tells, without the values.
 * Moves without times of their own share those of their part, so that long lists are timed quickly.
 * Keys are visited once each, in no order that means anything.
 */
export function eachTiming(list: ListSheet, row: number, visit: (key: Key, delay: number, fade: number, curve: Curve) => void): void {
  if (isWide(list, row)) {
    for (const { key, delay, fade, curve } of transitionAt(list, row)) visit(key, delay, fade, curve);
    return;
  }
  const isHeld = heldInto(list, row);
  const timing = timingIn(cueAt(list, row));
  eachMove(cueAt(list, row), list.keys, (key, spec, part) => {
    if (isHeld(key)) return;
    const value = typeof spec === "number" ? spec : resolve(spec, key, list.palettes);
    const isLevel = key.attribute.family === "intensity";
    if (!isLevel && Number.isNaN(value)) return;
    const { delay, fade, curve } = timing(key, spec, part, isLevel && rises(list, key, row, value));
    visit(key, delay, fade, curve);
  });
}

/**
 * Visits the release moves of a row that let go of a set key other than an intensity, with their delay and fade in seconds.
 * They count in the duration although they move nothing (docs/rules.md, Times).
 */
export function eachRelease(list: ListSheet, row: number, visit: (delay: number, fade: number) => void): void {
  if (isWide(list, row)) {
    for (const { counts, delay, fade } of transitionOf(list, row).letGo) if (counts) visit(delay, fade);
    return;
  }
  const cue = cueAt(list, row);
  const isHeld = heldInto(list, row);
  eachMove(cue, list.keys, (key, spec, part) => {
    if (typeof spec === "number" || !isRelease(spec) || key.attribute.family === "intensity" || isHeld(key)) return;
    if (row === 0 || Number.isNaN(valueAt(list, columnOf(list, key), row - 1))) return;
    const { delay, fade } = timingOf(key.attribute, spec, partNumbered(cue, part), 0, 0);
    visit(delay, fade);
  });
}

/** True for a level that does not fall from the look before. An unset level counts as 0, and before the first cue as its home. */
function rises(list: ListSheet, key: Key, row: number, value: number): boolean {
  const before = row === 0 ? Number.NaN : valueAt(list, columnOf(list, key), row - 1);
  return (Number.isNaN(value) ? 0 : value) >= (Number.isNaN(before) ? key.attribute.home : before);
}

/** Tells the timing of a move of a cue; those of plain numbers are computed once for each part, family and direction. */
function timingIn(cue: Cue): (key: Key, spec: MoveSpec, part: number, up: boolean) => Timing {
  const shared = new Map<number, Timing>();
  const parts = new Map<number, Part>(cue.parts.map((part) => [part.number, part]));
  return (key, spec, number, up) => {
    const part = parts.get(number) ?? partNumbered(cue, number);
    const { attribute } = key;
    if (typeof spec !== "number") return timingOf(attribute, spec, part, 0, up ? 1 : -1);
    const kind = number * 16 + FAMILIES.indexOf(attribute.family) * 4 + (attribute.snap === true ? 2 : 0) + (up ? 1 : 0);
    const known = shared.get(kind) ?? timingOf(attribute, spec, part, 0, up ? 1 : -1);
    shared.set(kind, known);
    return known;
  };
}
