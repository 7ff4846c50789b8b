import type { Show } from "../show/schema.ts";
import { looksInSlices } from "../sheet/checkpoints.ts";
import { type ShowSheet, sheetInSlices } from "../sheet/sheet.ts";
import { marksInSlices } from "./marksByChannel.ts";

/**
 * The sheet of a show for a window that opens: with the looks and the marks of its lists, which the first picture of every view reads.
 * As `sheetOf`, as a computation that pauses after each cue, each key and each light.
 */
export function* openInSlices(show: Show): Generator<undefined, ShowSheet> {
  const sheet = yield* sheetInSlices(show);
  for (const list of sheet.lists.values()) {
    yield* looksInSlices(list);
    yield* marksInSlices(list);
  }
  return sheet;
}
