import fc from "fast-check";
import {
  type Look,
  type Show,
  type ShowSheet,
  cueAt,
  cueOrder,
  fanAt,
  listOf,
  lookAt,
  makeEdits,
  markedKeys,
  marksOf,
  moveTiming,
  readEdits,
  readShow,
  serializeShow,
  sheetOf,
  transitionAt,
} from "../../src/index.ts";
import { attempt, looksOf, refusal, storedOf } from "../support/attempt.ts";
import {
  copyArbitrary,
  flagArbitrary,
  moveTimesArbitrary,
  partArbitrary,
  recastArbitrary,
  renumberArbitrary,
  splitArbitrary,
} from "../support/randomEdit.ts";
import { movesArbitrary, showArbitrary } from "../support/randomShow.ts";
import { oneCue, smallList, smallShow } from "../support/smallShow.ts";

fc.configureGlobal({ numRuns: 150 });

const numbers = (sheet: ShowSheet): string[] => listOf(sheet).cues.map((cue) => cue.number);
const within = (cue: string, { from, to }: { from: string; to: string }): boolean =>
  cueOrder(cue) >= cueOrder(from) && cueOrder(cue) <= cueOrder(to);

/** A show and a number that picks one of its cues. */
const showAndPick = fc.tuple(showArbitrary, fc.nat());

/** The sheet of a show and the cue that is picked. */
function picked([show, pick]: [Show, number]): { sheet: ShowSheet; row: number; cue: string } {
  const sheet = sheetOf(show);
  const row = pick % listOf(sheet).cues.length;
  return { sheet, row, cue: cueAt(listOf(sheet), row).number };
}

test("walls and restating change no look, whatever they are set on or taken from", () => {
  fc.assert(
    fc.property(showArbitrary, flagArbitrary, (show, edit) => {
      const outcome = attempt(sheetOf(show), [edit]);
      if (!outcome) return;
      expect(outcome.impact.looks).toEqual([]);
      for (const cue of listOf(outcome.sheet).cues.filter((each) => within(each.number, edit))) {
        const flag = edit.op.endsWith("restate") ? cue.restate : cue.block;
        expect(flag === true).toBe(!edit.op.startsWith("un"));
      }
    }),
  );
});

test("a blocked cue stores its whole look itself", () => {
  fc.assert(
    fc.property(showAndPick, (pick) => {
      const { sheet, row, cue } = picked(pick);
      const after = attempt(sheet, [{ op: "block", from: cue, to: cue }])?.sheet ?? sheet;
      const stored = [...storedOf(after).keys()].filter((key) => key.startsWith(`${cue}/`)).map((key) => key.slice(cue.length + 1));
      expect(stored).toEqual(expect.arrayContaining([...(looksOf(sheet)[row] ?? new Map()).keys()]));
    }),
  );
});

test("a wall made and taken down leaves the moves it found, unless they said nothing", () => {
  fc.assert(
    fc.property(showAndPick, (pick) => {
      const { sheet, cue } = picked(pick);
      if (listOf(sheet).cues.some((each) => each.block)) return;
      const walled = attempt(sheet, [{ op: "block", from: cue, to: cue }]);
      const open = walled && attempt(walled.sheet, [{ op: "unblock", from: cue, to: cue }]);
      if (!open) throw new Error("a wall was refused");
      const before = storedOf(sheet);
      for (const [key, move] of storedOf(open.sheet)) expect(before.get(key)).toEqual(move);
    }),
  );
});

test("an asserting cue runs every key that its look holds", () => {
  fc.assert(
    fc.property(showAndPick, (pick) => {
      const { sheet, row, cue } = picked(pick);
      const list = listOf(attempt(sheet, [{ op: "restate", from: cue, to: cue }])?.sheet ?? sheet);
      const marked = new Set(
        marksOf(list).flatMap((mark) =>
          mark.markAt !== null && mark.markAt < row && row <= mark.calledAt ? markedKeys(list, mark).map(({ key }) => key.name) : [],
        ),
      );
      const run = new Set(transitionAt(list, row).map(({ key }) => key.name));
      for (const key of (looksOf(sheet)[row] ?? new Map<string, number>()).keys()) expect(run.has(key) || marked.has(key)).toBe(true);
    }),
  );
});

