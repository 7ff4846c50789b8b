import { create } from "zustand";
import { messageOf } from "./messageOf.ts";

export interface Notice {
  id: number;
  text: string;
  kind: "word" | "trouble";
  /** Something that can still be done about it. */
  action?: { word: string; run: () => unknown } | undefined;
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

/** How long a notice stays, milliseconds: trouble longer than a word; what offers to do something about it longest. */
const STAYS = { word: 5000, trouble: 20_000, asking: 60_000 };
const MOST = 5;

/** Tells the user something. It leaves by itself. */
export function notify(text: string, kind: Notice["kind"] = "word", action?: Notice["action"]): void {
  count += 1;
  const id = count;
  useNotices.setState(({ notices }) => ({ notices: [...notices.slice(1 - MOST), { id, text, kind, action }] }));
  const stays = kind === "trouble" && action ? STAYS.asking : action ? STAYS.trouble : STAYS[kind];
  setTimeout(() => useNotices.getState().drop(id), stays);
}

/** Tells what went wrong, in the words of whoever threw it. */
export function tellTrouble(error: unknown): void {
  notify(messageOf(error), "trouble");
}
