import type { Cue } from "../show/schema.ts";
import { type ListSheet, cueAt } from "../sheet/sheet.ts";
import { cueDuration } from "./durations.ts";
import { type Run, durationOf, transitionOf } from "./transition.ts";

/**
 * One cue of a chain that runs by itself; seconds from the Go of the chain's first cue.
 * Rows count from 0. `duration` is that of the cue alone.
 */
export interface ChainLink {
  readonly row: number;
  readonly start: number;
  readonly duration: number;
}

/**
 * How long after the Go of a cue of this duration the next one fires by itself; undefined when it waits for a Go.
 * Counted from the Go of the cue before, whichever of the two the trigger counts from.
 */
export function followAfter(next: Cue | undefined, duration: number): number | undefined {
  if (next?.trigger?.type !== "follow") return undefined;
  return (next.trigger.from === "complete" ? duration : 0) + next.trigger.after;
}

/**
 * The chain that a Go on a row starts, up to the first cue that waits for a Go.
 * The first link is the row itself, at 0. Links are by the time of their Go.
 */
export function chainFrom(list: ListSheet, row: number): ChainLink[] {
  const links: ChainLink[] = [];
  let start = 0;
  for (let at = row; at < list.cues.length; at += 1) {
    const duration = cueDuration(list, at);
    links.push({ row: at, start, duration });
    const after = followAfter(list.cues[at + 1], duration);
    if (after === undefined) break;
    start += after;
  }
  return links;
}

/**
 * How long rows first to last take from the Go of the first until all of it is complete, seconds; the row that is reached instead where a
 * Go lies between.
 * The first row counts as pressed. For telling how long a range lasts, and for stretching it.
 */
export function rangeLength(list: ListSheet, first: number, last: number): { readonly seconds: number } | { readonly reached: number } {
  const links = chainFrom(list, first).filter(({ row }) => row <= last);
  const reached = links.at(-1)?.row ?? first;
  return reached < last ? { reached } : { seconds: Math.max(0, ...links.map(({ start, duration }) => start + duration)) };
}

/**
 * The whole chain that a cue belongs to: from the cue somebody presses, to the last that follows.
 * A row that nothing follows and that follows nothing is a chain of one.
 */
export function chainAround(list: ListSheet, row: number): ChainLink[] {
  let first = row;
  while (first > 0 && list.cues[first]?.trigger?.type === "follow") first -= 1;
  return chainFrom(list, first);
}

/**
 * A chain as plain data, with every key's run.
 * Keys by their names; values in the attribute's own unit, times in seconds.
 */
export interface ScheduledCue {
  cue: string;
  start: number;
  duration: number;
  keys: Record<string, Omit<Run, "key" | "part">>;
}

/**
 * What happens, key by key, when somebody presses Go on a row.
 * As `schedule` of the headless commands prints it (FORMAT).
 */
export function scheduleFrom(list: ListSheet, row: number): ScheduledCue[] {
  return chainFrom(list, row).map((link) => {
    const transition = transitionOf(list, link.row);
    const keys = transition.runs.map(
      ({ key, from, to, delay, fade, curve, cause }) => [key.name, { from, to, delay, fade, curve, cause }] as const,
    );
    return { cue: cueAt(list, link.row).number, start: link.start, duration: durationOf(transition), keys: Object.fromEntries(keys) };
  });
}
