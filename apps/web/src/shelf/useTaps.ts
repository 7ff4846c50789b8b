import type { Tempo } from "@zm/core";
import { useRef } from "react";
import { usePress } from "../show/run/usePress.ts";
import { meanTempo } from "./meanTempo.ts";

/** Taps a tempo: from the second tap on, the mean of the taps is what it goes at. Told the moment of the tap, milliseconds of one clock. */
export function useTaps(tempo: Tempo): (at: number) => void {
  const taps = useRef<readonly number[]>([]);
  const press = usePress();
  return (at) => {
    const { taps: kept, perMinute } = meanTempo(taps.current, at);
    taps.current = kept;
    if (perMinute !== undefined) void press({ press: "tempo", tempo: tempo.id, perMinute });
  };
}
