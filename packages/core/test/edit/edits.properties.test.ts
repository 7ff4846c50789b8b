import fc from "fast-check";
import {
  type EditInput,
  type Outcome,
  type Show,
  type ShowSheet,
  allLooks,
  cueDuration,
  cueOrder,
  entryAt,
  freeNumberAfter,
  invertSteps,
  listOf,
  lookAt,
  makeEdits,
  marksOf,
  readEdits,
  readShow,
  serializeShow,
  sheetOf,
  applySteps,
  traceOf,
} from "../../src/index.ts";
import { attempt, looksOf } from "../support/attempt.ts";
import { foldLooks } from "../support/fold.ts";
import { Accepted, fitEdit } from "../support/fitEdit.ts";
import { changeArbitrary, editArbitrary, recordArbitrary } from "../support/randomEdit.ts";
import { showArbitrary } from "../support/randomShow.ts";

fc.configureGlobal({ numRuns: 110 });

const edits = fc.array(fc.tuple(editArbitrary, fc.nat()), { minLength: 1, maxLength: 5 });
const edit = fc.tuple(editArbitrary, fc.nat());
const accepted = new Accepted();

/** Makes a random edit that was made to fit the show as it stands; null when it is refused all the same. */
function tryEdit(sheet: ShowSheet, [wild, pick]: readonly [EditInput, number]): Outcome | null {
  const fitted = fitEdit(sheet.show, wild, pick);
  const outcome = attempt(sheet, [fitted]);
  accepted.count(fitted, outcome !== null);
  return outcome;
}

afterAll(() => {
  // A property that mostly met refusals would say little.
  expect(accepted.kindsTried).toBeGreaterThan(25);
  expect(accepted.below(0.6)).toEqual({});
});

/** Everything that is kept between edits, computed once, so that the next edit has something to carry over. */
function warmed(sheet: ShowSheet): ShowSheet {
  for (const list of sheet.lists.values()) list.cues.forEach((_, row) => [cueDuration(list, row), lookAt(list, row)]);
  return sheet;
}

test("looks read from the sheet are the looks folded cue by cue", () => {
  fc.assert(fc.property(showArbitrary, (show) => expect(looksOf(sheetOf(show))).toEqual(foldLooks(show))));
});

test("a trace and a single look agree, origins included", () => {
  fc.assert(
    fc.property(showArbitrary, (show) => {
      const list = listOf(sheetOf(show));
      list.cues.forEach((_, row) => {
        for (const key of list.keys.all) {
          const entry = entryAt(list, key, row);
          expect(traceOf(list, key).values[row]).toBe(entry.value);
          if (!Number.isNaN(entry.value)) expect(traceOf(list, key).origins[row]).toBe(entry.row);
        }
      });
    }),
  );
});

test("the sheet kept up through edits, with marks and durations, is that built from nothing", () => {
  fc.assert(
    fc.property(showArbitrary, edits, (show, some) => {
      let sheet = warmed(sheetOf(show));
      for (const each of some) sheet = warmed(tryEdit(sheet, each)?.sheet ?? sheet);
      const fresh = sheetOf(sheet.show);
      expect([...sheet.lists.keys()]).toEqual([...fresh.lists.keys()]);
      for (const [id, list] of fresh.lists) {
        const kept = listOf(sheet, id);
        expect(kept.columns).toEqual(list.columns);
        expect(kept.lastWall).toEqual(list.lastWall);
        expect(allLooks(kept)).toEqual(allLooks(list));
        expect(marksOf(kept)).toEqual(marksOf(list));
        expect(list.cues.map((_, row) => cueDuration(kept, row))).toEqual(list.cues.map((_, row) => cueDuration(list, row)));
      }
    }),
  );
});

test("undoing every edit gives back the identical document, and redoing makes it again", () => {
  fc.assert(
    fc.property(showArbitrary, edits, (show, some) => {
      const before = serializeShow(show);
      const made: Outcome[] = [];
      let sheet = sheetOf(show);
      for (const each of some) {
        const outcome = tryEdit(sheet, each);
        if (!outcome) continue;
        made.push(outcome);
        sheet = outcome.sheet;
      }
      const after = serializeShow(sheet.show);
      for (const outcome of [...made].reverse()) sheet = makeEdits(sheet, readEdits(JSON.parse(JSON.stringify(outcome.inverse)))).sheet;
      expect(serializeShow(sheet.show)).toBe(before);
      for (const outcome of made) sheet = applySteps(sheet, outcome.steps);
      expect(serializeShow(sheet.show)).toBe(after);
    }),
  );
});

test("what an edit leaves is a document that reads back as itself", () => {
  fc.assert(
    fc.property(showArbitrary, edits, (show, some) => {
      let sheet = sheetOf(show);
      for (const each of some) sheet = tryEdit(sheet, each)?.sheet ?? sheet;
      const text = serializeShow(sheet.show);
      expect(serializeShow(readShow(JSON.parse(text)))).toBe(text);
    }),
  );
});

