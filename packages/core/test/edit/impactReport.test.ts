import {
  type EditInput,
  type ImpactReport,
  type ShowSheet,
  describeEdits,
  listOf,
  makeEdits,
  readEdits,
  reportImpact,
} from "../../src/index.ts";
import { attempt, refusal } from "../support/attempt.ts";
import { oneCue, smallShow } from "../support/smallShow.ts";

const follow = (from: string, after: number): object => ({ trigger: { type: "follow", from, after } });
const windowPalette = { id: "in", family: "position" as const, label: "Window", values: [{ attribute: "pan", value: 15 }] };
const palettes = [windowPalette, { id: "out", family: "position", label: "Door", values: [{ attribute: "pan", value: -40 }] }];
const show = smallShow(
  [
    oneCue("1", { "5": { intensity: 20 }, "1": { intensity: 30, pan: { palette: "in" } } }, { up: 2 }),
    oneCue("4", { "5": { intensity: 50 } }, { up: 4 }),
    oneCue("5", { "1": { intensity: 0 } }, { up: 6 }, follow("complete", 2)),
    oneCue("6", { "5": { intensity: 0 } }),
  ],
  undefined,
  { palettes },
);

function report(sheet: ShowSheet, ...edits: EditInput[]): ImpactReport {
  return reportImpact(sheet, makeEdits(sheet, readEdits(edits)), "main");
}
function told({ lines }: ImpactReport): string[] {
  return lines.map((line) => `${line.cue}: ${line.words()}`);
}

test("a cue inserted before a follow says what is followed now, and how long the chain lasts", () => {
  const inserted = report(show, {
    op: "insertCue",
    cue: "4.5",
    parts: [{ number: 1, times: { up: 1 }, moves: { "5": { intensity: 70 } } }],
  });
  expect(told(inserted)).toEqual([
    "4: the chain from here lasts 4 instead of 12 s",
    "4.5: comes; starts a chain of 9 s",
    "5: light 5: 50 to 70; now follows 4.5: 2 s after the end of it",
  ]);
  expect(inserted.summary).toBe("adds 1 cue, 1 cue looks different, 1 follow changes, 2 cues or chains last otherwise");
});

test("a moved cue says what it takes along; one that is only renumbered has all of it as before", () => {
  const line = (id: string, text: string): object => ({ id, who: "ADA", text });
  const called = smallShow(
    [
      oneCue("1", { "5": { intensity: 20 } }, {}, { scene: "I.1", call: { line: "a", word: "Come" } }),
      oneCue("2", { "5": { intensity: 50 } }, {}, { scene: "I.1", call: { line: "b", word: "Go" } }),
      oneCue("3", { "1": { intensity: 10 } }, {}, { scene: "I.2", call: { line: "c", word: "Stay" } }),
      oneCue("4", { "1": { intensity: 20 } }, {}, { scene: "I.2" }),
    ],
    undefined,
    { script: { lines: [line("a", "Come in."), line("b", "Go out."), line("c", "Stay here.")] } },
  );
  const sheet = makeEdits(
    called,
    readEdits([
      { op: "setList", list: { id: "sea", label: "Sea" } },
      { op: "setCue", from: "2", to: "2", actions: [{ do: "start", list: "sea" }] },
    ]),
  ).sheet;
  const moved = report(sheet, { op: "moveCue", cue: "2", to: "3.5", looks: "keepLooks" });
  expect(moved.summary).toMatch(/^moves 1 cue, no cue looks different/);
  expect(told(moved)).toContain(
    "2: moves to 3.5; keeps its scene I.1, among cues of I.2; is still called on “Go”, before cue 3 is; will start Sea there; gets 1 move; looks as before",
  );
  const behind = report(sheet, { op: "moveCue", cue: "3", to: "1.5" });
  expect(told(behind).find((each) => each.startsWith("3: "))).toContain("is still called on “Stay”, after cue 2 is");
  const numbered = report(sheet, { op: "renumber", from: "1", to: "4", start: "11" });
  expect(numbered.summary).toMatch(/^4 cues change their numbers, no cue looks different/);
  expect(told(numbered)).toEqual(["1: becomes 11", "2: becomes 12", "3: becomes 13", "4: becomes 14"]);
});

test("a move is told as a move, within the list and into another, and so is its undo", () => {
  const words = (...edits: EditInput[]): string => describeEdits(readEdits(edits));
  const move = (cue: string, to: string, looks: "keepLooks" | "letGo"): EditInput => ({ op: "moveCue", cue, to, looks });
  expect(words(move("1", "8", "letGo"))).toBe("Cue 1 moved to 8");
  expect(words(move("2", "9", "keepLooks"), move("1", "8", "keepLooks"))).toBe("2 cues from 1 to 2 moved to 8 on, looks kept");
  const into = (cue: string): EditInput => ({ op: "copyCue", cue, to: cue, toList: "sea", what: "look", after: "restore" });
  expect(words(into("1"), into("4"), { op: "deleteCue", cue: "1" }, { op: "deleteCue", cue: "4" })).toBe(
    "2 cues from 1 to 4 moved to 1 of sea, looks kept",
  );
  expect(words(into("1"), { op: "deleteCue", cue: "1", looks: "letGo" })).toBe("Cue 1 moved to 1 of sea");
  expect(words(into("1"), { op: "deleteCue", cue: "4" })).toBe(
    "Cue 1 copied to 1 of sea, whole look, later looks stay; Cue 4 deleted, looks kept",
  );
});

