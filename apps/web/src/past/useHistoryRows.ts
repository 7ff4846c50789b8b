import { useInfiniteQuery, useQueryClient } from "@tanstack/react-query";
import { type Virtualizer, useVirtualizer } from "@tanstack/react-virtual";
import type { NamedVersion, PastEdit } from "@zm/protocol";
import { type RefObject, useEffect, useMemo } from "react";
import { historyQuery } from "../show/past/past.ts";
import { useShow } from "../show/useShow.ts";

/** One row of the history: an edit, or how the show began. */
export interface Row {
  readonly revision: number;
  readonly edit: PastEdit | null;
  readonly name: string | null;
}

/** The history as rows, of which those in sight are there; more is fetched when its end comes into sight. */
interface HistoryRows {
  readonly isReading: boolean;
  readonly versions: readonly NamedVersion[];
  readonly rows: readonly Row[];
  readonly lines: Virtualizer<HTMLDivElement, Element>;
}

const NO_VERSIONS: readonly NamedVersion[] = [];

export function useHistoryRows(scroller: RefObject<HTMLDivElement | null>): HistoryRows {
  const { id, revision } = useShow();
  const client = useQueryClient();
  const { data, fetchNextPage, hasNextPage, isFetchingNextPage } = useInfiniteQuery(historyQuery(id));
  const newest = data?.pages[0]?.edits[0]?.revision ?? 0;
  const isBehind = data !== undefined && newest < revision;
  useEffect(() => {
    if (isBehind) void client.invalidateQueries({ queryKey: historyQuery(id).queryKey });
  }, [client, id, isBehind, revision]);
  const versions = data?.pages[0]?.versions ?? NO_VERSIONS;
  // Nothing is pressed by mistake on a list that is not there yet.
  const rows = useMemo(
    () =>
      data
        ? rowsOf(
            data.pages.flatMap(({ edits }) => edits),
            versions,
            !hasNextPage,
          )
        : [],
    [data, versions, hasNextPage],
  );
  const lines = useVirtualizer<HTMLDivElement, Element>({
    count: rows.length,
    getScrollElement: () => scroller.current,
    estimateSize: (index) => (rows[index]?.name === null ? 30 : 58),
    overscan: 10,
  });
  const last = lines.getVirtualItems().at(-1)?.index ?? 0;
  useEffect(() => {
    if (last >= rows.length - 20 && hasNextPage && !isFetchingNextPage) void fetchNextPage();
  }, [last, rows.length, hasNextPage, isFetchingNextPage, fetchNextPage]);
  return { isReading: data === undefined, versions, rows, lines };
}

function rowsOf(edits: readonly PastEdit[], versions: readonly NamedVersion[], whole: boolean): Row[] {
  const names = new Map(versions.map(({ revision, name }) => [revision, name]));
  const rows: Row[] = edits.map((edit) => ({ revision: edit.revision, edit, name: names.get(edit.revision) ?? null }));
  return whole ? [...rows, { revision: 0, edit: null, name: names.get(0) ?? null }] : rows;
}
