import fc from "fast-check";
import {
  type EditInput,
  type Show,
  type ShowSheet,
  makeEdits,
  readEdits,
  readShow,
  serializeShow,
  sheetOf,
  stepsBetween,
  applySteps,
} from "../../src/index.ts";

fc.configureGlobal({ numRuns: 150 });

/** A line as the judge keeps it: the speaker and words that no other line has. */
interface Written {
  readonly who: string | null;
  readonly words: readonly string[];
}

const NAMES = [null, "ADA", "EDWIN"];
/** Lines of words that are all different, so that a word is found in any text by looking for it. */
const lines = (prefix: string, most: number): fc.Arbitrary<Written[]> =>
  fc
    .array(fc.tuple(fc.constantFrom(...NAMES), fc.integer({ min: 1, max: 8 })), { minLength: 1, maxLength: most })
    .map((shapes) =>
      shapes.map(([who, many], line) => ({ who, words: Array.from({ length: many }, (_, word) => `${prefix}${line}x${word}`) })),
    );

type Change =
  | { readonly does: "cut"; readonly line: number }
  | { readonly does: "put"; readonly line: number; readonly put: readonly Written[] }
  | { readonly does: "drop"; readonly line: number; readonly word: number }
  | { readonly does: "move"; readonly line: number; readonly to: number }
  | { readonly does: "part"; readonly line: number; readonly word: number };

const change: fc.Arbitrary<Change> = fc.oneof(
  fc.record({ does: fc.constant("cut" as const), line: fc.nat() }),
  fc.record({ does: fc.constant("put" as const), line: fc.nat(), put: lines("n", 2) }),
  fc.record({ does: fc.constant("drop" as const), line: fc.nat(), word: fc.nat() }),
  fc.record({ does: fc.constant("part" as const), line: fc.nat(), word: fc.nat() }),
);

function changed(all: readonly Written[], changes: readonly Change[]): Written[] {
  const now = [...all];
  changes.forEach((each, turn) => {
    const place = now.length === 0 ? 0 : each.line % now.length;
    const line = now[place];
    if (each.does === "put")
      now.splice(place, 0, ...each.put.map(({ who, words }) => ({ who, words: words.map((word) => `${word}t${turn}`) })));
    if (!line) return;
    if (each.does === "cut") now.splice(place, 1);
    if (each.does === "drop") now[place] = { ...line, words: line.words.filter((_, word) => word !== each.word % line.words.length) };
    if (each.does === "part" && line.words.length > 1) {
      const cut = 1 + (each.word % (line.words.length - 1));
      now.splice(place, 1, { ...line, words: line.words.slice(0, cut) }, { ...line, words: line.words.slice(cut) });
    }
  });
  return now.filter(({ words }) => words.length > 0);
}

const asText = (all: readonly Written[]): string =>
  all.map(({ who, words }) => `${who === null ? "" : `${who}: `}${words.join(" ")}`).join("\n\n");

function showOf(all: readonly Written[], calls: readonly [number, number][]): Show {
  const cues = calls.map(([line, word], index) => {
    const place = line % all.length;
    const words = all[place]?.words ?? [];
    return { number: String(index + 1), call: { line: `L${place}`, word: words[word % words.length], kind: "on" }, parts: [] as object[] };
  });
  return readShow({
    format: "zealous-mark/show",
    version: 2,
    title: "A play",
    lists: [{ id: "main", label: "Main", cues: cues.map(({ parts: _none, ...cue }) => cue) }],
    script: {
      lines: all.map(({ who, words }, place) => ({
        id: `L${place}`,
        ...(who === null ? {} : { who }),
        text: words.join(" "),
        seconds: place + 1,
      })),
    },
  });
}

const revised = (sheet: ShowSheet, text: string) => makeEdits(sheet, readEdits([{ op: "setText", text } satisfies EditInput]));

const play = fc.tuple(
  lines("w", 12),
  fc.array(fc.tuple(fc.nat(), fc.nat()), { minLength: 1, maxLength: 8 }),
  fc.array(change, { minLength: 1, maxLength: 5 }),
);

test("after a change of the text each cue is on its word, or at a line that is there and told", () => {
  let [stayed, told] = [0, 0];
  fc.assert(
    fc.property(play, ([before, calls, changes]) => {
      const sheet = sheetOf(showOf(before, calls));
      const after = changed(before, changes);
      const { sheet: now, notes } = revised(sheet, asText(after));
      const spoken = now.show.script?.lines ?? [];
      expect(spoken.map(({ text }) => text)).toEqual(after.map(({ words }) => words.join(" ")));
      expect(new Set(spoken.map(({ id }) => id)).size).toBe(spoken.length);
      for (const [row, cue] of (sheet.show.lists[0]?.cues ?? []).entries()) {
        const call = now.show.lists[0]?.cues[row]?.call;
        const home = spoken.find(({ text }) => text.split(" ").includes(cue.call?.word ?? ""));
        if (home) {
          expect([call?.line, call?.word]).toEqual([home.id, cue.call?.word]);
          stayed += 1;
        } else {
          expect(notes.filter((note) => note.startsWith(`Cue ${cue.number}:`))).toHaveLength(1);
          if (spoken.length > 0) expect(spoken.map(({ id }) => id)).toContain(call?.line);
          told += 1;
        }
      }
    }),
  );
  expect(stayed).toBeGreaterThan(told);
  expect(told).toBeGreaterThan(20);
});

test("a change of the text taken back gives the identical document, by its steps as well", () => {
  fc.assert(
    fc.property(play, ([before, calls, changes]) => {
      const sheet = sheetOf(showOf(before, calls));
      const { sheet: now, steps, inverse } = revised(sheet, asText(changed(before, changes)));
      expect(serializeShow(applySteps(sheet, steps).show)).toBe(serializeShow(now.show));
      expect(serializeShow(makeEdits(now, readEdits(inverse)).sheet.show)).toBe(serializeShow(sheet.show));
    }),
  );
});

test("the way between two states leads from one play to the other, whatever became of its lines", () => {
  fc.assert(
    fc.property(lines("w", 10), fc.array(fc.nat(), { maxLength: 10 }), lines("v", 3), (before, order, more) => {
      const was = showOf([...before, ...more], []);
      const kept = was.script?.lines.filter((_, index) => index % 3 !== order.length % 3) ?? [];
      const shuffled = order.reduce((row, place) => {
        const [line] = row.splice(place % Math.max(1, row.length), 1);
        return line ? [...row, line] : row;
      }, kept);
      const is = { ...was, script: { ...was.script, lines: shuffled } };
      const steps = stepsBetween(was, is);
      expect(serializeShow(applySteps(sheetOf(was), steps).show)).toBe(serializeShow(is));
    }),
  );
});

test("lines that nobody touched keep their length", () => {
  fc.assert(
    fc.property(play, ([before, , changes]) => {
      const sheet = sheetOf(showOf(before, [[0, 0]]));
      const after = changed(before, changes);
      const { show } = revised(sheet, asText(after)).sheet;
      for (const [place, { words }] of before.entries()) {
        const same = show.script?.lines.filter(({ text }) => text === words.join(" ")) ?? [];
        for (const line of same) expect([line.id, line.seconds]).toEqual([`L${place}`, place + 1]);
      }
    }),
  );
});
