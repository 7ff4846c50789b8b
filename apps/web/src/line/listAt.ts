import { type ListSheet, type ShowSheet, listOf } from "@zm/core";
import type { LineTarget } from "../choice/lineText.ts";

/** The list that a line speaks of; the show's first where its own is gone. */
export function listAt(sheet: ShowSheet, { list }: Pick<LineTarget, "list">): ListSheet {
  return listOf(sheet, list !== null && sheet.lists.has(list) ? list : undefined);
}
