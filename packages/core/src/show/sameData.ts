/**
 * True when two pieces of plain data say the same; an absent field and an undefined one are alike.
 * Compares by content: arrays in their order, objects whatever the order of their fields.
 * Only for plain data: no maps, sets or class instances.
 */
export function sameData(a: unknown, b: unknown): boolean {
  if (a === b) return true;
  if (typeof a !== "object" || typeof b !== "object" || a === null || b === null) return false;
  const names = new Set([...Object.keys(a), ...Object.keys(b)]);
  for (const name of names) {
    if (!sameData(Reflect.get(a, name), Reflect.get(b, name))) return false;
  }
  return true;
}
