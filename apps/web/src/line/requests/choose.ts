import { findRow, knownTimes, type ShowSheet, tenths } from "@zm/core";
import { chooseBefore, chooseLights, chooseNamed } from "../../choice/selection.ts";
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

export const choice = defineRequest("choice", {
  isLocal: true,
  words: ({ what }) => (what === "lit" ? "Enter chooses every light that is lit" : "Enter chooses what was chosen before"),
  run: ({ what, steps = 1 }, { sheet, outputOf }) => {
    if (what === "lit") chooseLights(litLights(sheet, outputOf));
    else chooseBefore(steps);
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
