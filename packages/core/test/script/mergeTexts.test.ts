import fc from "fast-check";
import { mergeTexts } from "../../src/index.ts";

const PARTS = ["ADA: The wind.", "EDWIN: Leave it.", "Ada closes the shutter.", "ADA: Then burn the chairs.", "EDWIN: No.", "A horn."];
const text = (parts: readonly string[]): string => parts.join("\n\n");

test("what both wrote in other places is put together, and what only one wrote is his", () => {
  const base = text(PARTS);
  const mine = text(PARTS.with(0, "ADA: The wind again."));
  const theirs = text(PARTS.with(4, "EDWIN: No, never."));
  expect(mergeTexts(base, theirs, mine)).toBe(text(PARTS.with(0, "ADA: The wind again.").with(4, "EDWIN: No, never.")));
  expect(mergeTexts(base, base, mine)).toBe(mine);
  expect(mergeTexts(base, theirs, base)).toBe(theirs);
  expect(mergeTexts(base, mine, mine)).toBe(mine);
});

test("where both changed a line, or one cut what the other changed, nobody's words are chosen", () => {
  const base = text(PARTS);
  expect(mergeTexts(base, text(PARTS.with(2, "She opens it.")), text(PARTS.with(2, "She waits.")))).toBeNull();
  expect(mergeTexts(base, text(PARTS.toSpliced(2, 1)), text(PARTS.with(2, "She waits.")))).toBeNull();
});

test("what two people change in places of their own is both in the outcome, in any order", () => {
  let merged = 0;
  const places = PARTS.map((_, index) => index);
  fc.assert(
    fc.property(fc.shuffledSubarray(places, { minLength: 2 }), fc.nat(), (chosen, cut) => {
      const half = 1 + (cut % (chosen.length - 1));
      const [a, b] = [new Set(chosen.slice(0, half)), new Set(chosen.slice(half))];
      const written = (by: string, own: ReadonlySet<number>): string =>
        text(PARTS.map((part, index) => (own.has(index) ? `${part} ${by}` : part)));
      const both = text(PARTS.map((part, index) => (a.has(index) ? `${part} one` : b.has(index) ? `${part} two` : part)));
      const outcomes = [
        mergeTexts(text(PARTS), written("two", b), written("one", a)),
        mergeTexts(text(PARTS), written("one", a), written("two", b)),
      ];
      for (const outcome of outcomes) {
        if (outcome === null) continue;
        merged += 1;
        expect(outcome).toBe(both);
      }
    }),
  );
  expect(merged).toBeGreaterThan(150);
});
