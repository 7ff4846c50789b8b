import { writeSeconds } from "../time/timeWords.ts";
import { valueWords } from "../values/valueWords.ts";
import { slotName } from "../show/slots.ts";
import { groupBy } from "../show/groupBy.ts";
import { lightRuns } from "../show/words.ts";
import { isRelease, moveTiming, paletteOf, plainValue } from "../show/move.ts";
import { FAMILIES } from "../show/schema.ts";
import { actionWords } from "../script/actionWords.ts";
import { type ListSheet, type ShowSheet, type StoredMove, cueAt, movesOf } from "../sheet/sheet.ts";
import { cueMarks, cueWaves, firesWords, partsWords } from "./cueWords.ts";
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

/** The moves of one family, lights that do the same together: "1–6 at 40; 7 released". */
function familyWords(moves: readonly StoredMove[]): string {
  const alike = groupBy(moves, ({ key, spec }) => {
    if (isRelease(spec)) return "released";
    const palette = paletteOf(spec);
    if (palette !== undefined) return palette;
    const number = plainValue(spec) ?? 0;
    const value = slotName(key.attribute, number) ?? valueWords(number);
    return key.attribute.family === "intensity" ? `at ${value}` : `${key.attribute.id} ${value}`;
  });
  return [...alike].map(([what, own]) => `${lightsOnPaper(own.map(({ key }) => key.channel))} ${what}`).join("; ");
}

/** Moves with times of their own, lights that have the same together: "61–64 pan 4 + 1". */
function movesTimes(moves: readonly StoredMove[]): string[] {
  const timed = moves.flatMap(({ key, spec }) => {
    const { fade, delay, curve } = moveTiming(spec);
    if (fade === undefined && delay === undefined && curve === undefined) return [];
    const words = [
      ...(fade === undefined ? [] : [`in ${writeSeconds(fade)}`]),
      ...(delay === undefined ? [] : [`after ${writeSeconds(delay)}`]),
      ...(curve === undefined ? [] : [`curve ${curve}`]),
    ];
    return [{ channel: key.channel, what: `${key.attribute.id} ${words.join(" ")}` }];
  });
  return [...groupBy(timed, ({ what }) => what)].map(([what, own]) => `${lightsOnPaper(own.map(({ channel }) => channel))} ${what}`);
}

/**
 * Every cue with what it stores, family by family, and its times: for the programmer. Rows first to last.
 * Only what is stored: what tracks is not repeated from cue to cue.
 */
export function changeListPaper(sheet: ShowSheet, list: ListSheet, first: number, last: number): Paper {
  const rows = [];
  for (let row = first; row <= last; row += 1) {
    const cue = cueAt(list, row);
    const moves = movesOf(cue, list.keys);
    const byFamily = groupBy(moves, ({ key }) => key.attribute.family);
    const what = FAMILIES.flatMap((family) => {
      const own = byFamily.get(family);
      return own ? [`${family}: ${familyWords(own)}`] : [];
    });
    const waves = cueWaves(cue, lightsOnPaper);
    const own = movesTimes(moves);
    const does = (cue.actions ?? []).map(
      (action) => `${actionWords(action, sheet)}${action.after ? `, ${writeSeconds(action.after)} s after` : ""}`,
    );
    rows.push({
      cells: [
        cue.number,
        [cue.label ?? "", ...cueMarks(cue)].filter(Boolean).join(" · "),
        [
          ...what,
          ...(waves.length > 0 ? [`waves: ${waves.join("; ")}`] : []),
          ...(does.length > 0 ? [`besides: ${does.join("; ")}`] : []),
        ].join("\n") || "no move",
        firesWords(cue.trigger, list.cues[row - 1]),
        [partsWords(cue), ...own].filter(Boolean).join("\n"),
        String(moves.length),
      ],
    });
  }
  return {
    title: "What each cue changes",
    subtitle: list.list.label || list.id,
    columns: [
      { name: "cue" },
      { name: "label", share: 2 },
      { name: "moves", share: 5 },
      { name: "fired by", share: 2 },
      { name: "times", share: 2 },
      { name: "stored" },
    ],
    rows,
    empty: "There is no cue in this range yet.",
  };
}