test("recast gives every move of one light to the other in the range, and touches nothing else", () => {
  fc.assert(
    fc.property(showArbitrary, recastArbitrary, (show, edit) => {
      const outcome = attempt(sheetOf(show), [edit]);
      if (!outcome) return;
      const before = storedOf(sheetOf(show));
      const after = storedOf(outcome.sheet);
      const shared = (name: string): boolean => (edit.channel === 5 || edit.as === 5 ? name === "intensity" : true);
      for (const key of new Set([...before.keys(), ...after.keys()])) {
        const [cue = "", rest = ""] = key.split("/");
        const [channel = "", name = ""] = rest.split(".");
        const mine = before.get(`${cue}/${edit.channel}.${name}`);
        const theirs = before.get(`${cue}/${edit.as}.${name}`);
        let wanted = before.get(key);
        if (within(cue, edit) && shared(name)) {
          if (Number(channel) === edit.as) wanted = edit.how === "swap" ? mine : (mine ?? theirs);
          if (Number(channel) === edit.channel) wanted = edit.how === "copy" ? mine : edit.how === "swap" ? theirs : undefined;
        }
        expect(after.get(key)).toEqual(wanted);
      }
    }),
  );
});

test("two lights exchanged twice are as they were", () => {
  fc.assert(
    fc.property(showArbitrary, recastArbitrary, (show, edit) => {
      const swap = { ...edit, how: "swap" as const };
      const outcome = attempt(sheetOf(show), [swap, swap]);
      if (outcome) expect(serializeShow(outcome.sheet.show)).toBe(serializeShow(show));
    }),
  );
});

test("a recast as a light that lacks an attribute is refused by name, or leaves those moves", () => {
  const sheet = smallShow([oneCue("1", { "1": { intensity: 50, pan: 20 } }), oneCue("2", { "1": { intensity: 0 } })]);
  const edit = { op: "recast" as const, from: "1", to: "9", channel: 1, as: 5 };
  expect(refusal(sheet, [edit])).toBe(
    "Light 5 has no pan, and 1.pan has 1 move. Choose a light that has it, map it to what it has, leave those moves where they are (leave, at the end of the line), or drop them (drop)",
  );
  const outcome = makeEdits(sheet, readEdits([{ ...edit, skipMissing: true }]));
  expect([...storedOf(outcome.sheet).keys()]).toEqual(["1/1.pan", "1/5.intensity", "2/5.intensity"]);
  expect(outcome.notes).toEqual(["Light 5 has no pan, and 1.pan has 1 move"]);
});

test("mark settings go along with a recast", () => {
  const mark = { channels: { "1": { at: "2" } } };
  const sheet = smallShow([oneCue("1", { "1": { intensity: 50 } }), oneCue("2", {}), oneCue("3", { "1": { intensity: 9 } }, {}, { mark })]);
  const outcome = makeEdits(sheet, readEdits([{ op: "recast", from: "1", to: "3", channel: 1, as: 5 }]));
  expect(cueAt(listOf(outcome.sheet), 2).mark).toEqual({ channels: { "5": { at: "2" } } });
});

test("a palette swapped for another leaves no reference in the range and changes no move's times", () => {
  fc.assert(
    fc.property(showArbitrary, (show) => {
      const outcome = attempt(sheetOf(show), [{ op: "swapPalette", from: "0", to: "99", palette: "dusk", as: "noon" }]);
      if (!outcome) return;
      const after = storedOf(outcome.sheet);
      for (const [key, move] of storedOf(sheetOf(show))) {
        expect(JSON.stringify(after.get(key))).toBe(JSON.stringify(move).replace('"dusk"', '"noon"'));
      }
    }),
  );
});

test("palettes of two families are not swapped, nor one for a palette with a gap", () => {
  const sheet = sheetOf(twoMovers({ "1": { red: { palette: "dusk" } }, "2": { red: { palette: "dusk" } } }));
  expect(refusal(sheet, [{ op: "swapPalette", from: "1", to: "1", palette: "dusk", as: "chair" }])).toContain(
    "swap palettes of one family",
  );
  expect(refusal(sheet, [{ op: "swapPalette", from: "1", to: "1", palette: "dusk", as: "half" }])).toContain(
    'Palette "half" has no red for light 2',
  );
});

