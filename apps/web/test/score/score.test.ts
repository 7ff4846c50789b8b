import type { Lens } from "../../src/choice/sheetView.ts";
import { type EditInput, FAMILIES, type ListSheet, findRow, keyAt, listOf, makeEdits, readEdits, reportImpact, sheetOf } from "@zm/core";
import { saltAndParaffin } from "@zm/demo";
import { lensKeys, lensThreads, markAt, trackedText } from "../../src/cells/cells.ts";
import { channelsBetween, columnAt, layoutColumns } from "../../src/score/columns.ts";
import { cellStory, cellWords } from "../../src/cells/story.ts";
import { timeLeft, triggerWords, upDown } from "../../src/shared/words.ts";

const sheet = sheetOf(saltAndParaffin());
const list = listOf(sheet);
const after = (edit: EditInput): ListSheet => listOf(makeEdits(sheet, readEdits([edit])).sheet);
const ALL = { folded: new Set<string>(), open: new Set<number>(), only: null };
const row = (cue: string): number => findRow(list, cue);
const mark = (channel: number, cue: string, lens: Lens = "intensity"): ReturnType<typeof markAt> =>
  markAt(list, lensKeys(list, channel, lens), row(cue), lens);

test("each light stands in one column, under the first group that holds it", () => {
  const layout = layoutColumns(sheet.show, "intensity", ALL);
  const channels = layout.columns.flatMap((column) => column.channels);
  expect(channels).toEqual(sheet.show.channels.map((channel) => channel.number));
  layout.columns.forEach((column, index) => expect(columnAt(layout, column.x + 5)).toBe(index));
  expect(columnAt(layout, 1e6)).toBe(layout.columns.length - 1);
});

test("a folded group is one column that stands for all its lights", () => {
  const layout = layoutColumns(sheet.show, "intensity", { ...ALL, folded: new Set(["cabin"]) });
  expect(layout.columns[0]).toMatchObject({ folded: true, label: "8 lights", channels: [1, 2, 3, 4, 5, 6, 7, 8] });
  expect(channelsBetween(layout, 3, 12)).toEqual([1, 2, 3, 4, 5, 6, 7, 8, 11, 12]);
  expect(channelsBetween(layout, 12, 3)).toEqual(channelsBetween(layout, 3, 12));
});

test("the Colour lens leaves out lights that have no colour", () => {
  const layout = layoutColumns(sheet.show, "colour", ALL);
  expect(layout.columns.some((column) => column.channel === 1)).toBe(false);
  expect(layout.columns[0]?.channel).toBe(21);
});

test("a move has its shape: rising, falling, unchanged, or a colour square with its palette", () => {
  expect(mark(1, "6")).toEqual({ shape: "rise", hollow: false, text: "60" });
  expect(mark(1, "7")).toEqual({ shape: "fall", hollow: false, text: "50" });
  expect(mark(8, "10")).toEqual({ shape: "square", hollow: true, text: "25" });
  expect(mark(1, "8")).toBeNull();
  expect(mark(21, "9", "colour")).toEqual({ shape: "square", hollow: false, text: "Storm" });
  expect(trackedText(list, lensKeys(list, 1, "intensity"), row("8"), "intensity")).toBe("50");
  expect(trackedText(list, lensKeys(list, 1, "intensity"), row("1"), "intensity")).toBe("");
});

test("the lenses of position and beam show palettes by name and numbers where there are none", () => {
  expect(mark(61, "3", "position")).toMatchObject({ shape: "square", text: "Window" });
  expect(mark(61, "3", "beam")).toMatchObject({ shape: "square", text: "18/Open" });
  expect(mark(1, "6", "position")).toBeNull();
  expect(trackedText(list, lensKeys(list, 62, "position"), row("10"), "position")).toBe("Stairs");
  expect(trackedText(list, lensKeys(list, 62, "position"), row("1"), "position")).toBe("");
  const turned = after({
    op: "change",
    from: "10",
    to: "10",
    keys: { channels: [61], attributes: ["pan"] },
    do: { set: -20 },
    after: "track",
  });
  expect(markAt(turned, lensKeys(turned, 61, "position"), row("10"), "position")?.text).toMatch(/^−20\/\d+$/);
  expect(layoutColumns(sheet.show, "position", ALL).columns.map(({ channel }) => channel)).toEqual([
    61, 62, 63, 64, 65, 66, 67, 68, 71, 72, 73, 74, 75, 76, 77, 78,
  ]);
});

test("the Times lens shows when the moves of each light run, and which have times of their own", () => {
  expect(mark(1, "7", "times")).toMatchObject({ text: "6", quiet: true });
  expect(mark(2, "7", "times")).toMatchObject({ text: "4", quiet: true });
  expect(mark(1, "8", "times")).toBeNull();
  const fanned = after({ op: "setMoveTimes", from: "6", to: "6", keys: { channels: [1, 2, 3] }, fade: 2, delay: "0~3" });
  const texts = [1, 2, 3, 4].map((channel) => markAt(fanned, lensKeys(fanned, channel, "times"), row("6"), "times"));
  expect(texts.map((each) => [each?.text, each?.quiet])).toEqual([
    ["2", false],
    ["2+1.5", false],
    ["2+3", false],
    ["7", true],
  ]);
  expect(cellWords(fanned, 2, row("6"), "times")).toBe("2+1.5 seconds, times of its own");
});

