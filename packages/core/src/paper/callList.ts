import { expectedTimes } from "../script/expected.ts";
import { callWords } from "../script/words.ts";
import type { ListSheet, ShowSheet } from "../sheet/sheet.ts";
import { clockWords } from "../time/timeWords.ts";
import { firesWords } from "./cueWords.ts";
import type { Paper } from "./table.ts";

/**
 * Every cue of a list with where it is called, and when it is expected, counted from the first word of the play: for stage management, and for whoever times the evening.
 * Cues that follow by themselves stand where the chain brings them; a moment that nobody knows is left open.
 */
export function callListPaper({ show: { script } }: ShowSheet, list: ListSheet, first: number, last: number): Paper {
  const lines = new Map(script?.lines.map((line) => [line.id, line]));
  const expected = expectedTimes(list, script);
  const rows = list.cues.slice(first, last + 1).map((cue, index) => {
    const line = cue.call && lines.get(cue.call.line);
    const moment = expected[first + index] ?? null;
    const called = cue.call ? callWords(cue.call) : firesWords(cue.trigger, list.cues[first + index - 1]);
    return {
      cells: [
        cue.number,
        cue.label ?? "",
        cue.scene ?? "",
        String(line?.page ?? ""),
        line?.who ?? "",
        called,
        moment === null ? "" : clockWords(moment),
      ],
    };
  });
  return {
    title: "Calls",
    subtitle: list.list.label || list.id,
    columns: [
      { name: "cue" },
      { name: "label", share: 3 },
      { name: "scene" },
      { name: "page" },
      { name: "who", share: 1 },
      { name: "call", share: 2 },
      { name: "expected" },
    ],
    rows,
    empty: "This list has no cue yet.",
  };
}
