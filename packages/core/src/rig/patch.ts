import type { Channel } from "../show/schema.ts";
import type { ShowSheet } from "../sheet/sheet.ts";
import { LAST_UNIVERSE } from "./countedThrough.ts";
import { PAST_THE_END, type Patched, UNIVERSE, patchedChannels } from "./addresses.ts";

/**
 * A patch as people write it, universe and address: "2.101". Undefined for anything else.
 * Universe 1 to 63999, address 1 to 512; a slash or a colon between the two is taken as well.
 * Whether the light fits is checked by `patchFaults`.
 */
export function readPatch(text: string): Channel["patch"] {
  const found = /^\s*(\d{1,5})\s*[./:]\s*(\d{1,3})\s*$/.exec(text);
  const universe = Number(found?.[1]);
  const address = Number(found?.[2]);
  return found && universe >= 1 && universe <= LAST_UNIVERSE && address >= 1 && address <= UNIVERSE ? { universe, address } : undefined;
}

/** Further patches that a light may have beside its first. */
const MOST_MORE = 63;

/**
 * As `readPatch`, for a light that is patched at several places, and for one whose level does not give all there: "1.101, 2.7@80". Undefined where one of them is none,
 * and for more than 64.
 */
export function readPatches(text: string): Channel["patch"] {
  const [first, ...more] = text.split(",").map(readLeveled);
  const others = more.flatMap((patch) => patch ?? []);
  if (!first || others.length < more.length || others.length > MOST_MORE) return undefined;
  return others.length > 0 ? { ...first, more: others } : first;
}

/** One place with its level behind it. */
function readLeveled(text: string): { universe: number; address: number; level?: number } | undefined {
  const [, place = "", typed] = /^([^@]*)(?:@\s*(\d{1,3}(?:\.\d+)?)\s*)?$/.exec(text) ?? [];
  const patch = readPatch(place);
  const level = typed === undefined ? 100 : Number(typed);
  if (!patch || level > 100) return undefined;
  return { universe: patch.universe, address: patch.address, ...(level === 100 ? {} : { level }) };
}

/**
 * "2.101", "1.101, 2.7@80" for a light that is patched at several places, or nothing for a channel that has no address.
 * The form in which it is typed, shown on paper and written in tables.
 */
export function patchWords(patch: Channel["patch"]): string {
  const words = ({ universe, address, level = 100 }: { universe: number; address: number; level?: number | undefined }): string =>
    `${universe}.${address}${level === 100 ? "" : `@${level}`}`;
  return patch ? [patch, ...(patch.more ?? [])].map(words).join(", ") : "";
}

/**
 * What is wrong with the patch, a sentence for each channel concerned: both of two lights that share addresses, and lights that reach past
 * their universe.
 * By channel number; channels without a fault are not in the map. Both lights of a clash are told of each other.
 */
export function patchFaults({ show }: Pick<ShowSheet, "show">): Map<number, string> {
  const spans = patchedChannels(show).sort((a, b) => a.universe - b.universe || a.first - b.first || a.channel.number - b.channel.number);
  const faults = new Map<number, string>();
  const tell = (own: Patched, what: string): void => {
    const { number } = own.channel;
    if (!faults.has(number)) faults.set(number, `Light ${number} at ${spanWords(own)} ${what}`);
  };
  spans.forEach((own, index) => {
    for (let at = index + 1; at < spans.length; at += 1) {
      const other = spans[at];
      if (!other || other.universe !== own.universe || other.first > own.last) break;
      tell(own, `shares addresses with light ${other.channel.number} at ${spanWords(other)}: both answer to the same values`);
      tell(other, `shares addresses with light ${own.channel.number} at ${spanWords(own)}: both answer to the same values`);
    }
    if (own.last > UNIVERSE) tell(own, PAST_THE_END);
  });
  return faults;
}

/**
 * What edits would newly put wrong in the patch, before they are made: a sentence for each channel concerned.
 * What was wrong before is not told again: the question is what these edits would break. Empty where nothing gets worse.
 */
export function newPatchFaults(before: Pick<ShowSheet, "show">, after: Pick<ShowSheet, "show">): string[] {
  const known = patchFaults(before);
  return [...patchFaults(after)].flatMap(([channel, words]) => (known.get(channel) === words ? [] : [words]));
}

/** The addresses of a light: "1.101 to 1.104". */
function spanWords({ universe, first, last }: Patched): string {
  return `${universe}.${first}${last > first ? ` to ${universe}.${last}` : ""}`;
}
