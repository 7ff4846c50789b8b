import { type Attribute, readFan, valueWords } from "@zm/core";
import { FanField } from "../shared/FanField.tsx";
import { readSpread } from "../shared/readSpread.ts";
import type { RunningWave } from "./shapes.ts";

interface WaveNumbersProps {
  readonly attribute: Attribute;
  readonly wave: RunningWave;
  /** Seconds between two beats of the tempo that it runs at. */
  readonly beat: number | undefined;
  readonly onChange: (fields: Partial<RunningWave>) => void;
}

/** How large a wave is, how often it comes round, and where in its round each light is. */
export function WaveNumbers({ attribute, wave, beat, onChange }: WaveNumbersProps) {
  return (
    <div className="grid grid-cols-3 gap-1.5">
      <Named name="size">
        <FanField
          label="Size of the wave"
          placeholder="size"
          title={`To each side, in ${attribute.id}; or a fan over the lights: 10~40`}
          words={String(wave.size)}
          read={readNumbers}
          onTake={(size) => size !== null && onChange({ size })}
          width="w-full"
        />
      </Named>
      <Named name={wave.tempo === undefined ? "every, s" : "every"}>
        {wave.tempo === undefined ? (
          <FanField
            label="One round of the wave, seconds"
            placeholder="seconds"
            title="Seconds for one round, or a fan over the lights: 2~6"
            words={String(wave.period ?? 1)}
            read={readSpread}
            onTake={(period) => period !== null && onChange({ period })}
            width="w-full"
          />
        ) : (
          <span className="figures px-1 leading-8">{valueWords(beat ?? 1)} s</span>
        )}
      </Named>
      <Named name="spread, °">
        <FanField
          label="Spread of the wave, degrees"
          placeholder="together"
          title="Where in its round each light is: 0~360 runs once along the lights; empty: all together"
          words={wave.phase === undefined ? "" : String(wave.phase)}
          read={readNumbers}
          onTake={(phase) => onChange({ phase: phase ?? undefined })}
          width="w-full"
        />
      </Named>
    </div>
  );
}

function Named({ name, children }: { name: string; children: React.ReactNode }) {
  return (
    <label className="min-w-0">
      <span className="block text-[13px] text-quiet">{name}</span>
      {children}
    </label>
  );
}

/** Reads a number, below 0 too, or a fan such as "0~360". Null for nothing, undefined for what does not read. */
function readNumbers(text: string): number | string | null | undefined {
  return text.trim() === "" ? null : readFan(text);
}
