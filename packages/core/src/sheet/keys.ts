import { keyName } from "../show/keyName.ts";
import type { Attribute, Show } from "../show/schema.ts";
import { rigOf } from "../show/rig.ts";

/**
 * One attribute of one channel, written "12.pan". Its ordinal is its place in every table of this rig.
 * The unit in which lists, layers and looks count. Two keys of one rig are the same when they are the same object.
 */
export interface Key {
  readonly ordinal: number;
  readonly name: string;
  readonly channel: number;
  readonly attribute: Attribute;
  /** A key of a light that stays when everything else is put out. */
  readonly house: boolean;
}

/**
 * All keys of a rig: in the order of the channels, then of each type's attributes.
 * Built once for each rig; after a change of the rig ordinals may be others, so nothing is stored by them.
 */
export interface Keys {
  readonly all: readonly Key[];
  /** By channel number, then by attribute id; a channel of an unknown type has none. */
  readonly byChannel: ReadonlyMap<number, ReadonlyMap<string, Key>>;
  /** The ids of all attributes that any channel has. */
  readonly names: ReadonlySet<string>;
}

/**
 * Numbers every key of the rig.
 * Ordinals count from 0 without gaps. A channel of an unknown type gets no key.
 */
export function keysOf(show: Pick<Show, "fixtureTypes" | "channels">): Keys {
  const rig = rigOf(show);
  const houses = new Set(show.channels.filter(({ house }) => house === true).map(({ number }) => number));
  const all: Key[] = [];
  const byChannel = new Map<number, Map<string, Key>>();
  // The ordinal is the place in this order; tables by ordinal hold only as long as the rig stays the same.
  for (const [channel, attributes] of rig.attributes) {
    const own = new Map<string, Key>();
    for (const attribute of attributes.values()) {
      const key = { ordinal: all.length, name: keyName(channel, attribute.id), channel, attribute, house: houses.has(channel) };
      all.push(key);
      own.set(attribute.id, key);
    }
    byChannel.set(channel, own);
  }
  return { all, byChannel, names: new Set(all.map((key) => key.attribute.id)) };
}

/**
 * The key of a channel's attribute, or undefined when the rig has none such.
 * Throws nothing: names that come from outside are checked by `attributeAt`.
 */
export function keyAt(keys: Keys, channel: number, attribute: string): Key | undefined {
  return keys.byChannel.get(channel)?.get(attribute);
}

/**
 * The key written "12.pan", or undefined.
 * Undefined as well for text that is no key name at all.
 */
export function keyNamed(keys: Keys, name: string): Key | undefined {
  const dot = name.indexOf(".");
  return keyAt(keys, Number(name.slice(0, dot)), name.slice(dot + 1));
}

/**
 * The intensity of a channel, or undefined for one that has none.
 * Known by the family, not by the name: a type has at most one attribute of it.
 */
export function intensityOf(keys: Keys, channel: number): Key | undefined {
  for (const key of keys.byChannel.get(channel)?.values() ?? []) {
    if (key.attribute.family === "intensity") return key;
  }
  return undefined;
}
