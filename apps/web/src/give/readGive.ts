import { type Attribute, type Operation, slotValue } from "@zm/core";

export type Give = Exclude<Operation, { drop: true }>;

const FAN = /^-?\d+(\.\d+)?(~-?\d+(\.\d+)?)+$/;

/**
 * Reads what is typed over chosen lights: "70", "full", "out", "+10", "- 10", "*0.8", a fan such as "0~100". Where an
 * attribute goes below 0, "-10" is a value, and "- 10" with a space takes off. A slot of a wheel goes by its name. Null when it says nothing yet.
 */
export function readGive(text: string, attribute: Pick<Attribute, "min" | "max" | "slots">): Give | null {
  const plain = text.trim().toLowerCase().replaceAll(",", ".").replaceAll("−", "-").replace("×", "*");
  if (plain === "full") return { set: attribute.max };
  if (plain === "out") return { set: Math.max(0, attribute.min) };
  const slot = slotValue(attribute, text.trim());
  if (slot !== undefined) return { set: slot };
  const packed = plain.replace(/\s*~\s*/g, "~");
  if (FAN.test(packed)) return { set: packed };
  const match = /^([+*-]?)(\s*)(-?\d+(?:\.\d+)?)$/.exec(plain);
  if (!match) return null;
  const [, sign, space] = match;
  const value = Number(match[3]);
  if (sign === "+") return { add: value };
  if (sign === "*") return value < 0 ? null : { scale: value };
  if (sign === "-") return attribute.min < 0 && space === "" ? { set: -value } : { add: -value };
  return { set: value };
}
