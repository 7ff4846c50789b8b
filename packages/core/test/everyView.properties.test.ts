import fc from "fast-check";
import {
  type ListSheet,
  type ScheduledCue,
  type Show,
  chainFrom,
  columnOf,
  listOf,
  paperOf,
  scheduleFrom,
  sheetOf,
  timeBars,
  valueAt,
  writeSeconds,
} from "../src/index.ts";
import { type Press, rehearse } from "./support/alone/index.ts";
import { showArbitrary } from "./support/randomShow.ts";

const FAR = 1000;
/** So close to a moment, seconds; and how near two values are the same. */
const [JUST, NEAR] = [1e-6, 1e-3];

/** Holds what is said of a key in a cue against what is played; a key that is unset is so in both. */
function hold(place: readonly string[], said: number, played: number): void {
  const same = Math.abs(said - played) <= NEAR || (Number.isNaN(said) && Number.isNaN(played));
  if (!same) expect([...place, played]).toEqual([...place, said]);
}

/** The show with every cue waiting for a Go and nothing prepared in the dark: each cue is fired on a stage at rest. */
function oneByOne(show: Show): Show {
  const lists = show.lists.map((list) => ({
    ...list,
    marks: { policy: "view" as const },
    cues: list.cues.map(({ mark: _mark, trigger: _trigger, ...cue }) => cue),
  }));
  return { ...show, lists };
}

type Stage = (key: string, after: number) => number;

/** What the list plays after the Go of a row, by seconds since then: run there cue by cue, with all the time in the world in between. */
function played(list: ListSheet, row: number, moments: readonly number[]): Stage {
  const presses = Array.from({ length: row + 1 }, (_, index): Press => ({ t: (index + 1) * FAR, go: true }));
  const order = [...new Set(moments)].sort((a, b) => a - b);
  const samples = rehearse(
    list,
    presses,
    order.map((moment) => (row + 1) * FAR + moment),
  );
  return (key, after) => {
    const [channel = "", attribute = ""] = key.split(".");
    return samples[order.indexOf(after)]?.values[channel]?.[attribute] ?? Number.NaN;
  };
}

type Scheduled = ScheduledCue["keys"][string];
const endOf = ({ delay, fade }: Scheduled): number => delay + fade;

/** The bar of the times chart in which a key of the cue stands, by when it begins and ends. */
function barsOf(list: ListSheet, row: number, key: string): [number, number][] {
  const [channel = "", attribute = ""] = key.split(".");
  const family = list.keys.byChannel.get(Number(channel))?.get(attribute)?.attribute.family;
  const kinds: readonly (string | undefined)[] = family === "intensity" ? ["up", "down"] : [family];
  return timeBars(list, chainFrom(list, row))
    .filter((bar) => kinds.includes(bar.kind) && bar.channels.includes(Number(channel)) && (bar.own?.includes(attribute) ?? true))
    .map(({ delay, fade }) => [delay, fade]);
}

test("what schedule, times chart, cue sheet and Score say of a cue is what the list plays", () => {
  const seen = { keys: 0, cues: 0, moving: 0 };
  fc.assert(
    fc.property(showArbitrary, (random) => {
      const sheet = sheetOf(oneByOne(random));
      const list = listOf(sheet);
      const lasts = paperOf(sheet, { kind: "cues", list: list.id }).rows.map(({ cells }) => cells[5]);
      list.cues.forEach((cue, row) => {
        const [scheduled] = scheduleFrom(list, row);
        if (!scheduled) throw new Error(`Cue ${cue.number} is not in its own schedule`);
        const runs = Object.entries(scheduled.keys);
        const middle = (run: Scheduled): number => run.delay + run.fade / 2;
        const { duration } = scheduled;
        const moments = runs.flatMap(([, run]) => [Math.max(0, run.delay - JUST), middle(run), endOf(run) + JUST]);
        const stage = played(list, row, [...moments, duration + JUST, FAR - 1]);
        seen.cues += 1;
        for (const [key, run] of runs) {
          seen.keys += 1;
          const place = [cue.number, key];
          if (run.delay > 0) hold([...place, "before it moves"], run.from, stage(key, run.delay - JUST));
          hold([...place, "when it has arrived"], run.to, stage(key, endOf(run) + JUST));
          if (Math.abs(run.from - run.to) < NEAR) continue;
          seen.moving += 1;
          const isStraight = run.curve === "linear" && run.fade > 10 * JUST && !isSnap(list, key);
          if (isStraight) hold([...place, "half way"], (run.from + run.to) / 2, stage(key, middle(run)));
          expect([place, barsOf(list, row, key)]).toEqual([place, expect.arrayContaining([[run.delay, run.fade]])]);
        }
        expect([cue.number, lasts[row]]).toEqual([cue.number, `${writeSeconds(duration)} s`]);
        for (const key of list.keys.all) {
          const end = stage(key.name, FAR - 1);
          // Nothing is on its way any more when the cue is said to be complete.
          hold([cue.number, key.name, "when the cue is complete"], end, stage(key.name, duration + JUST));
          const shown = valueAt(list, columnOf(list, key), row);
          if (!Number.isNaN(shown)) hold([cue.number, key.name, "in the Score"], shown, end);
        }
      });
    }),
    { numRuns: 60 },
  );
  expect(seen.cues).toBeGreaterThan(200);
  expect(seen.moving / seen.keys).toBeGreaterThan(0.3);
});

function isSnap(list: ListSheet, key: string): boolean {
  const [channel = "", attribute = ""] = key.split(".");
  return list.keys.byChannel.get(Number(channel))?.get(attribute)?.attribute.snap === true;
}
