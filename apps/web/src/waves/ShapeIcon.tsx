import { type Shape, heightOf } from "./shapes.ts";

const WIDTH = 22;
const HEIGHT = 14;
const STEPS = 26;
/** A flicker is drawn over a few of its steps, any other shape over one period. */
const FLICKER_TURNS = 5;

/** One period of a shape, drawn small. */
export function ShapeIcon({ shape }: { shape: Shape }) {
  const turns = shape === "flicker" ? FLICKER_TURNS : 1;
  const points = Array.from({ length: STEPS + 1 }, (_, step) => {
    // A hair before the end, so that a jump is drawn where it is and not at the start of the next period.
    const x = (step / STEPS) * turns * (1 - 1e-6);
    return `${((step / STEPS) * (WIDTH - 2) + 1).toFixed(1)},${(HEIGHT / 2 - heightOf(shape, x, 1) * (HEIGHT / 2 - 1.5)).toFixed(1)}`;
  });
  return (
    <svg aria-hidden width={WIDTH} height={HEIGHT} className="fill-none stroke-current" strokeWidth={1.5} strokeLinejoin="round">
      <polyline points={points.join(" ")} />
    </svg>
  );
}
