import { keyName } from "../show/keyName.ts";
import { type Step, checkedMoves, targetOfMove } from "../edit/index.ts";
import { z } from "zod";
import { ShowError } from "../show/errors.ts";
import { faultsOf } from "../show/faults.ts";
import { makeMove, moveTiming, sameMove } from "../show/move.ts";
import { readMoves } from "../show/readMoves.ts";
import { sameData } from "../show/sameData.ts";
import { rigOf } from "../show/rig.ts";
import { documentParts, editParts, type MoveSpec, type Moves, type Waves } from "../show/schema.ts";
import { type Key, keyNamed } from "../sheet/keys.ts";
import { type Palettes, resolve } from "../sheet/palettes.ts";
import type { ShowSheet } from "../sheet/sheet.ts";
import { patchedTiming } from "../fan/timesAt.ts";
import { wavesIn } from "../edit/index.ts";
import { type HeldWave, type LeavingWave, givenWaves, heldWaveSchema, keyOfWave, waveName, waveNamed } from "./heldWave.ts";
import { comingIn, onTheWayBack } from "./onTheWayBack.ts";
import { without } from "./without.ts";

/**
 * One value in hand: what a cue would store for it, and whether it has changed since it was last recorded.
 * `fresh` decides what a record of what has changed takes.
 */
export interface HeldValue {
  readonly move: MoveSpec;
  readonly fresh: boolean;
  /** The fans that its own times were given as part of, so that a pace made of them keeps their shape. */
  readonly fans?: HeldFans | undefined;
  /** How it came into hand where it takes its own times; without it, it is there at once. */
  readonly course?: HandCourse | undefined;
}

/** What the Hand holds under one name: the value of a key, or its wave. */
export type Held = HeldValue | HeldWave;

/**
 * A value in hand that goes where it belongs in its own delay, fade and curve (docs/running.md, Sources): given at a moment, milliseconds of the
 * server's clock, from what the key put out then. `from` null: it comes from what lies under the Hand, whatever that does meanwhile.
 */
export interface HandCourse {
  readonly at: number;
  readonly from: number | null;
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
 * The values and waves being held, in the order in which they were taken in hand: values by the name of their key, waves by that of `waveName`. They
 * lie over the running show; what was let go last can be taken up again.
 * Never changed, only replaced. It belongs to a show and is the same in every window.
 */
export interface Hand {
  readonly held: Readonly<Record<string, Held>>;
  readonly dropped: Readonly<Record<string, Held>>;
  readonly leaving: Readonly<Record<string, Leaving | LeavingWave>>;
  /** True while what is given takes hold in its own times, so that they can be tried live; absent: at once. */
  readonly inTime?: boolean | undefined;
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
  z.strictObject({
    do: z.literal("give"),
    moves: documentParts.moves,
    /** What keys that are in hand already put out now, for values that come in their own times. */
    from: z.record(z.string().max(80), z.number()).optional(),
  }),
  z.strictObject({ do: z.literal("wave"), waves: givenWaves }),
  z.strictObject({ do: z.literal("inTime"), on: z.boolean() }),
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

const heldValueSchema = z.strictObject({
  move: documentParts.move,
  fresh: z.boolean(),
  fans: fansSchema.optional(),
  course: z.strictObject({ at: z.number(), from: z.number().nullable() }).optional(),
});
const heldSchema = z.record(z.string(), z.union([heldValueSchema, heldWaveSchema]));
const storedHand = z.strictObject({ held: heldSchema, dropped: heldSchema, leaving: z.strictObject({}), inTime: z.boolean().optional() });

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
      return given(hand, change.moves, sheet, { now, from: change.from ?? {} });
    case "wave":
      return waved(hand, change.waves, sheet, now);
    case "inTime":
      return { ...hand, inTime: change.on };
    case "time":
      return timed(hand, change.times);
    case "drop":
      return letGo(hand, change.keys ?? Object.keys(hand.held), sheet, now, change.fade ?? 1);
    case "takeUp":
      return {
        ...hand,
        held: { ...hand.held, ...hand.dropped },
        dropped: {},
        leaving: without(hand.leaving, Object.keys(hand.dropped)),
      };
    case "recorded":
      return { ...hand, held: mapped(hand.held, new Set(change.keys), (held) => ({ ...held, fresh: false })) };
  }
}

