import { findRow, knownTimes, type ShowSheet, tenths } from "@zm/core";
import { chooseBefore, chooseLights, chooseNamed, chooseWhole, leftOut, walkChoice } from "../../choice/selection.ts";
import { litLights } from "../../show/hand/litLights.ts";
import { defineRequest } from "./kind.ts";

export const choose = defineRequest("choose", {
  isLocal: true,
  words: ({ cues }, { sheet, list }) => `${cues ? betweenWords(sheet, list, cues) : ""}Enter chooses, Esc drops`,
  run: (request) => {
    chooseNamed(request);
    return true;
  },
});

const CHOICE_WORDS = {
  lit: "every light that is lit",
  before: "what was chosen before",
  next: "the next light of the choice alone",
  previous: "the light of the choice before alone",
  whole: "the whole choice again",
  others: "those that were left out of the choice before",
} as const;

export const choice = defineRequest("choice", {
  isLocal: true,
  words: ({ what }) => `Enter chooses ${CHOICE_WORDS[what]}`,
  run: ({ what, steps = 1 }, { sheet, outputOf }) => {
    if (what === "lit") chooseLights(litLights(sheet, outputOf));
    else if (what === "before") chooseBefore(steps);
    else if (what === "others") chooseLights(leftOut());
    else if (what === "whole") chooseWhole();
    else walkChoice(what === "next" ? 1 : -1);
    return true;
  },
});

/** How long it is from one cue to another, where both are named and somebody knows. */
function betweenWords(sheet: ShowSheet, list: string, { from, to }: { from: string; to: string }): string {
  const own = sheet.lists.get(list);
  if (!own || from === to) return "";
  const [first, last] = [findRow(own, from), findRow(own, to)];
  const time = first < 0 || last <= first ? null : knownTimes(own, sheet.show.script)(first, last);
  return time ? `From ${from} to ${to} it is ${tenths(time.seconds)} s by the ${time.by === "chain" ? "follows" : "script"}. ` : "";
}
