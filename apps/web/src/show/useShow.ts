import { type QueryClient, useQuery, useQueryClient } from "@tanstack/react-query";
import { type EditInput, type ListSheet, type ShowSheet, listOf, readShow, sheetOf, takeSteps } from "@zm/core";
import { createContext, useCallback, useContext } from "react";
import { useChoice } from "../choice/choice.ts";
import { notify, tellTrouble } from "../shared/notices.ts";
import { type EditNews, api } from "./api.ts";

/** The open show as this window has it. */
export interface OpenShow {
  readonly id: number;
  readonly revision: number;
  readonly sheet: ShowSheet;
  readonly canUndo: string | null;
  readonly canRedo: string | null;
}

const keyOf = (id: number): readonly unknown[] => ["show", id];

async function openShow(id: number): Promise<OpenShow> {
  const { show, ...rest } = await api.show(id);
  return { id, ...rest, sheet: sheetOf(readShow(show)) };
}

/** Loads a show and keeps it; news of edits change it in place. */
export function useOpenShow(id: number) {
  return useQuery({
    queryKey: keyOf(id),
    queryFn: () => openShow(id),
    staleTime: Infinity,
    gcTime: Infinity,
    structuralSharing: false,
    retry: 1,
  });
}

/** Takes news into the window's show. A window that has missed some first catches up; one that cannot, loads anew. */
export async function takeNews(client: QueryClient, news: EditNews): Promise<void> {
  const known = client.getQueryData<OpenShow>(keyOf(news.show));
  if (!known || news.revision <= known.revision) return;
  if (news.revision > known.revision + 1) return catchUp(client, news.show);
  try {
    const sheet = takeSteps(known.sheet, news.steps);
    client.setQueryData<OpenShow>(keyOf(news.show), {
      id: known.id,
      revision: news.revision,
      sheet,
      canUndo: news.canUndo,
      canRedo: news.canRedo,
    });
  } catch {
    await client.invalidateQueries({ queryKey: keyOf(news.show) });
  }
}

/** Asks for every edit after the revision that the window has. */
export async function catchUp(client: QueryClient, id: number): Promise<void> {
  const known = client.getQueryData<OpenShow>(keyOf(id));
  if (!known) return;
  for (const news of await api.editsAfter(id, known.revision)) await takeNews(client, news);
}

export const ShowContext = createContext<OpenShow | null>(null);

/** The show that is open; only inside the frame. */
export function useShow(): OpenShow {
  const show = useContext(ShowContext);
  if (!show) throw new Error("useShow is used outside the frame");
  return show;
}

/** Gives the sheet as the window has it at the moment of asking, which may be later than the last render. */
export function useSheetNow(): () => ShowSheet {
  const { id, sheet } = useShow();
  const client = useQueryClient();
  return useCallback(() => client.getQueryData<OpenShow>(keyOf(id))?.sheet ?? sheet, [client, id, sheet]);
}

/** The list that is worked on: the one chosen, or the show's first. */
export function useList(): ListSheet {
  const { sheet } = useShow();
  const chosen = useChoice((choice) => choice.list);
  return (chosen === null ? undefined : sheet.lists.get(chosen)) ?? listOf(sheet);
}

/** The list that runs the show: its first. */
export function useMainList(): ListSheet {
  return listOf(useShow().sheet);
}

let lastSent: Promise<unknown> = Promise.resolve();

/** Makes edits on the show, in the order in which they are asked for; a refusal is told to the user and gives false. */
export function useMakeEdits(): (edits: readonly EditInput[]) => Promise<boolean> {
  const { id } = useShow();
  const client = useQueryClient();
  return useCallback(
    (edits) => {
      performance.mark("edit-sent");
      const sent = lastSent.then(() => told(async () => takeNews(client, await api.edit(id, revisionOf(client, id), edits))));
      lastSent = sent;
      return sent;
    },
    [client, id],
  );
}

/** The revision that the window shows now; an edit waits for the window's own edits before it. */
function revisionOf(client: QueryClient, id: number): number {
  return client.getQueryData<OpenShow>(keyOf(id))?.revision ?? 0;
}

/** Takes back the newest edit, or makes again what was taken back. */
export function useHistory(): (what: "undo" | "redo") => Promise<boolean> {
  const { id } = useShow();
  const client = useQueryClient();
  return useCallback(
    (what) =>
      told(async () => {
        const news = await api[what](id);
        await takeNews(client, news);
        notify(what === "undo" ? `Taken back: ${news.summary}` : `Made again: ${news.summary}`);
      }),
    [client, id],
  );
}

async function told(work: () => Promise<unknown>): Promise<boolean> {
  try {
    await work();
    return true;
  } catch (error) {
    tellTrouble(error);
    return false;
  }
}
