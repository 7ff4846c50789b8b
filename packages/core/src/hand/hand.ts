import { type Step, checkedMoves, targetOfMove } from "../edit/index.ts";
import { z } from "zod";
import { ShowError } from "../show/errors.ts";
import { faultsOf } from "../show/faults.ts";
import { makeMove, moveTiming, sameMove } from "../show/move.ts";
import { readMoves } from "../show/readMoves.ts";
import { rigOf } from "../show/rig.ts";
import { documentParts, editParts, type MoveSpec, type Moves } from "../show/schema.ts";
import { type Key, keyNamed } from "../sheet/keys.ts";
import { type Palettes, resolve } from "../sheet/palettes.ts";
import type { ShowSheet } from "../sheet/sheet.ts";
import { patchedTiming } from "../fan/timesAt.ts";
import { onTheWayBack } from "./onTheWayBack.ts";
import { without } from "./without.ts";

/**
 * One value in hand: what a cue would store for it, and whether it has changed since it was last recorded.
 * `fresh` decides what a record of what has changed takes.
 */
export interface Held {
  readonly move: MoveSpec;
  readonly fresh: boolean;
  /** The fans that its own times were given as part of, so that a pace made of them keeps their shape. */
  readonly fans?: HeldFans | undefined;
}
/**
 * Fans as they were written, such as "4~1~4".
 * Forgotten as soon as one of the lights gets a time of its own.
 */
export interface HeldFans {
  readonly fade?: string | undefined;
  readonly delay?: string | undefined;
}
/**
 * A value on its way back from the Hand to the running list: where it left from, when (milliseconds of the server's clock), in how many
 * seconds.
 * `from` in the attribute's own unit, `fade` in seconds.
 */
export interface Leaving {
  readonly from: number;
  readonly at: number;
  readonly fade: number;
}
/**
 * The values being held, by key name in the order in which the keys were taken in hand. They lie over the running show; what
 * was let go last can be taken up again.
 * Never changed, only replaced. It belongs to a show and is the same in every window.
 */
export interface Hand {
  readonly held: Readonly<Record<string, Held>>;
  readonly dropped: Readonly<Record<string, Held>>;
  readonly leaving: Readonly<Record<string, Leaving>>;
}

/**
 * Nothing in hand, nothing dropped, nothing fading back.
 * Shared: never changed.
 */
export const EMPTY_HAND: Hand = { held: {}, dropped: {}, leaving: {} };

const fansSchema = z.strictObject({ fade: z.string().max(200).optional(), delay: z.string().max(200).optional() });
const timing = z.strictObject({
  fade: editParts.seconds.nullable().optional(),
  delay: editParts.seconds.nullable().optional(),
  curve: editParts.curve.nullable().optional(),
  fans: fansSchema.optional(),
});
const keyNames = z.array(z.string().max(80)).max(200_000);

/**
 * Everything that can be done to the Hand. Dropping without keys drops all; `fade` is how long values take back to the show, seconds.
 * As the server takes them from windows.
 */
export const handChangeSchema = z.discriminatedUnion("do", [
  z.strictObject({ do: z.literal("give"), moves: documentParts.moves }),
  z.strictObject({ do: z.literal("time"), times: z.record(z.string().max(80), timing) }),
  z.strictObject({ do: z.literal("drop"), keys: keyNames.optional(), fade: editParts.seconds.default(1) }),
  z.strictObject({ do: z.literal("takeUp") }),
  z.strictObject({ do: z.literal("recorded"), keys: keyNames }),
]);
/**
 * One change of the Hand as it may be written.
 * `readHandChanges` checks it and fills its defaults in.
 */
export type HandChange = z.input<typeof handChangeSchema>;
/**
 * Own times of one value in hand; null takes a time away, absent leaves it. Seconds.
 * As a move's own times, with null for "take away".
 */
export type HandTiming = z.infer<typeof timing>;

const heldSchema = z.record(
  z.string(),
  z.strictObject({
    move: documentParts.move,
    fresh: z.boolean(),
    fans: fansSchema.optional(),
  }),
);
const storedHand = z.strictObject({ held: heldSchema, dropped: heldSchema, leaving: z.strictObject({}) });

/**
 * Reads changes from plain data. Throws ShowError naming the change and the field that is wrong.
 * The message counts changes from 1. Values are held against the rig when the change is made.
 */
