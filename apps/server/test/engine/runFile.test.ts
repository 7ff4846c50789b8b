import { EMPTY_HAND, Mix, changeHand, mixFrom, sheetOf, snapshotOf } from "@zm/core";
import { saltAndParaffin } from "@zm/demo";
import { mkdtempSync, readFileSync, readdirSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { RunFiles, type WrittenRun } from "../../src/engine/runFile.ts";

const sheet = sheetOf(saltAndParaffin());
let folder: string;

beforeEach(() => {
  folder = mkdtempSync(join(tmpdir(), "runs-"));
});

const textOf = (name: string): string => readFileSync(join(folder, name), "utf8");
const holds = (name: string, text: string): boolean => textOf(name).includes(text);

function written(cue: string, show = 1): WrittenRun {
  const mix = new Mix(sheet);
  mix.goto("main", cue, 0);
  mix.advance(1);
  return { show, version: 4, takenAt: 1000, revision: 2, done: ["a", "b"], bumps: { storm: 20 }, mix: snapshotOf(mix) };
}

test("a run that is written down is read back by another as it was, and the newest counts", async () => {
  const files = new RunFiles(folder);
  await files.write(written("5"));
  await files.write(written("6"));
  const again = new RunFiles(folder);
  expect(again.read(1)).toEqual({ data: written("6"), damaged: [] });
  expect(again.shows()).toEqual([1]);
});

test("where the newest file is damaged the one before counts, and the damaged one is kept aside", async () => {
  const files = new RunFiles(folder);
  await files.write(written("5"));
  await files.write(written("6"));
  const newest = readdirSync(folder).find((name) => name.startsWith("show-1") && holds(name, '"6"'));
  writeFileSync(join(folder, newest ?? ""), '{"show": 1');
  const { data, damaged } = new RunFiles(folder).read(1);
  expect(data?.mix.lists.main?.cue).toBe("5");
  expect(damaged).toHaveLength(1);
  expect(readdirSync(folder)).toContain(damaged[0]?.path.split("/").at(-1));
});

test("a file of another show, or without what a run needs, is not taken for one", async () => {
  await new RunFiles(folder).write(written("5", 2));
  for (const name of readdirSync(folder)) writeFileSync(join(folder, name.replace("show-2", "show-3")), textOf(name));
  const { data, damaged } = new RunFiles(folder).read(3);
  expect(data).toBeUndefined();
  expect(damaged[0]?.why).toContain("it is of show 2");
});

test("what the version before wrote is read under its names, until something newer is there", async () => {
  const { version, ...run } = written("5");
  const before = JSON.stringify({ ...run, turn: version }).replaceAll('"sequence":', '"turn":');
  writeFileSync(join(folder, "show-1.json"), before);
  const { data, damaged } = new RunFiles(folder).read(1);
  expect(damaged).toEqual([]);
  expect(data).toMatchObject({ version: 4, mix: snapshotOf(mixFrom(sheet, written("5").mix)) });
});

test("what is in hand is read back without what was on its way out, and goes with its show", async () => {
  const files = new RunFiles(folder);
  const hand = changeHand(EMPTY_HAND, { do: "give", moves: { "1": { intensity: 40 } } }, sheet, 0);
  await files.writeHand(1, hand);
  expect(new RunFiles(folder).readHand(1).data?.held).toEqual(hand.held);
  await files.remove(1);
  expect(new RunFiles(folder).readHand(1)).toEqual({ data: undefined, damaged: [] });
});
