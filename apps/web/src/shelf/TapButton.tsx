import type { Tempo } from "@zm/core";
import { useBeats } from "./useBeats.ts";
import { useTaps } from "./useTaps.ts";

/** Sets a tempo by tapping; the mean of the taps is shown. */
export function TapButton({ tempo }: { tempo: Tempo }) {
  const tap = useTaps(tempo);
  const beats = useBeats(tempo);
  return (
    <button
      type="button"
      className="btn btn-xs h-7 shrink-0 border-neutral px-1"
      onClick={({ timeStamp }) => tap(timeStamp)}
      title={`Tap the tempo ${tempo.label || tempo.id}: ${Math.round(beats)} a minute now`}
    >
      Tap
    </button>
  );
}