export function readHandChanges(raw: readonly unknown[]): HandChange[] {
  return raw.map((one, index) => {
    const parsed = handChangeSchema.safeParse(one);
    if (parsed.success) return parsed.data;
    throw new ShowError(
      faultsOf(parsed.error, one).map((fault) => `Change ${index + 1} of the Hand: ${fault.replace("the document: ", "")}`),
    );
  });
}

/**
 * Reads a Hand that was stored as text; undefined for one that is damaged and cannot be read.
 * Values of lights that are gone are kept here and left out by `fitHand`.
 */
export function readHand(text: string): Hand | undefined {
  try {
    const parsed = storedHand.safeParse(JSON.parse(text));
    return parsed.success ? parsed.data : undefined;
  } catch {
    return undefined;
  }
}

/**
 * The Hand after a change at a moment (milliseconds). Throws ShowError for a value that the rig does not take; then nothing has changed.
 * Gives back a new Hand. `now` is read from the server's clock by the caller.
 */
export function changeHand(hand: Hand, change: HandChange, sheet: ShowSheet, now: number): Hand {
  switch (change.do) {
    case "give":
      return given(hand, change.moves, sheet);
    case "time":
      return timed(hand, change.times);
    case "drop":
      return letGo(hand, change.keys ?? Object.keys(hand.held), sheet, now, change.fade ?? 1);
    case "takeUp":
      return { held: { ...hand.held, ...hand.dropped }, dropped: {}, leaving: without(hand.leaving, Object.keys(hand.dropped)) };
    case "recorded":
      return { ...hand, held: mapped(hand.held, new Set(change.keys), (held) => ({ ...held, fresh: false })) };
  }
}

/** The Hand with moves taken into it; what is given again keeps the times it had. */
function given(hand: Hand, moves: Moves, sheet: ShowSheet): Hand {
  const held: Record<string, Held> = { ...hand.held };
  const names: string[] = [];
  for (const { key, spec } of checkedMoves(sheet, moves, "In hand")) {
    const before = held[key.name];
    const move = makeMove(targetOfMove(spec), { ...(before ? moveTiming(before.move) : {}), ...moveTiming(spec) });
    held[key.name] =
      before && !before.fresh && sameMove(before.move, move) ? before : { move, fresh: true, ...fansLeft(before, moveTiming(spec)) };
    names.push(key.name);
  }
  return { held, dropped: hand.dropped, leaving: without(hand.leaving, names) };
}

/** The Hand with own times laid on values that it holds. */
function timed(hand: Hand, times: Readonly<Record<string, HandTiming>>): Hand {
  const own = new Map(Object.entries(times));
  const held = mapped(hand.held, own, (each, name): Held => {
    const wanted = own.get(name) ?? {};
    const after = makeMove(targetOfMove(each.move), patchedTiming(moveTiming(each.move), wanted));
    const fans = fansLeft(each, wanted, wanted.fans);
    return sameMove(each.move, after) ? { move: each.move, fresh: each.fresh, ...fans } : { move: after, fresh: true, ...fans };
  });
  return { ...hand, held };
}

/** The fans of a value after some of its times were given anew: those of times that were left alone stay. */
function fansLeft(before: Held | undefined, given: { fade?: unknown; delay?: unknown }, anew: HeldFans = {}): { fans?: HeldFans } {
  const of = (what: "fade" | "delay"): string | undefined => (given[what] === undefined ? before?.fans?.[what] : anew[what]);
  const [fade, delay] = [of("fade"), of("delay")];
  if (fade === undefined && delay === undefined) return {};
  return { fans: { ...(fade === undefined ? {} : { fade }), ...(delay === undefined ? {} : { delay }) } };
}

/**
 * Drops keys from the Hand; they fade back to the show in `fade` seconds and can be taken up again. `now` is milliseconds.
 * Keys that are not in hand are passed over. Seconds for `fade`.
 */
