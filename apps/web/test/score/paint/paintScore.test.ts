import { type EditInput, type ListSheet, listOf, readShow, sheetOf, makeEdits, readEdits } from "@zm/core";
import type { Lens } from "../../../src/choice/sheetView.ts";
import type { Ghosts } from "../../../src/preview/preview.ts";
import { layoutColumns } from "../../../src/score/columns.ts";
import type { Ink } from "../../../src/score/paint/ink.ts";
import { paintScore } from "../../../src/score/paint/paintScore.ts";
import { type ScorePicture, ROW, axis } from "../../../src/score/paint/picture.ts";
import { type Folds, sheetLines } from "../../../src/spine/lines.ts";
import { type Drawn, drawingCanvas } from "../../support/drawing.ts";

const range = { min: 0, max: 100, home: 0 };
const cue = (number: string, moves: object, fields: object = {}): object => ({
  number,
  parts: [{ number: 1, times: { up: 2, down: 4 }, moves }],
  ...fields,
});
const show = readShow({
  format: "zealous-mark/show",
  version: 2,
  title: "Painted",
  fixtureTypes: [
    { id: "lamp", name: "Lamp", attributes: [{ id: "intensity", family: "intensity", ...range }] },
    {
      id: "mover",
      name: "Mover",
      attributes: [
        { id: "intensity", family: "intensity", ...range },
        { id: "pan", family: "position", min: -270, max: 270, home: 0 },
      ],
    },
  ],
  channels: [
    { number: 1, type: "lamp" },
    { number: 2, type: "lamp" },
    { number: 9, type: "mover" },
  ],
  groups: [{ id: "front", label: "Front", channels: [1, 2] }],
  lists: [
    {
      id: "main",
      label: "Main",
      cues: [
        cue("1", { 1: { intensity: 20 }, 9: { intensity: 50 } }, { scene: "I.1" }),
        cue("2", { 1: { intensity: 80 }, 9: { intensity: 0 } }, { scene: "I.1" }),
        cue("3", { 1: { intensity: 80 }, 2: { intensity: 40 } }, { scene: "I.1", block: true }),
        cue("4", { 1: { intensity: 30 }, 9: { intensity: 60, pan: 30 } }, { scene: "I.2" }),
        cue("5", { 1: { intensity: { release: true } } }),
      ],
    },
  ],
});
const sheet = sheetOf(show);
const list = listOf(sheet);
const INK: Ink = {
  text: "text",
  quiet: "quiet",
  rule: "rule",
  sheet: "sheet",
  thread: "thread",
  symbol: "symbol",
  fall: "fall",
  brass: "brass",
  glass: "glass",
  coral: "coral",
  chosen: "chosen",
  row: "row",
};
const UNFOLDED: Folds = { foldedScenes: new Set(), openCues: new Set() };

interface Looked {
  readonly lens?: Lens;
  readonly folds?: Folds;
  readonly picture?: Partial<ScorePicture>;
  readonly of?: ListSheet;
}

/** All that is drawn of the list as it is looked at, and the middle of a cell in it. */
function drawnOf({ lens = "intensity", folds = UNFOLDED, picture = {}, of = list }: Looked = {}): {
  drawn: Drawn[];
  at: (channel: number, line: number) => { x: number; y: number };
} {
  const layout = layoutColumns(show, lens, { folded: new Set(), open: new Set(), only: null });
  const lines = sheetLines(of, folds);
  const { canvas, drawn } = drawingCanvas();
  paintScore(
    canvas,
    {
      list: of,
      layout,
      lines,
      lens,
      tracked: false,
      span: { first: 0, last: lines.lines.length - 1 },
      left: 0,
      right: layout.width,
      chosen: null,
      lights: new Set(),
      attributes: undefined,
      stageRow: -1,
      ghosts: null,
      found: new Map(),
      spans: [],
      ...picture,
    },
    INK,
  );
  const at = (channel: number, line: number): { x: number; y: number } => {
    const column = layout.columns.find((each) => each.channel === channel);
    if (!column) throw new Error(`no column of light ${channel}`);
    return { x: axis(column), y: line * ROW + ROW / 2 };
  };
  return { drawn, at };
}

/** The shapes whose first place is near another one. */
function shapesAt(drawn: readonly Drawn[], { x, y }: { x: number; y: number }, what: Drawn["what"] = "fill"): Drawn[] {
  return drawn.filter(
    ({ what: is, places: [first] }) => is === what && Math.abs((first?.[0] ?? -99) - x) < 8 && Math.abs((first?.[1] ?? -99) - y) < 8,
  );
}

