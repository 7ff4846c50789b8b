import fc from "fast-check";
import {
  type ShowSheet,
  cueOrder,
  describeEdits,
  entryAt,
  listOf,
  makeEdits,
  paletteOf,
  readEdits,
  serializeShow,
  sheetOf,
} from "../../src/index.ts";
import { attempt, looksOf, stored } from "../support/attempt.ts";
import { recastArbitrary } from "../support/randomEdit.ts";
import { showArbitrary } from "../support/randomShow.ts";
import { oneCue, smallShow } from "../support/smallShow.ts";

/** What palettes of the random shows say for the movers; a key that is missing has no value. */
const PALETTE_VALUES: Readonly<Record<string, number>> = { "dusk.1": 30, "dusk.2": 40, "chair.1": 15, "noon.1": 90, "noon.2": 90 };

/** What another light shows where it is told what this key of the first list shows in a row. */
function shownOn(sheet: ShowSheet, row: number, name: string, channel: number): number | undefined {
  const list = listOf(sheet);
  const key = list.keys.all.find((each) => each.name === name);
  if (!key) return undefined;
  const { value, spec } = entryAt(list, key, row);
  const palette = spec === undefined ? undefined : paletteOf(spec);
  if (palette !== undefined) return PALETTE_VALUES[`${palette}.${channel}`];
  return Number.isNaN(value) ? undefined : value;
}

test("a recast of looks shows by the other light what the first showed, and only in the range", () => {
  let [tried, accepted, tracked] = [0, 0, 0];
  fc.assert(
    fc.property(showArbitrary, recastArbitrary, (show, recast) => {
      const edit = { ...recast, where: "look" as const, after: "restore" as const };
      const sheet = sheetOf(show);
      const outcome = attempt(sheet, [edit]);
      if (edit.channel !== edit.as && [edit.channel, edit.as].every((light) => light !== 5 || edit.skipMissing)) tried += 1;
      if (!outcome) return;
      accepted += 1;
      const [before, after] = [looksOf(sheet), looksOf(outcome.sheet)];
      const ownMoves = stored(sheet);
      listOf(sheet).cues.forEach(({ number: cue }, row) => {
        const [was, is] = [before[row] ?? new Map<string, number>(), after[row] ?? new Map<string, number>()];
        const inside = cueOrder(cue) >= cueOrder(edit.from) && cueOrder(cue) <= cueOrder(edit.to);
        for (const name of new Set([...was.keys(), ...is.keys()])) {
          const [light, attribute = ""] = [Number(name.split(".")[0]), name.split(".")[1]];
          const shared = (edit.channel !== 5 && edit.as !== 5) || attribute === "intensity";
          const takesOver = light === edit.as || (edit.how === "swap" && light === edit.channel);
          if (!inside || !shared || (!takesOver && (light !== edit.channel || edit.how === "copy")))
            expect([cue, name, is.get(name)]).toEqual([cue, name, was.get(name)]);
          else if (takesOver) {
            const giver = `${light === edit.as ? edit.channel : edit.as}.${attribute}`;
            expect([cue, name, is.get(name)]).toEqual([cue, name, shownOn(sheet, row, giver, light)]);
            if (!ownMoves.has(`${cue}/${giver}`) && is.has(name)) tracked += 1;
          } else if (attribute === "intensity") expect([cue, name, is.get(name) ?? 0]).toEqual([cue, name, 0]);
        }
      });
      expect(serializeShow(makeEdits(outcome.sheet, outcome.inverse).sheet.show)).toBe(serializeShow(show));
    }),
    { numRuns: 500 },
  );
  expect(accepted).toBeGreaterThan(tried / 2);
  expect(tracked).toBeGreaterThan(100);
});

const LIT = smallShow([
  oneCue("1", { "1": { intensity: 70, pan: 20 } }),
  oneCue("2", { "5": { intensity: 30 } }),
  oneCue("3", {}),
  oneCue("4", { "1": { intensity: 0 } }),
]);

test("stored moves alone say which light stays lit; looks take the old light out", () => {
  const plain = { op: "recast" as const, from: "2", to: "3", channel: 5, as: 1 };
  const moves = makeEdits(LIT, readEdits([plain]));
  expect(moves.notes).toEqual([`Light 5 keeps in cue 4 what there is in cue 3; with "only" all is as before there`]);
  const old = makeEdits(LIT, readEdits([{ ...plain, channel: 1, as: 5, from: "3", to: "3", skipMissing: true, where: "look" }]));
  expect([...stored(old.sheet)].filter(([name]) => name.startsWith("3/"))).toEqual([
    ["3/1.intensity", 0],
    ["3/5.intensity", 70],
  ]);
  expect(old.notes).toEqual([
    "Light 5 has no pan, and 1.pan is shown in 1 cue",
    `Light 5 keeps in cue 4 what there is in cue 3; with "only" all is as before there`,
  ]);
  const only = makeEdits(
    LIT,
    readEdits([{ ...plain, channel: 1, as: 5, from: "3", to: "3", skipMissing: true, where: "look", after: "restore" }]),
  );
  expect(only.notes).toEqual(["Light 5 has no pan, and 1.pan is shown in 1 cue"]);
  expect(stored(only.sheet).get("4/5.intensity")).toBe(30);
  const first = smallShow([oneCue("1", { "1": { intensity: 70 } }), oneCue("2", {}), oneCue("3", { "1": { intensity: 40 } })]);
  const lit = { op: "recast" as const, from: "2", to: "3", channel: 1, as: 5, dropMissing: true };
  expect(makeEdits(first, readEdits([lit])).notes.at(-1)).toBe(
    `Light 1 stays lit at 70, which tracks into cue 2: "recast look of" gives that on too, and takes it out`,
  );
  expect(makeEdits(first, readEdits([{ ...lit, how: "copy" }])).notes.at(-1)).toContain(
    'light 5 does not take that over: "recast look of" does',
  );
});

test("what a recast does is said with its lights", () => {
  const words = (fields: object): string => describeEdits(readEdits([{ op: "recast", from: "2", to: "3", channel: 1, as: 5, ...fields }]));
  expect(words({})).toBe("Cues 2 to 3: 1 recast as 5");
  expect(words({ where: "look", after: "restore" })).toBe("Cues 2 to 3: what 1 shows recast as 5, restored after");
  expect(words({ how: "copy" })).toBe("Cues 2 to 3: 1 also done by 5");
  expect(words({ how: "swap" })).toBe("Cues 2 to 3: 1 exchanged with 5");
});
