import fc from "fast-check";
import { type ShowSheet, impactOf, listOf, makeEdits, parseShow, readEdits, readLine, serializeShow, sheetOf } from "../../src/index.ts";
import { refusal } from "../support/attempt.ts";
import { foldLooks } from "../support/fold.ts";
import { NUMBERS, showArbitrary } from "../support/randomShow.ts";
import { oneCue, smallShow } from "../support/smallShow.ts";

const show = smallShow([
  oneCue("1", { 5: { intensity: 10 } }),
  oneCue("2", { 5: { intensity: 60 }, 1: { pan: 30 } }, { up: 3 }, { label: "Flash", note: "not tonight" }),
  oneCue("3", { 1: { intensity: 20 } }),
]);
const after = (sheet: ShowSheet, ...edits: Parameters<typeof readEdits>[0][]): ShowSheet => makeEdits(sheet, readEdits(edits)).sheet;
const off = after(show, { op: "switchOff", from: "2", to: "2" });

test("a cue that is switched off is skipped, and later looks are as if it had never been there", () => {
  expect(listOf(off).cues.map(({ number }) => number)).toEqual(["1", "3"]);
  expect(listOf(off).list.off).toMatchObject([{ number: "2", label: "Flash", note: "not tonight" }]);
  expect(foldLooks(off.show)[1]).toEqual(
    new Map([
      ["5.intensity", 10],
      ["1.intensity", 20],
    ]),
  );
});

test("switched on again the show is the same text as before, and so it is after undo", () => {
  const outcome = makeEdits(show, readEdits([{ op: "switchOff", from: "2", to: "2" }]));
  expect(serializeShow(makeEdits(outcome.sheet, outcome.inverse).sheet.show)).toBe(serializeShow(show.show));
  expect(serializeShow(after(off, { op: "switchOn", from: "2", to: "2" }).show)).toBe(serializeShow(show.show));
});

test("it is kept in the file, whole", () => {
  const text = serializeShow(off.show);
  expect(serializeShow(parseShow(text))).toBe(text);
  expect(serializeShow(after(sheetOf(parseShow(text)), { op: "switchOn", from: "2", to: "2" }).show)).toBe(serializeShow(show.show));
});

test("the impact names the looks that change behind it", () => {
  const edits = readEdits([{ op: "switchOff", from: "2", to: "2" }]);
  const outcome = makeEdits(show, edits);
  const looks = impactOf(show, outcome.sheet, outcome.steps).looks.filter(({ cue }) => cue === "3");
  expect(looks).toContainEqual(expect.objectContaining({ cue: "3", key: "5.intensity", before: 60, after: 10 }));
});

test("a number that is taken by now, and a cue that is not switched off, are refused in words", () => {
  const taken = after(off, { op: "insertCue", cue: "2" });
  expect(refusal(taken, [{ op: "switchOn", from: "2", to: "2" }])).toBe(
    'List "main" has another cue 2 by now; give that one another number first',
  );
  expect(refusal(off, [{ op: "switchOn", from: "3", to: "3" }])).toBe('Cue 3 is not switched off in list "main"; these are: 2');
  expect(refusal(taken, [{ op: "switchOff", from: "2", to: "2" }])).toContain("already has a cue 2 that is switched off");
});

test("what the rig lost meanwhile refuses it, or is left out where that is said", () => {
  const without = after(off, { op: "removeChannel", channel: 5, used: "drop" });
  expect(refusal(without, [{ op: "switchOn", from: "2", to: "2" }])).toContain('"switch on #2 leave"');
  const back = after(without, { op: "switchOn", from: "2", to: "2", skipMissing: true });
  expect(listOf(back).cues.find(({ number }) => number === "2")?.parts[0]?.moves).toEqual({ 1: { pan: 30 } });
});

test("it is typed, and says what it does", () => {
  const read = readLine("switch off #2..3", { sheet: show, list: listOf(show), cues: undefined });
  expect(read).toMatchObject({ request: { kind: "edit", edits: [{ op: "switchOff", from: "2", to: "3" }] } });
});

test("whatever is switched off, looks are those of the list without it, and switching on gives the identical show", () => {
  let met = 0;
  let all = 0;
  fc.assert(
    fc.property(showArbitrary, fc.constantFrom(...NUMBERS), (random, number) => {
      all += 1;
      const before = sheetOf(random);
      const list = listOf(before);
      if (!list.cues.some((cue) => cue.number === number)) return;
      met += 1;
      const gone = after(before, { op: "switchOff", from: number, to: number });
      const [main, ...others] = random.lists;
      if (!main) throw new Error("a show has a list");
      const cut = { ...random, lists: [{ ...main, cues: main.cues.filter((cue) => cue.number !== number) }, ...others] };
      expect(foldLooks(gone.show)).toEqual(foldLooks(cut));
      expect(serializeShow(after(gone, { op: "switchOn", from: number, to: number }).show)).toBe(serializeShow(random));
    }),
    { numRuns: 200 },
  );
  expect(met / all).toBeGreaterThan(0.5);
});
