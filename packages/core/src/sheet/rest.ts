import { countThrough } from "./column.ts";
import { columnOf, valueAt } from "./entry.ts";
import type { Key } from "./keys.ts";
import type { ListSheet } from "./sheet.ts";

/**
 * Where a key stands at rest in a row: its value in the look; else an intensity at 0, any other where the newest look before that sets it has it,
 * else at its home. R(k) of docs/rules.md, Playing; row -1 is before the first cue. In the attribute's own unit.
 * Where a go-to leaves what its look does not hold, so that it ends as running in order would have.
 */
export function restingAt(list: ListSheet, key: Key, row: number): number {
  const column = columnOf(list, key);
  if (key.attribute.family === "intensity") return levelAt(list, column, row);
  let at = row;
  while (at >= 0) {
    const moves = countThrough(column, at);
    if (moves === 0) break;
    // The look itself, or the newest look before it that says something of the key.
    const value = valueAt(list, column, at);
    if (!Number.isNaN(value)) return value;
    // Between two rows that move the key or change what tracks, its value stays the same.
    const trackingBreaks = countThrough({ rows: list.trackingBreaks }, at);
    const event = Math.max(column.rows[moves - 1] ?? -1, trackingBreaks === 0 ? -1 : (list.trackingBreaks[trackingBreaks - 1] ?? -1));
    at = event === at ? at - 1 : event;
  }
  return key.attribute.home;
}

function levelAt(list: ListSheet, column: ReturnType<typeof columnOf>, row: number): number {
  const level = row < 0 ? Number.NaN : valueAt(list, column, row);
  return Number.isNaN(level) ? 0 : level;
}
