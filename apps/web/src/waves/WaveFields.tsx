import { type Attribute, type GivenWave, WAVE_SHAPES } from "@zm/core";
import { FanField } from "../shared/FanField.tsx";
import { plain } from "../shared/plain.ts";
import { readSpread } from "../shared/readSpread.ts";
import { useShow } from "../show/useShow.ts";
import { ShapeIcon } from "./ShapeIcon.tsx";
import { SHAPE_WORDS, firstWave } from "./shapes.ts";
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
  const change = (fields: Partial<Exclude<GivenWave, { stop: true }>>): void => {
    if (running) onWave({ ...running, ...fields });
  };
  const pick = (shape: (typeof WAVE_SHAPES)[number]): void =>
    onWave(running ? { ...running, shape } : firstWave(shape, attribute, channels.length));
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
      <div className="grid grid-cols-[repeat(6,1fr)_auto] gap-1" role="group" aria-label="Shape of the wave">
        {WAVE_SHAPES.map((shape) => (
          <button
            key={shape}
            type="button"
            aria-label={shape}
            aria-pressed={running?.shape === shape}
            title={SHAPE_WORDS[shape]}
            className="btn btn-xs h-7 min-w-0 border-neutral px-0 aria-pressed:border-secondary aria-pressed:text-secondary"
            onClick={() => pick(shape)}
          >
            <ShapeIcon shape={shape} />
          </button>
        ))}
        <button
          type="button"
          aria-pressed={wave !== null && "stop" in wave}
          title="What sways there stops"
          className="btn btn-xs h-7 border-neutral px-1.5 font-normal aria-pressed:border-secondary aria-pressed:text-secondary"
          onClick={() => onWave({ stop: true })}
        >
          Stop
        </button>
      </div>
      {running && (
        <>
          <div className="grid grid-cols-3 gap-1.5">
            <Named name="size">
              <FanField
                label="Size of the wave"
                placeholder="size"
                title={`To each side, in ${attribute.id}; or a fan over the lights: 10~40`}
                words={String(running.size)}
                read={readSize}
                onTake={(size) => size !== null && change({ size })}
                width="w-full"
              />
            </Named>
            <Named name={running.tempo === undefined ? "every, s" : "every"}>
              {running.tempo === undefined ? (
                <FanField
                  label="One round of the wave, seconds"
                  placeholder="seconds"
                  title="Seconds for one round, or a fan over the lights: 2~6"
                  words={String(running.period ?? 1)}
                  read={readSpread}
                  onTake={(period) => period !== null && change({ period })}
                  width="w-full"
                />
              ) : (
                <span className="figures px-1 leading-8">{plain(beat ?? 1)} s</span>
              )}
            </Named>
            <Named name="spread, °">
              <FanField
                label="Spread of the wave, degrees"
                placeholder="together"
                title="Where in its round each light is: 0~360 runs once along the lights; empty: all together"
                words={running.phase === undefined ? "" : String(running.phase)}
                read={readDegrees}
                onTake={(phase) => change({ phase: phase ?? undefined })}
                width="w-full"
              />
            </Named>
          </div>
          {tempos.length > 0 && (
            <select
              aria-label="Tempo of the wave"
              className="select select-sm w-full bg-base-100"
              value={running.tempo ?? ""}
              onChange={(event) =>
                event.target.value === ""
                  ? change({ tempo: undefined, period: Math.round((beat ?? 1) * 100) / 100 })
                  : change({ tempo: event.target.value, period: undefined })
              }
            >
              <option value="">in its own time</option>
              {tempos.map(({ id, label, perMinute }) => (
                <option key={id} value={id}>
                  at {label || id}, {plain(perMinute)} a minute
                </option>
              ))}
            </select>
          )}
          <WavePicture wave={running} beat={beat} channels={channels} />
        </>
      )}
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

/** Reads a size: a number, or a fan of them; below 0 it sways the other way. */
function readSize(text: string): number | string | null | undefined {
  return readDegrees(text);
}

const FAN = /^-?\d+(\.\d+)?(~-?\d+(\.\d+)?)*$/;

/** Reads degrees: a number, or a fan such as "0~360". Null for nothing, undefined for what does not read. */
function readDegrees(text: string): number | string | null | undefined {
  const packed = text
    .trim()
    .replaceAll("−", "-")
    .replace(/\s*~\s*/g, "~");
  if (packed === "") return null;
  if (!FAN.test(packed)) return undefined;
  return packed.includes("~") ? packed : Number(packed);
}
