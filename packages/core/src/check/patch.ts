import { groupBy } from "../show/groupBy.ts";
import type { Channel } from "../show/schema.ts";
import type { ShowSheet } from "../sheet/sheet.ts";
import { PAST_THE_END, type Patched, UNIVERSE, patchedChannels } from "../rig/addresses.ts";
import { CODES, type Finding } from "./finding.ts";

/**
 * Channels that share addresses, or reach past the end of their universe.
 * The code is `patch-clash`; `channel` names the light, `list` and `cue` are null.
 */
export function checkPatch(sheet: ShowSheet): Finding[] {
  const patched = patchedChannels(sheet.show);
  return [...groupBy(patched, ({ universe }) => String(universe)).values()].flatMap((own) => inUniverse(own));
}

/** Tells of lights in one universe that share addresses, each with the one before it that reaches furthest. */
function inUniverse(patched: readonly Patched[]): Finding[] {
  const rising = [...patched].sort((a, b) => a.first - b.first || a.channel.number - b.channel.number);
  const free = freeAddress(rising);
  let furthest: Patched | undefined;
  return rising.flatMap((own) => {
    const other = furthest;
    if (!furthest || own.last > furthest.last) furthest = own;
    if (other && own.first <= other.last)
      return [
        finding(
          own,
          free(own),
          `shares addresses with light ${other.channel.number}, which has ${other.first} to ${other.last}: both answer to the same values`,
        ),
      ];
    if (own.last > UNIVERSE) return [finding(own, free(own), PAST_THE_END)];
    return [];
  });
}

/** Finds the first address of a universe from which a channel finds room. */
function freeAddress(taken: readonly Patched[]): (own: Patched) => number | undefined {
  return (own) => {
    let from = 1;
    for (const other of taken) {
      if (other === own) continue;
      if (from + own.last - own.first < other.first) break;
      from = Math.max(from, other.last + 1);
    }
    return from + own.last - own.first <= UNIVERSE ? from : undefined;
  };
}

/** The patch of a light with one of its places put elsewhere in the same universe. */
function mended({ channel, universe, under }: Patched, address: number): Channel["patch"] {
  const { more, ...own } = channel.patch ?? { universe, address };
  if (under === 1) return { ...own, universe, address, ...(more ? { more } : {}) };
  return { ...own, more: (more ?? []).map((each, at) => (at === under - 2 ? { ...each, universe, address } : each)) };
}

/** A finding about the patch of one light, with the addresses that are free. */
function finding(own: Patched, free: number | undefined, what: string): Finding {
  const { channel, universe, first, last } = own;
  const advice = free === undefined ? "Put it in another universe." : `Addresses from ${free} on are free.`;
  return {
    code: "patch-clash",
    severity: CODES["patch-clash"],
    list: null,
    cue: null,
    channel: channel.number,
    message: `Light ${channel.number} at ${universe}.${first} to ${universe}.${last} ${what}. ${advice}`,
    ...(free === undefined ? {} : { mend: [{ op: "setChannel", channel: { ...channel, patch: mended(own, free) } }] }),
  };
}
