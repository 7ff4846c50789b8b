import { type QueryClient, infiniteQueryOptions, keepPreviousData, queryOptions } from "@tanstack/react-query";
import { type CueIdentities, type ShowSheet, compareShows, sheetOf } from "@zm/core";
import { create } from "zustand";
import { memoLast } from "../../shared/memoLast.ts";
import { api } from "../api.ts";

/** The two states that are held against one another; null is the show as it is now, and for `then` also: nothing chosen yet. */
interface Points {
  readonly show: number;
  readonly then: number | null;
  readonly against: number | null;
}

export const usePoints = create<Points>(() => ({ show: 0, then: null, against: null }));

/** Chooses the state that the other is held against. */
export function choosePoint(show: number, revision: number): void {
  usePoints.setState({ show, then: revision, against: null });
}

/** Chooses the later of the two states; the older always stands first. */
export function chooseOther(show: number, revision: number): void {
  const { then } = usePoints.getState();
  if (then === null) return choosePoint(show, revision);
  usePoints.setState({ show, then: Math.min(then, revision), against: Math.max(then, revision) });
}

/** Which cue is which between two states, as the history knows it. */
export const sameCuesQuery = (id: number, from: number, to: number) =>
  queryOptions({
    queryKey: ["sameCues", id, from, to],
    queryFn: async (): Promise<CueIdentities> => {
      const { lists } = await api.sameCues(id, from, to);
      return new Map(Object.entries(lists).map(([list, cues]) => [list, new Map(Object.entries(cues))]));
    },
    staleTime: Infinity,
    structuralSharing: false,
    retry: false,
    placeholderData: keepPreviousData,
  });

/** What is different between two states; computed once for all who ask for the same. */
export const comparisonOf = memoLast(compareShows);

/** All edits of a show, the newest first, read page by page. */
export const historyQuery = (id: number) =>
  infiniteQueryOptions({
    queryKey: ["history", id],
    queryFn: ({ pageParam }) => api.history(id, pageParam),
    initialPageParam: null as number | null,
    getNextPageParam: (page) => page.older,
  });

/** Names the state after an edit, or takes its name away; the lists of this window show it. Throws Refusal. */
export async function nameVersion(client: QueryClient, id: number, revision: number, name: string): Promise<void> {
  await api.nameVersion(id, revision, name);
  await client.invalidateQueries({ queryKey: historyQuery(id).queryKey });
}

/** The show as it was after an edit; that never changes. */
export const pastQuery = (id: number, revision: number) =>
  queryOptions({
    queryKey: ["past", id, revision],
    queryFn: async (): Promise<ShowSheet> => sheetOf((await api.pastShow(id, revision)).show),
    staleTime: Infinity,
    structuralSharing: false,
    retry: false,
  });
