import type { Light } from "./colour.ts";

/** A colour to begin from, by a name of our own. */
export interface Tint {
  readonly name: string;
  readonly light: Light;
}

const of = (name: string, red: number, green: number, blue: number): Tint => ({
  name,
  light: { red: red / 100, green: green / 100, blue: blue / 100 },
});

/**
 * Our own tints, from warm through red, violet and blue to green: what a stage asks for most.
 * Named after things that everybody knows, and not after anybody's book of filters.
 */
export const TINTS: readonly Tint[] = [
  of("Clear", 100, 100, 100),
  of("Candle", 100, 62, 22),
  of("Lamp oil", 100, 74, 36),
  of("Old paper", 100, 86, 58),
  of("Straw roof", 100, 80, 24),
  of("Brass", 100, 64, 4),
  of("Ember", 100, 34, 2),
  of("Brick dust", 92, 26, 12),
  of("Signal lamp", 100, 4, 2),
  of("Rosehip", 100, 12, 26),
  of("Shell pink", 100, 58, 60),
  of("Petticoat", 100, 40, 68),
  of("Foxglove", 88, 22, 88),
  of("Plum", 56, 8, 78),
  of("Heather", 66, 48, 100),
  of("Ink", 14, 6, 92),
  of("Deep water", 2, 12, 88),
  of("Dusk", 26, 36, 96),
  of("Slate", 46, 62, 88),
  of("Moon", 66, 82, 100),
  of("Winter sky", 44, 82, 100),
  of("Sea glass", 22, 96, 80),
  of("Harbour", 4, 66, 62),
  of("Bottle", 4, 78, 26),
  of("Moss", 42, 82, 12),
  of("Hay", 84, 96, 22),
];
