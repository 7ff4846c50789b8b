import type { Here, HereRequest } from "@zm/protocol";
import { create } from "zustand";
import { WINDOW } from "./gesture.ts";

/** The other windows that have the show open, and the one of them that this window follows, by its name; null: none. */
export const useOthers = create<{ readonly others: readonly Here[]; readonly followed: string | null }>(() => ({
  others: [],
  followed: null,
}));

/** The server says which windows are here. One that is followed and has gone is followed no more. */
export function receiveHere(all: readonly Here[]): void {
  const others = all.filter(({ window }) => window !== WINDOW);
  useOthers.setState(({ followed }) => ({ others, followed: others.some(({ window }) => window === followed) ? followed : null }));
}

/** Follows another window, or none. */
export function follow(window: string | null): void {
  useOthers.setState({ followed: window });
}

/** What a page that only looks on says of its view: there is nothing chosen in it, and nothing to follow. */
export const LOOKS_ON = "watch";

let latest: HereRequest | null = null;
let send: ((here: HereRequest) => void) | null = null;

/** Says where this window is; told again whenever its line comes back. */
export function tellHere(here: HereRequest): void {
  latest = here;
  send?.(here);
}

/** The live line stands, and takes what is told; null: it does not. */
export function setHereLine(line: ((here: HereRequest) => void) | null): void {
  send = line;
  if (latest) line?.(latest);
}

/** The live line is gone, and with it what it told of others. */
export function leaveHere(): void {
  setHereLine(null);
  receiveHere([]);
}
