import { UNIVERSE } from "./addresses.ts";

/** The last universe that the open standard for lighting data has. */
export const LAST_UNIVERSE = 63_999;

/** A place where a light can be patched: a universe, and an address in it from 1. */
export interface Address {
  readonly universe: number;
  readonly address: number;
}

/** The last address that a document has, counted through all universes. */
export const LAST_ADDRESS = LAST_UNIVERSE * UNIVERSE;

/** An address counted through all universes from 1, as dimmers are in papers that know no universes: 2/1 is 513. */
export function countedThrough({ universe, address }: Address): number {
  return (universe - 1) * UNIVERSE + address;
}

/** The place of an address that is counted through all universes: 513 is 2/1. Undefined for what is no whole number from 1 to the last address. */
export function addressCounted(counted: number): Address | undefined {
  if (!Number.isInteger(counted) || counted < 1 || counted > LAST_ADDRESS) return undefined;
  return { universe: Math.floor((counted - 1) / UNIVERSE) + 1, address: ((counted - 1) % UNIVERSE) + 1 };
}