test("impact names exactly the looks that change", () => {
  fc.assert(
    fc.property(showArbitrary, edit, (show, some) => {
      const outcome = tryEdit(sheetOf(show), some);
      if (!outcome) return;
      const names = new Map(
        outcome.steps.flatMap((step) => (step.at === "renumber" ? step.cues.map(({ from, to }) => [from, to] as const) : [])),
      );
      const before = new Map([...byCue(show)].map(([cue, look]) => [names.get(cue) ?? cue, look]));
      const after = byCue(outcome.sheet.show);
      const changed = [...after].flatMap(([cue, look]) => {
        const was = before.get(cue);
        if (!was) return [];
        const keys = [...new Set([...was.keys(), ...look.keys()])].filter((key) => was.get(key) !== look.get(key));
        return keys.map((key) => ({ cue, key, before: was.get(key) ?? null, after: look.get(key) ?? null }));
      });
      const order = (a: { cue: string; key: string }, b: { cue: string; key: string }): number =>
        cueOrder(a.cue) - cueOrder(b.cue) || a.key.localeCompare(b.key);
      expect(outcome.impact.looks.filter((look) => look.list === undefined).sort(order)).toEqual(changed.sort(order));
    }),
  );
});

function byCue(show: Show): Map<string, Map<string, number>> {
  const looks = foldLooks(show);
  return new Map((show.lists[0]?.cues ?? []).map((cue, row) => [cue.number, looks[row] ?? new Map<string, number>()]));
}

function asked(
  edit: ReturnType<typeof fc.sample<typeof changeArbitrary extends fc.Arbitrary<infer T> ? T : never>>[number],
  value: number | undefined,
  limits: { min: number; max: number },
): number | undefined {
  if ("set" in edit.do) return edit.do.set;
  if ("release" in edit.do) return undefined;
  if (value === undefined) return undefined;
  const raw = "add" in edit.do ? value + edit.do.add : "scale" in edit.do ? value * edit.do.scale : value;
  return Math.min(limits.max, Math.max(limits.min, raw));
}

test("a change of looks gives what was asked in every cue of the range, and nothing elsewhere", () => {
  fc.assert(
    fc.property(showArbitrary, changeArbitrary, (show, edit) => {
      if (edit.where !== "look" || "drop" in edit.do || "palette" in edit.do) return;
      const sheet = sheetOf(show);
      const outcome = attempt(sheet, [edit]);
      if (!outcome) return;
      const before = byCue(show);
      const after = byCue(outcome.sheet.show);
      for (const key of sheet.keys.all) {
        const chosen =
          (edit.keys.channels?.includes(key.channel) ?? true) &&
          (edit.keys.families?.some((family) => family === key.attribute.family) ?? true);
        for (const [cue, look] of after) {
          const inside = cueOrder(cue) >= cueOrder(edit.from) && cueOrder(cue) <= cueOrder(edit.to);
          const was = before.get(cue)?.get(key.name);
          if (!chosen || cueOrder(cue) < cueOrder(edit.from)) expect(look.get(key.name)).toBe(was);
          else if (inside) expect(look.get(key.name)).toBe(asked(edit, was, key.attribute));
        }
      }
    }),
  );
});

test("a change with restore leaves every look past the range as it was, whatever is done", () => {
  fc.assert(
    fc.property(showArbitrary, changeArbitrary, (show, edit) => {
      const outcome = attempt(sheetOf(show), [{ ...edit, after: "restore" }]);
      if (!outcome) return;
      expect(
        outcome.impact.looks.filter((look) => cueOrder(look.cue) > cueOrder(edit.to) || cueOrder(look.cue) < cueOrder(edit.from)),
      ).toEqual([]);
    }),
  );
});

test("a set value stands as one move in the first cue of the range", () => {
  fc.assert(
    fc.property(showArbitrary, fc.integer({ min: 0, max: 100 }), (show, value) => {
      const plain: Show = {
        ...show,
        lists: show.lists.map((list) => ({ ...list, cues: list.cues.map(({ block: _block, carries: _carries, ...cue }) => cue) })),
      };
      const outcome = attempt(sheetOf(plain), [{ op: "change", from: "0", to: "99", keys: { channels: [5] }, do: { set: value } }]);
      const moves = outcome?.sheet.show.lists[0]?.cues
        .flatMap((cue) => cue.parts.map((part) => part.moves["5"]?.["intensity"]))
        .filter((move) => move !== undefined);
      expect(moves?.length).toBe(1);
    }),
  );
});

test.each(["merge", "replace", "remove"] as const)("record with %s and cue only leaves every later look as it was", (mode) => {
  fc.assert(
    fc.property(showArbitrary, recordArbitrary, fc.nat(), (show, wild, pick) => {
      const fitted = fitEdit(show, { ...wild, mode, scope: "cueOnly" }, pick);
      const outcome = attempt(sheetOf(show), [fitted]);
      accepted.count(fitted, outcome !== null);
      if (!outcome || fitted.op !== "record") return;
      // Held against looks that are folded apart from the code under test.
      const after = byCue(outcome.sheet.show);
      for (const [cue, look] of byCue(show)) if (cue !== fitted.cue) expect([cue, after.get(cue)]).toEqual([cue, look]);
    }),
  );
});

