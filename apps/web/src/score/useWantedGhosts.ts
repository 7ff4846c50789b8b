import { useEffect } from "react";
import { usePreviewScope } from "../preview/usePreview.ts";
import { rowsOfLines } from "../spine/lines.ts";
import { ROW } from "./paint/picture.ts";
import type { Seen, TilePicture } from "./ScoreTiles.tsx";

/** Ghosts are computed so many rows beyond what is in view. */
const GHOST_ROWS = 12;
/** And so far beyond its sides, pixels. */
const GHOST_WIDTH = 512;

/** Asks for ghosts of what is in view, and a little beyond it. */
export function useWantedGhosts({ layout, lines, lens }: TilePicture, seen: Seen): void {
  const linesSeen = `${Math.max(0, Math.floor(seen.top / ROW) - GHOST_ROWS)} ${Math.ceil(seen.bottom / ROW) + GHOST_ROWS}`;
  useEffect(() => {
    const [first = 0, last = 0] = linesSeen.split(" ").map(Number);
    const columns = layout.columns
      // A folded group shows no ghosts.
      .filter(({ x, width, folded }) => !folded && x + width > seen.left - GHOST_WIDTH && x < seen.right + GHOST_WIDTH)
      .map(({ id, channel, attribute }) => ({ id, channel, ...(attribute === undefined ? {} : { attribute }) }));
    usePreviewScope.setState({ window: { lens, rows: rowsOfLines(lines, first, last), columns } });
  }, [linesSeen, seen.left, seen.right, layout, lines, lens]);
  useEffect(() => () => usePreviewScope.setState({ window: null }), []);
}
