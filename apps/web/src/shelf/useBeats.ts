import type { Tempo } from "@zm/core";
import { useLive } from "../show/live.ts";

/** The beats a minute at which a tempo goes now: as it was tapped or set, else as the show has it. */
export function useBeats(tempo: Tempo): number {
  return useLive((live) => live.run?.mix.tempos.get(tempo.id)) ?? tempo.perMinute;
}
