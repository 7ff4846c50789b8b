import type { Key } from "../sheet/keys.ts";
import { type ListSheet, findRow } from "../sheet/sheet.ts";
import type { Call } from "./calls.ts";

/** One key that is prepared in the dark: where it moves, and how long that takes in seconds. */
export interface MarkedKey {
  readonly key: Key;
  readonly from: number;
  readonly to: number;
  readonly fade: number;
}

/** A light that comes up somewhere new, and the cue in which it moves there in the dark (SEMANTICS section 5). Rows throughout. */
export interface Mark {
  readonly channel: number;
  readonly calledAt: number;
  /** The rows right before the call in which it is dark; null for the first cue. */
  readonly window: { readonly first: number; readonly last: number } | null;
  /** The row in which it is made; null when the light moves live. */
  readonly markAt: number | null;
  /** The cue that was named for the mark although the light is not dark in it; then it moves live. */
  readonly strayCue: string | null;
  readonly keys: readonly MarkedKey[];
  readonly delay: number;
}

/** What the settings of cue and list make of a call. */
export function markOf(list: ListSheet, call: Call): Mark {
  const { channel, row, window } = call;
  const settings = list.cues[row]?.mark;
  const asked = settings?.fade ?? list.list.marks?.fade ?? 0;
  const keys = call.keys.map(({ key, from, to, travel }) => ({ key, from, to, fade: Math.max(asked, travel) }));
  return { channel, calledAt: row, window, ...placeOf(list, call), keys, delay: settings?.delay ?? 0 };
}

function placeOf(list: ListSheet, { channel, row, window }: Call): Pick<Mark, "markAt" | "strayCue"> {
  const live = { markAt: null, strayCue: null };
  if (!window) return live;
  const settings = list.cues[row]?.mark;
  const own = settings?.channels?.[channel];
  if (own && "live" in own) return live;
  const named = own?.at ?? settings?.at;
  if (named !== undefined) {
    const at = findRow(list, named);
    return at >= window.first && at <= window.last ? { markAt: at, strayCue: null } : { markAt: null, strayCue: named };
  }
  const policy = settings?.policy ?? list.list.marks?.policy ?? "late";
  if (policy === "live") return live;
  return { markAt: policy === "early" ? window.first : window.last, strayCue: null };
}
