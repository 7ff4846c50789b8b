import type { Held } from "./hand.ts";

/** Held values with those of some names changed. Returns a new record. */
export function withChanged(
  held: Readonly<Record<string, Held>>,
  names: { has(name: string): boolean },
  change: (held: Held, name: string) => Held,
): Record<string, Held> {
  return Object.fromEntries(Object.entries(held).map(([name, each]) => [name, names.has(name) ? change(each, name) : each]));
}
