import { cueOrder } from "../show/cueNumber.ts";
import { groupBy } from "../show/groupBy.ts";
import type { Note, Show } from "../show/schema.ts";
import { lightRuns } from "../show/words.ts";
import { type ShowSheet, findRow } from "../sheet/sheet.ts";

/** The notes of a show in the order of its cues, list by list; those that are pinned to no cue come first. */
export function notesInOrder(show: Show): readonly Note[] {
  const lists = show.lists.map(({ id }) => id);
  const place = ({ list, cue }: Note): number => (cue === undefined ? -1 : lists.indexOf(list ?? lists[0] ?? "") * 1e9 + cueOrder(cue));
  return (show.notes ?? []).toSorted((a, b) => place(a) - place(b));
}

/** The notes of one cue, open and done. A note that names no list is of the first. */
export function notesOfCue({ notes = [], lists }: Show, list: string, cue: string): Note[] {
  return notes.filter((note) => note.cue === cue && (note.list ?? lists[0]?.id) === list);
}

/** The open notes by cue: the name of the list and the number of the cue, with a slash between. A note that names no list is of the first. */
export function openNotesByCue(show: Show): ReadonlyMap<string, readonly Note[]> {
  const first = show.lists[0]?.id ?? "";
  const open = (show.notes ?? []).filter(({ done, cue }) => !done && cue !== undefined);
  return groupBy(open, ({ list = first, cue }) => `${list}/${cue ?? ""}`);
}

/** How many notes are open and done: "7 open, 12 done". */
export function notesWords(notes: readonly Note[]): string {
  const open = notes.filter(({ done }) => !done).length;
  if (notes.length === 0) return "no note yet";
  const done = notes.length - open;
  return done === 0 ? `${open} open` : `${open} open, ${done} done`;
}

/**
 * What a note is pinned to, in a few words: "17 Quarrel, lights 62"; a cue that is gone since says so. Empty for one that is pinned to
 * nothing.
 */
export function pinnedWords(sheet: ShowSheet, { list: id, cue: number, channels = [] }: Note): string {
  const list = sheet.lists.get(id ?? sheet.show.lists[0]?.id ?? "");
  const cue = list && number !== undefined ? list.cues[findRow(list, number)] : undefined;
  const where = number === undefined ? [] : [cue ? [number, cue.label].filter(Boolean).join(" ") : `${number}, which is gone`];
  const lights = channels.length === 0 ? [] : [`${channels.length === 1 ? "light" : "lights"} ${lightRuns(channels)}`];
  return [...where, ...lights].join(", ");
}
