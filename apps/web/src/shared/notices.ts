import { create } from "zustand";
import { errorMessage } from "./errorMessage.ts";

export interface Notice {
  id: number;
  text: string;
  kind: "word" | "trouble";
  /** What it speaks of for as long as that is so; it leaves when that is over. */
  of?: Passing | undefined;
  /** Something that can still be done about it. */
  action?: { word: string; run: () => unknown } | undefined;
}

interface Notices {
  notices: readonly Notice[];
  drop: (id: number) => void;
}

/** What passes: that something was refused, until the next that is made; that a step can be taken back; that a press was not answered; that another window is followed; what became of something that was done while the server was away. */
export type Passing = "refused" | "step" | "press" | "following" | `action ${string}`;

/** How a notice is told. */
interface Telling {
  readonly action?: Notice["action"];
  readonly of?: Passing;
  /** Stays until it is put away, or until what it speaks of is over. */
  readonly lasting?: boolean;
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
export function notify(text: string, kind: Notice["kind"] = "word", { action, of, lasting = false }: Telling = {}): void {
  count += 1;
  const id = count;
  useNotices.setState(({ notices }) => ({ notices: [...notices.slice(1 - MOST), { id, text, kind, action, of }] }));
  if (lasting) return;
  const stays = kind === "trouble" && action ? STAYS.asking : action ? STAYS.trouble : STAYS[kind];
  setTimeout(() => useNotices.getState().drop(id), stays);
}

/** Puts away what was told of something that is over. */
export function dropNotices(what: Passing): void {
  const { notices } = useNotices.getState();
  if (notices.some(({ of }) => of === what)) useNotices.setState({ notices: notices.filter(({ of }) => of !== what) });
}

/** True while a notice tells of something that somebody did and that was not stored, or may not have been. */
export function tellsOfActions(): boolean {
  return useNotices.getState().notices.some(({ of }) => of?.startsWith("action ") === true);
}

/** Tells what went wrong, in the words of whoever threw it. */
export function tellTrouble(error: unknown, of?: Passing): void {
  notify(errorMessage(error), "trouble", of === undefined ? {} : { of });
}
