import { type GivenWave, WAVE_SHAPES } from "@zm/core";
import { ShapeIcon } from "./ShapeIcon.tsx";
import { SHAPE_WORDS, type Shape } from "./shapes.ts";

interface ShapeButtonsProps {
  readonly wave: GivenWave | null;
  readonly onPick: (shape: Shape) => void;
  readonly onStop: () => void;
}

/** The shapes that a wave can have, and the button that stops it. */
export function ShapeButtons({ wave, onPick, onStop }: ShapeButtonsProps) {
  const shape = wave && !("stop" in wave) ? wave.shape : undefined;
  return (
    <div className="grid grid-cols-[repeat(6,1fr)_auto] gap-1" role="group" aria-label="Shape of the wave">
      {WAVE_SHAPES.map((each) => (
        <button
          key={each}
          type="button"
          aria-label={each}
          aria-pressed={shape === each}
          title={SHAPE_WORDS[each]}
          className="btn btn-xs h-7 min-w-0 border-neutral px-0 aria-pressed:border-secondary aria-pressed:text-secondary"
          onClick={() => onPick(each)}
        >
          <ShapeIcon shape={each} />
        </button>
      ))}
      <button
        type="button"
        aria-pressed={wave !== null && "stop" in wave}
        title="What sways there stops"
        className="btn btn-xs h-7 border-neutral px-1.5 font-normal aria-pressed:border-secondary aria-pressed:text-secondary"
        onClick={onStop}
      >
        Stop
      </button>
    </div>
  );
}