export function letGo(hand: Hand, keys: readonly string[], sheet: ShowSheet, now: number, fade: number): Hand {
  const going = keys.filter((name) => hand.held[name]);
  if (going.length === 0) return hand;
  const leaving: Record<string, Leaving> = Object.fromEntries(
    Object.entries(hand.leaving).filter(([, each]) => now < each.at + each.fade * 1000),
  );
  const dropped: Record<string, Held> = {};
  for (const name of going) {
    const held = hand.held[name];
    const key = keyNamed(sheet.keys, name);
    if (!held) continue;
    dropped[name] = held;
    const from = key ? resolve(held.move, key, sheet.palettes) : Number.NaN;
    if (key && !Number.isNaN(from)) leaving[name] = { from, at: now, fade: key.attribute.snap ? 0 : fade };
  }
  return { held: without(hand.held, going), dropped, leaving };
}

/**
 * The Hand when the running list goes on: what has been recorded gives way to it, what has not stays over it.
 * A value that has been changed since its record is not given up. `now` is milliseconds of the server's clock.
 */
export function giveWay(hand: Hand, sheet: ShowSheet, now: number): Hand {
  const recorded = Object.keys(hand.held).filter((name) => hand.held[name]?.fresh === false);
  return { ...letGo(hand, recorded, sheet, now, 1), dropped: hand.dropped };
}

/**
 * The Hand after a step in the history: a value whose record was taken back counts as changed again, and as recorded when the
 * record is made again.
 * `steps` are those that were made, in their order. Values themselves stay in hand.
 */
export function followHistory(hand: Hand, steps: readonly Step[]): Hand {
  const fresh = new Map<string, boolean>();
  for (const step of steps) {
    if (step.at !== "move") continue;
    const name = `${step.channel}.${step.attribute}`;
    const held = hand.held[name];
    if (!held) continue;
    if (sameTarget(step.after?.move, held.move)) fresh.set(name, false);
    else if (sameTarget(step.before?.move, held.move)) fresh.set(name, true);
  }
  const changes = [...fresh].some(([name, now]) => hand.held[name]?.fresh !== now);
  return changes ? { ...hand, held: mapped(hand.held, fresh, (held, name) => ({ ...held, fresh: fresh.get(name) ?? held.fresh })) } : hand;
}

/** True when two moves ask for the same value, whatever their times. */
function sameTarget(a: MoveSpec | undefined, b: MoveSpec): boolean {
  return a !== undefined && sameMove(makeMove(targetOfMove(a)), makeMove(targetOfMove(b)));
}

/**
 * The Hand held against a rig that has changed: keys that are gone, and palettes that are, leave it.
 * Gives back the same Hand where all of it fits.
 */
export function fitHand(hand: Hand, sheet: ShowSheet): Hand {
  const rig = rigOf(sheet.show);
  const fits = (record: Readonly<Record<string, Held>>): Record<string, Held> => {
    const moves: Moves = {};
    const entries = Object.entries(record).flatMap(([name, held]) => {
      const key = keyNamed(sheet.keys, name);
      if (!key) return [];
      (moves[key.channel] ??= {})[key.attribute.id] = held.move;
      return [{ name, held, key }];
    });
    const good = readMoves(moves, rig, sheet.palettes.byId, "In hand", []);
    return Object.fromEntries(
      entries.filter(({ key }) => good[key.channel]?.[key.attribute.id] !== undefined).map(({ name, held }) => [name, held]),
    );
  };
  const all = Object.keys(hand.held).length + Object.keys(hand.dropped).length;
  const after = { held: fits(hand.held), dropped: fits(hand.dropped), leaving: hand.leaving };
  return Object.keys(after.held).length + Object.keys(after.dropped).length === all ? hand : after;
}

/**
 * What a key puts out with the Hand over the show: `under` is what the running list gives it, `now` milliseconds of the server's clock.
 * In the attribute's own unit. For one key; `layHandOver` does it for a whole frame.
 */
export function handOutput(hand: Hand, key: Key, palettes: Palettes, under: number, now: number): number {
  const held = hand.held[key.name];
  if (held) {
    const value = resolve(held.move, key, palettes);
    if (!Number.isNaN(value)) return value;
  }
  const leaving = hand.leaving[key.name];
  return leaving ? onTheWayBack(leaving.from, under, leaving.at, leaving.fade, now) : under;
}

/** Held values with those of some names changed. */
function mapped(
  held: Readonly<Record<string, Held>>,
  names: { has(name: string): boolean },
  change: (held: Held, name: string) => Held,
): Record<string, Held> {
  return Object.fromEntries(Object.entries(held).map(([name, each]) => [name, names.has(name) ? change(each, name) : each]));
}
