import fc from "fast-check";
import {
  type EditInput,
  type ShowSheet,
  type Step,
  bringBackSteps,
  compareShows,
  identitiesOf,
  invertSteps,
  makeEdits,
  readEdits,
  serializeShow,
  stepsBetween,
  applySteps,
} from "../../src/index.ts";
import { attempt, looksOf } from "../support/attempt.ts";
import { fitEdit } from "../support/fitEdit.ts";
import { changeArbitrary, copyArbitrary, flagArbitrary, partArbitrary, recordArbitrary, renumberArbitrary } from "../support/randomEdit.ts";
import { showArbitrary } from "../support/randomShow.ts";
import { oneCue, smallShow } from "../support/smallShow.ts";
import { sheetOf } from "../../src/index.ts";

const made = (sheet: ShowSheet, edits: EditInput[]): ShowSheet => makeEdits(sheet, readEdits(edits)).sheet;
const onCues: fc.Arbitrary<EditInput> = fc.oneof(
  changeArbitrary,
  recordArbitrary,
  flagArbitrary,
  partArbitrary,
  copyArbitrary,
  renumberArbitrary,
  fc.record({ op: fc.constant("deleteCue" as const), cue: fc.constantFrom("1", "2", "3.5", "7") }),
);

/** A show and what some edits of its cues make of it. */
function edited(sheet: ShowSheet, edits: readonly (readonly [EditInput, number])[]): ShowSheet {
  return edits.reduce((now, [edit, pick]) => attempt(now, [fitEdit(now.show, edit, pick)])?.sheet ?? now, sheet);
}

test("the changes between two states lead from the one to the other, and back", () => {
  let different = 0;
  fc.assert(
    fc.property(showArbitrary, fc.array(fc.tuple(onCues, fc.nat()), { minLength: 1, maxLength: 5 }), (show, edits) => {
      const [before, after] = [sheetOf(show), edited(sheetOf(show), edits)];
      if (before.show !== after.show) different += 1;
      expect(serializeShow(applySteps(before, stepsBetween(before.show, after.show)).show)).toBe(serializeShow(after.show));
      expect(serializeShow(applySteps(after, stepsBetween(after.show, before.show)).show)).toBe(serializeShow(before.show));
    }),
  );
  expect(different).toBeGreaterThan(80);
});

const OLD = smallShow([
  oneCue("1", { "1": { intensity: 40, pan: 10 } }, { up: 3 }, { label: "Dawn" }),
  oneCue("2", { "5": { intensity: 60 } }, {}, { label: "Boat" }),
  oneCue("3", { "1": { intensity: 0 } }, {}, { label: "Night" }),
]);

test("a comparison tells cue by cue what came, went, was renumbered, looks or lasts otherwise", () => {
  const now = made(OLD, [
    { op: "record", cue: "1", moves: { "1": { intensity: 55 } } },
    { op: "setTimes", from: "1", to: "1", set: { up: 6 } },
    { op: "moveCue", cue: "2", to: "2.5" },
    { op: "deleteCue", cue: "3", looks: "letGo" },
    { op: "insertCue", cue: "9", label: "End" },
    { op: "setPalette", palette: { id: "dusk", family: "colour", label: "Dusk", values: [] } },
  ]);
  const { lines, summary, beside } = compareShows(OLD, now, "main");
  expect(lines.map(({ cue, after, words }) => [cue, after ?? null, words()])).toEqual([
    ["1", "1", expect.stringContaining(": 40 to 55")],
    ["2", "2.5", expect.stringContaining("becomes 2.5")],
    ["3", null, expect.any(String)],
    ["9", "9", expect.any(String)],
  ]);
  expect(lines[0]?.words()).toContain("lasts 3 → 6 s");
  expect(summary).toContain("removes 1 cue, adds 1 cue, 1 cue changes its number");
  expect(beside).toEqual(["Palette Dusk added"]);
});

test("each cue says the weightiest of what happens to it", () => {
  const now = made(OLD, [
    { op: "record", cue: "1", moves: { "1": { intensity: 55 } } },
    { op: "setTimes", from: "1", to: "1", set: { up: 6 } },
    { op: "moveCue", cue: "2", to: "2.5" },
    { op: "record", cue: "3", moves: { "5": { intensity: 60 } } },
    { op: "insertCue", cue: "9" },
  ]);
  expect(compareShows(OLD, now, "main").lines.map(({ cue, kind }) => [cue, kind])).toEqual([
    ["1", "looks"],
    ["2", "renumbered"],
    ["3", "stores"],
    ["9", "comes"],
  ]);
  const gone = compareShows(now, OLD, "main").lines.find(({ cue }) => cue === "9");
  expect(gone?.kind).toBe("goes");
});

