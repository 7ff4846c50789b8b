import type { Fan } from "../fan/fan.ts";
import type { Attribute } from "../show/schema.ts";

/**
 * What the values of chosen lights are told, in cues or in hand.
 * Numbers in the attribute's own unit; a scale is a factor. A fan spreads over the chosen lights in their order.
 */
export type Operation = { set: Fan } | { palette: string } | { add: number } | { scale: number } | { release: true } | { drop: true };

/**
 * A value after something was added to it, or it was scaled: it stops at the ends of the attribute's range (docs/rules.md, Edits).
 * Rounded to a millionth, so that what computers add up stays what people would.
 */
export function operated(value: number, operation: { add: number } | { scale: number }, attribute: Attribute): number {
  const raw = "add" in operation ? value + operation.add : value * operation.scale;
  return Math.min(attribute.max, Math.max(attribute.min, Math.round(raw * 1e6) / 1e6));
}
