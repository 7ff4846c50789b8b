import type { Channel } from "../show/schema.ts";
import type { ShowSheet } from "../sheet/sheet.ts";
import { checkPatch } from "../check/patch.ts";
import { UNIVERSE } from "./addresses.ts";

/** A patch as people write it, universe and address: "2.101". Undefined for anything else. */
export function readPatch(text: string): Channel["patch"] {
  const found = /^\s*(\d{1,5})\s*[./:]\s*(\d{1,3})\s*$/.exec(text);
  const universe = Number(found?.[1]);
  const address = Number(found?.[2]);
  return found && universe >= 1 && universe <= 63_999 && address >= 1 && address <= UNIVERSE ? { universe, address } : undefined;
}

/** "2.101", or nothing for a channel that has no address. */
export function patchWords(patch: Channel["patch"]): string {
  return patch ? `${patch.universe}.${patch.address}` : "";
}

/** What is wrong with the patch, a sentence for each channel concerned: shared addresses, and lights that reach past their universe. */
export function patchFaults(sheet: ShowSheet): Map<number, string> {
  return new Map(checkPatch(sheet).flatMap(({ channel, message }): [number, string][] => (channel === null ? [] : [[channel, message]])));
}
