import {
  type ShowSheet,
  compareShows,
  differencesPaper,
  makeEdits,
  paperCsv,
  paperOf,
  paperPages,
  readEdits,
  readShow,
  renumberingPaper,
  sheetOf,
} from "../../src/index.ts";
import { oneCue, smallShow } from "../support/smallShow.ts";

const SCRIPT = { lines: [{ id: "I.1.4", page: 3, who: "ADA", text: "Then leave the lamp." }] };
const SHOW = smallShow(
  [
    oneCue(
      "1",
      { "1": { intensity: 40, pan: { palette: "chair" } }, "5": { intensity: 40 } },
      { up: 3, down: 5, downDelay: 1 },
      {
        label: "Dawn",
        scene: "I.1",
        call: { line: "I.1.4", word: "lamp", kind: "on" },
      },
    ),
    oneCue(
      "2",
      { "5": { intensity: { release: true } } },
      { up: 2 },
      {
        scene: "I.1",
        trigger: { type: "follow", from: "complete", after: 1.5 },
        note: "only when the door is shut",
      },
    ),
    oneCue("3", {}, {}, { scene: "I.2", block: true, label: "Night" }),
  ],
  undefined,
  {
    script: SCRIPT,
    channels: [
      { number: 1, type: "mover", label: "Boom", patch: { universe: 1, address: 101 }, place: { x: -2, y: 5.5, z: 3 } },
      { number: 5, type: "lamp" },
    ],
    groups: [{ id: "front", label: "Front", channels: [1, 5] }],
    palettes: [{ id: "chair", family: "position", label: "Chair", values: [{ attribute: "pan", value: 40 }] }],
  },
);
const cellsOf = (sheet: ShowSheet, kind: "cues" | "changes" | "patch" | "palettes", range = {}): readonly (readonly string[])[] =>
  paperOf(sheet, { kind, ...range }).rows.map(({ cells }) => cells);

test("the cue sheet says by scene where cues are called, what fires them, times and walls", () => {
  expect(paperOf(SHOW, { kind: "cues" }).rows).toEqual([
    { heading: "Scene I.1", cells: ["1", "p. 3, ADA: “Then leave the lamp.” on “lamp”", "Dawn", "call", "up 3, down 5 + 1", "3 s", ""] },
    { cells: ["2", "", "", "by itself, 1.5 s after 1 is complete", "up 2", "2 s", "only when the door is shut"] },
    { heading: "Scene I.2", cells: ["3", "", "Night", "call", "at once\nwall", "0 s", ""] },
  ]);
});

test("a paper from the midst of a scene names it, and a cue that is seen says so", () => {
  expect(paperOf(SHOW, { kind: "cues", from: "2" }).rows.map(({ heading }) => heading)).toEqual(["Scene I.1", "Scene I.2"]);
  const called = (call: object): string => {
    const own = smallShow([oneCue("1", {}, {}, { call })], undefined, { script: SCRIPT });
    return cellsOf(own, "cues")[0]?.[1] ?? "";
  };
  expect(called({ line: "I.1.4", kind: "visual" })).toBe("p. 3, ADA: “Then leave the lamp.” when seen");
  expect(called({ line: "I.1.4", kind: "after" })).toBe("p. 3, ADA: “Then leave the lamp.” after the line");
});

test("the programmer's list says what each cue stores, like lights together, and its times", () => {
  expect(cellsOf(SHOW, "changes")).toEqual([
    ["1", "Dawn", "intensity: 1, 5 at 40\nposition: 1 chair", "call", "up 3, down 5 + 1", "3"],
    ["2", "", "intensity: 5 released", "by itself, 1.5 s after 1 is complete", "up 2", "1"],
    ["3", "Night · wall", "no move", "call", "", "0"],
  ]);
});

