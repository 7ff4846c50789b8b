const SPREAD = /^\d+(\.\d+)?(~\d+(\.\d+)?)*$/;

/** Reads seconds for lights as typed: a number, or a fan such as "0~5". Null for nothing, undefined for what does not read. */
export function readSpread(text: string): number | string | null | undefined {
  const plain = text.replace(/\s/g, "").replaceAll(",", ".");
  if (plain === "") return null;
  if (!SPREAD.test(plain)) return undefined;
  return plain.includes("~") ? plain : Number(plain);
}
