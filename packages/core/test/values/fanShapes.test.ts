import fc from "fast-check";
import { delaysWithin, fanAt, fanOverGroups, listOf, makeEdits, readEdits, readFan, readLine, readTimeFan } from "../../src/index.ts";
import { smallShow } from "../support/smallShow.ts";

const over = (fan: string | number, count: number): number[] => Array.from({ length: count }, (_, place) => fanAt(fan, place, count));

test("lights share places of a fan, or it runs several times over, or both", () => {
  expect(over("0~10/2", 6)).toEqual([0, 0, 5, 5, 10, 10]);
  expect(over("0~10/2", 5)).toEqual([0, 0, 5, 5, 10]);
  expect(over("0~10*2", 6)).toEqual([0, 5, 10, 0, 5, 10]);
  expect(over("0~10/2*2", 8)).toEqual([0, 0, 10, 10, 0, 0, 10, 10]);
  expect(over("0~10~0*3", 9)).toEqual([0, 10, 0, 0, 10, 0, 0, 10, 0]);
  expect(over("0~10/9", 3)).toEqual([0, 0, 0]);
});

test("whatever stands behind its points, a fan gives each light one of what its points pass", () => {
  const place = fc.integer({ min: 1, max: 40 }).chain((count) => fc.tuple(fc.constant(count), fc.nat(count - 1)));
  fc.assert(
    fc.property(place, fc.integer({ min: 1, max: 9 }), fc.integer({ min: 1, max: 9 }), ([count, index], together, times) => {
      const value = fanAt(`2~8/${together}*${times}`, index, count);
      expect(value).toBeGreaterThanOrEqual(2);
      expect(value).toBeLessThanOrEqual(8);
      // Lights that share a place have the same.
      const first = index - (index % together);
      expect(fanAt(`2~8/${together}*${times}`, first, count)).toBe(value);
      expect(fanAt(`2~8/${together}*1`, index, count)).toBe(fanAt("2~8", Math.floor(index / together), Math.ceil(count / together)));
    }),
  );
});

test("fields read what stands behind the points, and nothing that is none", () => {
  expect(["0~100 / 2", "0~100*3", "-30 ~ 30/2*4", "50"].map(readFan)).toEqual(["0~100/2", "0~100*3", "-30~30/2*4", 50]);
  expect(["50/2", "0~100/0", "0~100/", "0~/2"].map(readFan)).toEqual([undefined, undefined, undefined, undefined]);
  expect(["0~1:30 / 2", "3/2"].map(readTimeFan)).toEqual(["0~90/2", undefined]);
});

test("groups that are named get one point each, and fades end one behind the other within a time", () => {
  expect(fanOverGroups("0~10", [2, 1, 3])).toBe("0~0~5~10~10~10");
  expect(fanOverGroups(4, [2, 1])).toBe(4);
  expect([delaysWithin(5, 8), delaysWithin(8, 8), delaysWithin(9, 8), delaysWithin(0.1, 0.4)]).toEqual(["0~3", 0, undefined, "0~0.3"]);
});

const sheet = smallShow(
  [
    {
      number: "1",
      parts: [{ number: 1, times: { up: 3 }, moves: { "1": { intensity: 10 }, "2": { intensity: 10 }, "5": { intensity: 10 } } }],
    },
    { number: "2" },
  ],
  undefined,
  {
    channels: [
      { number: 1, type: "mover" },
      { number: 2, type: "mover" },
      { number: 5, type: "lamp" },
    ],
    groups: [{ id: "movers", label: "Movers", channels: [1, 2] }],
    paces: [
      { id: "calm", label: "Calm", intensity: { fade: 7, curve: "ease" }, position: { fade: 9, delay: "0~2" } },
      { id: "ripple", label: "Ripple", intensity: { delay: "0~2" } },
    ],
  },
);
function typed(line: string): { moves: unknown; parts: unknown } {
  const read = readLine(line, { sheet, list: listOf(sheet), cues: undefined });
  if ("fault" in read) throw new Error(read.fault.message);
  if (read.request.kind !== "edit") throw new Error(`${line} asks for ${read.request.kind}`);
  const [first, second] = listOf(makeEdits(sheet, readEdits(read.request.edits)).sheet).cues;
  return { moves: first?.parts[0]?.moves, parts: second?.parts[0] };
}

test("the line staggers within a time, gives each group a point, and takes ready times", () => {
  expect(typed("#1: @movers, 5 fade 5 over 8").moves).toEqual({
    1: { intensity: { value: 10, fade: 5, delay: 0 } },
    2: { intensity: { value: 10, fade: 5, delay: 1.5 } },
    5: { intensity: { value: 10, fade: 5, delay: 3 } },
  });
  expect(typed("#1: @movers, 5 = 20~60 by group").moves).toEqual({ 1: { intensity: 20 }, 2: { intensity: 20 }, 5: { intensity: 60 } });
  expect(typed("#1: 1, 2, 5 = 20~60/2").moves).toEqual({ 1: { intensity: 20 }, 2: { intensity: 20 }, 5: { intensity: 60 } });
  expect(typed("#2: times as calm").parts).toMatchObject({ curve: "ease", times: { up: 7, down: 7, position: { fade: 9 } } });
  expect(typed("#2: times as #1").parts).toMatchObject({ times: { up: 3 } });
  expect(() => typed("#1: 1, 2 fade 5 over 4")).toThrow("A fade of 5 s does not fit into 4 s");
  expect(() => typed("#2: times as ripple")).toThrow("only spreads times over lights");
  expect(() => typed("#2: times as #9")).toThrow("9");
});
