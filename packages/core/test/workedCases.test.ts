import { readFileSync, readdirSync } from "node:fs";
import { allLooks, listOf, playMix, readMixRun, readShow, rowOf, scheduleFrom, sheetOf, reportMarks } from "../src/index.ts";
import { readRun, rehearse } from "./support/alone/index.ts";

const folder = new URL("./cases/", import.meta.url);

interface WorkedCase {
  why: string;
  show: unknown;
  command: "look" | "schedule" | "play" | "marks";
  args: { from: string; run: unknown; at: number[] };
  expect: unknown;
}

/** True for the answer of a run of one list, which does not say where others stand. */
function alone(expected: unknown): boolean {
  return !JSON.stringify(expected).includes('"cues"');
}

function answer({ show, command, args, expect: expected }: WorkedCase): unknown {
  const list = listOf(sheetOf(readShow(show)));
  if (command === "look") return allLooks(list);
  if (command === "marks") return reportMarks(list, readShow(show).script);
  if (command === "schedule") return scheduleFrom(list, rowOf(list, args.from));
  const mixed = playMix(sheetOf(readShow(show)), readMixRun(args.run), args.at);
  // The older cases tell of one list, and of no other.
  return alone(expected) ? mixed.map(({ cues: _cues, ...sample }) => sample) : mixed;
}

/** What a case expects; those of version 1 of the document have its word for a value that is said again. */
function expectedOf({ expect: expected }: WorkedCase): unknown {
  return JSON.parse(JSON.stringify(expected).replaceAll('"cause":"asserted"', '"cause":"restated"'));
}

/** Numbers rounded to where two honest computations agree. */
function rounded(value: unknown): unknown {
  return JSON.parse(JSON.stringify(value), (_, each: unknown) => (typeof each === "number" ? Math.round(each * 1e6) / 1e6 + 0 : each));
}

const cases = readdirSync(folder)
  .sort()
  .map((name) => ({ name, worked: JSON.parse(readFileSync(new URL(name, folder), "utf8")) as WorkedCase }));

test.each(cases.filter(({ worked }) => worked.command === "play" && alone(worked.expect)))(
  "worked case $name, computed as one list",
  ({ worked: { show, args, expect: expected } }) => {
    const list = listOf(sheetOf(readShow(show)));
    expect(rounded(rehearse(list, readRun(args.run), args.at))).toEqual(rounded(expected));
  },
);

test.each(cases)("worked case $name", ({ worked }) => {
  expect(rounded(answer(worked))).toEqual(rounded(expectedOf(worked)));
});
