import { z } from "zod";
import { editParts } from "../show/schema.ts";
import type { ShowSheet } from "../sheet/sheet.ts";
import type { Mix } from "./mix.ts";
import { mixAfterEdit } from "./mixSnapshot.ts";
import { mixPressSchema, pressOn } from "./play.ts";

const t = z.number();
const cue = editParts.cueNumber;

/**
 * One thing that happens to a run, as plain data; `t` is seconds of the run's clock. A caller that has the run before it and the same show computes the run
 * after it: a press; the list stands in a cue without firing it; the show was edited, and cues may have taken other numbers; time has passed.
 * Windows are sent these and compute the same run from them; the log of a show could be played again from them.
 */
export const runChangeSchema = z.union([
  mixPressSchema,
  z.strictObject({ t, list: editParts.id, settle: cue.nullable(), time: editParts.seconds.optional() }),
  z.strictObject({ t, edited: z.array(z.strictObject({ list: editParts.id, from: cue, to: cue })) }),
  z.strictObject({ t, passed: z.literal(true) }),
]);
/**
 * Checked by `runChangeSchema` where it comes over the network.
 */
export type RunChange = z.infer<typeof runChangeSchema>;

/**
 * The run after something has happened to it, over the show as it is now. Returns the same run, changed, or after an edit of the rig a new one.
 * Throws ShowError for a list, a cue or a look that there is not.
 * `first` is the list that a press without a list speaks of. Time never goes back: an earlier `t` counts as now.
 */
export function applyRunChange(mix: Mix, change: RunChange, sheet: ShowSheet, first: string): Mix {
  if ("passed" in change) mix.advance(change.t);
  else if ("settle" in change) mix.settle(change.list, change.settle, change.t, change.time);
  else if ("edited" in change) return afterEdit(mix, change, sheet);
  else pressOn(mix, change, first);
  return mix;
}

function afterEdit(
  mix: Mix,
  { t: now, edited }: { t: number; edited: readonly { list: string; from: string; to: string }[] },
  sheet: ShowSheet,
): Mix {
  const next = mixAfterEdit(mix, sheet, now);
  const numbers = new Map<string, Map<string, string>>();
  for (const { list, from, to } of edited) numbers.set(list, (numbers.get(list) ?? new Map<string, string>()).set(from, to));
  for (const [list, own] of numbers) if (next.lists.has(list)) next.rename(list, own);
  return next;
}
