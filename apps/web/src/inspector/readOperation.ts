import { type Attribute, type Operation, slotValue } from "@zm/core";

/** Reads what is typed over chosen cells: "70", "=-20", "+10", "-5", "*0.8", "full", "out", a fan "-30~30", a slot of a wheel by its name. Null when it says nothing yet. */
export function readOperation(text: string, attribute: Pick<Attribute, "slots"> = {}): Operation | null {
  const slot = slotValue(attribute, text.trim());
  if (slot !== undefined) return { set: slot };
  const plain = text.trim().toLowerCase().replace(",", ".").replace("−", "-").replace("×", "*");
  if (plain === "full") return { set: 100 };
  if (plain === "out") return { set: 0 };
  if (/^=?-?\d+(\.\d+)?(~-?\d+(\.\d+)?)+$/.test(plain)) return { set: plain.replace("=", "") };
  const match = /^([+*-]|=\s*-?)?\s*(\d+(?:\.\d+)?)$/.exec(plain);
  if (!match) return null;
  const number = Number(match[2]);
  const sign = match[1]?.replace(/\s/g, "");
  if (sign === "+") return { add: number };
  if (sign === "-") return { add: -number };
  if (sign === "*") return { scale: number };
  return { set: sign === "=-" ? -number : number };
}
