import { listOf, readShow, sheetOf } from "@zm/core";
import type { StageLight } from "../../src/picture/scene.ts";
import { waitingFor, withWaiting } from "../../src/picture/waiting.ts";

const type = {
  id: "mover",
  name: "Mover",
  attributes: [
    { id: "intensity", family: "intensity", min: 0, max: 100, home: 0 },
    { id: "pan", family: "position", min: -270, max: 270, home: 0, speed: 90 },
    { id: "red", family: "colour", min: 0, max: 100, home: 0 },
  ],
};
const cue = (number: string, moves: object): object => ({ number, parts: [{ number: 1, times: {}, moves }] });
const list = listOf(
  sheetOf(
    readShow({
      format: "zealous-mark/show",
      version: 2,
      title: "Waiting",
      fixtureTypes: [type],
      channels: [1, 2, 3].map((number) => ({ number, type: "mover" })),
      lists: [
        {
          id: "main",
          label: "Main",
          // The first light waits from cue 3 on at the side; the second changes its colour alone; the third stays lit.
          cues: [
            cue("1", { 1: { intensity: 50, pan: 0 }, 2: { intensity: 50, red: 0 }, 3: { intensity: 50, pan: 0 } }),
            cue("2", { 1: { intensity: 0 }, 2: { intensity: 0 } }),
            cue("3", {}),
            cue("4", { 1: { intensity: 70, pan: 90 }, 2: { intensity: 70, red: 100 }, 3: { pan: 90 } }),
          ],
        },
      ],
    }),
  ),
);

const light = (channel: number, level: number): StageLight => ({
  channel,
  turns: true,
  from: { x: 0, y: 6, z: 0 },
  to: { x: 0, y: 0, z: 0 },
  level,
  colour: { red: 1, green: 1, blue: 1 },
  angle: 20,
});

test("a dark light waits for the cue in which it comes up elsewhere, from the cue of its mark on", () => {
  expect([...waitingFor(list, -1)]).toEqual([]);
  expect([...waitingFor(list, 0)]).toEqual([]);
  // Late is the policy where nothing is said: the last cue before it comes up.
  expect([...waitingFor(list, 1)]).toEqual([]);
  expect([...waitingFor(list, 2)]).toEqual([[1, "4"]]);
  expect([...waitingFor(list, 3)]).toEqual([]);
});

test("what waits is shown on dark lights alone; where nobody waits the picture is the same", () => {
  const lights = [light(1, 0), light(2, 0), light(3, 0.5)];
  const waits = new Map([
    [1, "4"],
    [3, "4"],
  ]);
  expect(withWaiting(lights, waits).map(({ waits: cue }) => cue)).toEqual(["4", undefined, undefined]);
  expect(withWaiting(lights, new Map())).toBe(lights);
});
