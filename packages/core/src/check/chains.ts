import { at, floatAt } from "../show/at.ts";
import { groupBy } from "../show/groupBy.ts";
import type { Mark } from "../marks/mark.ts";
import { marksByChannel, sameMarks } from "../marks/marksByChannel.ts";
import { type Column, moveIndexAt } from "../sheet/column.ts";
import { sameValue, valueAt } from "../sheet/entry.ts";
import { type ListSheet, cueAt } from "../sheet/sheet.ts";
import { chainClock } from "../time/chainClock.ts";
import { cueDuration } from "../time/durations.ts";
import { cutFades } from "../time/cutFades.ts";
import type { CheckContext } from "./context.ts";
import { type Finding, findingAt, onlyLight } from "./finding.ts";
import { count, figure } from "../show/words.ts";

/** A chain with more cues than this, or one that runs longer, is likely not meant to run by itself. */
const MOST_LINKS = 8;
/** A chain that runs by itself for longer than this is reported. Seconds. */
const LONGEST = 300;

/**
 * Follows that fire while the same keys still fade, and chains that run by themselves for very long.
 * Told at the cue that follows, or at the Go of the chain. Times as the list stands at rest.
 */
export function checkChains(context: CheckContext): Finding[] {
  const chains = chainsOf(context.list);
  return [...overlaps(context, chains), ...chains.flatMap((rows) => longChain(context, rows))];
}

/** The rows of each chain, by the Go that starts it. */
function chainsOf(list: ListSheet): number[][] {
  const { presses } = chainClock(list);
  const chains = new Map<number, number[]>();
  presses.forEach((press, row) => {
    const own = chains.get(press);
    if (own) own.push(row);
    else chains.set(press, [row]);
  });
  return [...chains.values()].filter((rows) => rows.length > 1);
}

/** Tells of keys that a later cue of a chain takes before an earlier one has brought them to their end. */
function overlaps(context: CheckContext, chains: readonly (readonly number[])[]): Finding[] {
  return chains.flatMap((rows) => {
    const [press = 0] = rows;
    const own = knownOverlaps(context, rows) ?? overlapsIn(context, rows);
    context.keep.chains.set(press, own);
    return own;
  });
}

/** What an earlier look found in a chain, where it runs as it did and every light in it does as it did; undefined where it has to be looked at. */
function knownOverlaps({ list, holds }: CheckContext, rows: readonly number[]): readonly Finding[] | undefined {
  const [first = 0] = rows;
  const last = rows.at(-1) ?? first;
  const known = holds?.cache.chains.get(first);
  const other = holds?.otherClock;
  if (!holds || !known || (other && other.first <= last && other.last >= first)) return undefined;
  const touched = [...holds.channels].some((channel) => isTouched(list, holds.cache.list, channel, first, last));
  return touched ? undefined : known;
}

/** True where a light does something else in rows first to last than it did: its moves there, what it comes from, or its marks. */
function isTouched(list: ListSheet, before: ListSheet, channel: number, first: number, last: number): boolean {
  for (const { ordinal } of list.keys.byChannel.get(channel)?.values() ?? []) {
    const [was, is] = [at(before.columns, ordinal), at(list.columns, ordinal)];
    if (was === is) continue;
    for (let row = Math.max(0, first - 1); row <= last; row += 1) {
      if (!sameValue(valueAt(before, was, row), valueAt(list, is, row))) return true;
      if (row >= first && !sameMoveAt(was, is, row)) return true;
    }
  }
  const marks = (of: ListSheet): Mark[] =>
    (marksByChannel(of).get(channel) ?? []).filter(({ markAt, calledAt }) => calledAt >= first && (markAt ?? calledAt) <= last);
  return !sameMarks(marks(before), marks(list));
}

/** True where two columns store the same in a row: the same move in the same part, or none. */
function sameMoveAt(a: Column, b: Column, row: number): boolean {
  const [one, other] = [moveIndexAt(a, row), moveIndexAt(b, row)];
  if (one < 0 || other < 0) return one === other;
  return a.specs[one] === b.specs[other] && a.parts[one] === b.parts[other];
}

function overlapsIn(context: CheckContext, rows: readonly number[]): Finding[] {
  const { list } = context;
  const { offsets } = chainClock(list);
  const links = rows.map((row) => ({ row, start: floatAt(offsets, row), duration: 0 }));
  const byCue = groupBy(cutFades(list, links), ({ by }) => by);
  return rows.flatMap((row) => {
    const cut = new Map<number, number>();
    for (const { key, row: of } of byCue.get(row) ?? []) cut.set(key.channel, Math.min(cut.get(key.channel) ?? of, of));
    return cut.size === 0 ? [] : [overlap(context, row, cut)];
  });
}

/** `cut`: the lights whose fades are cut short, with the rows that those fades come from. */
function overlap(context: CheckContext, row: number, cut: ReadonlyMap<number, number>): Finding {
  const { list } = context;
  const cue = cueAt(list, row);
  // The first of them: the order in which lights and keys are met says nothing.
  const from = Math.min(...cut.values());
  const lights = [...cut.keys()];
  const message = `Cue ${cue.number} follows while ${lights.length === 1 ? `light ${lights[0] ?? ""} is` : `${count(lights.length, "light")} are`} still fading from cue ${cueAt(list, from).number}: that fade is cut short and never arrives. Let it follow when the cue before is complete, or shorten the fade.`;
  const after =
    cue.trigger?.type === "follow" && cue.trigger.from === "go" ? Math.max(0, cue.trigger.after - cueDuration(list, row - 1)) : undefined;
  const mend =
    after === undefined
      ? undefined
      : [
          {
            op: "setCue" as const,
            from: cue.number,
            to: cue.number,
            trigger: { type: "follow" as const, from: "complete" as const, after },
          },
        ];
  return findingAt(context, "fades-overlap", row, onlyLight(lights), message, mend);
}

/** Tells of a chain with more links, or a longer run, than anybody can follow. */
function longChain(context: CheckContext, rows: readonly number[]): Finding[] {
  const { offsets } = chainClock(context.list);
  const [press = 0] = rows;
  const seconds = offsets[rows.at(-1) ?? press] ?? 0;
  if (rows.length <= MOST_LINKS && seconds <= LONGEST) return [];
  const cue = cueAt(context.list, press).number;
  return [
    findingAt(
      context,
      "long-chain",
      press,
      null,
      `A Go on cue ${cue} starts ${rows.length - 1} more cues that run by themselves for ${figure(seconds)} s, to cue ${cueAt(context.list, rows.at(-1) ?? press).number}. If that is not meant, let one of them wait for a Go.`,
    ),
  ];
}