test("deleting a cue and keeping looks changes no look that stays", () => {
  fc.assert(
    fc.property(showArbitrary, fc.nat(), (show, pick) => {
      const cues = show.lists[0]?.cues ?? [];
      const cue = cues[pick % cues.length];
      const outcome = cue && attempt(sheetOf(show), [{ op: "deleteCue", cue: cue.number }]);
      expect(outcome?.impact.looks).toEqual([]);
      expect(outcome?.sheet.show.lists[0]?.cues.length).toBe(cues.length - 1);
    }),
  );
});

test("cues that move and keep looks change no look, wherever they go", () => {
  const met = { all: 0, made: 0 };
  const places = fc.array(fc.tuple(fc.nat(), fc.constantFrom("20", "21", "23.5", "0.1", "0.2", "1.5", "2.6")), {
    minLength: 1,
    maxLength: 4,
  });
  fc.assert(
    fc.property(showArbitrary, places, (show, picks) => {
      const cues = show.lists[0]?.cues ?? [];
      const goes = new Map(picks.map(([pick, to]): [string, string] => [cues[pick % cues.length]?.number ?? "1", to]));
      const edits = [...goes].map(([cue, to]): EditInput => ({ op: "moveCue", cue, to, looks: "keepLooks" }));
      met.all += 1;
      const outcome = attempt(sheetOf(show), edits);
      if (!outcome) return;
      met.made += 1;
      // Held against looks that are folded apart from the code under test.
      const looks = byCue(outcome.sheet.show);
      for (const [cue, look] of byCue(show)) expect([cue, looks.get(goes.get(cue) ?? cue)]).toEqual([cue, look]);
      expect(outcome.impact.looks).toEqual([]);
    }),
  );
  expect(met.made / met.all).toBeGreaterThan(0.5);
});

/** Numbers behind every cue of a made-up show. */
const FREE_NUMBERS = Array.from({ length: 24 }, (_, index) => String(200 + index / 2));

test("many cues deleted, moved or copied at once come to what they come to one by one", () => {
  const accepted = { all: 0, made: 0 };
  const several = fc.tuple(
    fc.constantFrom<"keepLooks" | "letGo" | "move" | "moveLooks" | "copy">("keepLooks", "letGo", "move", "moveLooks", "copy"),
    fc.uniqueArray(fc.nat({ max: 9 }), { minLength: 2, maxLength: 6 }),
    fc.uniqueArray(fc.constantFrom(...FREE_NUMBERS, "0.1", "7", "1"), { minLength: 6, maxLength: 6 }),
  );
  fc.assert(
    fc.property(showArbitrary, several, (show, [what, picks, numbers]) => {
      const cues = show.lists[0]?.cues ?? [];
      const chosen = [...new Set(picks.map((pick) => pick % cues.length))].flatMap((place) => cues[place]?.number ?? []);
      const edits = chosen.map((cue, index): EditInput => {
        const to = numbers[index] ?? "99";
        if (what === "move") return { op: "moveCue", cue, to };
        if (what === "moveLooks") return { op: "moveCue", cue, to, looks: "keepLooks" };
        return what === "copy" ? { op: "copyCue", cue, to } : { op: "deleteCue", cue, looks: what };
      });
      const together = attempt(sheetOf(show), edits);
      let apart: ShowSheet | undefined = sheetOf(show);
      for (const edit of edits) apart = apart && attempt(apart, [edit])?.sheet;
      accepted.all += 1;
      if (together) accepted.made += 1;
      // One by one some releases are left over that nothing needs; the looks are what was promised to stay.
      const kept = what === "keepLooks" || what === "moveLooks";
      const told = (sheet: ShowSheet): unknown => (kept ? foldLooks(sheet.show) : serializeShow(sheet.show));
      expect(together && told(together.sheet)).toEqual(apart ? told(apart) : null);
      if (together) expect(serializeShow(applySteps(together.sheet, invertSteps(together.steps)).show)).toBe(serializeShow(show));
    }),
  );
  expect(accepted.made / accepted.all).toBeGreaterThan(0.5);
});

test("an edit that is refused leaves the show as it was, and the ones before it unmade", () => {
  fc.assert(
    fc.property(showArbitrary, edits, (show, some) => {
      const sheet = sheetOf(show);
      const before = serializeShow(show);
      expect(attempt(sheet, [...some.map(([wild]) => wild), { op: "record", cue: "1", moves: { "77": { intensity: 5 } } }])).toBeNull();
      expect(serializeShow(sheet.show)).toBe(before);
    }),
  );
});

test.each([
  [["1", "2"], 0, "1.5"],
  [["1", "3"], 0, "2"],
  [["2", "2.5"], 0, "2.1"],
  [["2", "2.1"], 0, "2.05"],
  [["2", "2.001"], 0, undefined],
  [["7.25"], 0, "8"],
  [["7.25"], -1, "1"],
  [["0.5"], -1, "0.1"],
])("the number free behind a cue of %j is the roundest before the next", (numbers, row, free) => {
  expect(freeNumberAfter({ order: numbers.map(cueOrder) }, row)).toBe(free);
});
