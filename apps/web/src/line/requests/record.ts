import { isCueNumber, makeEdits, readEdits, recordSentence } from "@zm/core";
import { openDrawer } from "../../choice/sheetView.ts";
import { notify } from "../../shared/notices.ts";
import { unlessRefused } from "../../shared/unlessRefused.ts";
import { atOnce } from "../../show/queue.ts";
import { defineRequest } from "./kind.ts";

export const record = defineRequest("record", {
  needs: "edit",
  words: ({ cue, wish }, { sheet, recording }) => {
    if (cue === undefined) return "Enter opens the record sheet";
    const number = cue === "new" ? (recording.next ?? "") : cue;
    const plan = recording.plan({ ...wish, cue: number });
    const warning = recording.warningFor(number);
    return `${recordSentence(recording.list, plan, makeEdits(sheet, readEdits([...plan.edits])))}. ${warning ? `${warning}. ` : ""}Enter records it`;
  },
  run: async ({ cue, wish }, { recording }) => {
    if (cue === undefined) {
      openDrawer("record");
      return true;
    }
    const number = cue === "new" ? recording.next : cue;
    if (number === undefined || !isCueNumber(number)) {
      notify(number === undefined ? "No number is free behind the cue on stage" : `${number} is not a cue number`, "trouble");
      return false;
    }
    const plan = unlessRefused(() => recording.plan({ ...wish, cue: number }));
    return plan !== undefined && recording.make(plan, atOnce);
  },
});
