import type { Attribute } from "../show/schema.ts";
import { slotValue } from "../show/slots.ts";
import type { Operation } from "./operation.ts";
import { readFan } from "./readFan.ts";

/** What can be given to lights: any change of values but forgetting the moves of cues. */
export type Give = Exclude<Operation, { drop: true }>;

/**
 * What is typed over chosen lights or cells: "70", "full", "out", "+10", "- 10", "*0.8", "= -20", a fan such as "0~100", a slot of a wheel by its
 * name. Null when it says nothing yet. Values are in the attribute's own unit.
 * Where an attribute goes below 0, "-10" is a value, and "- 10" with a space takes off; elsewhere both take off (`minusSets`).
 */
export function readOperation(text: string, attribute: Pick<Attribute, "min" | "max" | "slots">): Give | null {
  const slot = slotValue(attribute, text.trim());
  if (slot !== undefined) return { set: slot };
  const plain = text.trim().toLowerCase().replaceAll(",", ".").replaceAll("−", "-").replace("×", "*");
  if (plain === "full") return { set: attribute.max };
  if (plain === "out") return { set: Math.max(0, attribute.min) };
  const fan = readFan(plain.replace(/^=\s*/, ""));
  if (typeof fan === "string") return { set: fan };
  const match = /^([+*=-]?)(\s*)(-?\d+(?:\.\d+)?)$/.exec(plain);
  if (!match) return null;
  const [, sign, space] = match;
  const value = Number(match[3]);
  if (sign === "" || sign === "=") return { set: value };
  // A second sign says nothing: it would turn the first one round.
  if (value < 0) return null;
  if (sign === "+") return { add: value };
  if (sign === "*") return { scale: value };
  return minusSets(attribute, space === "") ? { set: -value } : { add: -value };
}

/** Whether a minus before a number is its sign, not a taking off: where the attribute goes below 0 and nothing stands between the two. */
export function minusSets({ min }: Pick<Attribute, "min">, isTight: boolean): boolean {
  return min < 0 && isTight;
}
