import { type EditInput, ShowError, type ShowSheet, count, readRigCsv } from "@zm/core";
import { type FileReading, type ReadingContext, type ReadingQuestion, type Wishes, answerOf } from "../reading/reading.ts";
import type { Remark } from "../report/remark.ts";
import { CUE_COLUMNS, type TableChanges, changesWords, cueChanges } from "./cueTable.ts";
import { noteChanges } from "./otherTables.ts";
import { type Table, writeCsv } from "./table.ts";

/** What a table is of, told by its columns. */
type Kind = "cues" | "patch" | "notes";
/** The answer of a column that is not taken. */
const NONE = "-";

function kindOf({ columns }: Table): Kind | undefined {
  const heads = new Set(columns.map(plain));
  if (heads.has("channel") && heads.has("type")) return "patch";
  if (heads.has("note") && heads.has("text")) return "notes";
  return heads.has("cue") ? "cues" : undefined;
}

/** True for what is only told by this program, calls, findings and logs of runs: it stands beside what can be changed, and nothing in it changes a show. */
function isReport({ columns }: Table): boolean {
  return ["severity", "expected", "how"].some((head) => columns.includes(head));
}

function plain(head: string): string {
  return head
    .toLowerCase()
    .replace(/[\s_-]+/g, " ")
    .trim();
}

/**
 * Reads tables for the door: what each changes of the show that is open, difference by difference. Tables of no known kind are told and left. Throws ShowError where
 * none is known, where no show is open, and with every fault and its line.
 */
export function tablesReading(tables: readonly Table[], { sheet, wishes }: ReadingContext): FileReading {
  if (!sheet) throw new ShowError("A table changes a show that is there; open or name the show that it is for");
  const brought = tables.filter((table) => !isReport(table));
  const known = brought.filter((table) => kindOf(table) !== undefined);
  if (known.length === 0)
    throw new ShowError(
      "No table here has a column that says what it is of: cue for cues, channel and type for lights, note and text for notes",
    );
  const remarks: Remark[] = brought
    .filter((table) => !known.includes(table))
    .map(({ name }) => ({ kind: "left", words: `the table “${name}”: it has no column cue, channel and type, or note and text` }));
  const questions: ReadingQuestion[] = [];
  const changes = known.map((table) => changesOf(table, sheet, wishes, { questions, remarks, only: known.length === 1 }));
  const edits = changes.flatMap((change) => change.edits);
  const differences = changes.flatMap((change) => change.differences);
  const made = edits.length === 0 ? ["Nothing: the show is what the table says"] : [...changes.map(({ words }) => words), ...differences];
  return { made, remarks, questions, edits };
}

interface Asked {
  readonly questions: ReadingQuestion[];
  readonly remarks: Remark[];
  readonly only: boolean;
}

function changesOf(table: Table, sheet: ShowSheet, wishes: Wishes, asked: Asked): TableChanges & { readonly words: string } {
  switch (kindOf(table)) {
    case "patch":
      return patchChanges(table, sheet);
    case "notes": {
      const changes = noteChanges(table, sheet.show.notes);
      return { ...changes, words: `${table.name}: ${count(changes.edits.length, "note")} changed or new` };
    }
    default:
      return changesOfCues(table, sheet, wishes, asked);
  }
}

function patchChanges(table: Table, { show }: ShowSheet): TableChanges & { readonly words: string } {
  const edits: EditInput[] = readRigCsv(writeCsv(table), show);
  const differences = edits.flatMap((edit) => {
    if (edit.op !== "setChannel") return [];
    const { number, patch } = edit.channel;
    const where = patch ? ` at ${patch.universe}.${patch.address}` : " without a patch";
    return [`light ${number} ${show.channels.some((channel) => channel.number === number) ? "changes" : "is new"}:${where}`];
  });
  return { edits, differences, words: `${table.name}: ${count(edits.length, "light")} new or different` };
}

/** Which list a table of cues is for, and which of its columns is which of ours; asked where there is a choice. */
function changesOfCues(
  table: Table,
  { show }: ShowSheet,
  wishes: Wishes,
  { questions, remarks, only }: Asked,
): TableChanges & { readonly words: string } {
  const named = show.lists.find(({ id, label }) => plain(label || id) === plain(table.name)) ?? show.lists[0];
  const ordered = [...show.lists].sort((a, b) => Number(b === named) - Number(a === named));
  const list: ReadingQuestion = {
    id: `list ${table.name}`,
    words: `${table.name} is of the list`,
    answers: ordered.map(({ id, label }) => ({ id, words: label || id })),
  };
  if (show.lists.length > 1) questions.push(list);
  const id = answerOf(list, wishes);
  const target = show.lists.find((each) => each.id === id);
  if (!target) throw new ShowError("This show has no list");
  const mapping = new Map<string, string>();
  for (const { id: column } of CUE_COLUMNS) {
    const matched = table.columns.find((head) => plain(head) === column);
    if (column === "cue") {
      mapping.set(column, matched ?? "");
      continue;
    }
    const others = table.columns.filter((head) => head !== matched && head !== "");
    const answers = [...(matched === undefined ? [] : [matched]), NONE, ...others].map((head) => ({
      id: head,
      words: head === NONE ? "is not taken" : `is the column “${head}”`,
    }));
    const question = { id: `column ${table.name} ${column}`, words: `${only ? "" : `${table.name}: `}${column}`, answers };
    questions.push(question);
    const answer = answerOf(question, wishes);
    if (answer !== NONE) mapping.set(column, answer);
  }
  const taken = new Set(mapping.values());
  for (const head of table.columns.filter((each) => each !== "" && !taken.has(each)))
    remarks.push({ kind: "left", words: `the column “${head}” of ${table.name}` });
  const changes = cueChanges(table, target, show.script, mapping);
  return { ...changes, words: `${table.name}, into ${target.label || target.id}: ${changesWords(changes)}` };
}