const texts = (drawn: readonly Drawn[]): string[] => drawn.filter(({ what }) => what === "text").map(({ text }) => text);

test("a level that rises stands on its base, one that falls on its point, its number beside it", () => {
  const { drawn, at } = drawnOf();
  const [rises, falls] = [at(1, 1), at(1, 3)];
  expect(shapesAt(drawn, rises)[0]).toMatchObject({
    colour: "symbol",
    places: [
      [rises.x, rises.y - 5.5],
      [rises.x + 6, rises.y + 4.5],
      [rises.x - 6, rises.y + 4.5],
    ],
  });
  expect(shapesAt(drawn, falls)[0]).toMatchObject({
    colour: "fall",
    places: [[falls.x, falls.y + 5.5], expect.anything(), expect.anything()],
  });
  const written = drawn.filter(({ what, text, places }) => what === "text" && text === "80" && (places[0]?.[1] ?? 0) === rises.y + 1);
  expect(written).toHaveLength(1);
  expect(written[0]?.places[0]?.[0]).toBeGreaterThan(rises.x);
});

test("a move that changes nothing is hollow, and a released key ends in an open ring", () => {
  const { drawn, at } = drawnOf();
  for (const place of [at(1, 2), at(1, 4)]) {
    expect(shapesAt(drawn, place)[0]?.colour).toBe("sheet");
    expect(shapesAt(drawn, place, "stroke")).toHaveLength(1);
  }
  // The ring is an arc: a place and its radius.
  expect(shapesAt(drawn, at(1, 4), "stroke")[0]?.places).toEqual([[at(1, 4).x, at(1, 4).y, 4]]);
  expect(shapesAt(drawn, at(1, 1), "stroke")).toHaveLength(0);
});

test("a thread grows with its level, and there is none where the light is out", () => {
  const { drawn, at } = drawnOf();
  const threads = drawn.filter(({ what, colour }) => what === "rect" && colour === "thread").map(({ places: [rect] }) => rect ?? []);
  const widthAt = ({ x, y }: { x: number; y: number }): number =>
    threads.find(
      ([left = 0, top = 0, width = 0, height = 0]) => Math.abs(left + width / 2 - x) < 1 && top <= y && top + height >= y,
    )?.[2] ?? 0;
  const below = (channel: number, line: number) => ({ ...at(channel, line), y: at(channel, line).y + 3 });
  expect(widthAt(below(1, 1))).toBeCloseTo(1 + 0.8 * 4.5, 6);
  expect(widthAt(below(1, 0))).toBeCloseTo(1 + 0.2 * 4.5, 6);
  expect(widthAt(below(9, 1))).toBe(0);
});

test("a wall is a doubled rule across the row, at the cue that blocks and at no other", () => {
  const { drawn } = drawnOf();
  const walls = drawn.filter(({ what, colour }) => what === "rect" && colour === "brass");
  expect(walls.map(({ places: [rect] }) => rect?.[1])).toEqual([2 * ROW - 2, 2 * ROW + 1]);
});

test("a dark window is dotted, and its mark's lozenge stands in the cue where it happens", () => {
  const { drawn, at } = drawnOf();
  const dotted = drawn.filter(({ dotted: is, what }) => is && what === "stroke");
  expect(dotted.map(({ places }) => places.map(([x]) => x))).toEqual([[at(9, 0).x, at(9, 0).x]]);
  const [from = 0, to = 0] = dotted[0]?.places.map(([, y]) => y) ?? [];
  expect(to).toBe(at(9, 3).y - 8);
  const lozenge = drawn.filter(({ what, colour, places }) => what === "stroke" && colour === "glass" && places.length === 4)[0]?.places;
  expect(lozenge?.map(([x = 0]) => x - at(9, 0).x)).toEqual([0, 4.5, 0, -4.5]);
  const middle = lozenge?.[1]?.[1] ?? 0;
  expect(middle).toBeGreaterThan(from - ROW);
  expect(middle).toBeLessThan(to);
});

test("a tracked value is written only where that is shown: everywhere or in chosen cells", () => {
  const quiet = (drawn: readonly Drawn[]): string[] => texts(drawn.filter(({ colour }) => colour === "quiet"));
  expect(quiet(drawnOf().drawn)).toEqual([]);
  expect(quiet(drawnOf({ picture: { tracked: true } }).drawn)).toContain("40");
  const chosen = { chosen: { first: 3, last: 4 }, lights: new Set([2]) };
  expect(quiet(drawnOf({ picture: chosen }).drawn)).toEqual(["40", "40"]);
  // One chosen cue is told whole.
  expect(quiet(drawnOf({ picture: { chosen: { first: 4, last: 4 } } }).drawn)).toEqual(["40", "60"]);
});

