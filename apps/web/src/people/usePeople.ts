import { type QueryClient, useQuery, useQueryClient } from "@tanstack/react-query";
import type { PeopleReply } from "@zm/protocol";
import { tellTrouble } from "../shared/notices.ts";
import { peopleQuery } from "../show/me.ts";

/** Everybody who has an account, and the invitations that are open; kept true while it is looked at. */
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
