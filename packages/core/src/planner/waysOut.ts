// What can be done about a light that has no time to be prepared: each way as edits, so that its cost can be seen before it is taken.
import type { EditInput } from "../edit/index.ts";
import { figure } from "../show/words.ts";
import { columnOf } from "../sheet/entry.ts";
import { intensityOf } from "../sheet/keys.ts";
import { type ListSheet, cueAt } from "../sheet/sheet.ts";
import { litRows } from "../marks/calls.ts";
import type { Mark } from "../marks/mark.ts";
import { moveIndexAt } from "../sheet/column.ts";
import { moveTiming } from "../show/move.ts";
import { placeMark } from "./proposals.ts";

/** One way out: what it is, what it costs in words, and the edits that take it. */
export interface WayOut {
  readonly kind: "earlier" | "later" | "view" | "other";
  readonly words: string;
  readonly edits: readonly EditInput[];
}

/** So many other lights are offered. */
const MOST_OTHERS = 2;

/**
 * The ways out for a mark that is so many seconds short: let the light go dark a cue earlier, let it come up later in its cue, let it move in view, or give its work to
 * another light of the same type that is free meanwhile. Empty only for a light that nothing can be done about.
 */
export function waysOut(list: ListSheet, types: ReadonlyMap<number, string>, mark: Mark, short: number): WayOut[] {
  const { channel, calledAt, window } = mark;
  const call = cueAt(list, calledAt).number;
  const level = intensityOf(list.keys, channel);
  const later = tenthsAbove(short);
  const ways: WayOut[] = [];
  if (window && window.first > 0 && level) {
    const cue = cueAt(list, window.first - 1).number;
    ways.push({
      kind: "earlier",
      words: `Let light ${channel} go dark in cue ${cue} already`,
      edits: [
        {
          op: "change",
          list: list.id,
          from: cue,
          to: cue,
          keys: { channels: [channel], families: ["intensity"] },
          do: { set: 0 },
          where: "look",
          after: "restore",
        },
      ],
    });
  }
  if (level && short > 0) {
    const column = columnOf(list, level);
    const index = moveIndexAt(column, calledAt);
    const spec = index < 0 ? undefined : column.specs[index];
    if (spec !== undefined) {
      const delay = (moveTiming(spec).delay ?? 0) + later;
      ways.push({
        kind: "later",
        words: `Let light ${channel} come up ${figure(later)} s later in cue ${call}`,
        edits: [{ op: "setMoveTimes", list: list.id, from: call, to: call, keys: { channels: [channel], families: ["intensity"] }, delay }],
      });
    }
  }
  if (mark.markAt !== null || mark.strayCue !== null)
    ways.push({ kind: "view", words: `Let light ${channel} move in view`, edits: [placeMark(list, mark, null)] });
  return [...ways, ...others(list, types, mark)];
}

/** Seconds in tenths, never less than they were. */
function tenthsAbove(seconds: number): number {
  return Math.ceil(seconds * 10 - 1e-6) / 10;
}

/** Other lights of the same type that are dark from before the call to where the light goes dark again, each with the edit that gives them its work there. */
function others(list: ListSheet, types: ReadonlyMap<number, string>, { channel, calledAt, window }: Mark): WayOut[] {
  const lit = litRows(list, channel);
  let last = calledAt;
  while (last + 1 < lit.length && lit[last + 1] === 1) last += 1;
  const first = Math.max(0, (window?.first ?? calledAt) - 1);
  const free = [...types].filter(
    ([other, type]) =>
      other !== channel &&
      type === types.get(channel) &&
      !litRows(list, other)
        .subarray(first, last + 2)
        .includes(1),
  );
  const [from, to] = [cueAt(list, calledAt).number, cueAt(list, last).number];
  return free.slice(0, MOST_OTHERS).map(([other]) => ({
    kind: "other",
    words: `Let light ${other} do it in cues ${from} to ${to}: it is free`,
    edits: [{ op: "recast", list: list.id, from, to, channel, as: other, how: "replace", where: "look", after: "restore" }],
  }));
}
