import { create } from "zustand";

/** The dialogs that any view can open, each with the words that its search begins with; null while it is closed. */
interface Dialogs {
  help: string | null;
  search: string | null;
}

export const useDialogs = create<Dialogs>(() => ({ help: null, search: null }));

/** Opens the help. */
export function openHelp(): void {
  useDialogs.setState({ help: "" });
}

/** Opens the search for cues, with words to begin from. */
export function openSearch(words = ""): void {
  useDialogs.setState({ search: words });
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
