import type { UpdatePlace } from "@zm/core";
import { flushSync } from "react-dom";
import { create } from "zustand";
import { closeDrawer, openDrawer, useSheetView } from "../choice/sheetView.ts";
import type { RecordEntry } from "./recordEntry.ts";

/** Where all values of an update go, and what goes elsewhere by name. */
export interface UpdateEntry {
  readonly all: UpdatePlace;
  readonly own: Readonly<Record<string, UpdatePlace | "nowhere">>;
  /** The list whose cue is updated; left out, that which runs the show. */
  readonly list?: string;
}

interface Refused {
  readonly record: RecordEntry | null;
  readonly update: UpdateEntry | null;
}

const NOTHING: Refused = { record: null, update: null };

/** What was entered into a drawer whose record or update was refused, by show; the drawer opens with it again. */
const useRefused = create<{ byShow: Readonly<Record<number, Refused>> }>(() => ({ byShow: {} }));

/** What a drawer of this show begins with, if it was refused before. */
export function refusedIn(show: number): Refused {
  return useRefused.getState().byShow[show] ?? NOTHING;
}

/** Keeps what a refused drawer said, or forgets it. */
export function keepRefused(show: number, entered: Partial<Refused>): void {
  useRefused.setState(({ byShow }) => ({ byShow: { ...byShow, [show]: { ...(byShow[show] ?? NOTHING), ...entered } } }));
}

/**
 * Puts a drawer away at once and makes what it says; what the user does next never waits for the server. Refused, the
 * drawer comes back as it was and leaves the keyboard where it is, unless something else stands there by then: in that
 * case the next time that it is opened.
 */
export async function makeFromDrawer(
  show: number,
  drawer: keyof Refused,
  entered: Partial<Refused>,
  work: () => Promise<boolean>,
): Promise<void> {
  closeDrawer();
  if (await work()) return;
  keepRefused(show, entered);
  const elsewhere = !window.location.pathname.startsWith(`/show/${show}/`);
  if (elsewhere || useSheetView.getState().drawer !== null) return;
  const typing = document.activeElement;
  flushSync(() => openDrawer(drawer));
  if (typing instanceof HTMLElement && typing !== document.body) typing.focus();
}
