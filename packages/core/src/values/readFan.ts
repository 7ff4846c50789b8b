import type { Fan } from "../fan/fan.ts";

const POINTS = /^-?\d+(\.\d+)?(~-?\d+(\.\d+)?)*$/;

/**
 * Reads a number, or a fan of them such as "-30~30"; undefined for what is neither.
 * A comma counts as a point, blanks around `~` count for nothing. A fan comes back as text, a single number as a number.
 */
export function readFan(text: string): Fan | undefined {
  const packed = text
    .trim()
    .replaceAll(",", ".")
    .replaceAll("−", "-")
    .replace(/\s*~\s*/g, "~");
  if (!POINTS.test(packed)) return undefined;
  return packed.includes("~") ? packed : Number(packed);
}
