import { rampAt } from "@zm/core";
import { useLive } from "../live.ts";
import { useRunTime } from "./useRunTime.ts";

/** Where the grand master stands now, per cent, and whether all levels are held at 0. */
export function useGrand(): { readonly level: number; readonly dark: boolean } {
  const now = useRunTime();
  const grand = useLive((live) => live.run?.mix.grand);
  if (!grand) return { level: 100, dark: false };
  // The time on screen lags a little; what was just moved must not be shown where it was.
  return { level: rampAt(grand.master, Math.max(now, grand.master.start)), dark: grand.blackout.to > 0 };
}
