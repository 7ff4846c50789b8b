import { columnOf, valueAt } from "../sheet/entry.ts";
import type { Key } from "../sheet/keys.ts";
import { restingAt } from "../sheet/rest.ts";
import { type ListSheet, findRow } from "../sheet/sheet.ts";
import type { Call } from "./calls.ts";

/**
 * A light that comes up somewhere new, and the cue in which it moves there in the dark (docs/rules.md, Marks). Rows throughout, times in
 * seconds.
 * Planned from the list alone: what other lists light is only known when it runs.
 */
export interface Mark {
  readonly channel: number;
  readonly calledAt: number;
  /** The rows right before the call in which it is dark; null for the first cue. */
  readonly window: { readonly first: number; readonly last: number } | null;
  /** The row in which it is made; null when the light moves live. */
  readonly markAt: number | null;
  /** The cue that was named for the mark although the light is not dark in it; then it moves live. */
  readonly strayCue: string | null;
  /** The ordinals of the keys that move. */
  readonly ordinals: readonly number[];
  /** The time that was asked for each key; the travel time counts where it is longer. */
  readonly fade: number;
  readonly delay: number;
  /** The delay and the longest of its keys' times. */
  readonly needed: number;
}

/**
 * One key that is prepared in the dark: where it moves, and how long that takes in seconds.
 * Values are in the attribute's own unit.
 */
export interface MarkedKey {
  readonly key: Key;
  readonly from: number;
  readonly to: number;
  readonly fade: number;
}

/**
 * What the settings of cue and list make of a call.
 * The cue's `mark.channels` beats its `mark.at` and policy, and these beat the list's policy (docs/rules.md, Marks).
 */
export function markOf(list: ListSheet, call: Call): Mark {
  const { channel, row, window, ordinals, travel } = call;
  const settings = list.cues[row]?.mark;
  const own = settings?.channels?.[channel];
  const fade = own?.fade ?? settings?.fade ?? list.list.marks?.fade ?? 0;
  const delay = own?.delay ?? settings?.delay ?? 0;
  const { markAt, strayCue } = placeOf(list, call);
  return { channel, calledAt: row, window, markAt, strayCue, ordinals, fade, delay, needed: delay + Math.max(fade, travel) };
}

/**
 * The keys of a mark, where each moves from and to, and its time.
 * Each key takes the time that was asked for, or what its speed needs where that is longer.
 */
export function markedKeys(list: ListSheet, { ordinals, calledAt, fade }: Mark): MarkedKey[] {
  return ordinals.flatMap((ordinal) => {
    const key = list.keys.all[ordinal];
    if (!key) return [];
    const { speed } = key.attribute;
    const from = restingAt(list, key, calledAt - 1);
    const to = valueAt(list, columnOf(list, key), calledAt);
    return [{ key, from, to, fade: Math.max(fade, speed === undefined ? 0 : Math.abs(to - from) / speed) }];
  });
}

/**
 * Where the mark of a call is made: what the cue says for this light, else for all its lights, else the list's policy, else
 * just before. A named cue in which the light is not dark gives none.
 */
function placeOf(list: ListSheet, { channel, row, window }: Call): Pick<Mark, "markAt" | "strayCue"> {
  const inView = { markAt: null, strayCue: null };
  if (!window) return inView;
  const settings = list.cues[row]?.mark;
  const own = settings?.channels?.[channel];
  if (own?.view) return inView;
  const named = own?.at ?? settings?.at;
  if (named !== undefined) {
    const at = findRow(list, named);
    return at >= window.first && at <= window.last ? { markAt: at, strayCue: null } : { markAt: null, strayCue: named };
  }
  const policy = settings?.policy ?? list.list.marks?.policy ?? "before";
  if (policy === "view") return inView;
  return { markAt: policy === "dark" ? window.first : window.last, strayCue: null };
}
