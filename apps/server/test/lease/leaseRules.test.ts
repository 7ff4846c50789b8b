import fc from "fast-check";
import { BEAT, RELIED, SILENT, type SeenLease, isUnchanged, leadsUntil, takesNow } from "../../src/lease/leaseRules.ts";

/** A stretch of time in which something does not get through; milliseconds from the beginning. */
const cut = fc.record({ from: fc.integer({ min: 0, max: 8000 }), for: fc.integer({ min: 0, max: 4000 }) });
const trouble = fc.record({
  /** Neither the leader nor the spare reaches the database. */
  database: fc.array(cut, { maxLength: 2 }),
  leaderToDatabase: fc.array(cut, { maxLength: 3 }),
  spareToDatabase: fc.array(cut, { maxLength: 2 }),
  leaderToSpare: fc.array(cut, { maxLength: 3 }),
  spareToLeader: fc.array(cut, { maxLength: 3 }),
  /** So long each way takes. */
  way: fc.integer({ min: 0, max: 60 }),
  /** The leader's process stands still. */
  stalls: fc.array(cut, { maxLength: 2 }),
  /** How far apart the beginnings of both are. */
  phase: fc.integer({ min: 0, max: BEAT }),
});
type Trouble = typeof trouble extends fc.Arbitrary<infer T> ? T : never;

interface Outcome {
  readonly takenAt: number | null;
  /** When the leader has led, while the spare had the lease already; milliseconds. */
  readonly together: number;
  readonly ledUntil: number;
}

/** Lets a leader and its spare live through a trouble, millisecond by millisecond, each by its own clock. */
function live(what: Trouble, until = 12_000): Outcome {
  const gets = (cuts: readonly { from: number; for: number }[], t: number): boolean =>
    !cuts.some(({ from, for: long }) => t >= from && t < from + long);
  const row = { holder: "leader", number: 1, beat: 0 };
  const leader = { renewed: 0, heard: 0, beatAt: 0, isOver: false };
  const spare = { seen: undefined as SeenLease | undefined, since: 0, heard: 0, lookAt: what.phase, takenAt: null as number | null };
  const later: { at: number; do: () => void }[] = [];
  let [together, ledUntil] = [0, 0];
  for (let t = 0; t < until; t += 1) {
    for (const each of later.filter(({ at }) => at === t)) each.do();
    const stands = !gets(what.stalls, t);
    if (!stands && t >= leader.beatAt && !leader.isOver) {
      leader.beatAt = t + BEAT;
      const sent = t;
      if (gets(what.database, t) && gets(what.leaderToDatabase, t))
        later.push({
          at: t + what.way + 1,
          do: () => {
            if (row.holder !== "leader") leader.isOver = true;
            else {
              row.beat += 1;
              later.push({ at: sent + 2 * what.way + 2, do: () => (leader.renewed = sent) });
            }
          },
        });
      if (gets(what.leaderToSpare, t))
        later.push({
          at: t + what.way + 1,
          do: () => {
            if (spare.takenAt !== null) return;
            spare.heard = sent + what.way + 1;
            if (gets(what.spareToLeader, spare.heard)) later.push({ at: sent + 2 * what.way + 2, do: () => (leader.heard = sent) });
          },
        });
    }
    if (t >= spare.lookAt && spare.takenAt === null) {
      spare.lookAt = t + BEAT;
      if (gets(what.database, t) && gets(what.spareToDatabase, t))
        later.push({
          at: t + what.way + 1,
          do: () => {
            const now = t + what.way + 1;
            const lease: SeenLease = { ...row, spares: ["spare"] };
            if (!spare.seen || !isUnchanged(spare.seen, lease)) spare.since = now;
            spare.seen = lease;
            if (spare.takenAt !== null || !takesNow({ lease, since: spare.since, heard: spare.heard }, "spare", now)) return;
            [row.holder, row.number, row.beat] = ["spare", 2, 0];
            spare.takenAt = now;
          },
        });
    }
    const leads = !leader.isOver && t <= leadsUntil({ renewed: leader.renewed, spares: new Map([["spare", leader.heard]]) });
    if (leads) ledUntil = t;
    if (leads && spare.takenAt !== null && t > spare.takenAt) together += 1;
  }
  return { takenAt: spare.takenAt, together, ledUntil };
}

describe("who leads", () => {
  test("never two at once, whatever is cut off and stands still", () => {
    let taken = 0;
    let runs = 0;
    fc.assert(
      fc.property(trouble, (what) => {
        const { takenAt, together } = live(what);
        runs += 1;
        if (takenAt !== null) taken += 1;
        expect(together).toBe(0);
      }),
      { numRuns: 400 },
    );
    // Takeovers must have been met, or the property says nothing.
    expect(taken / runs).toBeGreaterThan(0.1);
  });

  test("a leader that dies is followed within a second", () => {
    const dead = { from: 2000, for: 100_000 };
    const none = { database: [], leaderToDatabase: [], spareToDatabase: [], leaderToSpare: [], spareToLeader: [] };
    for (let phase = 0; phase < BEAT; phase += 10) {
      const { takenAt } = live({ ...none, way: 1, stalls: [dead], phase }, 5000);
      expect(takenAt).not.toBeNull();
      expect((takenAt ?? Infinity) - dead.from).toBeLessThan(1000);
    }
  });

  test("a database that is away moves nobody while the two hear each other", () => {
    const none = { leaderToDatabase: [], spareToDatabase: [], leaderToSpare: [], spareToLeader: [], stalls: [], way: 1, phase: 20 };
    const { takenAt, ledUntil } = live({ ...none, database: [{ from: 1000, for: 20_000 }] });
    expect(takenAt).toBeNull();
    expect(ledUntil).toBe(11_999);
  });

  test("a leader whom nobody could follow leads on without a database", () => {
    expect(leadsUntil({ renewed: 0, spares: new Map() })).toBe(Infinity);
    expect(
      leadsUntil({
        renewed: 10,
        spares: new Map([
          ["a", 500],
          ["b", 40],
        ]),
      }),
    ).toBe(40 + RELIED);
  });

  test("a spare that is not counted takes nothing, and a lease that was given back is taken at once", () => {
    const lease = { holder: "leader", number: 3, beat: 9, spares: ["other"] };
    expect(takesNow({ lease, since: 0, heard: 0 }, "spare", 100 * SILENT)).toBe(false);
    expect(takesNow({ lease: { ...lease, holder: null }, since: 0, heard: 0 }, "spare", 0)).toBe(true);
  });
});
