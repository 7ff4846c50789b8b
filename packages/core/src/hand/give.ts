import { type GivenWave, type KeySelection, isNamed, selectKeys, wavesFor, wavesOfKeys } from "../edit/index.ts";
import { ShowError } from "../show/errors.ts";
import { checkRange } from "../show/readMoves.ts";
import type { Moves, Pace, Waves } from "../show/schema.ts";
import type { Key } from "../sheet/keys.ts";
import type { ShowSheet } from "../sheet/sheet.ts";
import { type Fan, fanAt } from "../fan/fan.ts";
import { type TimesWish, patchedTiming, timesAt } from "../fan/timesAt.ts";
import { type MoveTiming, makeMove } from "../show/move.ts";
import { keyNamed } from "../sheet/keys.ts";
import { type Operation, operated } from "../values/operation.ts";
import type { Hand } from "./hand.ts";
import type { HandTiming } from "./handChange.ts";
import { keyOfWave } from "./heldWave.ts";

/**
 * The values that the chosen lights take in hand. A fan spreads over them in the order in which they were chosen; `add` and
 * `scale` start from what each puts out now and stop at the ends of its range. Throws ShowError for a value outside a
 * range, and when none of the lights has what is asked.
 * `outputOf` gives what a key puts out now, in its own unit. Lights without the attribute are passed over.
 */
export function giveMoves(
  sheet: ShowSheet,
  selection: KeySelection,
  operation: Exclude<Operation, { drop: true }>,
  outputOf: (key: Key) => number,
): Moves {
  const keys = selectKeys(sheet.keys, selection);
  const wanted = "palette" in operation ? keys.filter((key) => sheet.palettes.valueFor(operation.palette, key) !== undefined) : keys;
  if ("palette" in operation && wanted.length === 0)
    throw new ShowError(`Palette "${operation.palette}" has no value for the chosen lights`);
  const order = [...new Set(wanted.map((key) => key.channel))];
  const moves: Moves = {};
  for (const key of wanted) {
    const place = order.indexOf(key.channel);
    (moves[key.channel] ??= {})[key.attribute.id] =
      "palette" in operation
        ? makeMove({ palette: operation.palette }, ownTimes(sheet, operation.palette, place, order.length))
        : "release" in operation
          ? { release: true }
          : numberFor(key, operation, place, order.length, outputOf);
  }
  return moves;
}

/** The times that a palette carries, for one light of those that are given it. */
function ownTimes({ palettes }: ShowSheet, palette: string, place: number, count: number): MoveTiming {
  const times = palettes.byId.get(palette)?.times;
  return times ? patchedTiming({}, timesAt(times, place, count)) : {};
}

/** The number that one light is given: its own of a fan, or what it puts out now changed. */
function numberFor(
  key: Key,
  operation: { set: Fan } | { add: number } | { scale: number },
  place: number,
  count: number,
  outputOf: (key: Key) => number,
): number {
  if ("set" in operation) {
    const value = fanAt(operation.set, place, count);
    checkRange(value, key.attribute, key.name);
    return value;
  }
  return operated(outputOf(key), operation, key.attribute);
}

/**
 * The waves that the chosen lights take in hand; a fan of size, period or phase spreads over them in the order in which they were chosen (docs/running.md,
 * Waves). Throws ShowError when none of the lights has what is asked, and for a tempo that the show does not have.
 */
export function giveWaves(sheet: ShowSheet, selection: KeySelection, given: GivenWave): Waves {
  const tempos = (sheet.show.tempos ?? []).map(({ id }) => id);
  return wavesOfKeys(wavesFor(selectKeys(sheet.keys, selection), given, tempos));
}

/**
 * The own times of the values in hand that a selection names; a fan spreads over the chosen lights in their order. Throws ShowError when
 * nothing of it is in hand.
 * By key name; seconds. A fan counts over the chosen lights that hold something.
 */
export function giveTimes(sheet: ShowSheet, hand: Hand, selection: KeySelection, wish: TimesWish): Record<string, HandTiming> {
  return timesFor(sheet, hand, selection, () => wish);
}

/**
 * As `giveTimes`, with what a pace says for each family.
 * Families that the pace says nothing of keep their times.
 */
export function givePace(sheet: ShowSheet, hand: Hand, selection: KeySelection, pace: Pace): Record<string, HandTiming> {
  return timesFor(sheet, hand, selection, (key) => pace[key.attribute.family]);
}

/** The own times of what the selection holds in hand, by key name; a fan spreads over the lights that hold something. */
function timesFor(
  sheet: ShowSheet,
  hand: Hand,
  selection: KeySelection,
  wishFor: (key: Key) => TimesWish | undefined,
): Record<string, HandTiming> {
  const keys = heldKeys(sheet, hand, selection).filter((key) => wishFor(key) !== undefined);
  if (keys.length === 0) throw new ShowError("Nothing of that is in hand; give the lights a value first, then its times");
  const order = selection.channels ?? [...new Set(keys.map((key) => key.channel))];
  return Object.fromEntries(
    keys.map((key): [string, HandTiming] => {
      const wish = wishFor(key) ?? {};
      return [key.name, { ...timesAt(wish, order.indexOf(key.channel), order.length), ...fansIn(wish) }];
    }),
  );
}

/** What of wished times is written as a fan. */
function fansIn({ fade, delay }: TimesWish): Pick<HandTiming, "fans"> {
  if (typeof fade !== "string" && typeof delay !== "string") return {};
  return { fans: { ...(typeof fade === "string" ? { fade } : {}), ...(typeof delay === "string" ? { delay } : {}) } };
}

/**
 * The keys in hand that a selection names, in the order in which they were taken in hand.
 * Empty where nothing of it is in hand.
 */
export function heldKeys(sheet: ShowSheet, hand: Hand, selection: KeySelection = {}): Key[] {
  return Object.keys(hand.held).flatMap((name) => {
    const key = keyNamed(sheet.keys, name);
    return key && isNamed(key, selection) ? [key] : [];
  });
}

/**
 * The names under which the Hand holds something of a selection: values and waves, or waves alone, in the order in which they were taken in hand.
 * Empty where nothing of it is in hand. What is dropped goes by these names.
 */
export function heldNames({ keys }: Pick<ShowSheet, "keys">, hand: Hand, selection: KeySelection = {}, onlyWaves = false): string[] {
  return Object.keys(hand.held).filter((name) => {
    const key = keyOfWave(keys, name) ?? (onlyWaves ? undefined : keyNamed(keys, name));
    return key !== undefined && isNamed(key, selection);
  });
}
