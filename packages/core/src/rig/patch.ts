import type { Channel, Show } from "../show/schema.ts";
import { sheetOf } from "../sheet/sheet.ts";
import { checkPatch } from "../check/patch.ts";

/** A patch as people write it, universe and address: "2.101". Undefined for anything else. */
export function readPatch(text: string): Channel["patch"] {
  const found = /^\s*(\d{1,5})\s*[./:]\s*(\d{1,3})\s*$/.exec(text);
  const universe = Number(found?.[1]);
  const address = Number(found?.[2]);
  return found && universe >= 1 && universe <= 63_999 && address >= 1 && address <= 512 ? { universe, address } : undefined;
}

/** "2.101", or nothing for a channel that has no address. */
export function patchWords(patch: Channel["patch"]): string {
  return patch ? `${patch.universe}.${patch.address}` : "";
}

/** What is wrong with the patch, a sentence for each channel concerned: shared addresses, and lights that reach past their universe. */
export function patchFaults(show: Show): Map<number, string> {
  const found = checkPatch(sheetOf({ ...show, lists: [{ id: "main", label: "", cues: [] }] }));
  return new Map(found.flatMap(({ channel, message }): [number, string][] => (channel === null ? [] : [[channel, message]])));
}

/** How many addresses a fixture type takes: one for each of its attributes. */
export function addressesOf(show: Show, type: string): number {
  return Math.max(1, show.fixtureTypes.find((each) => each.id === type)?.attributes.length ?? 1);
}
