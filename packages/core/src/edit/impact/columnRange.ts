import type { Column } from "../../sheet/column.ts";

/**
 * The first and last row in which two columns over the same rows hold different values; null when they hold the same. Walked from both
 * ends, so an edit in the middle of a long column costs little. Looks outside these rows can still differ by what tracks out of them.
 * Rows count from 0, both included. Columns that are the same object cost nothing.
 */
export function columnRange(a: Column, b: Column): { first: number; last: number } | null {
  const shorter = Math.min(a.rows.length, b.rows.length);
  let front = 0;
  while (front < shorter && sameAt(a, front, b, front)) front += 1;
  if (front === a.rows.length && front === b.rows.length) return null;
  let back = 0;
  while (back < shorter - front && sameAt(a, a.rows.length - 1 - back, b, b.rows.length - 1 - back)) back += 1;
  const first = Math.min(a.rows[front] ?? Infinity, b.rows[front] ?? Infinity);
  const last = Math.max(a.rows[a.rows.length - 1 - back] ?? -1, b.rows[b.rows.length - 1 - back] ?? -1);
  return { first, last };
}

/** The same row with the same value in it; two that count as unset are the same too. */
function sameAt(a: Column, i: number, b: Column, j: number): boolean {
  return a.rows[i] === b.rows[j] && Object.is(a.values[i], b.values[j]);
}
