import { type EditInput, type Note, type Paper, ShowError, type ShowSheet, checkSheet, freeIdAmong, paperOf, sameData } from "@zm/core";
import type { TableChanges } from "./cueTable.ts";
import type { Table } from "./table.ts";

/** The notes of those who look on: what was asked, where, and what was done. `note` names each for good. */
export function notesTable(notes: readonly Note[] = []): Table {
  return {
    name: "Notes",
    columns: ["note", "text", "cue", "lights", "line", "asked", "done", "answer"],
    rows: notes.map(({ id, text, cue = "", channels = [], line = "", asked = "", done, answer = "" }) => [
      id,
      text,
      cue,
      channels.join(" "),
      line,
      asked,
      done ? "yes" : "",
      answer,
    ]),
  };
}

/** What a table of notes changes: text, whether it is done, and the answer; a row without a name is a new note. Throws ShowError with every fault and its line. */
export function noteChanges({ columns, rows }: Table, notes: readonly Note[] = []): TableChanges {
  const changes: TableChanges = { edits: [], differences: [] };
  const faults: string[] = [];
  const made: { id: string }[] = [...notes];
  rows.forEach((row, index) => {
    const cell = (name: string): string | undefined => (columns.includes(name) ? row[columns.indexOf(name)] : undefined);
    const id = cell("note") ?? "";
    const before = notes.find((note) => note.id === id);
    if (id !== "" && !before) return faults.push(`Line ${index + 2}: there is no note "${id}" here; leave the cell empty for a new one`);
    const text = cell("text") ?? before?.text ?? "";
    if (text === "") return faults.push(`Line ${index + 2}: the note has no text`);
    const cue = before?.cue ?? (cell("cue") || undefined);
    const fresh: Note = { id: freeIdAmong(text.slice(0, 24), made), text, ...(cue === undefined ? {} : { cue }) };
    const { done: _done, answer: _answer, ...rest } = before ?? fresh;
    const [done, answer] = [cell("done") ?? (before?.done ? "yes" : ""), cell("answer") ?? before?.answer ?? ""];
    const note: Note = { ...rest, text, ...(done === "" ? {} : { done: true as const }), ...(answer === "" ? {} : { answer }) };
    made.push(note);
    if (sameData(before, note)) return undefined;
    const edit: EditInput = { op: "setNote", note };
    changes.edits.push(edit);
    return changes.differences.push(
      `note “${text.slice(0, 40)}”: ${before ? "changed" : "new"}${note.done && !before?.done ? ", done" : ""}`,
    );
  });
  if (faults.length > 0) throw new ShowError(faults);
  return changes;
}

/** All that Check finds: code, how grave, where, and the sentence. */
export function findingsTable(sheet: ShowSheet): Table {
  return {
    name: "Findings",
    columns: ["code", "severity", "list", "cue", "light", "message"],
    rows: checkSheet(sheet).map(({ code, severity, list, cue, channel, message }) => [
      code,
      severity,
      list ?? "",
      cue ?? "",
      String(channel ?? ""),
      message,
    ]),
  };
}

/** A paper as a table; headings between its lines become a column of their own. */
export function tableOfPaper({ title, columns, rows }: Paper): Table {
  const isHeaded = rows.some(({ heading }) => heading !== undefined);
  let current = "";
  return {
    name: title,
    columns: [...(isHeaded ? ["under"] : []), ...columns.map(({ name }) => name)],
    rows: rows.map(({ cells, heading }) => {
      current = heading ?? current;
      return isHeaded ? [current, ...cells] : cells;
    }),
  };
}

/** The calls of a list with their expected moments, as a table. */
export function callsTable(sheet: ShowSheet): Table {
  return tableOfPaper(paperOf(sheet, { kind: "calls" }));
}