test("a split puts the old look right behind, and the cue itself keeps what was not split off", () => {
  fc.assert(
    fc.property(showArbitrary, splitArbitrary, (show, edit) => {
      const sheet = sheetOf(show);
      const outcome = attempt(sheet, [edit]);
      if (!outcome) return;
      const row = numbers(sheet).indexOf(edit.cue);
      const before = looksOf(sheet);
      const after = looksOf(outcome.sheet);
      expect(numbers(outcome.sheet)[row + 1]).toBe(edit.to);
      expect(after.slice(0, row)).toEqual(before.slice(0, row));
      if ((cueAt(listOf(sheet), row).carries ?? "track") !== "track") return;
      expect(after.slice(row + 1)).toEqual(before.slice(row));
      const moved = [...storedOf(outcome.sheet)].filter(([key]) => key.startsWith(`${edit.to}/`));
      for (const [key, move] of moved) expect(storedOf(sheet).get(key.replace(`${edit.to}/`, `${edit.cue}/`))).toEqual(move);
    }),
  );
});

test("a split whose number does not stand right behind says which is free", () => {
  const sheet = smallShow([oneCue("1", { "5": { intensity: 5 } }), oneCue("2", {})]);
  expect(refusal(sheet, [{ op: "split", cue: "1", to: "3" }])).toBe(
    "The new cue 3 does not stand right behind cue 1 and before cue 2; 1.5 is free",
  );
});

test("moves given to a part keep values and times, and only the first part may be empty", () => {
  fc.assert(
    fc.property(showArbitrary, partArbitrary, (show, edit) => {
      const outcome = attempt(sheetOf(show), [edit]);
      if (!outcome) return;
      expect(outcome.impact.looks).toEqual([]);
      const move = (stored: unknown): unknown => (stored as { move: unknown } | undefined)?.move;
      const before = storedOf(sheetOf(show));
      for (const [key, stored] of storedOf(outcome.sheet)) expect(move(stored)).toEqual(move(before.get(key)));
      const chosen = outcome.steps.flatMap((step) => (step.at === "move" ? [step.before?.part] : []));
      const parts = listOf(outcome.sheet).cues.find((cue) => cue.number === edit.cue)?.parts ?? [];
      for (const part of parts) if (part.number > 1 && chosen.includes(part.number)) expect(part.moves).not.toEqual({});
    }),
  );
});

test("the copy of a look looks the same wherever it stands, and no cue before it changes", () => {
  fc.assert(
    fc.property(showArbitrary, copyArbitrary, (show, edit) => {
      if (edit.toList !== undefined) return;
      const sheet = sheetOf(show);
      const outcome = attempt(sheet, [edit]);
      if (!outcome) return;
      const place = numbers(outcome.sheet).indexOf(edit.to);
      const after = looksOf(outcome.sheet);
      expect(after.slice(0, place)).toEqual(looksOf(sheet).slice(0, place));
      if (edit.what === "look") expect(after[place]).toEqual(looksOf(sheet)[numbers(sheet).indexOf(edit.cue)]);
    }),
  );
});

test("renumbering keeps order, looks and marks; what names a cue goes on naming it", () => {
  fc.assert(
    fc.property(showArbitrary, renumberArbitrary, (show, edit) => {
      const sheet = sheetOf(show);
      const outcome = edit.op === "renumber" ? attempt(sheet, [edit]) : null;
      if (!outcome || edit.op !== "renumber") return;
      const [first] = outcome.steps;
      const taken = new Set(first?.at === "renumber" ? first.cues.map(({ to }) => to) : []);
      const strays = marksOf(listOf(sheet)).some((mark) => mark.strayCue !== null && taken.has(mark.strayCue));
      expect(outcome.impact).toEqual({ storedCues: outcome.impact.storedCues, looks: [] });
      expect(looksOf(outcome.sheet)).toEqual(looksOf(sheet));
      if (strays) return;
      const plain = (each: ShowSheet): unknown => marksOf(listOf(each)).map(({ strayCue: _stray, ...mark }) => mark);
      expect(plain(outcome.sheet)).toEqual(plain(sheet));
    }),
  );
});

