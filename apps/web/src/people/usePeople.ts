import { type QueryClient, queryOptions, useQuery, useQueryClient } from "@tanstack/react-query";
import type { PeopleReply } from "@zm/protocol";
import { tellTrouble } from "../shared/notices.ts";
import { api } from "../show/api.ts";

/** Everybody who has an account, and the invitations that are open. */
const peopleQuery = queryOptions({ queryKey: ["people"], queryFn: api.people, staleTime: 0 });

export function usePeople(): PeopleReply | undefined {
  return useQuery(peopleQuery).data;
}

/** Has people read again. */
export function rereadPeople(client: QueryClient): Promise<void> {
  return client.invalidateQueries({ queryKey: peopleQuery.queryKey });
}

/** Changes something about people; a refusal is told. True where it was done. */
export function useChangePeople(): (change: () => Promise<PeopleReply>) => Promise<boolean> {
  const client = useQueryClient();
  return async (change) => {
    try {
      client.setQueryData(peopleQuery.queryKey, await change());
      return true;
    } catch (error) {
      tellTrouble(error);
      return false;
    }
  };
}
