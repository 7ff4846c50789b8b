import fc from "fast-check";
import { type EditInput, type ShowSheet, listOf, makeEdits, readEdits } from "../../src/index.ts";
import { attempt } from "../support/attempt.ts";
import { oneCue, smallShow } from "../support/smallShow.ts";

const SINE = { shape: "sine", size: 30, period: 4 } as const;
/** A second mover beside the rig of the small show. */
const RIG = {
  channels: [
    { number: 1, type: "mover" },
    { number: 2, type: "mover" },
    { number: 5, type: "lamp" },
  ],
};

/** What a cue of these tests says of the wave of `1.pan`, and how it tracks. */
interface Said {
  readonly size: number | "stop" | null;
  readonly block: boolean;
  readonly carries: "track" | "cueOnly" | "isolated";
  readonly waves: "stop" | "pass" | undefined;
}

const said: fc.Arbitrary<Said> = fc.record({
  size: fc.oneof({ weight: 3, arbitrary: fc.constant(null) }, fc.constantFrom(5, 10, 20, "stop" as const)),
  block: fc.boolean(),
  carries: fc.constantFrom("track", "track", "cueOnly", "isolated"),
  waves: fc.constantFrom(undefined, undefined, undefined, "stop", "pass"),
});

function cueSaying({ size, block, carries, waves }: Said, index: number): object {
  const wave = size === "stop" ? { stop: true } : size === null ? undefined : { ...SINE, size };
  const fields = { ...(block ? { block } : {}), ...(carries === "track" ? {} : { carries }), ...(waves ? { waves } : {}) };
  return {
    number: String(index + 1),
    ...fields,
    parts: [{ number: 1, times: { up: 1 }, moves: { 5: { intensity: index } }, ...(wave ? { waves: { 1: { pan: wave } } } : {}) }],
  };
}

/** By cue number, the size of the wave that `1.pan` shows, folded down the document by the letter of the rules. */
function shownSizes(sheet: ShowSheet): Map<string, number> {
  const shown = new Map<string, number>();
  let carried = 0;
  for (const cue of listOf(sheet).list.cues) {
    const isolated = cue.carries === "isolated";
    const wall = (cue.block === true || isolated) && cue.waves !== "pass";
    const own = cue.parts.flatMap(({ waves }) => waves?.["1"]?.["pan"] ?? [])[0];
    if (cue.waves === "stop") carried = 0;
    const tracksIn = wall ? 0 : carried;
    const size = own === undefined ? tracksIn : "stop" in own ? 0 : own.size;
    shown.set(cue.number, size);
    if (!isolated && cue.carries !== "cueOnly") carried = size;
  }
  return shown;
}

test("edits that keep looks keep the waves of every cue that is left", () => {
  let accepted = 0;
  const runs = 150;
  const kept: fc.Arbitrary<(cue: string) => EditInput> = fc.constantFrom<((cue: string) => EditInput)[]>(
    (cue) => ({ op: "deleteCue", cue }),
    (cue) => ({ op: "block", from: cue, to: cue }),
    (cue) => ({ op: "unblock", from: cue, to: cue }),
    (cue) => ({ op: "copyCue", cue, to: "4.5", after: "restore" }),
  );
  fc.assert(
    fc.property(fc.array(said, { minLength: 8, maxLength: 8 }), fc.integer({ min: 1, max: 8 }), kept, (cues, at, edit) => {
      const sheet = smallShow(cues.map(cueSaying));
      const before = shownSizes(sheet);
      const result = attempt(sheet, [edit(String(at))]);
      if (!result) return;
      accepted += 1;
      const after = shownSizes(result.sheet);
      for (const [cue, size] of after) if (before.has(cue)) expect([cue, size]).toEqual([cue, before.get(cue)]);
    }),
    { numRuns: runs },
  );
  expect(accepted).toBeGreaterThan(runs * 0.6);
});

test("a cue that moves and keeps looks keeps every wave, its own too", () => {
  fc.assert(
    fc.property(
      fc.array(said, { minLength: 8, maxLength: 8 }),
      fc.integer({ min: 1, max: 8 }),
      fc.constantFrom("0.5", "4.5", "9"),
      (cues, at, to) => {
        const sheet = smallShow(cues.map(cueSaying));
        const cue = String(at);
        const after = shownSizes(makeEdits(sheet, readEdits([{ op: "moveCue", cue, to, looks: "keepLooks" }])).sheet);
        for (const [number, size] of shownSizes(sheet)) expect([number, after.get(number === cue ? to : number)]).toEqual([number, size]);
      },
    ),
    { numRuns: 150 },
  );
});

/** What the parts of a cue say of waves. */
function wavesIn(sheet: ShowSheet, number: string): object[] {
  return (
    listOf(sheet)
      .list.cues.find((cue) => cue.number === number)
      ?.parts.map(({ waves }) => waves ?? {}) ?? []
  );
}

function made(sheet: ShowSheet, edit: EditInput): ShowSheet {
  return makeEdits(sheet, readEdits(edit)).sheet;
}

test("a cue that is copied with its whole look sways as it does, wherever it stands", () => {
  const sheet = smallShow([
    { number: "1", parts: [{ number: 1, times: {}, moves: { 1: { pan: 10 } }, waves: { 1: { pan: SINE } } }] },
    oneCue("2", { 5: { intensity: 10 } }),
    { number: "3", parts: [{ number: 1, times: {}, moves: {}, waves: { 1: { pan: { stop: true } } } }] },
  ]);
  expect(wavesIn(made(sheet, { op: "copyCue", cue: "2", to: "9", what: "look" }), "9")).toEqual([{ 1: { pan: SINE } }]);
  expect(wavesIn(made(sheet, { op: "copyCue", cue: "2", to: "9" }), "9")).toEqual([{}]);
});

test("what is split off takes its waves along, part by part, and leaves the others", () => {
  const level = { ...SINE, size: 5 };
  const sheet = smallShow(
    [
      {
        number: "1",
        parts: [
          { number: 1, times: { up: 1 }, moves: { 1: { pan: 10 } }, waves: { 2: { pan: SINE } } },
          { number: 2, times: { up: 2 }, moves: { 2: { pan: 20 } }, waves: { 1: { pan: level } } },
        ],
      },
      oneCue("3", {}),
    ],
    undefined,
    RIG,
  );
  const after = made(sheet, { op: "split", cue: "1", to: "2", keys: { channels: [1] } });
  expect(wavesIn(after, "1")).toEqual([{ 2: { pan: SINE } }, {}]);
  expect(wavesIn(after, "2")).toEqual([{}, { 1: { pan: level } }]);
});

test("a light that is recast gives its waves to the other, in the same part", () => {
  const level = { ...SINE, size: 5 };
  const sheet = smallShow(
    [
      {
        number: "1",
        parts: [
          { number: 1, times: {}, moves: { 1: { pan: 10 } }, waves: { 2: { pan: level } } },
          { number: 2, times: {}, moves: {}, waves: { 1: { pan: SINE } } },
        ],
      },
    ],
    undefined,
    RIG,
  );
  const recast = (how: "replace" | "copy" | "swap"): object[] =>
    wavesIn(made(sheet, { op: "recast", from: "1", to: "1", channel: 1, as: 2, how }), "1");
  expect(recast("replace")).toEqual([{}, { 2: { pan: SINE } }]);
  expect(recast("copy")).toEqual([{}, { 1: { pan: SINE }, 2: { pan: SINE } }]);
  expect(recast("swap")).toEqual([{ 1: { pan: level } }, { 2: { pan: SINE } }]);
});
