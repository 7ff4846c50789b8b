import { create } from "zustand";

interface Dialogs {
  /** The help, and what is searched for in it. */
  help: boolean;
  /** The search for cues, and the words that it begins with; null while it is closed. */
  search: string | null;
}

/** The dialogs that any view can open. */
export const useDialogs = create<Dialogs>(() => ({ help: false, search: null }));

/** Opens the help. */
export function openHelp(): void {
  useDialogs.setState({ help: true });
}

/** Opens the search for cues, with words to begin from. */
export function openSearch(words = ""): void {
  useDialogs.setState({ search: words });
}