/** The Hand with moves taken into it; what is given again keeps the times it had. */
function given(hand: Hand, moves: Moves, sheet: ShowSheet, { now, from }: { now: number; from: Readonly<Record<string, number>> }): Hand {
  const held: Record<string, Held> = { ...hand.held };
  const names: string[] = [];
  for (const { key, spec } of checkedMoves(sheet, moves, "In hand")) {
    const before = heldValue(hand, key);
    const move = makeMove(targetOfMove(spec), { ...(before ? moveTiming(before.move) : {}), ...moveTiming(spec) });
    names.push(key.name);
    if (before && !before.fresh && sameMove(before.move, move)) continue;
    const course = hand.inTime ? { course: { at: now, from: startOf(hand, key, sheet, from) } } : {};
    held[key.name] = { move, fresh: true, ...fansLeft(before, moveTiming(spec)), ...course };
  }
  return { ...hand, held, leaving: without(hand.leaving, names) };
}

/** What a value that comes in its own times starts from: what the key puts out as it is in hand already, else what lies under the Hand (null). */
function startOf(hand: Hand, key: Key, sheet: ShowSheet, told: Readonly<Record<string, number>>): number | null {
  const [before, leaving] = [heldValue(hand, key), hand.leaving[key.name]];
  if (!before && !leaving) return null;
  const known = told[key.name] ?? (before ? resolve(before.move, key, sheet.palettes) : undefined);
  if (known !== undefined && !Number.isNaN(known)) return known;
  return leaving && "from" in leaving ? leaving.from : null;
}

/** The Hand with waves taken into it; one that is there already runs on. In their own times they grow in those of the value that is in hand for the key. */
function waved(hand: Hand, waves: Waves, sheet: ShowSheet, now: number): Hand {
  const held: Record<string, Held> = { ...hand.held };
  const leaving: Record<string, Leaving | LeavingWave> = { ...hand.leaving };
  for (const [key, wave] of wavesIn(sheet, waves, "In hand")) {
    const name = waveName(key.name);
    const before = heldWave(hand, key);
    if (before && sameData(before.wave, wave)) continue;
    const own = hand.inTime ? moveTiming(heldValue(hand, key)?.move ?? 0) : {};
    const times = { ...(own.delay ? { delay: own.delay } : {}), ...(own.fade ? { fade: own.fade } : {}) };
    held[name] = { wave, fresh: true, since: now, ...times };
    // The one before goes in the same time, each at its own age.
    if (before && own.fade) leaving[name] = { wave: before.wave, since: before.since, at: now, fade: own.fade };
    else delete leaving[name];
  }
  return { ...hand, held, leaving };
}

/** The Hand with own times laid on values that it holds. */
function timed(hand: Hand, times: Readonly<Record<string, HandTiming>>): Hand {
  const own = new Map(Object.entries(times));
  const held = mapped(hand.held, own, (each, name): Held => {
    if ("wave" in each) return each;
    const wanted = own.get(name) ?? {};
    const after = makeMove(targetOfMove(each.move), patchedTiming(moveTiming(each.move), wanted));
    const { fans: _was, ...rest } = each;
    const fans = fansLeft(each, wanted, wanted.fans);
    return sameMove(each.move, after) ? { ...rest, ...fans } : { ...rest, move: after, fresh: true, ...fans };
  });
  return { ...hand, held };
}

/** The value that is in hand for a key; undefined where none is. */
export function heldValue(hand: Hand, key: Key): HeldValue | undefined {
  const held = hand.held[key.name];
  return held && "move" in held ? held : undefined;
}

/** The wave that is in hand for a key, or its stop; undefined where none is. */
export function heldWave(hand: Hand, key: Key): HeldWave | undefined {
  const held = hand.held[waveName(key.name)];
  return held && "wave" in held ? held : undefined;
}

/** The fans of a value after some of its times were given anew: those of times that were left alone stay. */
function fansLeft(before: HeldValue | undefined, given: { fade?: unknown; delay?: unknown }, anew: HeldFans = {}): { fans?: HeldFans } {
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
  const leaving: Record<string, Leaving | LeavingWave> = Object.fromEntries(
    Object.entries(hand.leaving).filter(([, each]) => now < each.at + each.fade * 1000),
  );
  const dropped: Record<string, Held> = {};
  for (const name of going) {
    const held = hand.held[name];
    if (!held) continue;
    dropped[name] = held;
    const left = "wave" in held ? waveLeft(held, now, fade) : valueLeft(held, keyNamed(sheet.keys, name), sheet, now, fade);
    if (left) leaving[name] = left;
  }
  return { ...hand, held: without(hand.held, going), dropped, leaving };
}

