import { type GivenWave, fanAt, valueWords } from "@zm/core";
import { useEffect, useRef } from "react";
import { type Shape, heightOf } from "./shapes.ts";

interface WavePictureProps {
  wave: Exclude<GivenWave, { stop: true }>;
  /** Seconds that one round takes where the wave goes by a tempo. */
  beat: number | undefined;
  channels: readonly number[];
}

const WIDTH = 230;
const HEIGHT = 44;
const EDGE = 8;
/** More lights than this would be too close to tell apart. */
const MOST = 16;

/** The chosen lights as a row of dots that move as the wave moves them. Still for those who want no motion. */
export function WavePicture({ wave, beat, channels }: WavePictureProps) {
  const dots = useRef<(SVGCircleElement | null)[]>([]);
  const shown = channels.slice(0, MOST);
  const sizes = shown.map((_, index) => Math.abs(fanAt(wave.size, index, channels.length)));
  const largest = Math.max(1e-6, ...sizes);
  const all = shown.map((channel, index) => ({
    channel,
    x: shown.length < 2 ? WIDTH / 2 : EDGE + (index / (shown.length - 1)) * (WIDTH - 2 * EDGE),
    share: fanAt(wave.size, index, channels.length) / largest,
    period: beat ?? fanAt(wave.period ?? 1, index, channels.length),
    phase: fanAt(wave.phase ?? 0, index, channels.length) / 360,
  }));
  const drawn = JSON.stringify([wave, beat, shown]);
  useEffect(() => {
    const still = matchMedia("(prefers-reduced-motion: reduce)").matches;
    const began = performance.now();
    let frame = 0;
    const draw = (): void => {
      const seconds = still ? 0 : (performance.now() - began) / 1000;
      all.forEach(({ channel, share, period, phase }, index) => {
        const height = share * heightOf(wave.shape, seconds / period + phase, channel);
        dots.current[index]?.setAttribute("cy", (HEIGHT / 2 - height * (HEIGHT / 2 - EDGE)).toFixed(2));
      });
      if (!still) frame = requestAnimationFrame(draw);
    };
    draw();
    return () => cancelAnimationFrame(frame);
    // Drawn anew only when what is drawn is another.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [drawn]);
  return (
    <svg
      width={WIDTH}
      height={HEIGHT}
      role="img"
      aria-label={`${shapeWords(wave.shape)} of ${valueWords(largest)} over ${channels.length} lights`}
      className="rounded border border-neutral bg-sheet"
    >
      <line x1={EDGE} x2={WIDTH - EDGE} y1={HEIGHT / 2} y2={HEIGHT / 2} className="stroke-neutral" />
      {all.map(({ channel, x }, index) => (
        <circle key={channel} ref={(dot) => void (dots.current[index] = dot)} cx={x} cy={HEIGHT / 2} r={3.5} className="fill-secondary" />
      ))}
    </svg>
  );
}

const shapeWords = (shape: Shape): string => `A ${shape} wave`;
