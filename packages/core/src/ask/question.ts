import { sameValue } from "../sheet/entry.ts";
import type { TimeColumn } from "../time/timeColumns.ts";

/**
 * How a value is held against a number.
 * As typed in the line.
 */
export type Relation = ">" | ">=" | "<" | "<=" | "=";

/** What a cue can use, by its kind. */
export type UsedKind = "palette" | "group" | "pace" | "list" | "look" | "tempo";

/**
 * What can be asked of cues.
 * A value is asked of looks of one list, whether stored or tracked; a time of what the parts of its cues store; a use of the whole show.
 */
export type Question =
  | {
      readonly about: "value";
      readonly channels: readonly number[];
      readonly attribute: string;
      readonly is: Relation;
      readonly value: number;
    }
  | { readonly about: "time"; readonly column: TimeColumn; readonly is: Relation; readonly value: number }
  | { readonly about: "shows"; readonly channels: readonly number[]; readonly palette: string }
  | { readonly about: "moves"; readonly channels: readonly number[] }
  | { readonly about: "uses"; readonly kind: UsedKind; readonly id: string };

/**
 * One thing that a question has found: a cue of a list, or a held look, and why in a few words.
 * Cues come in the order of their list.
 */
export type Found = { readonly list: string; readonly cue: string; readonly why: string } | { readonly look: string; readonly why: string };

/** True when a number is what was asked for; the tolerance of equal values is that of looks (docs/rules.md, Tracking). */
export function holds(value: number, is: Relation, asked: number): boolean {
  const same = sameValue(value, asked);
  switch (is) {
    case ">":
      return value > asked && !same;
    case ">=":
      return value > asked || same;
    case "<":
      return value < asked && !same;
    case "<=":
      return value < asked || same;
    case "=":
      return same;
  }
}
