import { valueWords } from "../../values/valueWords.ts";
import { count, lightRuns, listed } from "../../show/words.ts";
import { paletteOf } from "../../show/move.ts";
import { FAMILIES, type Family } from "../../show/schema.ts";
import { groupBy } from "../../show/groupBy.ts";
import { entryAt } from "../../sheet/entry.ts";
import { type Key, keyNamed } from "../../sheet/keys.ts";
import type { ListSheet } from "../../sheet/sheet.ts";
import type { LookChange } from "./impact.ts";

/** A changed value with the attribute it is of. */
interface KeyChange extends LookChange {
  readonly name: string;
  readonly channel: number;
  readonly family: Family;
}

/**
 * How one look changes, family by family: "lights 1–6: 15–20 to 25; light 61: pan −20 to 15; 24 lights: colour Dusk to Noon". Rows before and after; -1: the cue is
 * new. A palette is named where all changed values of a family come from one; empty for changes of keys that neither rig has.
 * Spans stand for lights that differ: "15–20 to 25". Values are in the attribute's own unit.
 */
export function lookWords(changes: readonly LookChange[], was: ListSheet, rowBefore: number, is: ListSheet, rowAfter: number): string {
  const known = changes.flatMap((change): KeyChange[] => {
    const key = keyNamed(is.keys, change.key) ?? keyNamed(was.keys, change.key);
    return key ? [{ ...change, name: key.attribute.id, channel: key.channel, family: key.attribute.family }] : [];
  });
  const byFamily = groupBy(known, ({ family }) => family);
  return FAMILIES.flatMap((family): string[] => {
    const own = byFamily.get(family);
    if (!own) return [];
    const lights = lightsNamed(own.map(({ channel }) => channel));
    if (family === "intensity") return [`${lights}: ${span(own.map((each) => each.before))} to ${span(own.map((each) => each.after))}`];
    const before = paletteName(own, was, rowBefore);
    const after = paletteName(own, is, rowAfter);
    if (before !== undefined && before === after) return [`${lights}: ${family} as ${after} now is`];
    if (before !== undefined || after !== undefined)
      return [`${lights}: ${family} ${before ?? numbers(own, "before")} to ${after ?? numbers(own, "after")}`];
    const attributes = groupBy(own, ({ name }) => name);
    const words = [...attributes].map(
      ([name, some]) => `${name} ${span(some.map((each) => each.before))} to ${span(some.map((each) => each.after))}`,
    );
    return [`${lights}: ${listed(words)}`];
  }).join("; ");
}

/** So many letters of light numbers are read in one line; more are only counted. */
const NAMED_LETTERS = 16;

/** Which lights: "light 5", "lights 3–6, 9", or "24 lights" where their numbers would fill the line. */
function lightsNamed(channels: readonly number[]): string {
  const all = [...new Set(channels)].sort((a, b) => a - b);
  const runs = lightRuns(all, "–");
  if (runs.length > NAMED_LETTERS) return count(all.length, "light");
  return `${all.length === 1 ? "light" : "lights"} ${runs}`;
}

/** The palette that all of these keys have their value from; undefined where they do not share one. */
function paletteName(changes: readonly KeyChange[], list: ListSheet, row: number): string | undefined {
  if (row < 0) return undefined;
  const names = new Set(
    changes.map(({ key: name }) => {
      const key: Key | undefined = keyNamed(list.keys, name);
      const spec = key && entryAt(list, key, row).spec;
      return spec === undefined ? undefined : paletteOf(spec);
    }),
  );
  const [only] = names;
  return names.size === 1 && only !== undefined ? list.palettes.byId.get(only)?.label || only : undefined;
}

/** One side of some changes: "pan 10 to 40, tilt 5". */
function numbers(changes: readonly KeyChange[], side: "before" | "after"): string {
  if (changes.every((each) => each[side] === null)) return "unset";
  return listed([...groupBy(changes, ({ name }) => name)].map(([name, own]) => `${name} ${span(own.map((each) => each[side]))}`));
}

/** Values as "40", "20–60", or "unset"; "40 or unset" where only some are set. */
function span(values: readonly (number | null)[]): string {
  const set = values.filter((value) => value !== null);
  if (set.length === 0) return "unset";
  let [low, high] = [Infinity, -Infinity];
  for (const value of set) {
    low = Math.min(low, value);
    high = Math.max(high, value);
  }
  const text = low === high ? valueWords(low) : `${valueWords(low)}–${valueWords(high)}`;
  return set.length < values.length ? `${text} or unset` : text;
}
