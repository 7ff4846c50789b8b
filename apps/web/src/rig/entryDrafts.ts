import { type StoreApi, type UseBoundStore, create } from "zustand";
import { useShow } from "../show/useShow.ts";

/** What has been entered into a form and not been saved yet, and what was stored when it was begun, as text. */
interface EntryDraft<Fields> {
  readonly base: string;
  readonly value: Fields;
}

/** Half-entered forms of one kind by place; they outlive another choice, another view, another show and edits from elsewhere. */
export type EntryDrafts<Fields> = UseBoundStore<StoreApi<{ drafts: Readonly<Record<string, EntryDraft<Fields>>> }>>;

/** The drafts of one kind of form. */
export function createDrafts<Fields>(): EntryDrafts<Fields> {
  return create(() => ({ drafts: {} }));
}

/** The place of an entry of a show among the drafts. */
export function draftPlace(show: number, id: string): string {
  return `${show}/${id}`;
}

/** Tells of the entries of the open show for which something is entered that is not stored. */
export function useEntered<Fields>(useDrafts: EntryDrafts<Fields>): (id: string) => boolean {
  const show = useShow();
  const drafts = useDrafts((state) => state.drafts);
  return (id) => drafts[draftPlace(show.id, id)] !== undefined;
}

/** Keeps what is entered; `stored` is what stood there when it was begun, as text. */
export function keepDraft<Fields>(store: EntryDrafts<Fields>, place: string, value: Fields, stored: string): void {
  store.setState(({ drafts }) => ({ drafts: { ...drafts, [place]: { base: drafts[place]?.base ?? stored, value } } }));
}

/** Forgets what was entered into a form. */
export function dropDraft<Fields>(store: EntryDrafts<Fields>, place: string): void {
  if (store.getState().drafts[place] === undefined) return;
  store.setState(({ drafts }) => {
    const { [place]: _gone, ...others } = drafts;
    return { drafts: others };
  });
}