test.each([
  [{ op: "renumber", from: "2", to: "3", start: "1" }, "The cues would begin at 1, and cue 1 stands before them; start above it"],
  [
    { op: "renumber", from: "1", to: "2", start: "2", step: "4" },
    "The cues would reach 6, and cue 3 stands behind them; start lower, take smaller steps or include it",
  ],
  [{ op: "renumber", from: "1", to: "3", start: "999999", step: "1" }, "1000000 is not a cue number"],
  [
    { op: "renumber", from: "1", to: "3", numbers: { "2": "1" } },
    "Cue 2 would become 1, and cue 1 before it 1; give it a number above that",
  ],
  [{ op: "renumber", from: "1", to: "2", numbers: { "3": "4" } }, "Cue 3 is not among the cues that are renumbered"],
  [{ op: "renumber", from: "1", to: "2", numbers: { "2": "3" } }, "The cues would reach 3, and cue 3 stands behind them"],
  [{ op: "renumber", from: "1", to: "3" }, "needs either start or numbers"],
  [{ op: "renumber", from: "1", to: "3", start: "5", numbers: {} }, "needs either start or numbers"],
  [{ op: "renumber", from: "1", to: "3", start: "5", step: "0" }, "The step from one number to the next is 0"],
  [{ op: "moveCue", cue: "1", to: "3" }, 'List "main" already has a cue 3'],
  [{ op: "copyCue", cue: "1", to: "2" }, 'List "main" already has a cue 2'],
  [{ op: "update", cue: "3", moves: { "1": { pan: 5 } }, at: "atSource" }, "1.pan is not set in cue 3, so it comes from no cue"],
  [{ op: "update", cue: "3", moves: { "5": { intensity: 5 } }, at: "inPalette" }, "5.intensity does not come from a palette in cue 3"],
  [{ op: "assignPart", cue: "2", keys: {}, part: 2 }, "Cue 2 stores no move for the chosen lights"],
  [{ op: "setMoveTimes", from: "1", to: "3", fade: 2, pace: "slow" }, "Give either a pace, or times of their own"],
  [{ op: "setMoveTimes", from: "1", to: "3", pace: "slow" }, 'There is no pace "slow"; the paces are none yet'],
  [{ op: "setMoveTimes", from: "1", to: "3", fade: "2~" }, "is not a fan"],
  [{ op: "recast", from: "1", to: "3", channel: 1, as: 1 }, "Light 1 is to be recast as itself"],
  [{ op: "removeChannel", channel: 5 }, "Light 5 is used by 1 moves in cue 1; take it out of those first"],
  [{ op: "removeList", list: "main" }, 'List "main" is the only one'],
  [{ op: "removePalette", palette: "dusk" }, 'There is no palette "dusk" to take away'],
  [{ op: "setChannel", channel: { number: 5, type: "nothing" } }, 'channel 5: there is no fixture type "nothing"'],
  [
    { op: "setType", type: { id: "lamp", name: "Lamp", attributes: [] } },
    "Cue 1, 5.intensity: there is a move, and light 5 would have no intensity",
  ],
  [{ op: "dance" }, 'The edit: there is no edit "dance"; the edits are record, change'],
  [{ op: "block", from: "1", to: "2", colour: 1 }, 'unknown field "colour"'],
] as const)("%j is refused in words", (edit, words) => {
  const sheet = smallShow([oneCue("1", { "5": { intensity: 5 } }), oneCue("2", {}), oneCue("3", {})]);
  const before = serializeShow(sheet.show);
  expect(() => makeEdits(sheet, readEdits(edit))).toThrow(words);
  expect(serializeShow(sheet.show)).toBe(before);
});

const update = fc.tuple(showAndPick, movesArbitrary);

test("an update here shows in its cue and in none before it", () => {
  fc.assert(
    fc.property(update, ([pick, moves]) => {
      const { sheet, row, cue } = picked(pick);
      const outcome = attempt(sheet, [{ op: "update", cue, moves, at: "here" }]);
      if (!outcome) throw new Error("an update here was refused");
      const wanted = looksOf(attempt(sheet, [{ op: "record", cue, moves }])?.sheet ?? sheet);
      expect(looksOf(outcome.sheet)).toEqual(wanted);
      expect(looksOf(outcome.sheet).slice(0, row)).toEqual(looksOf(sheet).slice(0, row));
    }),
  );
});

test("an update at the source is followed by every cue that it tracks through, and by no other", () => {
  fc.assert(
    fc.property(showAndPick, fc.integer({ min: 0, max: 8 }), (pick, value) => {
      const { sheet, row, cue } = picked(pick);
      const list = listOf(sheet);
      const { values } = lookOf(sheet, row);
      const [channel, attributes] = Object.entries(values)[0] ?? [];
      const [name, shown] = Object.entries(attributes ?? {})[0] ?? [];
      if (channel === undefined || name === undefined || !shown) return;
      const outcome = attempt(sheet, [{ op: "update", cue, moves: { [channel]: { [name]: value } }, at: "atSource" }]);
      if (!outcome) throw new Error("an update at the source was refused");
      list.cues.forEach((_, at) => {
        const before = lookOf(sheet, at).values[channel]?.[name];
        const after = lookOf(outcome.sheet, at).values[channel]?.[name];
        expect(after?.value).toBe(before?.origin === shown.origin ? value : before?.value);
      });
      expect(outcome.steps.length).toBeLessThanOrEqual(1);
    }),
  );
});