test("another title is a difference, though every cue is the same", () => {
  const now = made(OLD, [{ op: "setShow", title: "Second night", newCue: { times: { up: 3 } } }]);
  const { beside, steps, lines } = compareShows(OLD, now, "main");
  expect(beside).toEqual(["The show is called Second night", "What new cues start with changed"]);
  expect(lines).toEqual([]);
  expect(serializeShow(applySteps(OLD, steps).show)).toBe(serializeShow(now.show));
});

test("two states that are the same have nothing to tell", () => {
  const { lines, beside, steps } = compareShows(OLD, sheetOf(structuredClone(OLD.show)), "main");
  expect([lines, beside, steps]).toEqual([[], [], []]);
});

test("cues are brought back as they were, and nothing else", () => {
  const now = made(OLD, [
    { op: "record", cue: "1", moves: { "1": { intensity: 55 } } },
    { op: "record", cue: "2", moves: { "5": { intensity: 10 } } },
    { op: "deleteCue", cue: "3" },
  ]);
  const steps = bringBackSteps(now, OLD, { list: "main", cues: ["1", "3"] });
  const back = made(now, [{ op: "steps", steps: [...steps], words: "Cues 1 and 3 brought back" }]);
  expect(back.show.lists[0]?.cues.map(({ number }) => number)).toEqual(["1", "2", "3"]);
  expect(looksOf(back).map((look) => [look.get("1.intensity"), look.get("5.intensity")])).toEqual([
    [40, undefined],
    [40, 10],
    [0, 10],
  ]);
});

test("one light is brought back alone, and where nothing differs that is said", () => {
  const now = made(OLD, [{ op: "record", cue: "1", moves: { "1": { intensity: 55, pan: 90 }, "5": { intensity: 5 } } }]);
  const back = applySteps(now, bringBackSteps(now, OLD, { list: "main", cues: ["1"], channels: [1] }));
  expect(looksOf(back)[0]).toEqual(
    new Map([
      ["1.intensity", 40],
      ["1.pan", 10],
      ["5.intensity", 5],
    ]),
  );
  expect(() => bringBackSteps(back, OLD, { list: "main", cues: ["1"], channels: [1] })).toThrow("the same in these cues");
  expect(() => bringBackSteps(back, OLD, { list: "main", cues: ["2"] })).toThrow("These cues are the same");
});

const numbersOf = (sheet: ShowSheet): string[] =>
  (sheet.show.lists[0]?.cues ?? []).map(({ number, label = "" }) => `${number} ${label}`.trim());

/** Five cues that are alike but for their values, without labels: nothing but the history knows which is which. */
const PLAIN = smallShow(
  ["1", "2", "3", "4", "5"].map((number, index) =>
    oneCue(number, { "1": { intensity: 10 * (index + 1) } }, {}, number === "5" ? { mark: { channels: { 1: { at: "3" } } } } : {}),
  ),
);

/** What some edits make of a show, and which cue is which afterwards. */
function withHistory(sheet: ShowSheet, edits: EditInput[]): { now: ShowSheet; identities: ReturnType<typeof identitiesOf> } {
  const { sheet: now, steps } = makeEdits(sheet, readEdits(edits));
  return { now, identities: identitiesOf(steps) };
}

test("after mere renumbering the comparison tells numbers alone, and brings back that very cue", () => {
  const { now, identities } = withHistory(PLAIN, [{ op: "renumber", from: "2", to: "4", start: "3", step: "0.5" }]);
  const { summary, lines } = compareShows(PLAIN, now, "main", identities);
  expect(summary).toBe("2 cues change their numbers, no cue looks different");
  expect(lines.map(({ cue, after, kind }) => [cue, after, kind])).toEqual([
    ["2", "3", "renumbered"],
    ["3", "3.5", "renumbered"],
  ]);
  // 2 became 3, 3 became 3.5: what was 3 cannot have its number while the other has it, and its content is the same.
  const back = (cues: string[]) => bringBackSteps(now, PLAIN, { list: "main", cues, identity: identities.get("main") });
  expect(() => back(["3.5"])).toThrow("the same, then and now");
  expect(numbersOf(applySteps(now, back(["3"])))).toEqual(["1", "2", "3.5", "4", "5"]);
  const both = applySteps(now, back(["3", "3.5"]));
  expect(serializeShow(both.show)).toBe(serializeShow(PLAIN.show));
});

