import type { Attribute, GivenWave } from "@zm/core";
import { useShow } from "../show/useShow.ts";
import { ShapeButtons } from "./ShapeButtons.tsx";
import { type RunningWave, type Shape, firstWave } from "./shapes.ts";
import { TempoSelect } from "./TempoSelect.tsx";
import { WaveNumbers } from "./WaveNumbers.tsx";
import { WavePicture } from "./WavePicture.tsx";

interface WaveFieldsProps {
  channels: readonly number[];
  /** The attributes that can sway, and the one that is spoken of. */
  attributes: readonly Attribute[];
  attribute: Attribute;
  onAttribute: (id: string) => void;
  /** What these lights do now; null where nothing sways, or they differ. */
  wave: GivenWave | null;
  onWave: (wave: GivenWave) => void;
}

/** A wave as it is given to lights: its shape, its size, how often it comes round, how it is spread over them; drawn small, moving. */
export function WaveFields({ channels, attributes, attribute, onAttribute, wave, onWave }: WaveFieldsProps) {
  const { sheet } = useShow();
  const tempos = sheet.show.tempos ?? [];
  const running = wave && !("stop" in wave) ? wave : null;
  const change = (fields: Partial<RunningWave>): void => {
    if (running) onWave({ ...running, ...fields });
  };
  const pick = (shape: Shape): void => onWave(running ? { ...running, shape } : firstWave(shape, attribute, channels.length));
  const beat = running?.tempo === undefined ? undefined : 60 / (tempos.find(({ id }) => id === running.tempo)?.perMinute ?? 60);
  return (
    <div className="flex flex-col gap-1.5">
      {attributes.length > 1 && (
        <select
          aria-label="What sways"
          className="select select-sm w-full bg-base-100"
          value={attribute.id}
          onChange={(event) => onAttribute(event.target.value)}
        >
          {attributes.map(({ id, name }) => (
            <option key={id} value={id}>
              {name ?? id}
            </option>
          ))}
        </select>
      )}
      <ShapeButtons wave={wave} onPick={pick} onStop={() => onWave({ stop: true })} />
      {running && (
        <>
          <WaveNumbers attribute={attribute} wave={running} beat={beat} onChange={change} />
          <TempoSelect wave={running} beat={beat} onChange={change} />
          <WavePicture wave={running} beat={beat} channels={channels} />
        </>
      )}
    </div>
  );
}
