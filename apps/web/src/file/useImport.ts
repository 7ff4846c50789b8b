import { useQueryClient } from "@tanstack/react-query";
import { create } from "zustand";
import { useCallback } from "react";
import { useNavigate } from "react-router";
import { chooseList, chooseNothing } from "../choice/selection.ts";
import { closeDrawer, lookAway } from "../choice/sheetView.ts";
import { notify } from "../shared/notices.ts";
import type { ImportState } from "@zm/protocol";
import { Refusal, api } from "../show/api.ts";
import { showsQuery } from "../show/openShow.ts";
import { errorMessage } from "../shared/errorMessage.ts";

/** An import that is under way: of which file, and how far it is. */
interface Importing {
  readonly name: string;
  readonly state: ImportState;
}

/** The import that this window has begun; null while there is none. */
export const useImporting = create<{ importing: Importing | null }>(() => ({ importing: null }));

/** Goes to another show, with nothing of the old one chosen. */
export function useOpenOther(): (show: number) => void {
  const navigate = useNavigate();
  return useCallback(
    (show) => {
      chooseNothing();
      chooseList(null);
      closeDrawer();
      lookAway();
      void navigate(`/show/${show}/score`);
    },
    [navigate],
  );
}

const ASK_EVERY = 300;

/** Imports a file, saying how far it is; the faults of one that cannot be read come back. A user who has gone on meanwhile is not pulled out of what they do. */
export function useImport(): (file: File) => Promise<readonly string[]> {
  const client = useQueryClient();
  const openOther = useOpenOther();
  return useCallback(
    async (file) => {
      const ticket = `${Date.now().toString(36)}-${Math.random().toString(36).slice(2, 8)}`;
      const state: ImportState = { stage: "reading", stored: 0, all: 0 };
      useImporting.setState({ importing: { name: file.name, state } });
      const asking = setInterval(() => {
        void api.importState(ticket).then(
          (now) => useImporting.setState(({ importing }) => (importing ? { importing: { ...importing, state: now } } : {})),
          () => undefined,
        );
      }, ASK_EVERY);
      const goneOn = watchForGoingOn();
      try {
        const { id } = await api.importShow(await file.text(), ticket);
        await client.invalidateQueries({ queryKey: showsQuery.queryKey });
        if (goneOn()) notify(`${file.name} is imported`, "word", { action: { word: "Open it", run: () => openOther(id) } });
        else {
          notify(`${file.name} is imported; it is the show you see now`);
          openOther(id);
        }
        return [];
      } catch (error) {
        return error instanceof Refusal && error.faults.length > 0 ? error.faults : [errorMessage(error)];
      } finally {
        clearInterval(asking);
        useImporting.setState({ importing: null });
      }
    },
    [client, openOther],
  );
}

/** Tells later whether anything has been pressed or typed since, or another page opened. */
function watchForGoingOn(): () => boolean {
  const page = location.pathname;
  let touched = false;
  const touch = (): void => {
    touched = true;
  };
  const events = ["pointerdown", "keydown"] as const;
  for (const name of events) document.addEventListener(name, touch, { capture: true });
  return () => {
    for (const name of events) document.removeEventListener(name, touch, { capture: true });
    return touched || location.pathname !== page;
  };
}
