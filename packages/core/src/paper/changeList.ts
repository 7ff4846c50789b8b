import { slotName } from "../show/slots.ts";
import { groupBy } from "../show/groupBy.ts";
import { lightRuns } from "../show/words.ts";
import { isRelease, paletteOf, plainValue } from "../show/move.ts";
import { FAMILIES, type Part, TIMED_FAMILIES } from "../show/schema.ts";
import { type ListSheet, type ShowSheet, type StoredMove, cueAt, movesOf } from "../sheet/sheet.ts";
import { writeSeconds } from "../time/readTime.ts";
import type { Paper } from "./table.ts";

/**
 * Lights on paper, each once in the order of their numbers: "1–6, 9".
 * With a dash between the ends of a run, as it is printed.
 */
export function lightsOnPaper(channels: readonly number[]): string {
  return lightRuns(
    [...new Set(channels)].sort((a, b) => a - b),
    "–",
  );
}

/** The times of a part: "up 3, down 5 + 1, position 2". Seconds. */
function timesWords({ times }: Part): string {
  const { up, upDelay, down, downDelay } = times;
  const one = (name: string, fade: number | undefined, delay: number | undefined): string[] =>
    fade === undefined && delay === undefined ? [] : [`${name} ${writeSeconds(fade ?? 0)}${delay ? ` + ${writeSeconds(delay)}` : ""}`];
  return [
    ...one("up", up, upDelay),
    ...one("down", down, downDelay),
    ...TIMED_FAMILIES.flatMap((family) => one(family, times[family]?.fade, times[family]?.delay)),
  ].join(", ");
}

/** The moves of one family, lights that do the same together: "1–6 at 40; 7 let go". */
function familyWords(moves: readonly StoredMove[]): string {
  const alike = groupBy(moves, ({ key, spec }) => {
    if (isRelease(spec)) return "let go";
    const palette = paletteOf(spec);
    if (palette !== undefined) return palette;
    const number = plainValue(spec) ?? 0;
    const value = slotName(key.attribute, number) ?? String(Math.round(number * 10) / 10).replace("-", "−");
    return key.attribute.family === "intensity" ? `at ${value}` : `${key.attribute.id} ${value}`;
  });
  return [...alike].map(([what, own]) => `${lightsOnPaper(own.map(({ key }) => key.channel))} ${what}`).join("; ");
}

/**
 * Every cue with what it stores, family by family, and its times: for the programmer. Rows first to last.
 * Only what is stored: what tracks is not repeated from cue to cue.
 */
export function changeListPaper(_sheet: ShowSheet, list: ListSheet, first: number, last: number): Paper {
  const rows = [];
  for (let row = first; row <= last; row += 1) {
    const cue = cueAt(list, row);
    const moves = movesOf(cue, list.keys);
    const byFamily = groupBy(moves, ({ key }) => key.attribute.family);
    const marks = [
      cue.block ? "block" : "",
      cue.assert ? "assert" : "",
      cue.carries === "cueOnly" ? "this cue only" : "",
      cue.carries === "isolated" ? "isolated" : "",
    ];
    const parts = cue.parts.map((part) =>
      cue.parts.length > 1 ? `part ${part.number}${part.label ? ` ${part.label}` : ""}: ${timesWords(part)}` : timesWords(part),
    );
    const what = FAMILIES.flatMap((family) => {
      const own = byFamily.get(family);
      return own ? [`${family}: ${familyWords(own)}`] : [];
    });
    rows.push({
      cells: [
        cue.number,
        [cue.label ?? "", ...marks].filter(Boolean).join(" · "),
        what.join("\n") || "no move",
        parts.join("\n"),
        String(moves.length),
      ],
    });
  }
  return {
    title: "What each cue changes",
    subtitle: list.list.label || list.id,
    columns: [{ name: "cue" }, { name: "label", share: 2 }, { name: "moves", share: 5 }, { name: "times", share: 2 }, { name: "stored" }],
    rows,
    empty: "There is no cue in this range yet.",
  };
}
