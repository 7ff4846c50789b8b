import { type Attribute, type GivenWave, WAVE_SHAPES, shapeAt } from "@zm/core";

/** The shape of a wave by its name. */
export type Shape = (typeof WAVE_SHAPES)[number];

/** A wave that runs. */
export type RunningWave = Exclude<GivenWave, { stop: true }>;

/** What each shape does, in words. */
export const SHAPE_WORDS: Readonly<Record<Shape, string>> = {
  sine: "sine: round to and fro",
  triangle: "triangle: straight to and fro",
  square: "square: there and back without a way between",
  rise: "rise: up, and back at once",
  fall: "fall: down, and back at once",
  flicker: "flicker: without order, yet the same every night",
};

/** The height of a shape, -1 to 1, so many turns into it; lights flicker each in its own way. */
export function heightOf(shape: Shape, turns: number, channel: number): number {
  return shapeAt(WAVE_SHAPES.indexOf(shape), turns, channel);
}

/** The wave that lights get when a shape is picked and nothing was said before: small enough to be safe, slow enough to be seen, spread over a row. */
export function firstWave(shape: Shape, { min, max, family }: Attribute, lights: number): GivenWave {
  const size = family === "intensity" ? 20 : Math.max(1, Math.round((max - min) / 20));
  const spread = lights > 1 && shape !== "flicker" ? { phase: "0~360" } : {};
  return { shape, size, period: shape === "flicker" ? 0.4 : 4, ...spread };
}