test("an update in the palette changes no move and reaches every look that refers to it", () => {
  const cues = { "1": { red: { palette: "dusk" } }, "2": { red: { palette: "dusk" } } };
  const sheet = sheetOf(twoMovers(cues));
  const all = makeEdits(sheet, readEdits([{ op: "update", cue: "1", moves: { "1": { red: 55 } }, at: "inPalette" }]));
  expect(all.sheet.show.palettes[0]?.values).toEqual([{ attribute: "red", value: 55 }]);
  expect(all.impact.looks.map(({ key, before, after }) => [key, before, after])).toEqual([
    ["1.red", 30, 55],
    ["2.red", 30, 55],
  ]);
  expect(all.impact.storedCues).toEqual([]);
  const each = makeEdits(sheet, readEdits([{ op: "update", cue: "1", moves: { "1": { red: 55 }, "2": { red: 66 } }, at: "inPalette" }]));
  expect(looksOf(each.sheet)[0]).toEqual(
    new Map([
      ["1.red", 55],
      ["2.red", 66],
    ]),
  );
});

test("times of moves change no look, and a fan spreads in the order of choice", () => {
  fc.assert(
    fc.property(showArbitrary, moveTimesArbitrary, (show, edit) => {
      const outcome = attempt(sheetOf(show), [edit]);
      if (outcome) expect(outcome.impact.looks).toEqual([]);
    }),
  );
  const sheet = smallShow([oneCue("1", { "1": { intensity: 50, pan: 20 }, "5": { intensity: { value: 8, fade: 3, curve: "ease" } } })]);
  const edit = { op: "setMoveTimes" as const, from: "1", to: "1", keys: { channels: [5, 1], families: ["intensity" as const] } };
  const fanned = makeEdits(sheet, readEdits([{ ...edit, fade: "4~6", delay: 1, curve: null }]));
  expect(cueAt(listOf(fanned.sheet), 0).parts[0]?.moves).toEqual({
    "1": { intensity: { value: 50, fade: 6, delay: 1 }, pan: 20 },
    "5": { intensity: { value: 8, fade: 4, delay: 1 } },
  });
  const cleared = makeEdits(fanned.sheet, readEdits([{ ...edit, fade: null, delay: null }]));
  expect(cueAt(listOf(cleared.sheet), 0).parts[0]?.moves).toEqual({ "1": { intensity: 50, pan: 20 }, "5": { intensity: 8 } });
});

test("a pace is laid on the families that it speaks of, and on no other", () => {
  const sheet = sheetOf(twoMovers({ "1": { intensity: 5, pan: 10 }, "2": { pan: 20 } }));
  const outcome = makeEdits(sheet, readEdits([{ op: "setMoveTimes", from: "1", to: "1", keys: { channels: [2, 1] }, pace: "slow" }]));
  expect(cueAt(listOf(outcome.sheet), 0).parts[0]?.moves).toEqual({
    "1": { intensity: 5, pan: { value: 10, fade: 6, delay: 2, curve: "ease" } },
    "2": { pan: { value: 20, fade: 6, delay: 0, curve: "ease" } },
  });
});

test("a value can be fanned over the lights of a range", () => {
  const sheet = sheetOf(twoMovers({ "1": { pan: 10 } }));
  const outcome = makeEdits(
    sheet,
    readEdits([{ op: "change", from: "1", to: "1", keys: { channels: [2, 1], attributes: ["pan"] }, do: { set: "-30~30" } }]),
  );
  expect(looksOf(outcome.sheet)[0]).toEqual(
    new Map([
      ["1.pan", 30],
      ["2.pan", -30],
    ]),
  );
  expect(refusal(sheet, [{ op: "change", from: "1", to: "1", keys: { attributes: ["pan"] }, do: { set: "-30~999" } }])).toContain(
    "999 is outside -270 to 270",
  );
});

