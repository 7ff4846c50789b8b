import fc from "fast-check";
import {
  ShowError,
  compactPieces,
  cueNumberAt,
  cueOrder,
  isCueNumber,
  orderedShow,
  parseShow,
  plainCueNumber,
  readInSlices,
  readShow,
  serializeShow,
} from "../../src/index.ts";
import { runToEnd } from "../../src/show/runToEnd.ts";
import { showArbitrary } from "../support/randomShow.ts";

const intensity = { id: "intensity", family: "intensity", min: 0, max: 100, home: 0 };

/** The smallest show that has something of everything, with one place changed. */
function document(change: (show: ReturnType<typeof blank>) => void): unknown {
  const show = blank();
  change(show);
  return show;
}
function blank() {
  return {
    format: "zealous-mark/show",
    version: 2,
    title: "Small",
    fixtureTypes: [
      { id: "lamp", name: "Lamp", attributes: [{ ...intensity }, { id: "red", family: "colour", min: 0, max: 100, home: 100 }] },
    ],
    channels: [{ number: 1, type: "lamp" }],
    groups: [{ id: "all", label: "All", channels: [1] }],
    palettes: [{ id: "dusk", family: "colour", label: "Dusk", values: [{ attribute: "red", value: 30 }] }],
    paces: [{ id: "slow", label: "Slow", position: { fade: 6, delay: "0~2" } }],
    lists: [
      {
        id: "main",
        label: "Main",
        cues: [
          {
            number: "1",
            parts: [
              { number: 1, times: { up: 3 } as object, moves: { "1": { intensity: 50 } } as Record<string, Record<string, unknown>> },
            ],
          },
          { number: "2", parts: [{ number: 1, times: {} as object, moves: {} as Record<string, Record<string, unknown>> }] },
        ] as { number: string; parts: { number: number; times: object; moves: Record<string, Record<string, unknown>> }[] }[],
      },
    ],
  };
}
function faultsOf(change: (show: ReturnType<typeof blank>) => void): readonly string[] {
  try {
    readShow(document(change));
  } catch (error) {
    if (error instanceof ShowError) return error.faults;
    throw error;
  }
  return [];
}
/** The first cue's only part, for changing. */
function part(show: ReturnType<typeof blank>): { number: number; times: object; moves: Record<string, Record<string, unknown>> } {
  const found = show.lists[0]?.cues[0]?.parts[0];
  if (!found) throw new Error("The blank show has no part");
  return found;
}

test("a document reads as what it says, and serialising it twice is the same text", () => {
  expect(readShow(blank())).toEqual(blank());
  fc.assert(
    fc.property(showArbitrary, (show) => {
      const text = serializeShow(show);
      expect(serializeShow(parseShow(text))).toBe(text);
      expect(orderedShow(parseShow(text))).toEqual(show);
      // In pieces or in one: the same text, and compact the same document.
      expect(text).toBe(`${JSON.stringify(orderedShow(show), undefined, 1)}\n`);
      const compact = [...compactPieces(show)].join("");
      expect(JSON.parse(compact)).toEqual(JSON.parse(JSON.stringify(show)));
      expect(runToEnd(readInSlices(`{"revision":3,"show":${compact}}`))).toEqual(JSON.parse(`{"revision":3,"show":${compact}}`));
    }),
  );
});

test("cues and parts stand in the order of their numbers, whatever the order in the file", () => {
  const show = readShow(document((each) => each.lists[0]?.cues.reverse()));
  expect(show.lists[0]?.cues.map((cue) => cue.number)).toEqual(["1", "2"]);
});

