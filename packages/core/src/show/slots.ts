import { plainId } from "./ids.ts";
import type { Attribute } from "./schema.ts";

/**
 * One named place of a wheel: the value at which it stands, and what people call it.
 * Values between slots are allowed: a wheel can stand between two of its places.
 */
export type Slot = NonNullable<Attribute["slots"]>[number];

/**
 * The name of the slot at which a value stands; undefined between slots, and for an attribute without named ones.
 * For readers of the Score: "Leaves" says more than "3". Compared exactly.
 */
export function slotName({ slots }: Pick<Attribute, "slots">, value: number): string | undefined {
  return slots?.find((slot) => Math.abs(slot.value - value) < 1e-6)?.name;
}

/**
 * The value of the slot that a word names, whatever the case, with hyphens for what is no letter; undefined where no slot is called so.
 * Used by the line entry, where `12 gobo = leaves` is typed.
 */
export function slotValue({ slots }: Pick<Attribute, "slots">, word: string): number | undefined {
  const typed = word.toLowerCase();
  return slots?.find(({ name }) => name.toLowerCase() === typed || plainId(name) === typed)?.value;
}

/**
 * Slots as they are written in one row of text, "0 Open, 3 Leaves"; undefined for a text that is none. An empty text is no slot at all.
 * The values must be numbers and the names not empty; the range of the attribute is checked where it is stored.
 */
export function readSlots(text: string): Slot[] | undefined {
  if (text.trim() === "") return [];
  const read = text.split(",").map((entry) => /^\s*(-?\d+(?:\.\d+)?)\s+(\S.*?)\s*$/.exec(entry));
  const slots = read.flatMap((match) => (match?.[1] && match[2] ? [{ value: Number(match[1]), name: match[2] }] : []));
  return slots.length === read.length ? slots : undefined;
}

/**
 * The row of text that `readSlots` reads.
 * Empty for an attribute without slots.
 */
export function slotsText(slots: readonly Slot[] | undefined): string {
  return (slots ?? []).map(({ value, name }) => `${value} ${name}`).join(", ");
}