/** A value on its way back to the show; undefined for one that puts nothing out. */
function valueLeft({ move }: HeldValue, key: Key | undefined, sheet: ShowSheet, at: number, fade: number): Leaving | undefined {
  const from = key ? resolve(move, key, sheet.palettes) : Number.NaN;
  return key && !Number.isNaN(from) ? { from, at, fade: key.attribute.snap ? 0 : fade } : undefined;
}

/** A wave on its way out; what sways under a stop comes back in the same time. */
function waveLeft({ wave, since }: HeldWave, at: number, fade: number): LeavingWave {
  return { wave, since, at, fade };
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
  if (Object.keys(hand.held).length === 0) return hand;
  const fresh = new Map<string, boolean>();
  for (const step of steps) {
    if (step.at === "move") {
      const name = keyName(step.channel, step.attribute);
      const held = hand.held[name];
      if (!held || "wave" in held) continue;
      if (sameTarget(step.after?.move, held.move)) fresh.set(name, false);
      else if (sameTarget(step.before?.move, held.move)) fresh.set(name, true);
    } else if (step.at === "part") {
      for (const [name, held] of Object.entries(hand.held)) {
        if (!("wave" in held)) continue;
        if (sameData(waveNamed(step.after?.waves, name), held.wave)) fresh.set(name, false);
        else if (sameData(waveNamed(step.before?.waves, name), held.wave)) fresh.set(name, true);
      }
    }
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
    for (const [name, held] of Object.entries(record)) {
      const key = keyNamed(sheet.keys, name);
      if (key && "move" in held) (moves[key.channel] ??= {})[key.attribute.id] = held.move;
    }
    const good = readMoves(moves, rig, sheet.palettes.byId, "In hand", []);
    return Object.fromEntries(
      Object.entries(record).filter(([name, held]) => {
        if ("wave" in held) return keyOfWave(sheet.keys, name) !== undefined && hasTempo(sheet, held);
        const key = keyNamed(sheet.keys, name);
        return key !== undefined && good[key.channel]?.[key.attribute.id] !== undefined;
      }),
    );
  };
  const all = Object.keys(hand.held).length + Object.keys(hand.dropped).length;
  const after = { ...hand, held: fits(hand.held), dropped: fits(hand.dropped) };
  return Object.keys(after.held).length + Object.keys(after.dropped).length === all ? hand : after;
}

/** True where the tempo that a wave goes by, if any, is in the show. */
function hasTempo({ show }: ShowSheet, { wave }: HeldWave): boolean {
  const tempo = "tempo" in wave ? wave.tempo : undefined;
  return tempo === undefined || (show.tempos ?? []).some(({ id }) => id === tempo);
}

/**
 * What a key puts out with the Hand over the show, without waves: `under` is what runs under it, `now` milliseconds of the server's clock.
 * In the attribute's own unit. For one key; `applyHand` does it for a whole frame.
 */
export function handOutput(hand: Hand, key: Key, palettes: Palettes, under: number, now: number): number {
  const held = heldValue(hand, key);
  if (held) {
    const value = resolve(held.move, key, palettes);
    if (!Number.isNaN(value)) return onCourse(value, held, under, now);
  }
  const leaving = hand.leaving[key.name];
  return leaving && "from" in leaving ? onTheWayBack(leaving.from, under, leaving.at, leaving.fade, now) : under;
}

/** Where a value in hand has come that takes its own times; what lies under it counts until it takes hold. */
function onCourse(value: number, { move, course }: HeldValue, under: number, now: number): number {
  if (!course) return value;
  const { delay = 0, fade = 0, curve = "linear" } = moveTiming(move);
  return comingIn({ from: course.from ?? under, value, delay, fade, curve, seconds: (now - course.at) / 1000 });
}

/** Held values with those of some names changed. */
function mapped(
  held: Readonly<Record<string, Held>>,
  names: { has(name: string): boolean },
  change: (held: Held, name: string) => Held,
): Record<string, Held> {
  return Object.fromEntries(Object.entries(held).map(([name, each]) => [name, names.has(name) ? change(each, name) : each]));
}
