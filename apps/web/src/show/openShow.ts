import { queryOptions } from "@tanstack/react-query";
import { type ShowSheet, openInSlices } from "@zm/core";
import { inSlices } from "../shared/inSlices.ts";
import { api } from "./api.ts";
import { receiveHistory } from "./historyStore.ts";

/** The open show as this window has it. */
export interface OpenShow {
  readonly id: number;
  readonly revision: number;
  readonly sheet: ShowSheet;
  /** True where it was read as a whole, so that everything in it may be another: it is drawn bit by bit. */
  readonly whole: boolean;
}

/** The name under which a window keeps a show. */
export const showKey = (id: number) => ["show", id] as const;

/** Asks again after a failure, milliseconds; used where a window would otherwise stand with what is old. */
const AGAIN = 2000;

/** The shows of the database by title. */
export const showsQuery = queryOptions({ queryKey: ["shows"], queryFn: api.shows });

/** A show: read once, kept for as long as the window lives, and changed in place by the edits that the server tells. */
export const showQuery = (id: number) =>
  queryOptions({
    queryKey: showKey(id),
    queryFn: async (): Promise<OpenShow> => {
      const { show, revision, history } = await api.show(id);
      receiveHistory(history);
      return { id, revision, sheet: await inSlices(openInSlices(show)), whole: true };
    },
    staleTime: Infinity,
    gcTime: Infinity,
    structuralSharing: false,
    retry: false,
    refetchInterval: (query) => (query.state.error ? AGAIN : false),
  });
