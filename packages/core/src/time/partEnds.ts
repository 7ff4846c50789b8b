import { cached } from "../show/cached.ts";
import type { ListSheet } from "../sheet/sheet.ts";
import { transitionAt } from "./transition.ts";

/** By row, by part number: how many seconds after the cue's Go the part is done. Parts that time nothing are left out. */
const known = cached((_list: ListSheet) => new Map<number, ReadonlyMap<number, number>>());

/**
 * How many seconds after its Go each part of a cue is done, by part number, fired in its order (docs/rules.md, Times). Parts that time nothing are
 * left out.
 * In seconds of the list at its usual rate. For showing what is left of each part while a cue runs.
 */
export function partEnds(list: ListSheet, row: number): ReadonlyMap<number, number> {
  const rows = known(list);
  const own = rows.get(row);
  if (own) return own;
  const ends = new Map<number, number>();
  for (const { part, delay, fade } of transitionAt(list, row)) ends.set(part, Math.max(ends.get(part) ?? 0, delay + fade));
  rows.set(row, ends);
  return ends;
}
