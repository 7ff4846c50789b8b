import fc from "fast-check";
import { fileOf, folderOf, readName } from "../../src/backups/backupName.ts";
import { outdated } from "../../src/backups/keeping.ts";

const MINUTE = 60_000;
const HOUR = 60 * MINUTE;
const DAY = 24 * HOUR;
const NOW = Date.UTC(2026, 10, 14, 20, 30);

const kept = (backups: { made: number; byHand: boolean }[]) => {
  const gone = new Set(outdated(backups, NOW));
  return backups.filter((backup) => !gone.has(backup));
};

describe("which backups stay", () => {
  test("are the last 20, one for each hour of a day, one for each day of a month", () => {
    const all = Array.from({ length: 60 * 24 * 6 }, (_, at) => ({ made: NOW - at * 10 * MINUTE, byHand: false }));
    const stay = kept(all);
    expect(stay.slice(0, 20)).toEqual(all.slice(0, 20));
    const hours = new Set(stay.filter(({ made }) => NOW - made <= DAY).map(({ made }) => Math.floor(made / HOUR)));
    expect(hours.size).toBeGreaterThanOrEqual(24);
    const days = new Set(stay.map(({ made }) => Math.floor(made / DAY)));
    expect(days.size).toBeGreaterThanOrEqual(31);
    expect(stay.length).toBeLessThanOrEqual(20 + 25 + 32);
    expect(Math.min(...stay.map(({ made }) => made))).toBeGreaterThanOrEqual(NOW - 31 * DAY);
  });

  test("are always the newest ones, those by hand, and the newest of every day of the last month", () => {
    const backup = fc.record({ made: fc.integer({ min: NOW - 60 * DAY, max: NOW }), byHand: fc.boolean() });
    fc.assert(
      fc.property(fc.array(backup, { maxLength: 80 }), (all) => {
        const stay = new Set(kept(all));
        for (const each of all) if (each.byHand) expect(stay.has(each)).toBe(true);
        const byPlan = all.filter(({ byHand }) => !byHand).sort((a, b) => b.made - a.made);
        for (const each of byPlan.slice(0, 20)) expect(stay.has(each)).toBe(true);
        for (const each of byPlan.filter(({ made }) => NOW - made <= 31 * DAY)) {
          const sameDay = byPlan.filter(({ made }) => Math.floor(made / DAY) === Math.floor(each.made / DAY));
          expect(sameDay.some((other) => stay.has(other))).toBe(true);
        }
      }),
      { seed: 28, numRuns: 300 },
    );
  });
});

test("the names of a backup say what it is, whatever the show is called", () => {
  fc.assert(
    fc.property(
      fc.string({ maxLength: 40 }),
      fc.integer({ min: 1, max: 99_999 }),
      fc.nat(1_000_000),
      fc.boolean(),
      (title, show, revision, byHand) => {
        const [folder, file] = [folderOf(title, show), fileOf({ made: NOW, revision, byHand })];
        expect(`${folder}/${file}`).toMatch(/^[A-Za-z0-9 -]+\/[A-Za-z0-9 .-]+$/);
        expect(readName(folder, file)).toMatchObject({ show, made: NOW, revision, byHand });
      },
    ),
    { seed: 28 },
  );
  for (const [folder, file] of [
    ["..", fileOf({ made: NOW, revision: 1, byHand: false })],
    ["Show 1", "../../etc/passwd"],
    ["Show 1/..", "x"],
    ["Show 1", "a.json.gz"],
  ] as const)
    expect(readName(folder, file)).toBeUndefined();
});
