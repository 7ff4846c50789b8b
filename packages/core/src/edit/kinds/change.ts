import { z } from "zod";
import { at } from "../../show/at.ts";
import { trackedIn, trackedOut } from "../../sheet/tracking.ts";
import { ShowError } from "../../show/errors.ts";
import { isRelease, makeMove, moveTiming, paletteOf } from "../../show/move.ts";
import { checkRange } from "../../show/readMoves.ts";
import type { Key } from "../../sheet/keys.ts";
import { type Entry, UNSET, carriedAt, columnOf, entryAt } from "../../sheet/entry.ts";
import { resolve } from "../../sheet/palettes.ts";
import type { ListSheet } from "../../sheet/sheet.ts";
import { fanAt, fanPoints } from "../../fan/fan.ts";
import { patchedTiming, timesAt } from "../../fan/timesAt.ts";
import { paletteNamed } from "../plan/paletteNamed.ts";
import type { MoveStep } from "../steps/step.ts";
import { type Tracked, aimStep, restoreFrom, sameTracked, storeStep, storedMove, targetOf } from "../plan/moveSteps.ts";
import { rowsIn } from "../plan/rows.ts";
import { selectKeys } from "../plan/selectKeys.ts";
import { type Operation, operated } from "../../values/operation.ts";
import { factor, id, keys, list, number, range, valueFan } from "../plan/fields.ts";
import { defineEdit, listFor } from "./kind.ts";
import { namesWords, rangeWords, whoseWords } from "./kindWords.ts";

// Exactly one of them; a fan is text, since it names a value for each light.
const operation = z.union([
  z.strictObject({ set: valueFan }),
  z.strictObject({ palette: id }),
  z.strictObject({ add: number }),
  z.strictObject({ scale: factor }),
  z.strictObject({ release: z.literal(true) }),
  z.strictObject({ drop: z.literal(true) }),
]) satisfies z.ZodType<Operation>;
const schema = z.strictObject({
  op: z.literal("change"),
  list,
  ...range,
  keys,
  do: operation,
  where: z.enum(["look", "moves"]).default("look"),
  after: z.enum(["restore", "track"]).default("track"),
  /** What a fan spreads over: the chosen lights, or the cues of the range. */
  along: z.enum(["lights", "cues"]).default("lights"),
});

/**
 * A change of values over a range of cues.
 * With `where: look` moves are written only where they are needed; with `where: moves` none is made.
 */
export type ChangeEdit = z.infer<typeof schema>;

/**
 * The steps of a change over a range of cues (docs/rules.md, Edits), key by key. With `restore` the first cue behind the range gets what it needs to
 * look as before. Throws ShowError for an unknown channel or palette, a value outside the attribute's range, a range without cues.
 */
function planChange(list: ListSheet, edit: ChangeEdit): MoveStep[] {
  const { first, last } = rowsIn(list, edit.from, edit.to);
  const keys = keysFor(list, edit);
  const onLooks = edit.where === "look" && !("drop" in edit.do);
  const order = [...new Set(keys.map((key) => key.channel))];
  return keys.flatMap((key) => {
    const own = rowOperation(edit, order.indexOf(key.channel), order.length, first, last);
    const changed = onLooks ? changeLooks(list, key, first, last, own) : changeMoves(list, key, first, last, own);
    const inside = { ...changed, steps: withPaletteTimes(list, edit, changed.steps, order.indexOf(key.channel), order.length) };
    if (edit.after === "track") return inside.steps;
    return [...inside.steps, ...restoreFrom(list, key, last + 1, inside.carried, carriedAt(list, key, last))];
  });
}