test("a cell is said in words through each lens", () => {
  expect(cellWords(list, 1, row("8"), "intensity")).toMatch(/^50, tracked from cue 7/);
  expect(cellWords(list, 62, row("10"), "position")).toMatch(/^pan 76.5 \(Stairs\), tilt 57 \(Stairs\), tracked from cue 4/);
  expect(cellWords(list, 1, row("8"), "times")).toBe("no move in this cue");
  expect(cellWords(list, 1, row("8"), "beam")).toBe("it has no beam");
});

test("the threads of a light cover exactly the rows in which it is set", () => {
  for (const channel of [1, 21, 61]) {
    for (const lens of FAMILIES) {
      const keys = lensKeys(list, channel, lens);
      const covered = lensThreads(list, keys, lens).flatMap((thread) =>
        Array.from({ length: thread.to - thread.from + 1 }, (_, index) => thread.from + index),
      );
      const set = list.cues.map((_, at) => at).filter((at) => trackedText(list, keys, at, lens) !== "");
      expect(covered).toEqual(set);
    }
  }
});

test("a cell tells where its value comes from and which cue ends it", () => {
  const story = (name: string, cue: string): object => {
    const [channel, attribute] = name.split(".");
    const key = keyAt(list.keys, Number(channel), attribute ?? "");
    return key ? cellStory(list, key, row(cue)) : {};
  };
  expect(story("1.intensity", "8")).toEqual({
    value: "50",
    from: "tracked from cue 7 Ada sets the table",
    until: "until cue 9.5 Shutter bangs, which moves it to 25",
  });
  expect(story("1.intensity", "2")).toEqual({ value: "unset", from: "nothing has set it yet", until: "" });
  expect(story("61.intensity", "12.6")).toEqual({ value: "unset", from: "stopped by the wall of this cue", until: "" });
  expect(story("21.red", "9")).toMatchObject({ value: "16 (Storm)", from: "a move of this cue with its own fade 10" });
  expect(story("11.intensity", "5.3")).toMatchObject({ until: "until cue 5.5 The lantern steadies, which moves it to 80" });
  expect(story("61.intensity", "12.3")).toMatchObject({ until: "until cue 12.6 And again, which is a wall" });
});

test("an impact is told cue by cue, and what only keeps later looks is told apart", () => {
  const edit: EditInput = {
    op: "change",
    from: "6",
    to: "8",
    keys: { channels: [11, 12], families: ["intensity"] },
    do: { add: -10 },
    after: "restore",
  };
  const { lines } = reportImpact(sheet, makeEdits(sheet, readEdits(edit)), list.id);
  expect(lines.map((line) => `${line.cue}: ${line.words()}${line.quiet ? " (quiet)" : ""}`)).toEqual([
    "6: lights 11–12: 80–85 to 70–75",
    "7: lights 11–12: 80–85 to 70–75",
    "8: lights 11–12: 80–95 to 70–85",
    "9: gets 2 moves; looks as before (quiet)",
  ]);
});

test("times are written short and tell the two kinds of follow apart", () => {
  expect(triggerWords({ type: "follow", from: "go", after: 2 })).toBe("go + 2 s");
  expect(triggerWords({ type: "follow", from: "complete", after: 0.5 })).toBe("end + 0.5 s");
  expect(triggerWords(undefined)).toBe("");
  expect(upDown({ number: "1", parts: [{ number: 1, times: { up: 3, upDelay: 1, down: 5 }, moves: {} }] })).toEqual({
    up: "3+1",
    down: "5",
  });
  expect([0, 0.2, 7, 61.5, 600].map(timeLeft)).toEqual(["0:00", "0:01", "0:07", "1:02", "10:00"]);
});

test("what is unset says which wall stopped it, which cue let it go, or which kept it to itself", () => {
  const walled = listOf(
    makeEdits(
      sheet,
      readEdits([
        { op: "block", from: "9", to: "9" },
        { op: "insertCue", cue: "8.5", block: true },
      ]),
    ).sheet,
  );
  const level = keyAt(walled.keys, 12, "intensity");
  if (!level) throw new Error("no key");
  expect(cellStory(walled, level, findRow(walled, "8.5")).from).toBe("stopped by the wall of this cue");
  const isolated = listOf(
    makeEdits(
      sheet,
      readEdits([
        { op: "insertCue", cue: "8.4", block: true },
        { op: "change", from: "9", to: "99", keys: { channels: [12] }, do: { drop: true } },
      ]),
    ).sheet,
  );
  const key = keyAt(isolated.keys, 12, "intensity");
  if (!key) throw new Error("no key");
  expect(cellStory(isolated, key, findRow(isolated, "10")).from).toBe("stopped by the wall of cue 8.4");
});
