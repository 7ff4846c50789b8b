import type { Canvas2d } from "../../src/score/paint/picture.ts";

/** One thing that was drawn: a path that was filled or outlined, a filled rectangle, or a text. Places are in pixels of the sheet. */
export interface Drawn {
  readonly what: "fill" | "stroke" | "rect" | "text";
  /** The colour that it was drawn in. */
  readonly colour: string;
  /** The corners of a path, the corner and the size of a rectangle, or the place of a text. */
  readonly places: readonly (readonly number[])[];
  readonly dotted: boolean;
  readonly text: string;
}

/** A canvas that keeps what is drawn on it, in order; every letter is 7 pixels wide. */
export function drawingCanvas(): { canvas: Canvas2d; drawn: Drawn[] } {
  const drawn: Drawn[] = [];
  let path: number[][] = [];
  let dotted = false;
  let origin = { x: 0, y: 0 };
  const origins: (typeof origin)[] = [];
  const place = (x: number, y: number, ...rest: number[]): number[] => [x + origin.x, y + origin.y, ...rest];
  const keep = (what: Drawn["what"], colour: unknown, places: number[][], text = ""): void => {
    drawn.push({ what, colour: String(colour), places, dotted, text });
  };
  const canvas: Canvas2d = {
    fillStyle: "",
    strokeStyle: "",
    font: "",
    globalAlpha: 1,
    lineWidth: 1,
    textBaseline: "alphabetic",
    save: () => void origins.push({ ...origin }),
    restore: () => void (origin = origins.pop() ?? origin),
    translate: (x, y) => void (origin = { x: origin.x + x, y: origin.y + y }),
    rotate: () => undefined,
    setLineDash: (dashes) => void (dotted = [...dashes].length > 0),
    measureText: (text) => ({ ...NO_METRICS, width: text.length * 7 }),
    beginPath: () => void (path = []),
    closePath: () => undefined,
    moveTo: (x, y) => void path.push(place(x, y)),
    lineTo: (x, y) => void path.push(place(x, y)),
    rect: (x, y, width, height) => void path.push(place(x, y, width, height)),
    roundRect: (x, y, width = 0, height = 0) => void path.push(place(x, y, width, height)),
    arc: (x, y, radius) => void path.push(place(x, y, radius)),
    fill: () => keep("fill", canvas.fillStyle, path),
    stroke: () => keep("stroke", canvas.strokeStyle, path),
    fillRect: (x, y, width, height) => keep("rect", canvas.fillStyle, [place(x, y, width, height)]),
    fillText: (text, x, y) => keep("text", canvas.fillStyle, [place(x, y)], text),
  };
  return { canvas, drawn };
}

const NO_METRICS: TextMetrics = {
  width: 0,
  actualBoundingBoxAscent: 0,
  actualBoundingBoxDescent: 0,
  actualBoundingBoxLeft: 0,
  actualBoundingBoxRight: 0,
  alphabeticBaseline: 0,
  emHeightAscent: 0,
  emHeightDescent: 0,
  fontBoundingBoxAscent: 0,
  fontBoundingBoxDescent: 0,
  hangingBaseline: 0,
  ideographicBaseline: 0,
};
