import { isBlackout } from "../show/blackout.ts";
import { litRows } from "../marks/calls.ts";
import { intAt } from "../show/at.ts";
import { cueAt } from "../sheet/sheet.ts";
import { columnOf, valueAt } from "../sheet/entry.ts";
import { intensityOf } from "../sheet/keys.ts";
import { isWall } from "../sheet/tracking.ts";
import type { ListCache } from "./checkCache.ts";
import type { CheckContext } from "./context.ts";
import { type Finding, findingAt, onlyLight } from "./finding.ts";
import { count, figure, listed } from "../show/words.ts";

/** Labels that say the stage is lit. */
const LIT = /\b(lights? up|up full|full up|all up|full stage)\b/i;

/**
 * Cues whose label says blackout and that leave light, and cues whose label says light and that leave none.
 * Labels are read for whole words. A blackout leaves light where any intensity of its look is above 0.
 */
export function checkBlackouts(context: CheckContext): Finding[] {
  const lit = litByChannel(context);
  const counts = litCounts(context, lit);
  return context.list.cues.flatMap((cue, row) => {
    const label = cue.label ?? "";
    const unwalled = darkUnwalled(context, counts, row);
    if (isBlackout(label)) return [...litInBlackout(context, lit, row), ...unwalled];
    return LIT.test(label) && counts[row] === 0 ? [darkButLit(context, row), ...unwalled] : unwalled;
  });
}

/** By channel: the rows in which it is lit; untouched lights as they were when the list was looked at last. */
function litByChannel({ list, holds, keep }: CheckContext): ListCache["litRows"] {
  for (const channel of list.keys.byChannel.keys()) {
    const known = holds && !holds.channels.has(channel) ? holds.cache.litRows.get(channel) : undefined;
    keep.litRows.set(channel, known ?? litRows(list, channel));
  }
  return keep.litRows;
}

/** By row, how many lights are lit. */
function litCounts({ list }: CheckContext, lit: ListCache["litRows"]): Int32Array {
  const counts = new Int32Array(list.cues.length);
  for (const rows of lit.values()) for (let row = 0; row < counts.length; row += 1) counts[row] = intAt(counts, row) + (rows[row] ?? 0);
  return counts;
}

/** Tells of a cue that puts everything out, so that light rises from 0 behind it, and is no wall. A cue that keeps its moves to itself ends nothing. */
function darkUnwalled(context: CheckContext, counts: Int32Array, row: number): Finding[] {
  const { list } = context;
  const putsOut = counts[row] === 0 && (counts[row - 1] ?? 0) > 0;
  const risesBehind = (counts[row + 1] ?? 0) > 0;
  if (!putsOut || !risesBehind || isWall(list, row) || isWall(list, row + 1)) return [];
  const cue = cueAt(list, row);
  if ((cue.carries ?? "track") !== "track") return [];
  const next = cueAt(list, row + 1).number;
  const message = `Cue ${cue.number} puts everything out, cue ${next} rises from 0, and neither is a wall: what is put in before leaks into what comes after. Block the cue where all is dark.`;
  return [findingAt(context, "dark-unwalled", row, null, message, [{ op: "block", from: cue.number, to: cue.number }])];
}

/** Tells of a cue that is called a blackout and leaves lights on. */
function litInBlackout(context: CheckContext, lit: ListCache["litRows"], row: number): Finding[] {
  const lights = [...lit].flatMap(([channel, rows]) => (rows[row] === 1 ? [channel] : []));
  if (lights.length === 0) return [];
  const cue = cueAt(context.list, row).number;
  const told = listed(lights.map((channel) => `${channel}${levelWords(context, channel, row)}`));
  const message = `Cue ${cue} is called a blackout, and ${count(lights.length, "light")} ${lights.length === 1 ? "stays" : "stay"} on: ${told}. Take ${lights.length === 1 ? "it" : "them"} out, and block the cue so that nothing tracks in.`;
  const dimmed = lights.filter((channel) => intensityOf(context.list.keys, channel));
  const mend =
    dimmed.length === 0
      ? undefined
      : [{ op: "change" as const, from: cue, to: cue, keys: { channels: dimmed, families: ["intensity" as const] }, do: { set: 0 } }];
  return [findingAt(context, "lit-in-blackout", row, onlyLight(lights), message, mend)];
}

/** The level of a light in a row as " at 40"; empty for a light without one. */
function levelWords({ list }: CheckContext, channel: number, row: number): string {
  const key = intensityOf(list.keys, channel);
  return key ? ` at ${figure(valueAt(list, columnOf(list, key), row))}` : "";
}

/** Tells of a cue whose label says light and whose look has none. */
function darkButLit(context: CheckContext, row: number): Finding {
  const { number, label = "" } = cueAt(context.list, row);
  const message = `Cue ${number} is called "${label}", and no light is on in it. Record its look, or change its label.`;
  return findingAt(context, "dark-but-labelled-lit", row, null, message);
}
