/** Something that is written beside a point of the picture, pixels. */
export interface Label {
  readonly text: string;
  /** The point that it belongs to. */
  readonly x: number;
  readonly y: number;
  /** Where it would like to stand: a number over its light, a level under it. */
  readonly side: "over" | "under";
}
/** Where a label stands: the middle of its width, and its upper edge. */
export interface PlacedLabel extends Label {
  readonly middle: number;
  readonly top: number;
}

interface Box {
  readonly left: number;
  readonly right: number;
  readonly top: number;
  readonly bottom: number;
}

/** The width of a figure and the height of a line of text in the picture, pixels. */
const FIGURE = 7.2;
const LINE = 11;
/** The room that the head of a light takes around its point. */
const HEAD = 6;

/**
 * Lays labels out so that each can be read: none over another or over the head of a light, as long as there is room near its own.
 * Labels earlier in the row choose first.
 */
export function layOutLabels(labels: readonly Label[]): PlacedLabel[] {
  const taken: Box[] = labels.map(({ x, y }) => ({ left: x - HEAD, right: x + HEAD, top: y - HEAD, bottom: y + HEAD }));
  return labels.map((label) => {
    const half = Math.max(2, label.text.length) * FIGURE * 0.5;
    let best: { spot: { middle: number; top: number }; box: Box; over: number } | undefined;
    for (const spot of spots(label, half)) {
      const box = { left: spot.middle - half, right: spot.middle + half, top: spot.top, bottom: spot.top + LINE };
      const over = taken.reduce((sum, other) => sum + overlap(box, other), 0);
      if (!best || over < best.over) best = { spot, box, over };
      if (over === 0) break;
    }
    if (!best) return { ...label, middle: label.x, top: label.y };
    taken.push(best.box);
    return { ...label, ...best.spot };
  });
}

/** The places that a label tries, the best first. */
function spots({ x, y, side }: Label, half: number): { middle: number; top: number }[] {
  const over = y - HEAD - LINE;
  const under = y + HEAD;
  const beside = y - LINE / 2;
  const [near, far] = side === "over" ? [over, under] : [under, over];
  const [step, back] = side === "over" ? [-LINE, LINE] : [LINE, -LINE];
  const off = half + HEAD + 1;
  return [
    { middle: x, top: near },
    { middle: x + off, top: beside },
    { middle: x - off, top: beside },
    { middle: x + half, top: near },
    { middle: x - half, top: near },
    { middle: x, top: far },
    { middle: x, top: near + step },
    { middle: x + off, top: near },
    { middle: x - off, top: near },
    { middle: x, top: far + back },
    { middle: x, top: near + 2 * step },
  ];
}

function overlap(a: Box, b: Box): number {
  const across = Math.min(a.right, b.right) - Math.max(a.left, b.left);
  const down = Math.min(a.bottom, b.bottom) - Math.max(a.top, b.top);
  return across > 0 && down > 0 ? across * down : 0;
}
