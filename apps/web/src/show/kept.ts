import { type KeptCue, isOwnKept, nameOfOther } from "@zm/protocol";
import { create } from "zustand";
import { notify, tellTrouble } from "../shared/notices.ts";
import { api } from "./api.ts";
import { WINDOW } from "./gesture.ts";
import { meQuery } from "./me.ts";
import { queryClient } from "./queryClient.ts";

/** The cues of the show that somebody keeps for themselves. */
export const useKept = create<{ readonly kept: readonly KeptCue[] }>(() => ({ kept: [] }));

/** The server says which cues are kept. Whoever loses one to somebody else is told. */
export function receiveKept(kept: readonly KeptCue[]): void {
  for (const mine of useKept.getState().kept.filter(isMine)) {
    const now = kept.find(({ list, cue }) => list === mine.list && cue === mine.cue);
    if (now && !isMine(now)) notify(`${nameOfOther(now.person)} has taken cue ${mine.cue} over`, "trouble");
  }
  useKept.setState({ kept });
}

/** Whether whoever sits at this window keeps a cue. */
export function isMine(kept: KeptCue): boolean {
  return isOwnKept(kept, { window: WINDOW, person: queryClient.getQueryData(meQuery.queryKey)?.person?.name ?? null });
}

/** Who keeps a cue, now; undefined: nobody. */
export function keptNow(list: string, cue: string, kept = useKept.getState().kept): KeptCue | undefined {
  return kept.find((each) => each.list === list && each.cue === cue && each.ends > Date.now());
}

/** Keeps a cue for ten minutes, taking it over where somebody else does; or no more. True where it was done; a refusal is told. */
export async function keepCue(show: number, list: string, cue: string, keep: boolean): Promise<boolean> {
  try {
    useKept.setState(await api.keepCue(show, { window: WINDOW, list, cue, keep }));
    notify(keep ? `Cue ${cue} is yours for ten minutes; the others are told` : `Cue ${cue} is free for everybody`);
    return true;
  } catch (error) {
    tellTrouble(error);
    return false;
  }
}