test("a fan passes its points in equal steps, its ends on the first and last light", () => {
  expect([0, 1, 2, 3, 4].map((index) => fanAt("2~5~2", index, 5))).toEqual([2, 3.5, 5, 3.5, 2]);
  expect([0, 1, 2].map((index) => fanAt("0~5", index, 3))).toEqual([0, 2.5, 5]);
  expect([fanAt("4~6", 0, 1), fanAt(7, 3, 5)]).toEqual([4, 7]);
  fc.assert(
    fc.property(
      fc.array(fc.integer({ min: -50, max: 50 }), { minLength: 2, maxLength: 6 }),
      fc.integer({ min: 2, max: 40 }),
      (points, count) => {
        const spread = Array.from({ length: count }, (_, index) => fanAt(points.join("~"), index, count));
        expect(spread[0]).toBe(points[0]);
        expect(spread.at(-1)).toBe(points.at(-1));
        expect(Math.max(...spread)).toBeLessThanOrEqual(Math.max(...points));
        expect(Math.min(...spread)).toBeGreaterThanOrEqual(Math.min(...points));
        const back = Array.from({ length: count }, (_, index) => fanAt([...points].reverse().join("~"), count - 1 - index, count));
        back.forEach((value, index) => expect(value).toBeCloseTo(spread[index] ?? 0, 5));
      },
    ),
  );
});

test("a palette taken away with keepLooks changes no look; a used one is not taken unasked", () => {
  fc.assert(
    fc.property(showArbitrary, (show) => {
      const outcome = attempt(sheetOf(show), [{ op: "removePalette", palette: "dusk", used: "keepLooks" }]);
      expect(outcome?.impact.looks).toEqual([]);
      expect(JSON.stringify(outcome?.sheet.show)).not.toContain('{"palette":"dusk"');
    }),
  );
});

test("a channel taken away takes all that speaks of it, and no other light looks different", () => {
  fc.assert(
    fc.property(showArbitrary, (show) => {
      const outcome = attempt(sheetOf(show), [{ op: "removeChannel", channel: 1, used: "drop" }]);
      expect(outcome?.impact.looks.every((look) => look.key.startsWith("1.") && look.after === null)).toBe(true);
      expect(outcome && readShow(JSON.parse(serializeShow(outcome.sheet.show))).channels.map((channel) => channel.number)).toEqual([2, 5]);
    }),
  );
});

test("own times of a move survive an update of its value", () => {
  const sheet = smallShow([oneCue("1", { "5": { intensity: { value: 8, fade: 3, delay: 1 } } })]);
  const outcome = makeEdits(sheet, readEdits([{ op: "update", cue: "1", moves: { "5": { intensity: 60 } }, at: "here" }]));
  const move = cueAt(listOf(outcome.sheet), 0).parts[0]?.moves["5"]?.["intensity"];
  expect(move !== undefined && moveTiming(move)).toMatchObject({ fade: 3, delay: 1 });
});

test("an edit whose list does not exist names those there are", () => {
  const list = smallList([oneCue("1", {})]);
  expect(list.id).toBe("main");
  expect(refusal(smallShow([oneCue("1", {})]), [{ op: "block", list: "sea", from: "1", to: "1" }])).toContain(
    'There is no list "sea"; the lists are main',
  );
});

function lookOf(sheet: ShowSheet, row: number): Look {
  return lookAt(listOf(sheet), row);
}

function twoMovers(moves: object): Show {
  const attributes = [
    { id: "intensity", family: "intensity", min: 0, max: 100, home: 0 },
    { id: "pan", family: "position", min: -270, max: 270, home: 0 },
    { id: "red", family: "colour", min: 0, max: 100, home: 0 },
  ];
  return readShow({
    format: "zealous-mark/show",
    version: 2,
    title: "Two",
    fixtureTypes: [{ id: "mover", name: "Mover", attributes }],
    channels: [
      { number: 1, type: "mover" },
      { number: 2, type: "mover" },
    ],
    palettes: [
      { id: "dusk", family: "colour", label: "Dusk", values: [{ attribute: "red", value: 30 }] },
      { id: "chair", family: "position", label: "Chair", values: [] },
      { id: "half", family: "colour", label: "Half", values: [{ attribute: "red", value: 3, channel: 1 }] },
    ],
    paces: [{ id: "slow", label: "Slow", position: { fade: 6, delay: "0~2", curve: "ease" } }],
    lists: [{ id: "main", label: "Main", cues: [oneCue("1", moves)] }],
  });
}