test.each<[string, (show: ReturnType<typeof blank>) => void, string]>([
  ["an unknown field", (show) => Object.assign(part(show), { colour: "red" }), 'list main, cue 1, part 1: unknown field "colour"'],
  ["a time below 0", (show) => (part(show).times = { up: -1 }), "list main, cue 1, part 1, times, up: is a time below 0"],
  [
    "a value outside its range",
    (show) => (part(show).moves = { "1": { intensity: 101 } }),
    "list main, cue 1, part 1, 1.intensity: 101 is outside 0 to 100",
  ],
  ["an unknown channel", (show) => (part(show).moves = { "9": { intensity: 1 } }), "list main, cue 1, part 1: channel 9 is not in the rig"],
  [
    "an unknown attribute",
    (show) => (part(show).moves = { "1": { pan: 1 } }),
    'list main, cue 1, part 1: channel 1 has no attribute "pan"; it has intensity, red',
  ],
  [
    "a prototype's name",
    (show) => (part(show).moves = { "1": { constructor: 1 } }),
    'list main, cue 1, part 1: channel 1 has no attribute "constructor"; it has intensity, red',
  ],
  [
    "two targets",
    (show) => (part(show).moves = { "1": { red: { value: 1, palette: "dusk" } } }),
    "a move has exactly one of value, palette and release, and this one has value and palette",
  ],
  ["an unknown palette", (show) => (part(show).moves = { "1": { red: { palette: "dawn" } } }), 'there is no palette "dawn"'],
  [
    "a palette of another family",
    (show) => (part(show).moves = { "1": { intensity: { palette: "dusk" } } }),
    'palette "dusk" is for colour, and intensity is intensity',
  ],
  ["a number that is none", (show) => (part(show).moves = { "1": { intensity: "50" } }), "a move is a number or an object"],
  [
    "a curve that is none",
    (show) => (part(show).moves = { "1": { intensity: { value: 1, curve: "bouncy" } } }),
    "curve is not one of linear",
  ],
  [
    "a cue number with four places",
    (show) => Object.assign(show.lists[0]?.cues[0] ?? {}, { number: "1.2345" }),
    "list main, cue 1.2345, number: is not a cue number",
  ],
  [
    "the same cue twice, spelt otherwise",
    (show) => Object.assign(show.lists[0]?.cues[1] ?? {}, { number: "1.00" }),
    "list main: cue 1 stands twice",
  ],
  [
    "a key in two parts",
    (show) => show.lists[0]?.cues[0]?.parts.push({ number: 2, times: {}, moves: { "1": { intensity: 5 } } }),
    "1.intensity stands in part 1 and in part 2",
  ],
  ["a channel twice", (show) => show.channels.push({ number: 1, type: "lamp" }), "channel 1 stands twice"],
  ["a channel of no type", (show) => show.channels.push({ number: 2, type: "ghost" }), 'channel 2: there is no fixture type "ghost"'],
  ["a group with a stranger", (show) => show.groups[0]?.channels.push(7), "group all: channel 7 is not in the rig"],
  [
    "two intensities",
    (show) => show.fixtureTypes[0]?.attributes.push({ ...intensity, id: "dimmer" }),
    "fixture type lamp: it has more than one intensity",
  ],
  [
    "a palette value out of range",
    (show) => show.palettes[0]?.values.push({ attribute: "red", value: 1000 }),
    "palette dusk, red: 1000 is outside 0 to 100",
  ],
  ["another version", (show) => Object.assign(show, { version: 3 }), "version: is not a version that can be read"],
])("%s is named with its place", (_, change, words) => {
  const faults = faultsOf(change);
  expect(faults.join("\n")).toContain(words);
});

test("every fault is named, not only the first", () => {
  const faults = faultsOf((show) => {
    part(show).moves = { "1": { intensity: 101, pan: 3 }, "9": { intensity: 1 } };
    show.channels.push({ number: 1, type: "lamp" });
  });
  expect(faults).toHaveLength(4);
});

test.each(['{"format": "zealous-mark/show", "version"', "", "null", "[]", '"zealous-mark/show"', "{}"])(
  "text that is no show is refused: %s",
  (text) => {
    expect(() => parseShow(text)).toThrow(ShowError);
  },
);

test("cue numbers order as numbers, never as text, and have one spelling", () => {
  const number = fc.integer({ min: 0, max: 999_999_999 });
  fc.assert(
    fc.property(number, number, (a, b) => {
      expect(cueOrder(cueNumberAt(a))).toBe(a);
      expect(Math.sign(cueOrder(cueNumberAt(a)) - cueOrder(cueNumberAt(b)))).toBe(
        Math.sign(Number(cueNumberAt(a)) - Number(cueNumberAt(b))),
      );
    }),
  );
  expect(plainCueNumber("012.50")).toBe("12.5");
  expect(["12", "0.75", "12.125"].every(isCueNumber)).toBe(true);
  expect(["12.", ".5", "-1", "1e3", "12.3456", "１２", ""].some(isCueNumber)).toBe(false);
});
