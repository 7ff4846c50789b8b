import type { ListSheet } from "../sheet/sheet.ts";
import type { Mark } from "./mark.ts";
import type { MarkPolicy } from "./policy.ts";

/** What decided where a mark is made: what was said of the light, of the cue, or of the list; the first of these that says something. */
export interface MarkReason {
  readonly said: "light" | "cue" | "list";
  /** The cue that was named, or the policy that holds. */
  readonly by: { readonly at: string } | { readonly policy: MarkPolicy };
}

/**
 * Why a mark is made where it is: the light's own entry of the cue beats the cue that it names, that beats the cue's policy, and that the list's (docs/rules.md, Marks). A list
 * that says nothing prepares just before.
 */
export function markReason(list: ListSheet, { channel, calledAt }: Pick<Mark, "channel" | "calledAt">): MarkReason {
  const settings = list.cues[calledAt]?.mark;
  const own = settings?.channels?.[String(channel)];
  if (own?.at !== undefined) return { said: "light", by: { at: own.at } };
  if (own?.view) return { said: "light", by: { policy: "view" } };
  if (settings?.at !== undefined) return { said: "cue", by: { at: settings.at } };
  if (settings?.policy !== undefined) return { said: "cue", by: { policy: settings.policy } };
  return { said: "list", by: { policy: list.list.marks?.policy ?? "before" } };
}

/**
 * The mark of a light that a row has to do with: the light is dark in it before the mark's call, or is called in it. Undefined where the row has nothing to do with any.
 * Rows count from 0.
 */
export function markAtRow(marks: readonly Mark[], row: number): Mark | undefined {
  return marks.find(({ window, calledAt }) => calledAt === row || (window !== null && window.first <= row && row < calledAt));
}
