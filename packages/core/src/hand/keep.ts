import { ShowError } from "../show/errors.ts";
import { moveTiming } from "../show/move.ts";
import { type Curve, type Family, FAMILIES, type Pace, type Palette, type PaletteValue } from "../show/schema.ts";
import { groupBy } from "../show/groupBy.ts";
import type { Key } from "../sheet/keys.ts";
import { resolve } from "../sheet/palettes.ts";
import type { ShowSheet } from "../sheet/sheet.ts";
import { type Fan, fanOf } from "../fan/fan.ts";
import { heldKeys } from "./give.ts";
import { type Hand, heldValue } from "./hand.ts";

/**
 * For whom a palette keeps its values: one for all lights where they agree, one for each fixture type, or one for each channel.
 * From the coarsest to the finest: coarser palettes serve lights that come later.
 */
export type PaletteScope = "all" | "type" | "channel";

/**
 * The palette that the values in hand make for a family. Values that differ within what they are kept for go a step finer:
 * from one for all to one for each type, from there to one for each channel. An existing palette keeps what the Hand says
 * nothing about. Throws ShowError when nothing of the family is in hand.
 * An edit stores it: nothing is changed here. Waves are never part of it.
 */
export function paletteFromHand(
  sheet: ShowSheet,
  hand: Hand,
  {
    id,
    label,
    family,
    scope,
    channels,
    attributes,
  }: {
    id: string;
    label: string;
    family: Family;
    scope: PaletteScope;
    channels?: readonly number[] | undefined;
    /** Only these of the family; left out: all of it. */
    attributes?: readonly string[] | undefined;
  },
): Palette {
  const keys = heldKeys(sheet, hand, {
    ...(attributes ? { attributes: [...attributes] } : { families: [family] }),
    ...(channels ? { channels: [...channels] } : {}),
  });
  const typeOf = new Map(sheet.show.channels.map((channel) => [channel.number, channel.type]));
  const values = keys.flatMap((key): ValueOfKey[] => {
    const held = heldValue(hand, key);
    const value = held ? resolve(held.move, key, sheet.palettes) : Number.NaN;
    return Number.isNaN(value) ? [] : [{ key, value, type: typeOf.get(key.channel) ?? "" }];
  });
  if (values.length === 0) throw new ShowError(`No ${family} is in hand; a palette is made from what is held`);
  const made = [...groupBy(values, ({ key }) => key.attribute.id).values()].flatMap((own) => entriesFor(own, scope));
  const before = sheet.palettes.byId.get(id)?.values ?? [];
  return { id, family, label, values: [...before.filter((entry) => !isReplaced(entry, made, values)), ...made] };
}

/** True for an entry of a palette that gives way: made anew for the same lights, or finer, so that it would hide what was made for a light in hand. */
function isReplaced(entry: PaletteValue, made: readonly PaletteValue[], held: readonly ValueOfKey[]): boolean {
  const own = made.filter(({ attribute }) => attribute === entry.attribute);
  if (own.some(({ type, channel }) => type === entry.type && channel === entry.channel)) return true;
  const lights = held.filter(({ key }) => key.attribute.id === entry.attribute);
  if (entry.channel !== undefined) return lights.some(({ key }) => key.channel === entry.channel);
  const forAll = own.some(({ type, channel }) => type === undefined && channel === undefined);
  return forAll && entry.type !== undefined && lights.some(({ type }) => type === entry.type);
}

/** What a key is held at. */
interface ValueOfKey {
  readonly key: Key;
  readonly value: number;
  readonly type: string;
}

/** The entries of a palette for one attribute: one for all or for a type where its lights agree, else one for each light. */
function entriesFor(values: readonly ValueOfKey[], scope: PaletteScope): PaletteValue[] {
  const first = values[0];
  if (!first) return [];
  const attribute = first.key.attribute.id;
  const agree = (some: readonly ValueOfKey[]): boolean => some.every(({ value }) => value === some[0]?.value);
  if (scope === "all" && agree(values)) return [{ attribute, value: first.value }];
  if (scope === "channel") return values.map(({ key, value }) => ({ attribute, value, channel: key.channel }));
  return [...groupBy(values, ({ type }) => type).values()].flatMap((own) =>
    agree(own) ? [{ attribute, value: own[0]?.value ?? 0, type: own[0]?.type ?? "" }] : entriesFor(own, "channel"),
  );
}

/**
 * The pace that the own times in hand make: for each family a number where all lights agree, else a fan over them in their order; lights
 * without times of their own are left out. Throws ShowError when no value in hand has times of its own.
 * Fans come back in the shape in which they were given.
 */
export function paceFromHand(
  sheet: ShowSheet,
  hand: Hand,
  { id, label, channels }: { id: string; label: string; channels?: readonly number[] | undefined },
): Pace {
  const pace: Pace = { id, label };
  for (const family of FAMILIES) {
    const keys = heldKeys(sheet, hand, { families: [family], ...(channels ? { channels: [...channels] } : {}) });
    const timedKeyOf = (channel: number): Key | undefined => keys.find((key) => key.channel === channel && hasTiming(hand, key));
    const order = channels ?? [...new Set(keys.map((key) => key.channel))];
    const timed = order.flatMap((channel) => timedKeyOf(channel) ?? []);
    const times = timed.map((key) => timingOf(hand, key));
    const fade = fanGiven(hand, timed, "fade") ?? fanOf(times.map((each) => each.fade));
    const delay = fanGiven(hand, timed, "delay") ?? fanOf(times.map((each) => each.delay));
    const curve = same(times.map((each) => each.curve));
    if (fade === undefined && delay === undefined && curve === undefined) continue;
    pace[family] = {
      ...(fade === undefined ? {} : { fade }),
      ...(delay === undefined ? {} : { delay }),
      ...(curve === undefined ? {} : { curve }),
    };
  }
  if (FAMILIES.some((family) => pace[family])) return pace;
  throw new ShowError("No value in hand has times of its own; give some a fade or a delay first");
}

/** The fan that all of these times were given as; undefined where they were not. */
function fanGiven(hand: Hand, keys: readonly Key[], what: "fade" | "delay"): Fan | undefined {
  return same(keys.map((key) => heldValue(hand, key)?.fans?.[what]));
}

/** The own times that a key has in hand; empty where it has none. */
function timingOf(hand: Hand, key: Key): { fade?: number | undefined; delay?: number | undefined; curve?: Curve | undefined } {
  const held = heldValue(hand, key);
  return held ? moveTiming(held.move) : {};
}

/** True for a key that has times of its own in hand. */
function hasTiming(hand: Hand, key: Key): boolean {
  const { fade, delay, curve } = timingOf(hand, key);
  return fade !== undefined || delay !== undefined || curve !== undefined;
}

/** The value that all agree on; undefined where they do not. */
function same<T>(values: readonly (T | undefined)[]): T | undefined {
  return values.every((value) => value === values[0]) ? values[0] : undefined;
}
