import type { Show } from "./schema.ts";

/**
 * What becomes of the looks behind a changed range of this show where nothing is said of it (docs/rules.md, Edits).
 * A show that says nothing lets the change track on. The line and every panel begin with it.
 */
export function editsAfter(show: Pick<Show, "editsAfter">): "track" | "restore" {
  return show.editsAfter ?? "track";
}