test("cues that changed and exchanged numbers come back as themselves", () => {
  const { now, identities } = withHistory(PLAIN, [
    { op: "deleteCue", cue: "2" },
    { op: "renumber", from: "3", to: "3", start: "2", step: "1" },
    { op: "record", cue: "2", moves: { "1": { intensity: 99 } } },
  ]);
  const { lines } = compareShows(PLAIN, now, "main", identities);
  expect(lines.map(({ cue, after, kind }) => [cue, after ?? null, kind])).toEqual([
    ["2", null, "goes"],
    ["3", "2", "renumbered"],
  ]);
  const back = applySteps(now, bringBackSteps(now, PLAIN, { list: "main", cues: ["2"], identity: identities.get("main") }));
  expect(looksOf(back).map((look) => look.get("1.intensity"))).toEqual([10, 20, 30, 40, 50]);
  expect(numbersOf(back)).toEqual(["1", "2", "3", "4", "5"]);
});

test("a cue that undo brought back is the cue that it was; a new one with its number is another", () => {
  const { now, steps } = ((): { now: ShowSheet; steps: readonly Step[] } => {
    const { sheet, steps: own } = makeEdits(PLAIN, readEdits([{ op: "deleteCue", cue: "3" }]));
    return { now: sheet, steps: own };
  })();
  expect(identitiesOf([...steps, ...invertSteps(steps)]).get("main")).toEqual(new Map());
  const again = makeEdits(now, readEdits([{ op: "insertCue", cue: "3", label: "Another" }]));
  const identities = identitiesOf([...steps, ...again.steps]);
  expect(identities.get("main")).toEqual(new Map([["3", null]]));
  expect(compareShows(PLAIN, again.sheet, "main", identities).lines.map(({ cue, kind }) => [cue, kind])).toEqual([
    ["3", "goes"],
    ["3", "comes"],
  ]);
});

test("whatever was done, identity finds the cue that names would, and all brought back is before", () => {
  let [moved, back] = [0, 0];
  fc.assert(
    fc.property(showArbitrary, fc.array(fc.tuple(onCues, fc.nat()), { minLength: 1, maxLength: 6 }), (show, edits) => {
      let sheet = sheetOf(show);
      const before = sheet;
      const all: Step[] = [];
      // The judge: every cue carries a name of its own, which renumbering keeps.
      const names = new Map(before.show.lists.map(({ id, cues }) => [id, new Map(cues.map(({ number }) => [number, `was ${number}`]))]));
      for (const [edit, pick] of edits) {
        const outcome = attempt(sheet, [fitEdit(sheet.show, edit, pick)]);
        if (!outcome) continue;
        sheet = outcome.sheet;
        all.push(...outcome.steps);
        for (const step of outcome.steps) {
          const own = "list" in step ? names.get(step.list) : undefined;
          if (!own) continue;
          if (step.at === "renumber") {
            const held = step.cues.map(({ from, to }) => [to, own.get(from) ?? ""] as const);
            for (const { from } of step.cues) own.delete(from);
            for (const [to, name] of held) own.set(to, name);
          } else if (step.at === "cue" && !step.after) own.delete(step.cue);
          else if (step.at === "cue" && !step.before) own.set(step.cue, "new");
        }
      }
      for (const { id, cues } of sheet.show.lists) {
        const identity = identitiesOf(all).get(id) ?? new Map<string, string | null>();
        for (const { number } of cues) {
          const found = identity.get(number);
          const name = names.get(id)?.get(number);
          // A cue that went and came as it was counts as the same.
          if (name === "new") continue;
          expect(`was ${found === undefined ? number : found}`).toBe(name);
          if (found !== undefined) moved += 1;
        }
      }
      const [list] = sheet.show.lists;
      if (!list) return;
      const identity = identitiesOf(all).get(list.id);
      const cues = [...new Set([...list.cues, ...(before.show.lists[0]?.cues ?? [])].map(({ number }) => number))];
      const steps = (() => {
        try {
          return bringBackSteps(sheet, before, { list: list.id, cues, identity });
        } catch {
          return undefined;
        }
      })();
      if (!steps) return;
      back += 1;
      expect(applySteps(sheet, steps).show.lists[0]).toEqual(before.show.lists[0]);
    }),
  );
  expect(moved).toBeGreaterThan(10);
  expect(back).toBeGreaterThan(30);
});
