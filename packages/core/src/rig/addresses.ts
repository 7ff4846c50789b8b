import type { Show } from "../show/schema.ts";

/** The addresses of one universe. */
export const UNIVERSE = 512;

/** How many addresses a fixture type takes: one for each of its attributes. */
export function addressesOf(show: Pick<Show, "fixtureTypes">, type: string): number {
  return Math.max(1, show.fixtureTypes.find((each) => each.id === type)?.attributes.length ?? 1);
}
