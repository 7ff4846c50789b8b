import type { Show } from "../show/schema.ts";
import { UNIVERSE, addressesOf, patchedChannels } from "./addresses.ts";

/** The number behind the highest light of a rig, or of those of one type where it has some; 1 in an empty rig. */
export function nextFreeNumber({ channels }: Pick<Show, "channels">, type?: string): number {
  const taken = new Set(channels.map(({ number }) => number));
  const alike = channels.filter((channel) => channel.type === type).map(({ number }) => number);
  let next = Math.max(0, ...(alike.length > 0 ? alike : taken)) + 1;
  while (taken.has(next)) next += 1;
  return next;
}

/**
 * The first patch behind which so many lights of a type find room one behind the other, in the universe that is filled last, else at the
 * beginning of the next. Undefined for a row that is longer than a universe.
 */
export function nextFreePatch(
  show: Pick<Show, "channels" | "fixtureTypes">,
  type: string,
  lights = 1,
): { universe: number; address: number } | undefined {
  const patched = patchedChannels(show);
  const needed = addressesOf(show, type) * Math.max(1, lights);
  if (needed > UNIVERSE) return undefined;
  const universe = Math.max(1, ...patched.map((each) => each.universe));
  const last = Math.max(0, ...patched.filter((each) => each.universe === universe).map((each) => each.last));
  return last + needed <= UNIVERSE ? { universe, address: last + 1 } : { universe: universe + 1, address: 1 };
}
