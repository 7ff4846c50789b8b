import { useQuery } from "@tanstack/react-query";
import type { Comparison, ShowSheet } from "@zm/core";
import { useMemo } from "react";
import { useShow } from "../useShow.ts";
import { comparisonOf, pastQuery, sameCuesQuery } from "./past.ts";

/** Two states of the show held against one another; each is missing while it is read. */
interface Compared {
  readonly before: ShowSheet | undefined;
  readonly after: ShowSheet | undefined;
  readonly comparison: Comparison | null;
  /** By list, which cue is which in both. */
  readonly same: Parameters<typeof comparisonOf>[3];
  readonly error: Error | null;
}

/** The show as it was after an edit, held against how it was after a later one, or is now; nothing while no edit is chosen. `list` is the one that is worked on. */
export function useComparison(list: string, then: number | null, against: number | null = null): Compared {
  const { id, sheet, revision } = useShow();
  const past = useQuery({ ...pastQuery(id, then ?? 0), enabled: then !== null });
  const other = useQuery({ ...pastQuery(id, against ?? 0), enabled: against !== null });
  const cues = useQuery({ ...sameCuesQuery(id, then ?? 0, against ?? revision), enabled: then !== null });
  const [before, after, same] = [then === null ? undefined : past.data, against === null ? sheet : other.data, cues.data];
  const comparison = useMemo(() => (before && after && same ? comparisonOf(before, after, list, same) : null), [before, after, list, same]);
  return { before, after, comparison, same, error: past.error ?? cues.error ?? (against === null ? null : other.error) };
}
