import type { Part } from "@zm/core";

/** So many handles stand in the line of a part. */
const HANDLES = 2;

/** The lights that a part moves, as they are dragged: runs of neighbouring numbers, and behind the first of them all others together. */
export function partLights({ moves }: Pick<Part, "moves">): number[][] {
  const lights = Object.keys(moves)
    .map(Number)
    .sort((a, b) => a - b);
  const runs: number[][] = [];
  for (const light of lights) {
    const run = runs.at(-1);
    if (run && run.at(-1) === light - 1) run.push(light);
    else runs.push([light]);
  }
  if (runs.length <= HANDLES) return runs;
  return [...runs.slice(0, HANDLES - 1), runs.slice(HANDLES - 1).flat()];
}
