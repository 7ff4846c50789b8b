import { serializeShow, sheetOf } from "@zm/core";
import { saltAndParaffin } from "@zm/demo";
import { strToU8, unzipSync, zipSync } from "fflate";
import { readFile, writeFile } from "../../src/index.ts";

const demo = saltAndParaffin();
const older = { ...demo, title: "Salt, first night" };
const parts = {
  versions: [{ name: "First night / opening", show: older }],
  runs: [{ name: "Dress", csv: "cue\n1\n" }],
  pictures: [{ cue: "12.5", png: Uint8Array.from([137, 80, 78, 71]) }],
};
const written = async () => (await writeFile(sheetOf(demo), "bundle", { parts })).bytes;
const read = (bytes: Uint8Array, wishes = {}) => readFile({ name: "show.zip", bytes }, { wishes });

describe("a bundle", () => {
  test("holds the document, versions, play, tables, logs and pictures under names that people can read", async () => {
    const files = unzipSync(await written());
    expect(Object.keys(files)).toEqual([
      "bundle.json",
      "show.json",
      "versions/001 First-night-opening.json",
      "play.fountain",
      "notes.csv",
      ...demo.lists.map(({ id }) => `cues/${id}.csv`),
      "runs/001 Dress.csv",
      "looks/12.5.png",
    ]);
  });

  test("reads back into a new show, the newest or any of its versions", async () => {
    const reading = await read(await written());
    expect(serializeShow(reading.show ?? older)).toBe(serializeShow(demo));
    expect(reading.questions[0]?.answers.map(({ words }) => words)).toEqual(["the newest", "First night / opening"]);
    const [, version] = reading.questions[0]?.answers ?? [];
    expect((await read(await written(), { state: version?.id })).show?.title).toBe("Salt, first night");
    expect(reading.remarks.map(({ words }) => words)).toEqual([
      "1 log of runs, which stay in the file",
      "1 picture of looks, which stay in the file",
    ]);
  });

  test("is the same file for the same show", async () => {
    expect(await written()).toEqual(await written());
  });

  test.each([
    ["of another program", { "bundle.json": strToU8('{"format":"other"}') }, "is that of another format"],
    [
      "of a later version",
      { "bundle.json": strToU8('{"format":"zealous-mark/bundle","version":9}') },
      "version 9; this program reads up to 1",
    ],
    ["that is damaged", { "bundle.json": strToU8("{") }, "bundle.json is damaged"],
    ["without a show", { "bundle.json": strToU8('{"format":"zealous-mark/bundle","version":1}') }, "names show.json, which is not in it"],
  ])("is refused in words: one %s", async (_, files, fault) => {
    await expect(read(zipSync(files))).rejects.toThrow(fault);
  });
});
