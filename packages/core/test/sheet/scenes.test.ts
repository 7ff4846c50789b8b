import { listOf, sceneWidened } from "../../src/index.ts";
import { oneCue, smallShow } from "../support/smallShow.ts";

const scenes = ["I.1", undefined, "I.2", "II.1", undefined, "I.3"];
const list = listOf(smallShow(scenes.map((scene, row) => ({ ...oneCue(String(row + 1), {}), ...(scene === undefined ? {} : { scene }) }))));

test("a scene is chosen whole, and once more with the scenes of its act that stand beside it", () => {
  expect(sceneWidened(list, 1, { first: 1, last: 1 })).toMatchObject({ first: 0, last: 1 });
  expect(sceneWidened(list, 1, { first: 0, last: 1 })).toEqual({ first: 0, last: 2 });
  expect(sceneWidened(list, 4, { first: 3, last: 4 })).toEqual({ first: 3, last: 4 });
  expect(sceneWidened(list, 5, { first: 5, last: 5 })).toEqual({ first: 5, last: 5 });
});

test("a cue before the first scene belongs to none", () => {
  const later = listOf(smallShow([oneCue("1", {}), { ...oneCue("2", {}), scene: "I.1" }]));
  expect(sceneWidened(later, 0, { first: 0, last: 0 })).toBeUndefined();
});
