import { floatAt } from "../show/at.ts";
import { isRelease } from "../show/move.ts";
import { moveIndexAt } from "./column.ts";
import { columnOf } from "./entry.ts";
import type { Key } from "./keys.ts";
import type { ListSheet } from "./sheet.ts";
import { traceOf } from "./trace.ts";
import { isWall } from "./tracking.ts";

/**
 * Why a key is unset in a row, and the row that made it so: nothing has ever set it; a wall stopped it; a cue released it; its
 * palette has no value for this light; or the cue before kept its moves to itself.
 * Rows count from 0. It is what the inspector says beside an empty cell.
 */
export type UnsetBecause = { readonly why: "never" } | { readonly why: "wall" | "released" | "palette" | "kept"; readonly row: number };

/**
 * Tells why a key is unset in a row (docs/rules.md, Tracking). For a key that is set the answer means nothing.
 * What began the gap counts: the rows behind it only track it on.
 */
export function unsetBecause(list: ListSheet, key: Key, row: number): UnsetBecause {
  const column = columnOf(list, key);
  const { values } = traceOf(list, key);
  // The first row of this gap tells why: what follows only tracks the gap on.
  let first = row;
  while (first > 0 && Number.isNaN(floatAt(values, first - 1)) && moveIndexAt(column, first) < 0) first -= 1;
  const index = moveIndexAt(column, first);
  const spec = index < 0 ? undefined : column.specs[index];
  if (spec !== undefined) return { why: isRelease(spec) ? "released" : "palette", row: first };
  if (first === 0) return { why: "never" };
  if (isWall(list, first)) return { why: "wall", row: first };
  return { why: "kept", row: first - 1 };
}
