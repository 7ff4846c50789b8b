import { stageLights } from "../../src/picture/scene.ts";
import { stageView } from "../../src/picture/view.ts";
import { pressAt } from "../../src/stage/pressAt.ts";
import { saltAndParaffin } from "@zm/demo";
import { keysOf, sheetOf } from "@zm/core";

const sheet = sheetOf(saltAndParaffin());
const outputs = Float64Array.from(keysOf(sheet.show).all, ({ attribute }) => (attribute.family === "intensity" ? 50 : attribute.home));
const view = stageView("front", 960, 620);
const lights = stageLights(sheet, outputs);
const painted = { view, lights, lasso: [] };
const light = (channel: number) => lights.find((each) => each.channel === channel);
const headOf = (channel: number) => view.project(light(channel)?.from ?? { x: 0, y: 0, z: 0 });
const landingOf = (channel: number) => view.project(light(channel)?.to ?? { x: 0, y: 0, z: 0 });

test("a press on a light takes that light, and one beside all of them begins a line", () => {
  const { x, y } = headOf(41);
  expect(pressAt(painted, { x: x + 5, y: y - 5 }, [])).toEqual({ kind: "head", channel: 41 });
  expect(pressAt(painted, { x: 5, y: 5 }, [])).toEqual({ kind: "lasso" });
  expect(pressAt(null, { x, y }, [])).toEqual({ kind: "lasso" });
});

test("a press where a chosen light lands moves all chosen ones that turn, where they may move", () => {
  const spot = landingOf(61);
  const taken = pressAt(painted, spot, [61, 62, 1]);
  expect(taken).toMatchObject({ kind: "landing", start: light(61)?.to });
  expect(taken.kind === "landing" && [...taken.movers.keys()]).toEqual([61, 62]);
  expect(pressAt(painted, spot, []).kind).not.toBe("landing");
});
