import { actionWords, Mix, listOf, sheetOf, runningActions } from "@zm/core";
import { saltAndParaffin } from "@zm/demo";
import { meanTempo } from "../../src/shelf/meanTempo.ts";

const sheet = sheetOf(saltAndParaffin());

/** The tempo after taps at these milliseconds. */
function tapped(...times: number[]): number | undefined {
  let taps: number[] = [];
  let perMinute: number | undefined;
  for (const time of times) ({ taps, perMinute } = meanTempo(taps, time));
  return perMinute;
}

test("a tempo is the mean of the last four gaps; two seconds of pause begin anew", () => {
  expect(tapped(0)).toBeUndefined();
  expect(tapped(0, 500)).toBe(120);
  expect(tapped(0, 400, 1000)).toBe(120);
  expect(tapped(0, 100, 1100, 2100, 3100, 4100)).toBe(60);
  expect(tapped(0, 500, 3000)).toBeUndefined();
  expect(tapped(0, 500, 3000, 4000)).toBe(60);
});

test("what runs now becomes a cue's actions: other lists, rates, masters and looks", () => {
  const mix = new Mix(sheet);
  mix.go("main", 0);
  expect(runningActions(mix, "main")).toEqual([]);
  mix.go("tower", 1);
  mix.rate("tower", 2, 1);
  mix.go("flame", 1);
  mix.master("flame", 40, 1, 2);
  mix.setLookLevel("cold", 45, 1);
  const actions = runningActions(mix, listOf(sheet).id);
  expect(actions).toEqual([
    { do: "start", list: "tower", cue: "1" },
    { do: "rate", list: "tower", rate: 2 },
    { do: "start", list: "flame", cue: "1" },
    { do: "master", list: "flame", level: 40 },
    { do: "look", look: "cold", level: 45 },
  ]);
  const words = ["start Tower at 1", "Tower 2x as fast", "start Flame at 1", "Flame at 40 %", "raise Cold wash to 45 %"];
  expect(actions.map((action) => actionWords(action, sheet))).toEqual(words);
  expect(actionWords({ do: "look", look: "cold", level: 0, time: 3 }, sheet)).toBe("take Cold wash out in 3 s");
  expect(actionWords({ do: "release" }, sheet)).toBe("release this list when it is complete");
});
