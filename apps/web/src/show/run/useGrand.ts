import { useLive } from "../live.ts";
import { shownAt } from "./shownAt.ts";
import { useRunTime } from "./useRunTime.ts";

/** Where the grand master stands now, per cent, and whether all levels are held at 0. */
export function useGrand(): { readonly level: number; readonly dark: boolean } {
  const now = useRunTime();
  const grand = useLive((live) => live.run?.mix.grand);
  if (!grand) return { level: 100, dark: false };
  return { level: shownAt(grand.master, now), dark: grand.blackout.to > 0 };
}
