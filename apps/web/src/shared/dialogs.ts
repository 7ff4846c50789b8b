import type { Question } from "@zm/core";
import { create } from "zustand";

/** What is known already of cues that are to be taken from another show: the show by its title, which cues, and the number of the first. */
export interface WantedCues {
  readonly from?: string;
  readonly cues?: { readonly from: string; readonly to: string };
  readonly start?: string;
}

/** What a picker does to cues, and the cues and lights that it begins with. */
export interface PickStart {
  readonly kind: "recast" | "swap" | "copy" | "move" | "split" | "cells";
  readonly cues: { readonly from: string; readonly to: string };
  readonly channels: readonly number[];
}

/** The dialogs that any view can open, with what each begins with; null while it is closed. */
interface Dialogs {
  /** The words that the search begins with. */
  help: string | null;
  search: string | null;
  /** The cues whose numbers stand in the table; both ends included. */
  numbers: { readonly from: string; readonly to: string } | null;
  take: WantedCues | null;
  /** The list that is told how it runs by itself. */
  steps: string | null;
  /** What is done to cues by a picker, and what was chosen when it was opened. */
  pick: PickStart | null;
  /** The held look whose values are seen as a list. */
  lookValues: string | null;
  /** Whether the notes of those who look on are open. */
  notes: boolean;
  /** What is asked of cues while the questions are open; `new` for nothing yet. */
  ask: Question | "new" | null;
  /** Whether the standby set is being chosen. */
  standby: boolean;
  /** The files of others that are looked at before they are brought in; none yet: the dialog asks for them. */
  bring: readonly File[] | null;
  /** Whether files for others are being written. */
  send: boolean;
  /** Whether the backups are looked at. */
  backups: boolean;
  /** Whether it is seen to who may in. */
  people: boolean;
}

export const useDialogs = create<Dialogs>(() => ({
  help: null,
  search: null,
  numbers: null,
  take: null,
  steps: null,
  standby: false,
  bring: null,
  send: false,
  backups: false,
  people: false,
  pick: null,
  ask: null,
  notes: false,
  lookValues: null,
}));

/** Opens the help. */
export function openHelp(): void {
  useDialogs.setState({ help: "" });
}

/** Opens the search for cues, with words to begin from. */
export function openSearch(words = ""): void {
  useDialogs.setState({ search: words });
}

/** Opens the table in which cues of the list that is worked on get other numbers. */
export function openNumbers(from: string, to: string): void {
  useDialogs.setState({ numbers: { from, to } });
}

/** Opens the dialog in which a list is told how it runs by itself. */
export function openSteps(list: string): void {
  useDialogs.setState({ steps: list });
}

/** Opens the dialog for files of others; with files it reads them at once. */
export function openBring(files: readonly File[] = []): void {
  useDialogs.setState({ bring: files });
}

/** Opens the dialog in which the show is written for others. */
export function openSend(): void {
  useDialogs.setState({ send: true });
}

/** Opens the list of backups. */
export function openBackups(): void {
  useDialogs.setState({ backups: true });
}

/** Opens the place where it is seen to who may in. */
export function openPeople(): void {
  useDialogs.setState({ people: true });
}

/** Opens the dialog in which the standby set is chosen. */
export function openStandby(): void {
  useDialogs.setState({ standby: true });
}

/** Opens a picker in place of a typed sentence. */
export function openPick(pick: PickStart): void {
  useDialogs.setState({ pick, ask: null, notes: false });
}

/** Opens the values of a held look. */
export function openLookValues(look: string): void {
  useDialogs.setState({ lookValues: look });
}

/** Opens the notes of those who look on. */
export function openNotes(): void {
  useDialogs.setState({ notes: true, ask: null, pick: null });
}

/** Opens the questions over the list, with one that was asked already. */
export function openAsk(question: Question | "new" = "new"): void {
  useDialogs.setState({ ask: question, pick: null, notes: false });
}

/** Puts the picker away. */
export function closePick(): void {
  useDialogs.setState({ pick: null });
}

/** Opens the choice of cues of another show. */
export function openTake(wanted: WantedCues = {}): void {
  useDialogs.setState({ take: wanted });
}

/** Keeps what is typed while a dialog is still being fetched, so that nothing of it is lost or does something else. False where no dialog is coming. */
export function typeAhead(key: string): boolean {
  const { help, search } = useDialogs.getState();
  if (help === null && search === null) return false;
  if (key.length === 1) useDialogs.setState(search === null ? { help: `${help ?? ""}${key}` } : { search: `${search}${key}` });
  return true;
}

let modals = 0;

/** Counts a dialog that lies over the view, until what comes back is called. */
export function countModal(): () => void {
  modals += 1;
  return () => {
    modals -= 1;
  };
}

/** True while a dialog lies over the view: keys belong to it alone. */
export function modalIsOpen(): boolean {
  return modals > 0;
}
