import { type ListSheet, cueOrder } from "@zm/core";

/** The rows of a chosen range in a list; null when none of it stands there. */
export function chosenRows(list: ListSheet, cues: { from: string; to: string } | null): { first: number; last: number } | null {
  if (!cues) return null;
  const first = list.order.findIndex((order) => order >= cueOrder(cues.from));
  const last = list.order.findLastIndex((order) => order <= cueOrder(cues.to));
  return first < 0 || last < first ? null : { first, last };
}
