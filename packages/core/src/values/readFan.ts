import type { Fan } from "../fan/fan.ts";
import { FAN_ENDING } from "../show/fanEnding.ts";

const POINTS = new RegExp(`^-?\\d+(\\.\\d+)?((~-?\\d+(\\.\\d+)?)+${FAN_ENDING.source})?$`);

/**
 * Reads a number, or a fan of them such as "-30~30"; undefined for what is neither.
 * A comma counts as a point, blanks around `~` count for nothing. A fan comes back as text, a single number as a number. Behind its points may stand how many
 * lights share a place and how many times over it runs: "0~100/2*3".
 */
export function readFan(text: string): Fan | undefined {
  const packed = text
    .trim()
    .replaceAll(",", ".")
    .replaceAll("−", "-")
    .replace(/\s*([~/*])\s*/g, "$1");
  if (!POINTS.test(packed)) return undefined;
  return packed.includes("~") ? packed : Number(packed);
}
