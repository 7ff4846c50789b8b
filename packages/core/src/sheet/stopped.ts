import { carriedAt, entryAt, sameValue } from "./entry.ts";
import type { Key } from "./keys.ts";
import type { ListSheet } from "./sheet.ts";
import { isWall } from "./tracking.ts";

/**
 * One value that a wall keeps out.
 * Values are in the attribute's own unit.
 */
export interface StoppedValue {
  readonly key: Key;
  /** What would track in. */
  readonly value: number;
  /** What the wall shows instead; NaN where it says nothing. */
  readonly shown: number;
}

/**
 * What a blocked or isolated cue keeps out: every value that would track into it and is not what it shows. Empty for a cue that lets
 * everything in.
 * Told in the inspector, so that a wall says what it does. In the order of the keys.
 */
export function stoppedBy(list: ListSheet, row: number): StoppedValue[] {
  if (!isWall(list, row)) return [];
  return list.keys.all.flatMap((key) => {
    const { value } = carriedAt(list, key, row - 1);
    const shown = entryAt(list, key, row).value;
    return Number.isNaN(value) || sameValue(value, shown) ? [] : [{ key, value, shown }];
  });
}
