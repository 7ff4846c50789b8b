import type { MoveSpec } from "../show/schema.ts";
import type { Key } from "../sheet/keys.ts";
import { type HeldWave, type LeavingWave, waveName } from "./heldWave.ts";

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
