/** The number that a text says, with a point or a comma; NaN for one that says none. */
export function readNumber(text: string): number {
  return text.trim() === "" ? Number.NaN : Number(text.replace(",", "."));
}

/** What something is multiplied by, as it is typed; undefined for a text that says no factor. */
export function readFactor(text: string): number | undefined {
  const factor = readNumber(text);
  return Number.isFinite(factor) && factor >= 0 ? factor : undefined;
}
