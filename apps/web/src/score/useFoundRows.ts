import { type ListSheet, findRow } from "@zm/core";
import { useMemo } from "react";
import { findingsOf, useRehearsal } from "../show/rehearsal/rehearsal.ts";
import { useShow } from "../show/useShow.ts";

/** By light, the rows in which the newest rehearsal of a list found something. */
export function useFoundRows(list: ListSheet): ReadonlyMap<number, ReadonlySet<number>> {
  const { id } = useShow();
  const now = useRehearsal((rehearsals) => rehearsals.now);
  return useMemo(() => {
    const rows = new Map<number, Set<number>>();
    for (const { channel, cue } of findingsOf(now, id, list.id))
      rows.set(channel, (rows.get(channel) ?? new Set()).add(findRow(list, cue)));
    return rows;
  }, [now, id, list]);
}
