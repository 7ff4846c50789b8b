import { notesInOrder, notesWords } from "../notes/notes.ts";
import { type ListSheet, type ShowSheet, findRow } from "../sheet/sheet.ts";
import { lightsOnPaper } from "./changeList.ts";
import type { Paper } from "./table.ts";

/**
 * The notes of those who look on, in the order of the cues, with a box to tick for each that is open. Of all lists.
 * For the next rehearsal: what is asked, by whom, and what was done about it.
 */
export function notesPaper(sheet: ShowSheet, list: ListSheet): Paper {
  const notes = notesInOrder(sheet.show);
  const labelOf = (id: string | undefined, cue: string | undefined): string => {
    const own = sheet.lists.get(id ?? list.id) ?? list;
    return cue === undefined ? "" : (own.cues[findRow(own, cue)]?.label ?? "");
  };
  return {
    title: "Notes",
    subtitle: notesWords(notes),
    columns: [
      { name: "cue" },
      { name: "label", share: 2 },
      { name: "note", share: 5 },
      { name: "lights", share: 1 },
      { name: "asked", share: 1.5 },
      { name: "done", share: 2 },
    ],
    rows: notes.map(({ list: id, cue, text, channels = [], asked = "", done, answer = "" }) => ({
      cells: [cue ?? "", labelOf(id, cue), text, lightsOnPaper(channels), asked, done ? answer || "done" : "[  ]"],
    })),
    empty: "Nobody has left a note yet.",
  };
}