/** The moves that a palette is written into, with the times that it carries, spread over the lights in their order. */
function withPaletteTimes(
  list: ListSheet,
  { do: operation }: ChangeEdit,
  steps: readonly MoveStep[],
  place: number,
  count: number,
): MoveStep[] {
  const id = "palette" in operation ? operation.palette : undefined;
  const times = id === undefined ? undefined : list.palettes.byId.get(id)?.times;
  if (id === undefined || !times) return [...steps];
  return steps.map((step) => {
    const { after } = step;
    if (!after || paletteOf(after.move) !== id) return step;
    const timing = patchedTiming(moveTiming(after.move), timesAt(times, place, count));
    return { ...step, after: { ...after, move: makeMove({ palette: id }, timing) } };
  });
}

/** An operation for one light, its own value taken out of a fan. */
type KeyOperation = { set: number } | Exclude<Operation, { set: unknown }>;

/** What is done to a key in a row of the range. */
interface RowOperation {
  readonly at: (row: number) => KeyOperation;
  /** True where every row is told something else. */
  readonly differs: boolean;
}

/** The operation for one light, its own value taken out of a fan over the lights or over the cues. */
function rowOperation({ do: operation, along }: ChangeEdit, place: number, count: number, first: number, last: number): RowOperation {
  if (!("set" in operation)) return { at: () => operation, differs: false };
  const { set } = operation;
  if (along === "cues" && typeof set === "string")
    return { at: (row) => ({ set: fanAt(set, row - first, last - first + 1) }), differs: true };
  const own = { set: fanAt(set, place, count) };
  return { at: () => own, differs: false };
}

/** The keys that the change is about. A palette concerns only those of its own family that it has a value for. Throws ShowError. */
function keysFor(list: ListSheet, edit: ChangeEdit): Key[] {
  const keys = selectKeys(list.keys, edit.keys);
  if ("set" in edit.do) for (const key of keys) for (const point of fanPoints(edit.do.set)) checkRange(point, key.attribute, key.name);
  if (!("palette" in edit.do)) return keys;
  const id = edit.do.palette;
  const palette = paletteNamed(list.palettes, id);
  const fitting = keys.filter((key) => key.attribute.family === palette.family && list.palettes.valueFor(id, key) !== undefined);
  if (fitting.length > 0) return fitting;
  throw new ShowError(`Palette "${id}" holds ${palette.family} for none of the chosen lights`);
}

/** What a change does inside its range, and what then tracks out of the range's last row: what comes behind is restored from there. */
interface Inside {
  readonly steps: MoveStep[];
  readonly carried: Tracked;
}

/**
 * After it, each look of the range is the operation applied to the look before, with moves only where they are needed: a set value stands
 * once, in the first cue, and again only behind what would hide it (a wall, a cue that keeps to itself).
 */
function changeLooks(list: ListSheet, key: Key, first: number, last: number, { at: operationAt, differs }: RowOperation): Inside {
  const steps: MoveStep[] = [];
  let carried: Tracked = carriedAt(list, key, first - 1);
  for (const row of differs ? rowsThrough(first, last) : turningRows(list, key, first, last)) {
    const operation = operationAt(row);
    const tracking = at(list.tracking, row);
    const base = trackedIn<Tracked>(tracking, carried, UNSET);
    const wanted = lookAfter(list, key, entryAt(list, key, row), operation);
    const keep = storedMove(list, key, row) !== undefined && (row === first || differs || !standsOnce(operation));
    if (keep || !sameTracked(base, wanted)) steps.push(...aimStep(list, key, row, targetOf(wanted)));
    else steps.push(...storeStep(list, key, row, undefined));
    carried = trackedOut(tracking, carried, wanted);
  }
  return { steps, carried };
}

/** Every row of a range. */
function rowsThrough(first: number, last: number): number[] {
  return Array.from({ length: last - first + 1 }, (_, index) => first + index);
}

/**
 * The rows of a range in which a key can show something else than in the row before: the first, those with a move, and at
 * walls and cues that keep their moves and right behind them. In all others what tracks in is what was asked already.
 */
function turningRows(list: ListSheet, key: Key, first: number, last: number): number[] {
  const rows = new Set([first]);
  for (const row of columnOf(list, key).rows) if (row >= first && row <= last) rows.add(row);
  for (const row of list.trackingBreaks) {
    if (row >= first && row <= last) rows.add(row);
    if (row + 1 >= first && row + 1 <= last) rows.add(row + 1);
  }
  return [...rows].sort((a, b) => a - b);
}

