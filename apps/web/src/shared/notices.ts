import { create } from "zustand";

export interface Notice {
  id: number;
  text: string;
  kind: "word" | "trouble";
  /** Something that can still be done about it. */
  action?: { word: string; run: () => void } | undefined;
}

interface Notices {
  notices: readonly Notice[];
  drop: (id: number) => void;
}

let count = 0;

/** What the window has to tell, newest last. */
export const useNotices = create<Notices>((set) => ({
  notices: [],
  drop: (id) => set(({ notices }) => ({ notices: notices.filter((notice) => notice.id !== id) })),
}));

/** Tells the user something; trouble stays until it is put away, a word goes by itself. */
export function notify(text: string, kind: Notice["kind"] = "word", action?: Notice["action"]): void {
  count += 1;
  const id = count;
  useNotices.setState(({ notices }) => ({ notices: [...notices.slice(-2), { id, text, kind, action }] }));
  if (kind === "word") setTimeout(() => useNotices.getState().drop(id), action ? 9000 : 4000);
}

/** Tells what went wrong, in the words of whoever threw it. */
export function tellTrouble(error: unknown): void {
  notify(error instanceof Error ? error.message : String(error), "trouble");
}
