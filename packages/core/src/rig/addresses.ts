import type { Channel, Show } from "../show/schema.ts";

/**
 * The addresses of one universe.
 * As the open standard for lighting data has it; addresses count from 1.
 */
export const UNIVERSE = 512;

/**
 * How many addresses a fixture type takes: one for each of its attributes, two for one of 16 bits.
 * 0 for a type that the show does not have.
 */
export function addressesOf(show: Pick<Show, "fixtureTypes">, type: string): number {
  const attributes = show.fixtureTypes.find((each) => each.id === type)?.attributes ?? [];
  return Math.max(
    1,
    attributes.reduce((sum, { bits = 8 }) => sum + bits / 8, 0),
  );
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
}

/**
 * The channels that are patched, with their addresses; they may reach past the end of their universe.
 * In the order of the channels' numbers. Lights without a patch are left out.
 */
export function patchedChannels(show: Pick<Show, "channels" | "fixtureTypes">): Patched[] {
  return show.channels.flatMap((channel): Patched[] => {
    if (!channel.patch) return [];
    const { universe, address } = channel.patch;
    return [{ channel, universe, first: address, last: address + addressesOf(show, channel.type) - 1 }];
  });
}

/**
 * What is said of a light that has less of its universe than it needs.
 * The sentence goes on after the light's name: "12 Table special reaches past …".
 */
export const PAST_THE_END = `reaches past the end of its universe, which has ${UNIVERSE} addresses: its last attributes answer to nothing`;
