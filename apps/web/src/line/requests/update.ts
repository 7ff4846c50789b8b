import { type UpdateOption, type UpdatePlace, offeredPlace } from "@zm/core";
import { openDrawer } from "../../choice/sheetView.ts";
import { notify } from "../../shared/notices.ts";
import { unlessRefused } from "../../shared/unlessRefused.ts";
import { atOnce } from "../../show/queue.ts";
import { editWords } from "./editWords.ts";
import { defineRequest } from "./kind.ts";

const NO_CUE = "No cue is on stage; there is none to update";

export const update = defineRequest("update", {
  needs: "edit",
  words: ({ place, selection, list }, { sheet, updating: all }) => {
    if (place === undefined) return "Enter opens the update sheet";
    const updating = all.of(list);
    if (updating.cue === null) return { text: NO_CUE, fault: true };
    const edits = updating.plan(updating.optionsFor(selection), (option) => offeredPlace(option, place));
    return `${editWords(sheet, edits, updating.list.id)}. Enter updates`;
  },
  run: async ({ place, selection, list }, { updating: all }) => {
    if (place === undefined) {
      openDrawer("update");
      return true;
    }
    const updating = all.of(list);
    if (updating.cue === null) {
      notify(NO_CUE, "trouble");
      return false;
    }
    const placeOf = (option: UpdateOption): UpdatePlace => offeredPlace(option, place);
    const options = updating.optionsFor(selection);
    return unlessRefused(() => updating.plan(options, placeOf)) !== undefined && updating.make(options, placeOf, atOnce);
  },
});
