import type { Show } from "@zm/core";
import { chooseCue, chooseList } from "../choice/selection.ts";
import { lookAt } from "../choice/sheetView.ts";
import { notify } from "../shared/notices.ts";

/** Tells of notes that somebody else has left just now, each with the way to its cue: a request of the designer arrives where the programmer is. */
export function tellNewNotes(before: Show, after: Show, who: string): void {
  const known = new Set(before.notes?.map(({ id }) => id));
  for (const { id, text, list, cue } of after.notes ?? []) {
    if (known.has(id)) continue;
    const place = cue === undefined ? "" : `, at cue ${cue}`;
    const main = after.lists[0]?.id;
    const goThere = (): void => {
      if (list === undefined || cue === undefined) return;
      chooseList(list === main ? null : list);
      chooseCue(cue);
      lookAt(list, cue);
    };
    notify(`${who} asks${place}: ${text}`, "word", {
      lasting: true,
      ...(cue === undefined ? {} : { action: { word: "Go there", run: goThere } }),
    });
  }
}
