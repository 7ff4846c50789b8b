import { atOnce } from "../../show/queue.ts";
import { defineRequest } from "./kind.ts";

export const history = defineRequest("history", {
  words: ({ what }, { step }) => {
    const words = step(what);
    if (words === null) return what === "undo" ? "There is nothing to take back" : "There is nothing to make again";
    return `Enter ${what === "undo" ? "takes back" : "makes again"}: ${words}`;
  },
  run: ({ what }, tools) => tools.history(what, atOnce),
});
