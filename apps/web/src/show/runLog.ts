import { queryOptions, useQuery } from "@tanstack/react-query";
import { type LoggedRun, type ListSheet, type MeasuredTimes, cached, measuredTimes } from "@zm/core";
import { api } from "./api.ts";
import { useShow } from "./useShow.ts";

/** The runs of a show, and those that count for times between cues; asked for again when the server says that there is more. */
export const runsQuery = (id: number) => queryOptions({ queryKey: ["runs", id, "all"], queryFn: () => api.runs(id) });
export const runQuery = (id: number, run: number) => queryOptions({ queryKey: ["runs", id, run], queryFn: () => api.loggedRun(id, run) });
const newestQuery = (id: number) =>
  queryOptions({ queryKey: ["runs", id, "newest"], queryFn: async () => (await api.newestRuns(id)).runs });
/** All that is known of the runs of a show. */
export const runsKey = (id: number) => ["runs", id] as const;

const NONE: readonly LoggedRun[] = [];

/** The newest runs that were called at the pace at which the play is spoken, the newest first; none while they are not known. */
export function useNewestRuns(): readonly LoggedRun[] {
  const { id } = useShow();
  return useQuery(newestQuery(id)).data ?? NONE;
}

const measuredOf = cached((_list: ListSheet) => new WeakMap<readonly LoggedRun[], MeasuredTimes>());

/** The times between cues that runs give. The same function wherever it is asked for, as long as list and runs stay the same. */
export function useMeasured(list: ListSheet): MeasuredTimes {
  const runs = useNewestRuns();
  const known = measuredOf(list);
  const measured = known.get(runs) ?? measuredTimes(list, runs);
  known.set(runs, measured);
  return measured;
}
