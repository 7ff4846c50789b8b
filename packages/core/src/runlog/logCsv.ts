import Papa from "papaparse";
import type { Cue } from "../show/schema.ts";
import { type ShowSheet, findRow } from "../sheet/sheet.ts";
import type { LogEntry } from "./logEntry.ts";
import type { LoggedRun } from "./measured.ts";

const COLUMNS = ["run", "name", "speed", "time", "seconds", "list", "cue", "label", "how", "by", "who", "steps"];

/**
 * Runs as a table that any spreadsheet opens: a line for each entry, the oldest run first. `time` is UTC, `seconds` counts from the first entry of the run.
 * Labels are those that the cues have now; empty for a cue that is gone.
 */
export function writeLogCsv(sheet: ShowSheet, runs: readonly LoggedRun[], timeOf: (milliseconds: number) => string): string {
  const rows = runs
    .toReversed()
    .flatMap((run) =>
      run.entries.map((entry) => [
        run.id,
        run.name,
        run.speed,
        timeOf(entry.at),
        ((entry.at - run.began) / 1000).toFixed(3),
        entry.list,
        entry.cue ?? "",
        cueOf(sheet, entry)?.label ?? "",
        entry.how,
        entry.by,
        entry.who,
        entry.steps ?? "",
      ]),
    );
  return `${Papa.unparse([COLUMNS, ...rows], { newline: "\n", escapeFormulae: true })}\n`;
}

/** The cue of an entry as it is now. */
function cueOf(sheet: ShowSheet, { list, cue }: LogEntry): Cue | undefined {
  const own = sheet.lists.get(list);
  const row = own && cue !== null ? findRow(own, cue) : -1;
  return own?.cues[row];
}
