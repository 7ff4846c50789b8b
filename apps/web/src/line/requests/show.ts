import { showHints } from "../../shared/wordHints.ts";
import { showInScore } from "../../score/shown.ts";
import { type Asked, defineRequest } from "./kind.ts";
import { listAt } from "../listAt.ts";

/** What the Score can show or put away, in words. */
const SHOWN_WORDS: Readonly<Record<Asked<"show">["what"], string>> = {
  times: "the chosen cues over time",
  hints: "what unusual words mean, where they stand",
  pictures: "the stage before and after",
  scenes: "the cues of each scene",
  parts: "the parts of the chosen cues",
  attributes: "the attributes of the chosen lights",
  moving: "only the lights that move in the chosen cues",
  tracked: "tracked values in every cell",
};

export const show = defineRequest("show", {
  isLocal: true,
  words: ({ what, shown }) => `Enter ${shown ? "shows" : "puts away"}: ${SHOWN_WORDS[what]}`,
  run: ({ what, shown }, { id, sheet, navigate }, target) => {
    if (what === "hints") {
      showHints(shown);
      return true;
    }
    void navigate(`/show/${id}/score`);
    return showInScore(what, shown, listAt(sheet, target));
  },
});
