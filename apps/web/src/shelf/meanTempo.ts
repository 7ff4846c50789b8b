/** Taps further apart than this begin anew; milliseconds. */
const LONGEST_GAP = 2000;
/** So many taps count. */
const TAPS = 5;

/** The beats a minute of a row of taps with one more: the mean of the gaps between the last up to five; undefined for a first tap. Milliseconds of one clock. */
export function meanTempo(before: readonly number[], now: number): { readonly taps: number[]; readonly perMinute: number | undefined } {
  const last = before.at(-1);
  if (last === undefined || now - last > LONGEST_GAP) return { taps: [now], perMinute: undefined };
  const taps = [...before, now].slice(-TAPS);
  const gap = (now - (taps[0] ?? now)) / (taps.length - 1);
  return { taps, perMinute: Math.min(1200, Math.max(1, Math.round(600_000 / gap) / 10)) };
}
