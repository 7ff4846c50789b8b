import type { Comparison } from "../edit/index.ts";
import type { Paper } from "./table.ts";

/**
 * What is different between two states of a show, cue by cue.
 * `subtitle` names the two states. Empty rows where both are the same.
 */
export function differencesPaper(comparison: Comparison, subtitle: string): Paper {
  const sign = (cue: string, after: string | undefined): string => (after === undefined ? "gone" : after === cue ? "" : after);
  return {
    title: "Differences",
    subtitle,
    columns: [{ name: "cue" }, { name: "now" }, { name: "list", share: 1 }, { name: "what is different", share: 6 }],
    rows: [
      ...comparison.beside.map((words) => ({ cells: ["", "", "", words] })),
      ...comparison.lines.map(({ list, listLabel, cue, after, words }) => ({ cells: [cue, sign(cue, after), listLabel ?? list, words()] })),
    ],
    empty: "Nothing is different.",
  };
}

/**
 * The numbers that cues had and have: the table of a renumbering.
 * For the stage manager, whose book has the old numbers.
 */
export function renumberingPaper(comparison: Comparison, subtitle: string, labelOf: (list: string, cue: string) => string): Paper {
  const moved = comparison.lines.filter(({ cue, after }) => after !== undefined && after !== cue);
  return numbersPaper(
    moved.map(({ list, cue, after = "" }) => ({ from: cue, to: after, label: labelOf(list, after) })),
    subtitle,
  );
}

/**
 * The same table of a renumbering that is only being thought about. A cue that keeps its number is left out.
 * To be printed before anything is renumbered.
 */
export function numbersPaper(cues: readonly { from: string; to: string; label: string }[], subtitle: string): Paper {
  const moved = cues.filter(({ from, to }) => from !== to);
  return {
    title: "Cue numbers, old and new",
    subtitle,
    columns: [{ name: "old" }, { name: "new" }, { name: "label", share: 4 }],
    rows: moved.map(({ from, to, label }) => ({ cells: [from, to, label] })),
    empty: "Every cue has the number that it had.",
  };
}
