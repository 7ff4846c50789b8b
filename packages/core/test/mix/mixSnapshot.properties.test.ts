import fc from "fast-check";
import {
  Mix,
  type MixPress,
  type MixSnapshot,
  type ShowSheet,
  copyMix,
  mixAfterEdit,
  mixCheck,
  mixFrom,
  pressOn,
  sheetOf,
  snapshotOf,
} from "../../src/index.ts";
import { END, cueWith, optional, presses, showArbitrary, waves } from "../support/runningShow.ts";

/** The run once everything that is pressed up to a moment has been pressed. */
function runTo(mix: Mix, pressed: readonly MixPress[], from: number, to: number): void {
  for (const press of [...pressed].sort((a, b) => a.t - b.t)) if (press.t > from && press.t <= to) pressOn(mix, press, "l0");
  mix.advance(to);
}

/** The outputs of every key at a few moments. */
function outputs(mix: Mix, moments: readonly number[]): number[] {
  const frame = new Float64Array(mix.keys.all.length);
  return moments.flatMap((moment) => {
    mix.frame(moment, frame);
    return [...frame];
  });
}

/** How far two rows of numbers are apart at most. */
function apart(one: readonly number[], other: readonly number[]): number {
  return Math.max(...one.map((value, index) => Math.abs(value - (other[index] ?? Number.NaN))));
}

const shows = showArbitrary(cueWith(optional(waves)));
const breaks = fc.integer({ min: 1, max: 4 * END }).map((quarters) => quarters / 4 + 0.07);

/** Runs a show up to a moment, goes on with what `stand` makes of the run, and holds that against the run itself. Says how often something moved. */
function goesOnAlike(stand: (mix: Mix, sheet: ShowSheet) => Mix): number {
  let moved = 0;
  fc.assert(
    fc.property(shows, presses, breaks, (sheet, pressed, moment) => {
      const mix = new Mix(sheet);
      runTo(mix, pressed, -1, moment);
      const other = stand(mix, sheet);
      const moments = [0, 0.4, 1.3, 2.9, 6].map((later) => moment + later);
      const before = outputs(mix, [moment]);
      expect(apart(outputs(other, [moment]), before)).toBeLessThan(1e-9);
      runTo(mix, pressed, moment, END);
      runTo(other, pressed, moment, END);
      const [own, its] = [
        outputs(
          mix,
          moments.map((each) => END + each),
        ),
        outputs(
          other,
          moments.map((each) => END + each),
        ),
      ];
      expect(apart(its, own)).toBeLessThan(1e-9);
      if (apart(own.slice(0, before.length), before) > 1) moved += 1;
    }),
    { numRuns: 80 },
  );
  return moved;
}

test("a run that is written down and read again goes on as it would have", () => {
  const text = (mix: Mix): MixSnapshot => JSON.parse(JSON.stringify(snapshotOf(mix)));
  expect(goesOnAlike((mix, sheet) => mixFrom(sheet, text(mix)))).toBeGreaterThan(30);
});

test("a copy of a run goes on as the run, whatever the copy did before", () => {
  const copied = (mix: Mix, sheet: ShowSheet): Mix => {
    const copy = new Mix(sheet);
    copy.go("l1", 0.1);
    copy.setLookLevel("warm", 40, 0.2);
    copyMix(copy, mix);
    return copy;
  };
  expect(goesOnAlike(copied)).toBeGreaterThan(30);
});

test("an edit that says nothing of what runs leaves it as it is, with one more light too", () => {
  const renamed = (mix: Mix, { show }: ShowSheet): Mix =>
    mixAfterEdit(
      mix,
      sheetOf({ ...show, channels: [{ number: 99, type: "lamp" }, ...show.channels].sort((a, b) => a.number - b.number) }),
      mix.now,
    );
  fc.assert(
    fc.property(shows, presses, breaks, (sheet, pressed, moment) => {
      const mix = new Mix(sheet);
      runTo(mix, pressed, -1, moment);
      const names = mix.keys.all.map(({ name }) => name);
      const before = outputs(mix, [moment]);
      const other = renamed(mix, sheet);
      const after = outputs(other, [moment]);
      const kept = other.keys.all.flatMap(({ name }, index) => (names.includes(name) ? [after[index] ?? Number.NaN] : []));
      expect(apart(kept, before)).toBeLessThan(1e-9);
      expect(mixAfterEdit(mix, { ...sheet }, moment)).toBe(mix);
    }),
    { numRuns: 40 },
  );
});

test("runs seen in other steps are alike, and runs told something else are not", () => {
  let alike = 0;
  let told = 0;
  fc.assert(
    fc.property(shows, presses, (sheet, pressed) => {
      const one = new Mix(sheet);
      runTo(one, pressed, -1, END);
      const again = new Mix(sheet);
      runTo(again, pressed, -1, END);
      expect(mixCheck(again)).toBe(mixCheck(one));
      again.go("l0", END);
      again.goto("l0", "1", END, 2);
      if (mixCheck(again) !== mixCheck(one)) told += 1;
      const stepped = new Mix(sheet);
      for (const press of [...pressed].sort((a, b) => a.t - b.t)) {
        for (let time = stepped.now; time < press.t; time += 0.025) stepped.advance(time);
        pressOn(stepped, press, "l0");
      }
      stepped.advance(END);
      if (mixCheck(stepped) === mixCheck(one)) alike += 1;
    }),
    { numRuns: 40 },
  );
  expect(alike).toBe(40);
  expect(told).toBe(40);
});
