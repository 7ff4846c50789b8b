import { type Attribute, valueWords } from "@zm/core";
import { useDragged } from "../shared/useDragged.ts";
import { fanWith, middleOf } from "./fanWith.ts";

interface FanStripProps {
  attribute: Attribute;
  values: readonly number[];
  onFan: (fan: string) => void;
}

const WIDTH = 230;
const HEIGHT = 54;
const EDGE = 10;
/** The whole range of an attribute is so many pixels of dragging, and with Shift. */
const FINE = 300;
const FINEST = 1800;

type Handle = "first" | "middle" | "last";

/** What is taken hold of, its value then, and where the row stood. */
interface Grip {
  readonly handle: Handle;
  readonly value: number;
  readonly points: { readonly first: number; readonly middle: number; readonly last: number };
}

/** The chosen lights as a row of bars: dragging an end leans the row, dragging the middle bends it. */
export function FanStrip({ attribute: { min, max, id }, values, onFan }: FanStripProps) {
  const count = values.length;
  const first = values[0] ?? 0;
  const last = values[count - 1] ?? 0;
  const middle = middleOf(values);
  const { bind } = useDragged<Grip, [handle: Handle, value: number]>({
    onBegin: (_press, handle, value) => ({ handle, value, points: { first, middle, last } }),
    onMove: (grip, { from, at, shiftKey }) => {
      const raw = grip.value + ((from.clientY - at.clientY) * (max - min)) / (shiftKey ? FINEST : FINE);
      const step = shiftKey || max - min <= 20 ? 10 : 1;
      onFan(fanWith(grip.points, grip.handle, Math.round(Math.min(max, Math.max(min, raw)) * step) / step));
    },
    onDrop: (grip) => onFan(fanWith(grip.points, grip.handle, grip.value)),
  });
  if (count < 2) return null;
  const xAt = (index: number): number => EDGE + (index / (count - 1)) * (WIDTH - 2 * EDGE);
  const yAt = (value: number): number => HEIGHT - EDGE - ((value - min) / (max - min)) * (HEIGHT - 2 * EDGE);
  const nudge = (event: React.KeyboardEvent, handle: Handle, value: number): void => {
    const step = event.key === "ArrowUp" ? 1 : event.key === "ArrowDown" ? -1 : 0;
    if (step === 0) return;
    event.preventDefault();
    const far = event.shiftKey ? (max - min) / 10 : (max - min) / 100;
    onFan(fanWith({ first, middle, last }, handle, Math.round(Math.min(max, Math.max(min, value + step * far)) * 10) / 10));
  };
  const handles = [
    ["first", 0, first],
    ...(count > 2 ? [["middle", (count - 1) / 2, middle] as const] : []),
    ["last", count - 1, last],
  ] as const;
  return (
    <svg
      width={WIDTH}
      height={HEIGHT}
      className="touch-none rounded border border-neutral bg-sheet"
      role="group"
      aria-label={`Fan of ${id}`}
    >
      {values.map((value, index) => (
        <line
          key={index}
          x1={xAt(index)}
          x2={xAt(index)}
          y1={yAt(Math.max(min, Math.min(0, max)))}
          y2={yAt(value)}
          className="stroke-quiet"
          strokeWidth={Math.max(1, Math.min(8, 160 / count))}
        />
      ))}
      {handles.map(([handle, place, value]) => (
        <circle
          key={handle}
          cx={xAt(place)}
          cy={yAt(value)}
          r={8}
          tabIndex={0}
          role="slider"
          aria-label={`${id} of the ${handle} light`}
          aria-valuemin={min}
          aria-valuemax={max}
          aria-valuenow={value}
          aria-valuetext={valueWords(value)}
          className="cursor-ns-resize fill-base-100 stroke-secondary"
          strokeWidth={2}
          {...bind(handle, value)}
          onKeyDown={(event) => nudge(event, handle, value)}
        />
      ))}
    </svg>
  );
}
