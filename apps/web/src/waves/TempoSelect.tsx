import { valueWords } from "@zm/core";
import { useShow } from "../show/useShow.ts";
import type { RunningWave } from "./shapes.ts";

interface TempoSelectProps {
  readonly wave: RunningWave;
  /** Seconds between two beats of the tempo that it runs at. */
  readonly beat: number | undefined;
  readonly onChange: (fields: Partial<RunningWave>) => void;
}

/** The tempo that a wave runs at, or its own time. */
export function TempoSelect({ wave, beat, onChange }: TempoSelectProps) {
  const { sheet } = useShow();
  const tempos = sheet.show.tempos ?? [];
  if (tempos.length === 0) return null;
  return (
    <select
      aria-label="Tempo of the wave"
      className="select select-sm w-full bg-base-100"
      value={wave.tempo ?? ""}
      onChange={(event) =>
        event.target.value === ""
          ? onChange({ tempo: undefined, period: Math.round((beat ?? 1) * 100) / 100 })
          : onChange({ tempo: event.target.value, period: undefined })
      }
    >
      <option value="">in its own time</option>
      {tempos.map(({ id, label, perMinute }) => (
        <option key={id} value={id}>
          at {label || id}, {valueWords(perMinute)} a minute
        </option>
      ))}
    </select>
  );
}
