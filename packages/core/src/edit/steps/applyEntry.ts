// What stands beside the cues: palettes, groups, paces, channels, fixture types, and lists without their cues. All six are lists of named
// things, so one function serves them.
import type { z } from "zod";
import { ShowError } from "../../show/errors.ts";
import { faultsOf } from "../../show/faults.ts";
import { sameData } from "../../show/sameData.ts";
import { type CueList, type ListHead, type Show, entrySchemas } from "../../show/schema.ts";
import type { ShowEntry, EntryKind, EntryStep } from "./step.ts";

const listHead = entrySchemas.list.omit({ cues: true });

/**
 * The show with one palette, group, pace, channel, fixture type or list come, gone or changed. Throws ShowError when it is not as the step
 * expects.
 * A new entry takes the place that the step names, so that taking it back gives the identical order.
 * Users of an entry that goes are not looked for here: the plan of the edit has done that.
 */
export function applyEntry(show: Show, step: EntryStep): Show {
  switch (step.of) {
    case "fixtureTypes":
      return { ...show, fixtureTypes: changed(show.fixtureTypes, step, entrySchemas.fixtureType) };
    case "channels":
      return { ...show, channels: changed(show.channels, step, entrySchemas.channel) };
    case "groups":
      return { ...show, groups: changed(show.groups, step, entrySchemas.group) };
    case "palettes":
      return { ...show, palettes: changed(show.palettes, step, entrySchemas.palette) };
    case "paces":
      return { ...show, paces: changed(show.paces, step, entrySchemas.pace) };
    case "heldLooks":
      return { ...show, heldLooks: unlessEmpty(changed(show.heldLooks ?? [], step, entrySchemas.heldLook)) };
    case "tempos":
      return { ...show, tempos: unlessEmpty(changed(show.tempos ?? [], step, entrySchemas.tempo)) };
    case "pages":
      return { ...show, pages: unlessEmpty(changed(show.pages ?? [], step, entrySchemas.page)) };
    case "notes":
      return { ...show, notes: unlessEmpty(changed(show.notes ?? [], step, entrySchemas.note)) };
    case "movements":
      return { ...show, movements: unlessEmpty(changed(show.movements ?? [], step, entrySchemas.movement)) };
    case "colourLists":
      return { ...show, colourLists: unlessEmpty(changed(show.colourLists ?? [], step, entrySchemas.colourList)) };
    case "lists":
      return { ...show, lists: changedLists(show.lists, step) };
  }
}

/**
 * What stands beside the cues of one kind, a list without its cues.
 * In the order of the document; empty for kinds that the show has none of.
 */
export function entriesOf(show: Show, of: EntryKind): readonly ShowEntry[] {
  return of === "lists" ? show.lists.map(listHeadOf) : (show[of] ?? []);
}

/** A row of entries, or undefined for an empty one: the document leaves such a row out. */
function unlessEmpty<T>(entries: T[]): T[] | undefined {
  return entries.length > 0 ? entries : undefined;
}

/**
 * The name by which steps know an entry: its id, or a channel's number.
 * The only place that knows that channels go by number.
 */
export function entryId(entry: ShowEntry): string {
  return "number" in entry ? String(entry.number) : entry.id;
}

/**
 * The entries with one come, gone or changed, at its place. Held against the schema of its kind as it would be at import.
 * Throws ShowError where the entry is not as the step expects, or would not be valid.
 */
function changed<T extends ShowEntry>(entries: readonly T[], step: EntryStep, schema: z.ZodType<T>): T[] {
  const { of, id, before, after } = step;
  const index = entries.findIndex((entry) => entryId(entry) === id);
  const asExpected = before ? index === before.index && sameData(entries[index], before.entry) : index < 0;
  const left = before ? entries.filter((_, at) => at !== index) : [...entries];
  if (!asExpected || (after && (entryId(after.entry) !== id || after.index > left.length)))
    throw new ShowError(`${of}, ${id} is no longer as this change found it; something else has changed it since`);
  if (!after) return left;
  const parsed = schema.safeParse(after.entry);
  if (!parsed.success) throw new ShowError(faultsOf(parsed.error, after.entry).map((fault) => `${of}, ${id}: ${fault}`));
  return left.toSpliced(after.index, 0, parsed.data);
}

/** The lists with the settings of one changed; cues stay with their list. Throws ShowError for a list that goes and still has cues. */
function changedLists(lists: readonly CueList[], step: EntryStep): CueList[] {
  const cues = new Map(lists.map((list) => [list.id, list.cues]));
  const taken = step.after ? undefined : cues.get(step.id);
  if (taken && taken.length > 0) throw new ShowError(`List "${step.id}" still has cues; delete them first`);
  return changed<ListHead>(lists.map(listHeadOf), step, listHead).map((head) => ({ ...head, cues: cues.get(head.id) ?? [] }));
}

/**
 * A list's own fields, without its cues.
 * Label, marks and everything of how the list runs; what `setList` changes.
 */
export function listHeadOf(list: CueList): ListHead {
  const { cues: _cues, ...head } = list;
  return head;
}
