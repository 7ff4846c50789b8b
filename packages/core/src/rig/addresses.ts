import type { Attribute, Channel, FixtureType, Show } from "../show/schema.ts";

/**
 * The addresses of one universe.
 * As the open standard for lighting data has it; addresses count from 1.
 */
export const UNIVERSE = 512;

/** Where one attribute of a type stands behind the address of its light, from 0: an address for each of its bytes, the coarse one first. */
export interface AttributePlace {
  readonly attribute: Attribute;
  readonly offsets: readonly number[];
}

/**
 * Where the attributes of a type stand under one of its breaks, counted from 1: those that name their addresses there, all others one behind the other, behind the
 * attribute before them (docs/running.md, Output). Under a patch that the type has no break for, all stand as under the first: the same values once more.
 */
export function placesOf({ attributes }: Pick<FixtureType, "attributes">, patch = 1): AttributePlace[] {
  const under = attributes.some((attribute) => (attribute.break ?? 1) === patch) ? patch : 1;
  let next = 0;
  return attributes.flatMap((attribute): AttributePlace[] => {
    const { at, bits = 8 } = attribute;
    if ((attribute.break ?? 1) !== under) return [];
    const offsets = at ? at.map((address) => address - 1) : Array.from({ length: bits / 8 }, (_, byte) => next + byte);
    next = Math.max(...offsets) + 1;
    return [{ attribute, offsets }];
  });
}

/**
 * How many addresses a fixture type takes under one of its breaks: up to the last that one of its attributes names, one for each of 8 bits.
 * 1 for a type that the show does not have.
 */
export function addressesOf(show: Pick<Show, "fixtureTypes">, type: string, under = 1): number {
  const found = show.fixtureTypes.find((each) => each.id === type);
  const places = found ? placesOf(found, under) : [];
  return Math.max(1, ...places.flatMap(({ offsets }) => offsets.map((offset) => offset + 1)));
}

/**
 * A patched channel and the addresses that it takes, its attributes' one behind the other.
 * Addresses count from 1, and `last` may be above 512 where the light does not fit: Check says so.
 */
export interface Patched {
  readonly channel: Channel;
  readonly universe: number;
  readonly first: number;
  readonly last: number;
  /** Which of the light's patches it is, counted from 1. */
  readonly under: number;
  /** What its level gives there at full, per cent. */
  readonly level: number;
}

/**
 * The channels that are patched, with their addresses; they may reach past the end of their universe.
 * In the order of the channels' numbers, a light that is patched at several places once for each. Lights without a patch are left out.
 */
export function patchedChannels(show: Pick<Show, "channels" | "fixtureTypes">): Patched[] {
  return show.channels.flatMap((channel): Patched[] => {
    if (!channel.patch) return [];
    const { more = [], ...own } = channel.patch;
    return [own, ...more].map(({ universe, address, level = 100 }, at) => {
      const under = at + 1;
      return { channel, universe, first: address, last: address + addressesOf(show, channel.type, under) - 1, under, level };
    });
  });
}

/**
 * What is said of a light that has less of its universe than it needs.
 * The sentence goes on after the light's name: "12 Table special reaches past …".
 */
export const PAST_THE_END = `reaches past the end of its universe, which has ${UNIVERSE} addresses: its last attributes answer to nothing`;
