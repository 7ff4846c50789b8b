import type { ListSheet } from "@zm/core";

/**
 * Where a cue sends its own list by itself, as the text can say it: its one go-to that names no time. Undefined where it has none, or where the next
 * cue follows by itself as well: the text has one way on for a cue.
 */
export function leadOf(list: ListSheet, row: number): { readonly cue: string; readonly after: number } | undefined {
  if (list.cues[row + 1]?.trigger?.type === "follow") return undefined;
  const ways = (list.cues[row]?.actions ?? []).flatMap((action) =>
    action.do === "goto" && action.list === list.id && action.time === undefined ? [{ cue: action.cue, after: action.after ?? 0 }] : [],
  );
  return ways.length === 1 ? ways[0] : undefined;
}
