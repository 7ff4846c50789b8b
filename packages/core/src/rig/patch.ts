import type { Channel } from "../show/schema.ts";
import type { ShowSheet } from "../sheet/sheet.ts";
import { UNIVERSE, addressesOf } from "./addresses.ts";

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

/** A patched channel and the addresses that it takes. */
interface Span {
  readonly channel: number;
  readonly universe: number;
  readonly first: number;
  readonly last: number;
}

/** What is wrong with the patch, a sentence for each channel concerned: both of two lights that share addresses, and lights that reach past their universe. */
export function patchFaults({ show }: Pick<ShowSheet, "show">): Map<number, string> {
  const spans = show.channels
    .flatMap(({ number, type, patch }): Span[] =>
      patch ? [{ channel: number, universe: patch.universe, first: patch.address, last: patch.address + addressesOf(show, type) - 1 }] : [],
    )
    .sort((a, b) => a.universe - b.universe || a.first - b.first || a.channel - b.channel);
  const faults = new Map<number, string>();
  const tell = (own: Span, what: string): void => {
    if (!faults.has(own.channel)) faults.set(own.channel, `Channel ${own.channel} at ${spanWords(own)} ${what}`);
  };
  spans.forEach((own, index) => {
    for (let at = index + 1; at < spans.length; at += 1) {
      const other = spans[at];
      if (!other || other.universe !== own.universe || other.first > own.last) break;
      tell(own, `shares addresses with channel ${other.channel} at ${spanWords(other)}: both answer to the same values`);
      tell(other, `shares addresses with channel ${own.channel} at ${spanWords(own)}: both answer to the same values`);
    }
    if (own.last > UNIVERSE)
      tell(own, `reaches past the end of its universe, which has ${UNIVERSE} addresses: its last attributes answer to nothing`);
  });
  return faults;
}

/** What edits would newly put wrong in the patch, before they are made: a sentence for each channel concerned. */
export function newPatchFaults(before: Pick<ShowSheet, "show">, after: Pick<ShowSheet, "show">): string[] {
  const known = patchFaults(before);
  return [...patchFaults(after)].flatMap(([channel, words]) => (known.get(channel) === words ? [] : [words]));
}

function spanWords({ universe, first, last }: Span): string {
  return `${universe}.${first}${last > first ? ` to ${universe}.${last}` : ""}`;
}
