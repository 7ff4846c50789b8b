const HOUR = 3_600_000;
const DAY = 24 * HOUR;
/** So many of the newest are kept whatever their age. */
const NEWEST = 20;
/** For so long the newest of each hour is kept, and the newest of each day. */
const HOURLY = DAY;
const DAILY = 31 * DAY;

/** A backup as far as its keeping is concerned. */
interface Kept {
  readonly made: number;
  readonly byHand: boolean;
}

/**
 * Which backups have had their time: all but the last 20, the newest of each hour of the last day, the newest of each day of the last month, and those that somebody
 * asked for. `now` and `made` in milliseconds.
 */
export function outdated<T extends Kept>(backups: readonly T[], now: number): T[] {
  const byPlan = backups.filter(({ byHand }) => !byHand).sort((a, b) => b.made - a.made);
  const kept = new Set<T>(byPlan.slice(0, NEWEST));
  const spans = new Set<string>();
  for (const backup of byPlan) {
    const age = now - backup.made;
    for (const [length, span] of [
      [HOURLY, HOUR],
      [DAILY, DAY],
    ] as const) {
      const name = `${span} ${Math.floor(backup.made / span)}`;
      if (age > length || spans.has(name)) continue;
      spans.add(name);
      kept.add(backup);
    }
  }
  return byPlan.filter((backup) => !kept.has(backup));
}
