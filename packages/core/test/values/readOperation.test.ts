import { expect, test } from "@jest/globals";
import { readOperation } from "../../src/index.ts";

const level = { min: 0, max: 100 };
const pan = { min: -270, max: 270 };
const wheel = { min: 0, max: 255, slots: [{ value: 40, name: "Leaves" }] };

test.each([
  ["70", level, { set: 70 }],
  ["=70", level, { set: 70 }],
  ["full", level, { set: 100 }],
  ["Out", level, { set: 0 }],
  ["full", pan, { set: 270 }],
  ["+10", level, { add: 10 }],
  ["+ 10", pan, { add: 10 }],
  ["-5", level, { add: -5 }],
  ["−5", level, { add: -5 }],
  ["-10", pan, { set: -10 }],
  ["−10", pan, { set: -10 }],
  ["- 10", pan, { add: -10 }],
  ["=-20", pan, { set: -20 }],
  ["= -20", pan, { set: -20 }],
  ["*0,8", level, { scale: 0.8 }],
  ["×0,8", level, { scale: 0.8 }],
  ["-30~30", pan, { set: "-30~30" }],
  ["−20 ~ 20", pan, { set: "-20~20" }],
  ["=0~5~0", level, { set: "0~5~0" }],
  ["2,5~5", level, { set: "2.5~5" }],
  ["leaves", wheel, { set: 40 }],
  ["0~", level, null],
  ["7o", level, null],
  ["", level, null],
  ["seventy", level, null],
  ["+", level, null],
  ["*-1", level, null],
  ["+-5", level, null],
])("typing %j over lights is read as it is meant", (text, attribute, operation) => {
  expect(readOperation(text, attribute)).toEqual(operation);
});
