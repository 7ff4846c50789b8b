import { type LinePress, Mix, listOf, sheetOf } from "@zm/core";
import { saltAndParaffin } from "@zm/demo";
import { pressFor as pressIn, pressWords } from "../../../src/show/run/typedPress.ts";
import type { LiveRun } from "../../../src/show/liveStore.ts";

const sheet = sheetOf(saltAndParaffin());
const main = listOf(sheet).id;

const pressFor = (press: LinePress, on: LiveRun): ReturnType<typeof pressIn> => pressIn(press, on, sheet);

/** A run after some presses, at second 1 of it. */
function run(press: (mix: Mix) => void = () => undefined): LiveRun {
  const mix = new Mix(sheet);
  press(mix);
  mix.frame(1, new Float64Array(sheet.keys.all.length));
  return { show: 1, version: 1, origin: 0, base: mix, mix };
}

test("a typed Go fires the cue that was next when it was typed; a held list is told to go on", () => {
  expect(pressFor({ do: "go", list: main }, run())).toEqual({ press: "go", list: main, cue: "0.5", held: false });
  expect(
    pressFor(
      { do: "go", list: main },
      run((mix) => mix.goto(main, "14", 0, 0)),
    ),
  ).toEqual({ press: "go", list: main, cue: "15", held: false });
  const held = run((mix) => {
    mix.goto(main, "14", 0, 0);
    mix.hold(main, true, 0);
  });
  expect(pressFor({ do: "go", list: main }, held)).toEqual({ press: "go", list: main, held: true });
});

test("a list that is to start begins where it is told to, and one that runs is left alone", () => {
  expect(pressFor({ do: "start", list: "flame" }, run())).toEqual({ press: "go", list: "flame" });
  expect(pressFor({ do: "start", list: "tower", cue: "2" }, run())).toEqual({ press: "goto", list: "tower", cue: "2" });
  const running = run((mix) => mix.go("flame", 0));
  expect(pressFor({ do: "start", list: "flame" }, running)).toBeUndefined();
  expect(pressWords({ do: "start", list: "flame" }, sheet, running)).toBe("Flame already runs; nothing happens");
  expect(pressWords({ do: "start", list: "flame" }, sheet, run())).not.toContain("already");
});

test("a time goes along where one was typed, and nowhere else", () => {
  expect(pressFor({ do: "goto", list: main, cue: "12", time: 0 }, run())).toEqual({ press: "goto", list: main, cue: "12", time: 0 });
  expect(pressFor({ do: "goto", list: main, cue: "12" }, run())).toEqual({ press: "goto", list: main, cue: "12" });
  expect(pressFor({ do: "release", list: "flame", time: 3 }, run())).toEqual({ press: "release", list: "flame", time: 3 });
  expect(pressFor({ do: "fader", list: "flame", level: 30, time: 4 }, run())).toEqual({
    press: "fader",
    list: "flame",
    level: 30,
    time: 4,
  });
});

test("hold and go on are the same press with two ends", () => {
  expect(pressFor({ do: "hold", list: main }, run())).toEqual({ press: "hold", list: main, held: true });
  expect(pressFor({ do: "resume", list: main }, run())).toEqual({ press: "hold", list: main, held: false });
});

test("what is chosen to go together is said by the names of the lists before it goes", () => {
  const chosen = [
    { list: "flame", cue: "1" },
    { list: "tower", cue: "2" },
  ];
  expect(pressWords({ do: "standby", chosen }, sheet, run())).toBe("chooses to go together: Flame 1, Tower 2; nothing moves");
  expect(pressWords({ do: "standby", chosen: [] }, sheet, run())).toBe("empties the set that was to go together");
  expect(pressWords({ do: "fire" }, sheet, run())).toBe("nothing is chosen to go together");
  const standing = run();
  standing.mix.setStandby(chosen);
  expect(pressWords({ do: "fire" }, sheet, standing)).toBe("fires the set: Flame 1, Tower 2");
});

test("lights are parked at what they put out now, and only what is parked is let run again", () => {
  const parked = run((mix) => mix.setParked({ "61.pan": -20 }, 0));
  expect(pressFor({ do: "park", on: false }, parked)).toEqual({ press: "park", values: { "61.pan": null } });
  expect(pressFor({ do: "park", on: false, keys: ["61.pan", "61.tilt"] }, parked)).toEqual({ press: "park", values: { "61.pan": null } });
  expect(pressFor({ do: "park", on: false, keys: ["62.pan"] }, parked)).toBeUndefined();
  // Nothing runs in this window, so every light is at home.
  expect(pressFor({ do: "park", on: true, keys: ["61.intensity"] }, run())).toEqual({ press: "park", values: { "61.intensity": 0 } });
  expect(pressFor({ do: "solo", of: { look: "worklight" } }, run())).toEqual({ press: "solo", look: "worklight" });
  expect(pressWords({ do: "solo", of: null }, sheet, run())).toBe("everything comes out again");
});