test("times, curves, waves and what a cue does besides stand on paper as they hold", () => {
  const cue = {
    number: "1",
    carries: "cueOnly",
    actions: [{ do: "start", list: "sea", after: 2 }],
    parts: [
      {
        number: 1,
        curve: "ease",
        times: { up: 6, position: { delay: 5 } },
        moves: { 1: { intensity: 40, pan: { value: 20, fade: 4, delay: 1 } } },
        waves: { 1: { pan: { shape: "sine", size: 5, period: 4 } } },
      },
      { number: 2, label: "lamp", times: { down: 2, downDelay: 1, upDelay: 0.5 }, moves: { 5: { intensity: 10 } } },
    ],
  };
  const { show } = smallShow([]);
  const lists = [
    { id: "main", label: "Main", cues: [cue] },
    { id: "sea", label: "Sea", cues: [] },
  ];
  const sheet = sheetOf(readShow({ ...show, lists }));
  expect(cellsOf(sheet, "changes")[0]).toEqual([
    "1",
    "this cue only",
    "intensity: 1 at 40; 5 at 10\nposition: 1 pan 20\nwaves: 1 pan sine 5 every 4 s\nbesides: start Sea, 2 s after",
    "call",
    "part 1: up 6, position 6 + 5, curve ease\npart 2 lamp: up 0 + 0.5, down 2 + 1\n1 pan in 4 after 1",
    "3",
  ]);
});

test("hookup and palettes say what is where and what uses what", () => {
  expect(cellsOf(SHOW, "patch")).toEqual([
    ["1", "Boom", "Mover", "1.101", "101–102", "-2, 5.5, 3", "Front"],
    ["5", "", "Lamp", "not patched", "", "", "Front"],
  ]);
  expect(cellsOf(SHOW, "palettes")).toEqual([["Chair", "position", "pan 40", "1 cue: 1", "1"]]);
});

test("only the cues of a range stand on the paper, and a range without any is refused", () => {
  const paper = paperOf(SHOW, { kind: "cues", from: "2", to: "3" });
  expect(paper.rows.map(({ cells }) => cells[0])).toEqual(["2", "3"]);
  expect(paper.subtitle).toBe("Main, cues 2 to 3");
  expect(() => paperOf(SHOW, { kind: "cues", from: "7", to: "9" })).toThrow("has no cue from 7 to 9");
});

test("a paper is a table, and pages with head, foot and only the columns in use", () => {
  const paper = paperOf(SHOW, { kind: "cues", from: "3" });
  expect(paperCsv(paper)).toBe(
    'part of the play,cue,called at,what happens,fired by,times,lasts,notes\nScene I.2,3,,Night,call,"at once\nwall",0 s,\n',
  );
  const pages = paperPages(paper, { show: "Small", made: "today", large: true });
  expect(pages.defaultStyle.fontSize).toBe(14);
  expect(pages.footer(2, 3)).toMatchObject({ columns: [{ text: "today" }, { text: "page 2 of 3" }] });
  expect(pages.content).toMatchObject([
    {
      table: {
        headerRows: 1,
        body: [
          [{ text: "cue" }, { text: "what happens" }, { text: "fired by" }, { text: "times" }, { text: "lasts" }],
          [{ text: "Scene I.2", colSpan: 5 }, {}, {}, {}, {}],
          [{ text: "3" }, { text: "Night" }, { text: "call" }, { text: "at once\nwall" }, { text: "0 s" }],
        ],
      },
    },
  ]);
  const empty = paperPages({ ...paper, rows: [] }, { show: "Small", made: "", large: false });
  expect(empty.content).toEqual([{ text: "There is no cue in this range yet." }]);
});

test("what differs between two states, and old and new numbers of cues, are papers too", () => {
  const now = makeEdits(SHOW, readEdits([{ op: "renumber", from: "2", to: "3", start: "2.5", step: "1" }])).sheet;
  const comparison = compareShows(SHOW, now, "main");
  const table = renumberingPaper(comparison, "since the first dress", (_list, cue) => (cue === "3.5" ? "Night" : ""));
  expect(table.rows.map(({ cells }) => cells)).toEqual([
    ["2", "2.5", ""],
    ["3", "3.5", "Night"],
  ]);
  expect(differencesPaper(comparison, "").rows.map(({ cells }) => cells.slice(0, 2))).toEqual([
    ["2", "2.5"],
    ["3", "3.5"],
  ]);
});
