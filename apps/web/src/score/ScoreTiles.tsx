import { memo, useEffect, useLayoutEffect, useRef } from "react";
import { milestone } from "../shared/milestone.ts";
import { paintScore } from "./paint/paintScore.ts";
import { type ScorePicture, ROW } from "./paint/picture.ts";
import { forgetPainting, paintInFrame, paintSoon } from "./paint/paintQueue.ts";
import type { Ink } from "./paint/ink.ts";

/** A tile holds so many rows and is so wide: small enough that painting one leaves time in a frame, large enough that few come into view in one. */
const TILE_ROWS = 8;
const TILE_WIDTH = 512;
/** Tiles are kept painted so far beyond what is seen, pixels. */
const BEYOND = 160;

/** What all tiles of the sheet have in common; it stays the same object until something that is painted changes. */
export type TilePicture = Omit<ScorePicture, "span" | "left" | "right">;

interface ScoreTilesProps {
  readonly picture: TilePicture;
  readonly ink: Ink | null;
  /** Changes when the fonts or the theme have, and everything is painted anew. */
  readonly theme: number;
  /** How many lines the sheet has. */
  readonly count: number;
  readonly width: number;
  /** What is seen of the sheet, pixels from its corner. */
  readonly seen: Seen;
}

/** A rectangle of the sheet, pixels. */
export interface Seen {
  readonly left: number;
  readonly right: number;
  readonly top: number;
  readonly bottom: number;
}

/** The sheet as tiles that are painted once and then only moved: scrolling paints what comes into view and nothing else. */
export function ScoreTiles({ picture, ink, theme, count, width, seen }: ScoreTilesProps) {
  const down = span(seen.top - BEYOND, seen.bottom + BEYOND, TILE_ROWS * ROW, count * ROW);
  const across = span(seen.left - BEYOND, seen.right + BEYOND, TILE_WIDTH, width);
  return down.flatMap((y) =>
    across.map((x) => (
      <ScoreTile
        key={`${y} ${x}`}
        picture={picture}
        ink={ink}
        theme={theme}
        first={y * TILE_ROWS}
        last={Math.min(count, (y + 1) * TILE_ROWS) - 1}
        left={x * TILE_WIDTH}
        right={Math.min(width, (x + 1) * TILE_WIDTH)}
      />
    )),
  );
}

/** The tiles, counted from 0, that a stretch of the sheet needs. */
function span(from: number, to: number, size: number, end: number): number[] {
  const first = Math.max(0, Math.floor(from / size));
  const last = Math.min(Math.ceil(end / size), Math.ceil(to / size)) - 1;
  return Array.from({ length: Math.max(0, last - first + 1) }, (_, index) => first + index);
}

interface ScoreTileProps {
  readonly picture: TilePicture;
  readonly ink: Ink | null;
  readonly theme: number;
  readonly first: number;
  readonly last: number;
  readonly left: number;
  readonly right: number;
}

const ScoreTile = memo(function ScoreTile({ picture, ink, theme, first, last, left, right }: ScoreTileProps) {
  const canvas = useRef<HTMLCanvasElement>(null);
  const width = right - left;
  const height = (last - first + 1) * ROW;
  const scale = window.devicePixelRatio || 1;
  const painted = useRef<TilePicture | null>(null);
  useLayoutEffect(() => {
    const element = canvas.current;
    const context = element?.getContext("2d", { alpha: false });
    if (!element || !context || !ink) return;
    const paint = (): void => {
      context.setTransform(scale, 0, 0, scale, 0, 0);
      paintScore(context, { ...picture, span: { first, last }, left, right }, ink);
      milestone("score-painted");
    };
    // What comes into view must not be empty; ghosts of an edit that is still being typed may take a few frames.
    const before = painted.current;
    painted.current = picture;
    if (before !== null && differsInGhostsAlone(before, picture)) return paintSoon(element, paint);
    forgetPainting(element);
    if (before !== null && before !== picture) paintInFrame(element, paint);
    else paint();
  }, [picture, ink, theme, first, last, left, right, scale]);
  useEffect(() => {
    const element = canvas.current;
    return () => {
      if (element) forgetPainting(element);
    };
  }, []);
  return (
    <canvas
      ref={canvas}
      aria-hidden
      className="pointer-events-none absolute"
      width={Math.round(width * scale)}
      height={Math.round(height * scale)}
      style={{ top: first * ROW, left, width, height }}
    />
  );
});

function differsInGhostsAlone({ ghosts: was, ...before }: TilePicture, { ghosts: is, ...now }: TilePicture): boolean {
  if (was === is) return false;
  const [old, anew] = [Object.values(before), Object.values(now)];
  return old.length === anew.length && old.every((value, index) => value === anew[index]);
}
