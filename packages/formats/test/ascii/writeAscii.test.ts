import { saltAndParaffin } from "@zm/demo";
import { type ListSheet, type Show, type ShowSheet, allLooks, readShow, sheetOf } from "@zm/core";
import fc from "fast-check";
import { showOfAscii } from "../../src/ascii/asciiShow.ts";
import { readAscii } from "../../src/ascii/readAscii.ts";
import { writeAscii } from "../../src/ascii/writeAscii.ts";

const intensity = { id: "intensity", family: "intensity", min: 0, max: 100, home: 0 };
const pan = { id: "pan", family: "position", min: -270, max: 270, home: 0 };
const RIG = {
  fixtureTypes: [
    { id: "lamp", name: "Lamp", attributes: [intensity] },
    { id: "mover", name: "Mover", attributes: [pan, intensity] },
  ],
  channels: [
    { number: 1, type: "lamp", patch: { universe: 1, address: 7, level: 80, more: [{ universe: 1, address: 9 }] } },
    { number: 2, type: "lamp", patch: { universe: 2, address: 512 } },
    { number: 12, type: "mover", patch: { universe: 1, address: 100 } },
    { number: 300, type: "lamp" },
  ],
  groups: [{ id: "front", label: "Front", channels: [2, 1] }],
  palettes: [{ id: "half", family: "intensity", label: "Half", values: [{ attribute: "intensity", value: 50.5 }] }],
  paces: [],
};

const seconds = fc.integer({ min: 0, max: 400 }).map((tenth) => tenth / 10);
const level = fc.oneof(fc.integer({ min: 0, max: 100 }), fc.double({ min: 0, max: 100, noNaN: true, noDefaultInfinity: true }));
const move = fc.oneof(
  level,
  level.map((value) => ({ value, fade: 3 })),
  fc.constant({ release: true }),
  fc.constant({ palette: "half" }),
);
const moves = fc.dictionary(
  fc.constantFrom("1", "2", "12", "300"),
  move.map((spec) => ({ intensity: spec })),
  { maxKeys: 4 },
);
const times = fc.record({ up: seconds, down: seconds, upDelay: seconds, downDelay: seconds }, { requiredKeys: [] });
const cue = fc.record(
  {
    label: fc.string({ maxLength: 20 }).map((text) => text.trim().replace(/\s+/g, " ")),
    block: fc.boolean(),
    carries: fc.constantFrom("track", "cueOnly", "isolated"),
    trigger: fc.oneof(
      fc.constant({ type: "go" }),
      fc.record({ type: fc.constant("follow"), from: fc.constantFrom("go", "complete"), after: seconds }),
    ),
    parts: fc.array(fc.record({ times, moves }), { minLength: 1, maxLength: 3 }),
  },
  { requiredKeys: ["parts"] },
);
/** A show of two lists; a key that stands in two parts of a cue is taken out of the later one. */
const anyShow = fc.tuple(fc.array(cue, { maxLength: 9 }), fc.array(cue, { maxLength: 4 })).map(([main, side]): Show =>
  readShow({
    format: "zealous-mark/show",
    version: 2,
    title: "Any show",
    ...RIG,
    lists: [
      { id: "main", label: "Main", cues: main.map((each, at) => numbered(each, `${at + 1}.5`)) },
      { id: "side", label: "Nebenlicht é", cues: side.map((each, at) => numbered(each, String(at * 10))) },
    ],
  }),
);

function numbered({ parts, ...rest }: { parts: { times: object; moves: Record<string, unknown> }[] }, number: string): object {
  const held = new Set<string>();
  const own = parts.map(({ times: partTimes, moves: all }, at) => {
    const free = Object.entries(all).filter(([channel]) => !held.has(channel));
    for (const [channel] of free) held.add(channel);
    return { number: at + 1, times: partTimes, moves: Object.fromEntries(free) };
  });
  return { number, ...rest, parts: own };
}

/** What each cue of a list shows of levels that are not out, by channel. */
function lit(list: ListSheet | undefined): Record<string, number>[] {
  return (list ? allLooks(list) : []).map(({ values }) =>
    Object.fromEntries(
      Object.entries(values).flatMap(([channel, { intensity: own }]) => (own && own.value > 0 ? [[channel, own.value]] : [])),
    ),
  );
}

function backAgain(sheet: ShowSheet): Show {
  return showOfAscii(readAscii(writeAscii(sheet).text), { levels: "looks", followFrom: "go", title: "" }).show;
}

/** The pictures of a text for a reader that knows nothing but cues and levels, and either tracks or does not. */
function plainReader(text: string, tracks: boolean): Record<string, number>[] {
  const looks: Record<string, number>[] = [];
  for (const line of text.split("\r\n")) {
    if (/^Cue \S+$/.test(line)) looks.push(tracks ? { ...looks.at(-1) } : {});
    if (/^Cue \S+ 2/.test(line)) break;
    if (!line.startsWith("Chan ") || looks.length === 0) continue;
    for (const [, channel = "", word = ""] of line.matchAll(/(\d+)@(\w+)/g)) {
      const [look, own] = [looks.at(-1), word === "FL" ? 100 : Number(word)];
      if (look && own > 0) look[channel] = own;
      else if (look) delete look[channel];
    }
  }
  return looks;
}

