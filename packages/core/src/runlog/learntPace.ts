// How fast the play is really spoken, learnt from runs.
import { callMoment, lineTimes } from "../script/scriptTime.ts";
import { splitWords } from "../script/words.ts";
import type { Script } from "../show/schema.ts";
import type { ListSheet } from "../sheet/sheet.ts";
import { type LoggedRun, RUNS_COUNTED, stretchesOf } from "./measured.ts";

/** Fewer words than these say too little of a pace. */
const LEAST_WORDS = 30;

/** The pace that runs give: words a minute, from how many words spoken, in how many runs. */
export interface LearntPace {
  readonly pace: number;
  readonly words: number;
  readonly runs: number;
}

/**
 * The pace at which a play is really spoken, from the times between called cues in the newest runs; null where too little was spoken to say. What takes a length of its own, and
 * lines with a pace of their own, are taken out at their length. `runs` come with the newest first.
 */
export function learntPace(list: ListSheet, script: Script, runs: readonly LoggedRun[]): LearntPace | null {
  const called = list.cues.map((cue, row) => (row > 0 && cue.trigger?.type === "follow" ? null : callMoment(script, cue.call)));
  let [words, seconds, counted] = [0, 0, 0];
  for (const run of runs.filter(({ speed }) => speed === 1).slice(0, RUNS_COUNTED)) {
    const before = words;
    for (const { first, moments } of stretchesOf(list, run)) {
      let last: { call: number; moment: number } | undefined;
      moments.forEach((moment, place) => {
        const call = called[first + place] ?? null;
        if (call === null) return;
        const spoken = last && last.call < call ? spokenBetween(script, last.call, call) : undefined;
        const rest = spoken && last ? moment - last.moment - spoken.fixed : 0;
        if (spoken && rest > 0) [words, seconds] = [words + spoken.words, seconds + (spoken.words > 0 ? rest : 0)];
        last = { call, moment };
      });
    }
    if (words > before) counted += 1;
  }
  return words >= LEAST_WORDS && seconds > 0 ? { pace: (words / seconds) * 60, words: Math.round(words), runs: counted } : null;
}

/** What is spoken between two moments of the script: words at the play's pace, and the seconds that have a length of their own. */
function spokenBetween(script: Script, from: number, to: number): { words: number; fixed: number } {
  let [words, fixed] = [0, 0];
  for (const { line, start, seconds } of lineTimes(script).values()) {
    const overlap = Math.min(to, start + seconds) - Math.max(from, start);
    if (overlap <= 0 || seconds === 0) continue;
    if (line.seconds !== undefined || line.pace !== undefined || line.heading) fixed += overlap;
    else words += (splitWords(line.text).length * overlap) / seconds;
  }
  return { words, fixed };
}
