import { type ListSheet, columnOf, findRow } from "@zm/core";
import { chosenCues, useSelection } from "../choice/selection.ts";
import { showMoving, useSheetView } from "../choice/sheetView.ts";
import { notify } from "../shared/notices.ts";
import { chosenRows } from "./chosenRows.ts";

/** The lights that store a move in some rows, both ends included. */
export function movingLights(list: ListSheet, { first, last }: { first: number; last: number }): ReadonlySet<number> {
  const moving = new Set<number>();
  for (const key of list.keys.all) {
    if (!moving.has(key.channel) && columnOf(list, key).rows.some((row) => row >= first && row <= last)) moving.add(key.channel);
  }
  return moving;
}

/** Shows only the lights that move in the chosen cues, or all of them again. */
export function toggleMoving(list: ListSheet): void {
  if (useSheetView.getState().moving) return showMoving(null);
  const cues = chosenCues(useSelection.getState());
  const rows = chosenRows(list, cues);
  if (!cues || !rows) return notify("Choose cues first; then only the lights that move in them are shown");
  if (movingLights(list, rows).size === 0) return notify("No light moves in the chosen cues");
  showMoving({ list: list.id, ...cues });
}

/** The lights that the Score is narrowed to; null: all, also where the cues that it was narrowed to are gone. */
export function shownLights(list: ListSheet, moving: { list: string; from: string; to: string } | null): ReadonlySet<number> | null {
  if (moving?.list !== list.id || (findRow(list, moving.from) < 0 && findRow(list, moving.to) < 0)) return null;
  const rows = chosenRows(list, moving);
  return rows ? movingLights(list, rows) : null;
}
