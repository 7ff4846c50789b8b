/** Levels and times as the ASCII text writes them. */

/** A level, per cent: whole per cent, `FL` for full, or `H` and two hexadecimal digits of 255. Undefined for what is none. */
export function readLevel(word: string): number | undefined {
  const typed = word.toUpperCase();
  if (typed === "FL") return 100;
  if (/^H[0-9A-F]{2}$/.test(typed)) return Math.round((Number.parseInt(typed.slice(1), 16) / 255) * 10_000) / 100;
  if (!/^\d{1,3}(\.\d+)?%?$/.test(typed)) return undefined;
  const level = Number.parseFloat(typed);
  return level <= 100 ? level : undefined;
}

/** A level as the text has it: whole per cent in two digits, or FL. What lies between two per cents is rounded. */
export function writeLevel(level: number): string {
  const whole = Math.round(Math.min(100, Math.max(0, level)));
  return whole === 100 ? "FL" : String(whole).padStart(2, "0");
}

/** A time as the text has it: seconds, at most three places. */
export function writeSeconds(seconds: number): string {
  return String(Math.round(seconds * 1000) / 1000);
}

/** A level with all its places, as our own lines have it, per cent. Undefined for what is none. */
export function readLevelExactly(word: string): number | undefined {
  const level = /^\d/.test(word) ? Number(word) : Number.NaN;
  return level >= 0 && level <= 100 ? level : undefined;
}
