import { readFileSync, readdirSync } from "node:fs";
import { ShowError, serializeShow, sheetOf } from "@zm/core";
import { saltAndParaffin } from "@zm/demo";
import { gzipSync, strToU8 } from "fflate";
import { HANDLING } from "../../src/door/handling.ts";
import { CHOSEN_COLUMNS, FORMAT_NAMES, formatToWrite, readFile, readFiles, writeFile } from "../../src/index.ts";
import { CUE_COLUMNS } from "../../src/tables/cueTable.ts";
import { sampleGdtf } from "../sampleTypes.ts";

const demo = sheetOf(saltAndParaffin());

describe("the door", () => {
  test("offers what is read as read, and what is written as written", () => {
    for (const { id, ways } of FORMAT_NAMES) {
      const { read, write } = HANDLING[id];
      expect([id, ways]).toEqual([id, read && write ? "both" : read ? "read" : "written"]);
    }
    expect([...CHOSEN_COLUMNS]).toEqual(CUE_COLUMNS.map(({ id }) => id).filter((id) => id !== "cue"));
  });

  test("knows every file that it writes by what is in it, whatever it is called", async () => {
    for (const { id, ways } of FORMAT_NAMES) {
      if (ways !== "both" || id === "fountain") continue;
      const { bytes } = await writeFile(demo, id);
      const reading = await readFile({ name: "unnamed", bytes }, { sheet: demo, wishes: {} });
      expect(reading.format).toBe(id);
    }
  });

  test("is told in every format that is written what that cannot say, and has nothing to tell of the document alone", async () => {
    for (const { id, ways } of FORMAT_NAMES) {
      if (ways === "read") continue;
      const { remarks } = await writeFile(demo, id);
      expect([id, remarks.length > 0]).toEqual([id, id !== "show" && id !== "bundle"]);
    }
  });

  test("reads a packed document as the document in it", async () => {
    const text = serializeShow(demo.show);
    const { show } = await readFile({ name: "a.json.gz", bytes: gzipSync(strToU8(text)) }, { wishes: {} });
    expect(serializeShow(show ?? saltAndParaffin())).toBe(text);
    const bomb = gzipSync(new Uint8Array(300_000_000));
    await expect(readFile({ name: "bomb.json.gz", bytes: bomb }, { wishes: {} })).rejects.toThrow("unpacks to more than");
    await expect(readFile({ name: "cut.json.gz", bytes: gzipSync(strToU8(text)).subarray(0, 900) }, { wishes: {} })).rejects.toThrow(
      ShowError,
    );
  });

  test("takes several types of lights as one edit, and names the file that is none", async () => {
    const [one, two] = [
      { name: "one.gdtf", bytes: sampleGdtf() },
      { name: "two.gdtf", bytes: sampleGdtf() },
    ];
    const { edits, made } = await readFiles([one, two], { sheet: demo, wishes: {} });
    expect(edits).toHaveLength(2);
    expect(made).toHaveLength(2);
    const bad = { name: "bad.gdtf", bytes: strToU8("PK") };
    await expect(readFiles([one, bad], { sheet: demo, wishes: {} })).rejects.toThrow("bad.gdtf: ");
    const show = { name: "show.json", bytes: strToU8(serializeShow(demo.show)) };
    await expect(readFiles([one, show], { sheet: demo, wishes: {} })).rejects.toThrow(
      "show.json makes a show of its own; bring it by itself",
    );
  });

  test.each([
    ["picture.png", new Uint8Array([137, 80, 78, 71]), "picture.png is none of the files that are read here"],
    ["empty.asc", new Uint8Array(), "empty.asc is empty"],
  ])("says what it reads where it cannot read %s", async (name, bytes, words) => {
    await expect(readFile({ name, bytes }, { wishes: {} })).rejects.toThrow(words);
  });

  test("finds the format to write by the ending", () => {
    expect(formatToWrite("a.ASC").id).toBe("ascii");
    expect(formatToWrite("a.csv").id).toBe("rigTable");
    expect(formatToWrite("a.csv", "cueTable").id).toBe("cueTable");
    expect(() => formatToWrite("a.gdtf")).toThrow("its ending names no format that is written");
  });

  test("has every format in the page about formats, with what comes along and what does not, as the code has it", () => {
    const page = readFileSync(new URL("../../../../docs/formats.md", import.meta.url), "utf8");
    const rows = [...page.matchAll(/^\| ([^|]+?) +\| `([^|]+)` +\| (read and written|read|written) +\| ([^|]+?) +\| ([^|]+?) +\|$/gm)].map(
      ([, name, endings, ways, along, behind]) => ({ name, endings, ways, along, behind }),
    );
    const WAYS = { both: "read and written", read: "read", written: "written" };
    expect(rows.map(({ name, endings, ways }) => [name, endings, ways])).toEqual(
      FORMAT_NAMES.map(({ name, endings, ways }) => [name, endings.join(" "), WAYS[ways]]),
    );
    for (const { name, along, behind } of rows)
      expect([name, (along ?? "").length > 10, (behind ?? "").length > 3]).toEqual([name, true, true]);
  });
});

test("documents of earlier days are brought in as those of today", async () => {
  const folder = new URL("../../../core/test/oldShows/", import.meta.url);
  const files = readdirSync(folder).filter((name) => name.endsWith(".json"));
  expect(files.length).toBeGreaterThan(2);
  for (const name of files) {
    const { show, format } = await readFile({ name, bytes: readFileSync(new URL(name, folder)) }, { wishes: {} });
    expect([format, show?.title]).toEqual(["show", "Salt and Paraffin"]);
  }
});
