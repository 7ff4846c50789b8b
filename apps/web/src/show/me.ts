import { queryOptions, useQuery } from "@tanstack/react-query";
import { type Person, type Right, mayDo, notAllowedWords } from "@zm/protocol";
import { api, whenSignedOut } from "./api.ts";
import { queryClient } from "./queryClient.ts";

/** Who this window is to the server. It is told when that changes. */
export const meQuery = queryOptions({ queryKey: ["me"], queryFn: api.me, staleTime: Infinity, retry: false });

/** Who is signed in here; null while that is not known, and where nobody has to be. */
export function usePerson(): Person | null {
  const { data } = useQuery(meQuery);
  return data?.accounts ? data.person : null;
}

/** Why whoever is signed in here may not do something; null where they may, and while it is not known who they are. */
export function whyNot(right: Right): string | null {
  return whyNotFor(queryClient.getQueryData(meQuery.queryKey)?.person ?? null, right);
}

/** As `whyNot`, for what is drawn. */
export function useWhyNot(right: Right): string | null {
  return whyNotFor(usePerson(), right);
}

function whyNotFor(person: Person | null, right: Right): string | null {
  return person === null || mayDo(person, right) ? null : notAllowedWords(person, right);
}

/** Everybody who has an account, and the invitations that are open. */
export const peopleQuery = queryOptions({ queryKey: ["people"], queryFn: api.people, staleTime: 0 });

/** Who may do what has changed: asks again who this window is, and who the others are. Where one has to sign in, the window goes to the door. */
export async function askAgainWhoIAm(): Promise<void> {
  void queryClient.invalidateQueries({ queryKey: peopleQuery.queryKey });
  const { person } = await queryClient.fetchQuery({ ...meQuery, staleTime: 0 });
  if (person === null) goToDoor();
}

/** The page on which one signs in. */
export const DOOR = "/sign-in";
export const JOIN = "/join";

/** Leaves for the door, and comes back here afterwards. The page is read anew, so that nothing of somebody else stays in it. */
export function goToDoor(): void {
  const { pathname, search } = window.location;
  if (pathname === DOOR || pathname === JOIN) return;
  window.location.assign(`${DOOR}?to=${encodeURIComponent(`${pathname}${search}`)}`);
}

/** Where the door leads: back to where one came from, of this application alone. */
export function behindDoor(search: string): string {
  const to = new URLSearchParams(search).get("to") ?? "/";
  return /^\/(?![/\\])/.test(to) ? to : "/";
}

whenSignedOut.act = goToDoor;
