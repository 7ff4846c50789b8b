import type { Cue, Show, Trigger } from "../show/schema.ts";
import { type ListSheet, type ShowSheet, cueAt } from "../sheet/sheet.ts";
import { cueDuration } from "../time/durations.ts";
import { writeSeconds } from "../time/readTime.ts";
import type { Paper, PaperRow } from "./table.ts";

/** What fires a cue, for somebody who calls it: nothing is said of a press. */
function firesWords(trigger: Trigger | undefined, before: Cue | undefined): string {
  if (trigger?.type !== "follow") return "call";
  return `by itself, ${writeSeconds(trigger.after)} s after ${before?.number ?? "the cue before"} ${trigger.from === "go" ? "goes" : "is complete"}`;
}

/** The line and the word at which a cue is called; empty for a cue without a call. */
function callWords({ call }: Cue, script: Show["script"]): string {
  if (!call) return "";
  const line = script?.lines.find(({ id }) => id === call.line);
  const page = line?.page === undefined ? "" : `p. ${line.page}, `;
  const who = line?.who ? `${line.who}: ` : "";
  const text = line ? shortened(line.text) : call.line;
  return `${page}${who}“${text}” ${call.kind === "after" ? "after" : "on"}${call.word ? ` “${call.word}”` : " the line"}`;
}

/** A line of the play as far as it is needed to find it. */
function shortened(text: string): string {
  return text.length > 60 ? `${text.slice(0, 57).trimEnd()} …` : text;
}

/** Scene by scene, every cue with where it is called, what fires it and how long it lasts: for the stage manager. Rows first to last. */
export function cueSheetPaper({ show }: ShowSheet, list: ListSheet, first: number, last: number): Paper {
  const rows: PaperRow[] = [];
  let scene: string | undefined;
  for (let row = first; row <= last; row += 1) {
    const cue = cueAt(list, row);
    const cells = [
      cue.number,
      callWords(cue, show.script),
      cue.label ?? "",
      firesWords(cue.trigger, list.cues[row - 1]),
      `${writeSeconds(cueDuration(list, row))} s`,
      cue.note ?? "",
    ];
    rows.push({ cells, ...(cue.scene !== undefined && cue.scene !== scene ? { heading: `Scene ${cue.scene}` } : {}) });
    scene = cue.scene ?? scene;
  }
  return {
    title: "Cue sheet",
    subtitle: list.list.label || list.id,
    columns: [
      { name: "cue" },
      { name: "called at", share: 4 },
      { name: "what happens", share: 3 },
      { name: "fired by", share: 3 },
      { name: "lasts" },
      { name: "notes", share: 2 },
    ],
    rows,
    empty: "There is no cue in this range yet.",
  };
}
