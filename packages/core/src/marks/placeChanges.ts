import { groupBy } from "../show/groupBy.ts";
import { lightRuns } from "../show/words.ts";
import { type ListSheet, cueAt } from "../sheet/sheet.ts";
import type { Mark } from "./mark.ts";
import { marksOf } from "./marks.ts";

/** Where the lights that a row calls are prepared. */
function placesOf(list: ListSheet, row: number): Map<number, string> {
  return new Map(
    marksOf(list)
      .filter(({ calledAt, window }) => calledAt === row && window !== null)
      .map((mark) => [mark.channel, placeOf(list, mark)]),
  );
}

function placeOf(list: ListSheet, { markAt }: Mark): string {
  return markAt === null ? "in view" : cueAt(list, markAt).number;
}

/**
 * Which lights of a cue are prepared elsewhere than before, in words: "65 and 66 are prepared in 31 instead of 32". Empty where none is.
 * `oldRow` is the row of the cue in the list before, counted from 0.
 */
export function placeChangeWords(was: ListSheet, oldRow: number, is: ListSheet, row: number): string {
  const [before, after] = [placesOf(was, oldRow), placesOf(is, row)];
  const moved = [...after].filter(([channel, place]) => before.has(channel) && before.get(channel) !== place);
  const alike = groupBy(moved, ([channel, place]) => `${before.get(channel) ?? ""}>${place}`);
  return [...alike.values()].map((own) => changeWords(own, before)).join("; ");
}

function changeWords(own: readonly (readonly [number, string])[], before: ReadonlyMap<number, string>): string {
  const [first] = own;
  if (!first) return "";
  const [channel, now] = first;
  const old = before.get(channel) ?? "";
  const lights = lightRuns(own.map(([each]) => each));
  const many = own.length > 1;
  if (now === "in view") return `${lights} ${many ? "move" : "moves"} in view instead of being prepared in ${old}`;
  return `${lights} ${many ? "are" : "is"} prepared in ${now} instead of ${old === "in view" ? "moving in view" : old}`;
}
