import { sameData } from "../../show/sameData.ts";
import type { Show } from "../../show/schema.ts";
import { entriesOf, entryId } from "../steps/applyEntry.ts";
import type { ShowEntry, EntryKind, EntryStep } from "../steps/step.ts";

/**
 * The step that makes an entry this, or takes it away (undefined); a new one comes last of its like, a channel before the next higher
 * number.
 * Empty where the entry says that already, or is not there and is not to be.
 */
export function entryChange(show: Show, of: EntryKind, id: string, after: ShowEntry | undefined): EntryStep[] {
  const entries = entriesOf(show, of);
  const found = entries.findIndex((entry) => entryId(entry) === id);
  const was = entries[found];
  if (sameData(was, after)) return [];
  const index = found >= 0 ? found : of === "channels" ? channelPlace(show, Number(id)) : entries.length;
  return [{ at: "entry", of, id, ...(was ? { before: { index, entry: was } } : {}), ...(after ? { after: { index, entry: after } } : {}) }];
}

/** The place of a channel that is new: before the next higher number. */
function channelPlace(show: Show, number: number): number {
  const next = show.channels.findIndex((channel) => channel.number > number);
  return next < 0 ? show.channels.length : next;
}
