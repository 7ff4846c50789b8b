/** A format as it is offered: its name, the endings of its files with their points, the first of which is written, and what it is for. */
export interface FormatName {
  readonly id: string;
  readonly name: string;
  readonly endings: readonly string[];
  readonly about: string;
  readonly ways: "both" | "read" | "written";
}

/**
 * Every format that is read or written, in the order in which they are offered. Names alone: nothing here knows how one is read, so that a window can offer
 * them without loading what reads them.
 */
export const FORMAT_NAMES = [
  {
    id: "show",
    name: "Open document",
    endings: [".json"],
    ways: "both",
    about: "Everything that the show is, readable by people and programs",
  },
  {
    id: "bundle",
    name: "Bundle",
    endings: [".zip"],
    ways: "both",
    about: "The document with its versions, the play, tables, logs of runs and pictures of the looks, in one file to put away",
  },
  {
    id: "ascii",
    name: "List as ASCII text (USITT 3.0)",
    endings: [".asc"],
    ways: "both",
    about: "Levels, times, labels, follows, parts, groups and patch, for another desk",
  },
  {
    id: "workbook",
    name: "Spreadsheet",
    endings: [".xlsx"],
    ways: "both",
    about: "A sheet each for the cues of every list, patch, notes, calls and what Check finds; what is changed in it comes back",
  },
  { id: "table", name: "Table", endings: [".csv", ".tsv"], ways: "read", about: "Cues, lights or notes, told by the names of the columns" },
  {
    id: "rigTable",
    name: "Rig as a table",
    endings: [".csv"],
    ways: "written",
    about: "Each light with its type, patch and place; changed elsewhere, it comes back",
  },
  {
    id: "cueTable",
    name: "Cues as a table",
    endings: [".csv"],
    ways: "written",
    about: "Labels, scenes, notes, times, what fires each cue and its call; changed elsewhere, it comes back",
  },
  {
    id: "notesTable",
    name: "Notes as a table",
    endings: [".csv"],
    ways: "written",
    about: "What those who look on ask for, and what became of it; answered elsewhere, it comes back",
  },
  {
    id: "callsTable",
    name: "Calls as a table",
    endings: [".csv"],
    ways: "written",
    about: "Every call with its words, its page and when it is expected",
  },
  {
    id: "findingsTable",
    name: "What Check finds",
    endings: [".csv"],
    ways: "written",
    about: "Every finding with its place and its sentence",
  },
  {
    id: "mvr",
    name: "Drawing of the rig (MVR)",
    endings: [".mvr"],
    ways: "both",
    about: "Lights with type, number, patch, place and turn, for the drawing office and whatever shows the rig in space",
  },
  { id: "gdtf", name: "Type of light (GDTF)", endings: [".gdtf"], ways: "read", about: "What a light can do, as its maker describes it" },
  { id: "fountain", name: "Play as Fountain", endings: [".fountain"], ways: "both", about: "The text of the play, for whoever writes it" },
  {
    id: "docx",
    name: "Play from a word processor",
    endings: [".docx"],
    ways: "read",
    about: "The text of the play, with its headings and pages",
  },
  { id: "text", name: "Play as plain text", endings: [".txt", ".md"], ways: "read", about: "The text of the play" },
] as const satisfies readonly FormatName[];

/** The name of a format as it stands in commands. */
export type FormatId = (typeof FORMAT_NAMES)[number]["id"];

/** The columns of a table of cues that can be chosen; the number of the cue always is one. */
export const CHOSEN_COLUMNS = [
  "label",
  "scene",
  "note",
  "fires",
  "up",
  "down",
  "up delay",
  "down delay",
  "position fade",
  "position delay",
  "colour fade",
  "colour delay",
  "beam fade",
  "beam delay",
  "call line",
  "call word",
] as const;
