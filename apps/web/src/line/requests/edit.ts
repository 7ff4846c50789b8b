import { rightFor } from "@zm/protocol";
import { atOnce } from "../../show/queue.ts";
import { previewWords } from "./editWords.ts";
import { defineRequest } from "./kind.ts";

export const edit = defineRequest("edit", {
  needs: ({ edits }) => rightFor(edits),
  words: (_, { preview }) => {
    if (!preview) return "";
    if ("fault" in preview) return { text: preview.fault, fault: true };
    return `${previewWords(preview)}. Enter makes it, Esc drops it`;
  },
  run: ({ edits }, { makeEdits }) => makeEdits(edits, atOnce),
});