describe("a show as ASCII text", () => {
  test("gives every level of the demo back exactly", () => {
    const demo = sheetOf(saltAndParaffin());
    const again = sheetOf(backAgain(demo));
    const lists = [...demo.lists.values()].filter(({ cues }) => cues.length > 0);
    expect(lists.length).toBeGreaterThan(2);
    expect([...again.lists.values()].map(lit)).toEqual(lists.map(lit));
    expect([...again.lists.values()].map(({ list }) => list.label)).toEqual(lists.map(({ list }) => list.label));
  });

  test("gives levels, times, labels and follows of any show back exactly", () => {
    let cues = 0;
    fc.assert(
      fc.property(anyShow, (show) => {
        const sheet = sheetOf(show);
        const again = backAgain(sheet);
        const before = show.lists.filter((list) => list.cues.length > 0);
        const after = again.lists.filter((list) => list.cues.length > 0);
        expect(after.map(({ label }) => label)).toEqual(before.map(({ label }) => label));
        const read = sheetOf(again);
        before.forEach((list, at) => expect(lit(read.lists.get(after[at]?.id ?? ""))).toEqual(lit(sheet.lists.get(list.id))));
        const said = (list: Show["lists"][number]) =>
          list.cues.map(({ number, label = "", trigger, parts }, row) => ({
            number,
            label,
            trigger: row > 0 && trigger?.type === "follow" ? trigger : undefined,
            parts: parts.map(({ number: part, times: { up = 0, down = up, upDelay = 0, downDelay = upDelay } }) => [
              part,
              up,
              down,
              upDelay,
              downDelay,
            ]),
          }));
        expect(after.map(said)).toEqual(before.map(said));
        cues += before.flatMap((list) => list.cues).length;
      }),
      { numRuns: 200, seed: 28 },
    );
    expect(cues).toBeGreaterThan(600);
  });

  test("is right for readers that track and for readers that do not", () => {
    fc.assert(
      fc.property(anyShow, (show) => {
        const sheet = sheetOf(show);
        const { text } = writeAscii(sheet);
        const rounded = lit(sheet.lists.get("main")).map((look) =>
          Object.fromEntries(Object.entries(look).flatMap(([channel, own]) => (Math.round(own) > 0 ? [[channel, Math.round(own)]] : []))),
        );
        expect(plainReader(text, false)).toEqual(rounded);
        expect(plainReader(text, true)).toEqual(rounded);
      }),
      { numRuns: 200, seed: 29 },
    );
  });

  test("is plain ASCII in short lines, whatever the show says", () => {
    const { text } = writeAscii(sheetOf(saltAndParaffin()));
    expect(text).toMatch(/^[\r\n\x20-\x7e]*$/);
    const data = text.split("\r\n").filter((line) => /^(Chan|Patch|\$\$Exact) /.test(line));
    expect(data.length).toBeGreaterThan(100);
    expect(Math.max(...data.map(({ length }) => length))).toBeLessThanOrEqual(80);
  });

  test("has a light's level at the address where it is sent", () => {
    const { text } = writeAscii(
      sheetOf(
        readShow({ format: "zealous-mark/show", version: 2, title: "Patch", ...RIG, lists: [{ id: "main", label: "Main", cues: [] }] }),
      ),
    );
    expect(text).toContain("Patch 1 1<7@80 1<9@FL 2<1024@FL 12<101@FL\r\n");
  });

  test("tells in words what it cannot say, and nothing where it can say all", () => {
    const plain = (cues: object[]) =>
      writeAscii(
        sheetOf(
          readShow({
            format: "zealous-mark/show",
            version: 2,
            title: "Plain",
            ...RIG,
            palettes: [],
            lists: [{ id: "main", label: "Main", cues }],
          }),
        ),
      ).remarks;
    expect(plain([{ number: "1", label: "Preset", parts: [{ number: 1, times: { up: 3 }, moves: { 1: { intensity: 20 } } }] }])).toEqual(
      [],
    );
    expect(
      plain([
        {
          number: "1",
          label: "Überall",
          parts: [{ number: 1, curve: "ease", times: {}, moves: { 1: { intensity: { value: 20, fade: 2 } }, 12: { pan: 30 } } }],
        },
        {
          number: "2",
          block: true,
          trigger: { type: "follow", from: "complete", after: 1 },
          parts: [{ number: 1, times: {}, moves: { 12: { pan: 9 } } }],
        },
      ]).map(({ words }) => words),
    ).toEqual([
      "2 cues with position, colour or beam: 1, 2",
      "1 cue with a light's own time, delay or curve: 1",
      "1 cue with a curve: 1",
      "1 cue with a follow from the end, written as seconds from the Go: 2",
      "1 cue with walls, cue-only, isolated or restated cues, written as what they show: 2",
      "1 cue with a text beyond ASCII, written plainly: 1",
    ]);
  });
});