test("neighbouring chosen lights are one frame over the chosen rows, those apart are two", () => {
  const frames = (lights: readonly number[]): (readonly number[])[] =>
    drawnOf({ picture: { chosen: { first: 1, last: 2 }, lights: new Set(lights) } })
      .drawn.filter(({ what, colour }) => what === "stroke" && colour === "glass")
      .flatMap(({ places }) => places.filter((place) => place.length === 4));
  expect(frames([1, 2])).toHaveLength(1);
  expect(frames([1, 2])[0]?.slice(1, 2)).toEqual([ROW + 1.5]);
  expect(frames([1, 2])[0]?.[3]).toBe(2 * ROW - 3);
  // Across the gap between two groups as well.
  expect(frames([2, 9])).toHaveLength(1);
  expect(frames([1, 9])).toHaveLength(2);
});

test("a folded scene is one line with what the last of its moves left; its cues are not drawn", () => {
  const { drawn, at } = drawnOf({ folds: { ...UNFOLDED, foldedScenes: new Set(["main/I.1"]) } });
  const scene = shapesAt(drawn, { x: at(1, 0).x - 4.5, y: at(1, 0).y - 4.5 });
  expect(scene).toHaveLength(1);
  expect(scene[0]?.places[0]).toHaveLength(4);
  expect(texts(drawn.filter(({ places: [place] }) => (place?.[1] ?? 0) < ROW))).toEqual(["80", "40"]);
});

test("what an edit would leave is outlined, and a cue that goes leaves its cells empty", () => {
  const ghosts: Ghosts = new Map([
    [
      "1",
      new Map([
        ["2", { mark: { shape: "rise", hollow: false, text: "95" }, tracked: "95" }],
        ["4", null],
      ]),
    ],
  ]);
  const { drawn, at } = drawnOf({ picture: { ghosts } });
  expect(shapesAt(drawn, at(1, 1), "stroke")[0]?.colour).toBe("glass");
  expect(texts(drawn.filter(({ colour }) => colour === "glass"))).toEqual(["95"]);
  expect(shapesAt(drawn, at(1, 3))).toEqual([]);
  expect(shapesAt(drawn, at(9, 3)).length).toBeGreaterThan(0);
});

test("in the Times lens a move is a bar, and a point says that it goes on beyond the cell", () => {
  // The scale is that of nine cues in ten, so one that is long goes beyond it where there are more.
  const more = Array.from({ length: 9 }, (_, index): EditInput => ({ op: "insertCue", cue: String(10 + index) }));
  const edits: EditInput[] = [...more, { op: "setMoveTimes", from: "4", to: "4", keys: { channels: [1] }, delay: 1, fade: 500 }];
  const of = listOf(makeEdits(sheet, readEdits(edits)).sheet);
  const { drawn, at } = drawnOf({ lens: "times", of });
  const row = (line: number) =>
    drawn.filter(({ places: [place] }) => Math.abs((place?.[1] ?? -99) - at(1, line).y - 8) < 6 && (place?.[0] ?? 0) < at(2, 0).x - 9);
  const points = (line: number): number => row(line).filter(({ what, places }) => what === "fill" && places.length === 3).length;
  expect(row(3).some(({ what, dotted }) => what === "stroke" && dotted)).toBe(true);
  expect(points(3)).toBe(1);
  expect(row(1).some(({ what, dotted }) => what === "stroke" && dotted)).toBe(false);
  expect(points(1)).toBe(0);
});

test("a finding of the rehearsal is a coral corner in its cell, and nothing else is coral", () => {
  const found = new Map([[1, new Set([1])]]);
  const coral = drawnOf({ picture: { found } }).drawn.filter(({ colour }) => colour === "coral");
  expect(coral).toHaveLength(1);
  expect(coral[0]?.places.every(([, y = 0]) => y > ROW && y < 2 * ROW)).toBe(true);
  expect(drawnOf().drawn.some(({ colour }) => colour === "coral")).toBe(false);
});

test("only what stands in sight is drawn: lines of the span, columns between left and right", () => {
  const whole = drawnOf().drawn.length;
  const layout = layoutColumns(show, "intensity", { folded: new Set(), open: new Set(), only: null });
  const last = layout.columns.at(-1);
  const part = drawnOf({ picture: { span: { first: 1, last: 2 }, left: (last?.x ?? 0) - 1 } }).drawn;
  expect(part.length).toBeLessThan(whole / 2);
  expect(part.flatMap(({ places }) => places).every(([x = 0]) => x > -45)).toBe(true);
});
