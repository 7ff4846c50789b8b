import { queryOptions, useQuery, useQueryClient } from "@tanstack/react-query";
import { type Finding, findingId } from "@zm/core";
import { useCallback, useEffect } from "react";
import { tellTrouble } from "../shared/notices.ts";
import { api } from "./api.ts";
import { receiveAccepted } from "./findings.ts";
import { useShow } from "./useShow.ts";

/** What somebody has accepted of a show's findings: asked for again when the window is looked at, since another may have accepted more. */
const acceptedQuery = (id: number) =>
  queryOptions({ queryKey: ["accepted", id], queryFn: async () => (await api.accepted(id)).accepted, refetchOnWindowFocus: true });

/** Keeps the findings parted into those that stand and those that are accepted. Once in the window, in its frame. */
export function useAccepted(): void {
  const { id } = useShow();
  const { data } = useQuery(acceptedQuery(id));
  useEffect(() => {
    if (data) receiveAccepted(new Map(data.map(({ finding, note }) => [finding, note])));
  }, [data]);
}

/** Accepts findings with a note, or shows them again where that is null. True when that is stored. */
export function useAccept(): (findings: readonly Finding[], note: string | null) => Promise<boolean> {
  const { id } = useShow();
  const client = useQueryClient();
  return useCallback(
    async (findings, note) => {
      try {
        const { accepted } = await api.accept(id, findings.map(findingId), note);
        client.setQueryData(acceptedQuery(id).queryKey, accepted);
        return true;
      } catch (error) {
        tellTrouble(error);
        return false;
      }
    },
    [id, client],
  );
}