/** True for an operation that gives the whole range one value, which one move in the first cue can hold. */
function standsOnce(operation: KeyOperation): boolean {
  return "set" in operation || "palette" in operation || "release" in operation;
}

/** What a key shows after the operation, where it shows `before`. An unset key stays unset under `add` and `scale`: there is nothing to add to. */
function lookAfter(list: ListSheet, key: Key, before: Entry, operation: KeyOperation): Tracked {
  if ("set" in operation) return { value: operation.set, spec: operation.set };
  if ("palette" in operation)
    return { value: list.palettes.valueFor(operation.palette, key) ?? Number.NaN, spec: { palette: operation.palette } };
  if ("release" in operation) return UNSET;
  if (Number.isNaN(before.value) || "drop" in operation) return before;
  const value = operated(before.value, operation, key.attribute);
  return { value, spec: value };
}

/** Touches stored moves only, and makes none inside the range; walks every row, since each move may track into the next. */
function changeMoves(list: ListSheet, key: Key, first: number, last: number, { at: operationAt }: RowOperation): Inside {
  const steps: MoveStep[] = [];
  let carried: Tracked = carriedAt(list, key, first - 1);
  for (let row = first; row <= last; row += 1) {
    const operation = operationAt(row);
    const stored = storedMove(list, key, row);
    const tracking = at(list.tracking, row);
    let shown = trackedIn<Tracked>(tracking, carried, UNSET);
    if (stored && "drop" in operation) steps.push(...storeStep(list, key, row, undefined));
    else if (stored) {
      shown = moveAfter(list, key, entryAt(list, key, row), operation);
      steps.push(...aimStep(list, key, row, targetOf(shown)));
    }
    carried = trackedOut(tracking, carried, shown);
  }
  return { steps, carried };
}

/** What a stored move becomes; one that says no number is left alone by an operation that needs one. */
function moveAfter(list: ListSheet, key: Key, stored: Entry, operation: KeyOperation): Tracked {
  const untouched = stored.spec === undefined || isRelease(stored.spec) || Number.isNaN(resolve(stored.spec, key, list.palettes));
  if (untouched && !standsOnce(operation)) return stored;
  return lookAfter(list, key, stored, operation);
}

/**
 * A change of values in a word or two: "to 50", "+10", "× 0.8", "dusk", "released".
 * Without the lights and cues that it speaks of: those are told around it.
 */
export function operationWords(operation: Operation): string {
  if ("set" in operation) return `to ${operation.set}`;
  if ("palette" in operation) return `to ${operation.palette}`;
  if ("add" in operation) return operation.add < 0 ? `−${-operation.add}` : `+${operation.add}`;
  if ("scale" in operation) return `× ${operation.scale}`;
  return "release" in operation ? "released" : "moves dropped";
}

/** What is done to which attributes, in a few words. */
function what(edit: ChangeEdit): string {
  const all = ("release" in edit.do || "drop" in edit.do) && !edit.keys.attributes && !edit.keys.families;
  return [all ? "all families" : namesWords(edit.keys), operationWords(edit.do)].filter(Boolean).join(" ");
}

/**
 * Changing values of chosen lights over a range of cues (docs/rules.md, Edits).
 * Results are clipped to the attribute's range and a note tells of it. `after: restore` leaves every look behind the range as it
 * was.
 */
export const change = defineEdit(schema, {
  plan: (sheet, edit) => planChange(listFor(sheet, edit), edit),
  words: (edit) =>
    `${rangeWords(edit)}, ${whoseWords(edit.keys)}: ${what(edit)}${edit.along === "cues" ? " along the cues" : ""}${edit.where === "moves" ? ", stored moves only" : ""}${edit.after === "restore" ? ", restored after" : ""}`,
});
