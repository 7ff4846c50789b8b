import { writeSeconds } from "../time/timeWords.ts";
import type { Cue, Show } from "../show/schema.ts";
import { shortened } from "../show/words.ts";
import { sceneAt } from "../sheet/scenes.ts";
import { type ListSheet, type ShowSheet, cueAt } from "../sheet/sheet.ts";
import { cueDuration } from "../time/durations.ts";
import { cueMarks, firesWords, partsWords } from "./cueWords.ts";
import type { Paper, PaperRow } from "./table.ts";

/** The line and the word at which a cue is called; empty for a cue without a call. */
function callWords({ call }: Cue, script: Show["script"]): string {
  if (!call) return "";
  const line = script?.lines.find(({ id }) => id === call.line);
  const page = line?.page === undefined ? "" : `p. ${line.page}, `;
  const who = line?.who ? `${line.who}: ` : "";
  const text = line ? shortened(line.text, ENOUGH_LETTERS) : call.line;
  return `${page}${who}“${text}” ${placeWords(call)}`;
}

/** Where in its line a cue is called. */
function placeWords({ kind, word }: NonNullable<Cue["call"]>): string {
  // A cue on a word is called on that word, whatever else is to be seen then.
  if (kind === "visual") return word ? `on “${word}”, when seen` : "when seen";
  return `${kind === "after" ? "after" : "on"} ${word ? `“${word}”` : "the line"}`;
}

/** A line of the play is found by so many letters. */
const ENOUGH_LETTERS = 60;

/**
 * Scene by scene, every cue with where it is called, what fires it, its times part by part, whether it is a wall or keeps to itself, and how long it lasts: for the stage
 * manager and the operator. Rows first to last. Lights and values are left away: the list of changes has them.
 */
export function cueSheetPaper({ show }: ShowSheet, list: ListSheet, first: number, last: number): Paper {
  const rows: PaperRow[] = [];
  for (let row = first; row <= last; row += 1) {
    const cue = cueAt(list, row);
    const cells = [
      cue.number,
      callWords(cue, show.script),
      cue.label ?? "",
      firesWords(cue.trigger, list.cues[row - 1]),
      [partsWords(cue) || "at once", cueMarks(cue).join(", ")].filter(Boolean).join("\n"),
      `${writeSeconds(cueDuration(list, row))} s`,
      cue.note ?? "",
    ];
    const scene = sceneAt(list, row);
    // A range that begins in the midst of a scene says which one it is.
    rows.push({ cells, ...(scene && (row === first || row === scene.first) ? { heading: `Scene ${scene.scene}` } : {}) });
  }
  return {
    title: "Cue sheet",
    subtitle: list.list.label || list.id,
    columns: [
      { name: "cue" },
      { name: "called at", share: 4 },
      { name: "what happens", share: 3 },
      { name: "fired by", share: 3 },
      { name: "times", share: 3 },
      { name: "lasts" },
      { name: "notes", share: 2 },
    ],
    rows,
    empty: "There is no cue in this range yet.",
  };
}