test("cues that go are said, and what then follows what", () => {
  const removed = report(show, { op: "deleteCue", cue: "1" }, { op: "deleteCue", cue: "4" });
  expect(removed.summary).toMatch(/^removes 2 cues, no cue looks different, 1 follow changes/);
  expect(told(removed)).toContain("5: gets 2 moves; looks as before; follows nothing now: it is the first cue");
  expect(told(removed).filter((line) => line.endsWith("goes"))).toEqual(["1: goes", "4: goes"]);
});

test("many cues deleted or channels removed are told as one; of others the first two", () => {
  const words = (...edits: EditInput[]): string => describeEdits(readEdits(edits));
  const [first, second] = [
    { op: "deleteCue", cue: "1" },
    { op: "deleteCue", cue: "4" },
  ] as const;
  expect(words(first)).toBe("Cue 1 deleted, looks kept");
  expect(words(first, second)).toBe("2 cues from 1 to 4 deleted, looks kept");
  expect(words(first, { ...second, looks: "letGo" })).toBe("2 cues from 1 to 4 deleted");
  expect(words(first, { op: "insertCue", cue: "2" })).toBe("Cue 1 deleted, looks kept; Cue 2 inserted");
  expect(words(first, { op: "insertCue", cue: "2" }, second)).toBe("Cue 1 deleted, looks kept; Cue 2 inserted; and 1 more");
  expect(words({ op: "removeChannel", channel: 1 }, { op: "removeChannel", channel: 5 })).toBe("2 lights from 1 to 5 removed");
});

test("a cue whose palette has other numbers says that it looks as the palette now is", () => {
  const moved = report(show, { op: "setPalette", palette: { ...windowPalette, values: [{ attribute: "pan", value: 20 }] } });
  expect(told(moved)[0]).toBe("1: light 1: position as Window now is");
});

test("times that change are said with their length before and after, chain included", () => {
  const timed = report(show, { op: "setTimes", from: "4", to: "4", set: { up: 10 } });
  expect(told(timed)).toEqual(["4: its times change; looks as before; lasts 4 → 10 s; the chain from here lasts 18 instead of 12 s"]);
});

test("positions are said by number or palette, levels as spans, other lists by name", () => {
  expect(
    told(report(show, { op: "change", from: "1", to: "1", keys: { channels: [1], attributes: ["pan"] }, do: { palette: "out" } }))[0],
  ).toBe("1: light 1: position Window to Door");
  expect(
    told(
      report(show, { op: "change", from: "4", to: "4", keys: { channels: [1], attributes: ["pan"] }, do: { set: -3 }, after: "restore" }),
    )[0],
  ).toBe("4: light 1: position Window to pan −3");
  const gathered = report(show, { op: "setList", list: { id: "sea", label: "Sea", cues: [{ number: "1" }] } });
  expect(gathered.lines.map((line) => line.listLabel)).toEqual(["Sea"]);
  expect(gathered.summary).toBe("adds 1 cue, no cue looks different (in Sea)");
});

test("a cue that takes another number is the same cue", () => {
  const renumbered = report(show, { op: "renumber", from: "4", to: "6", start: "10", step: "1" });
  expect(told(renumbered)).toEqual(["4: becomes 10", "5: becomes 11", "6: becomes 12"]);
  expect(renumbered.summary).toBe("3 cues change their numbers, no cue looks different");
});

test("a record of this cue only at the end keeps it to itself; an ordinary last cue refuses", () => {
  const record = (cue: string): EditInput => ({ op: "record", cue, moves: { "5": { intensity: 80 } }, scope: "cueOnly" });
  const added = attempt(show, [record("7")]);
  expect(listOf(added?.sheet ?? show).cues.at(-1)?.carries).toBe("cueOnly");
  const again = attempt(added?.sheet ?? show, [{ ...record("7"), moves: { "1": { intensity: 5 } } } as EditInput]);
  expect(listOf(again?.sheet ?? show).cues.at(-1)?.carries).toBe("cueOnly");
  expect(refusal(show, [record("6")])).toMatch(/last cue.*#6 carries only.*everything after follows/);
  const middle = attempt(show, [record("4.5")]);
  expect(listOf(middle?.sheet ?? show).cues[2]?.carries).toBeUndefined();
});
