import { type EditInput, type Show, ShowError, makeEdits, readEdits, sheetOf } from "@zm/core";
import { saltAndParaffin } from "@zm/demo";
import fc from "fast-check";
import { readFile, writeFile } from "../../src/index.ts";
import { readCsv, writeCsv } from "../../src/tables/table.ts";
import { readWorkbook, writeWorkbook } from "../../src/tables/workbook.ts";
import { bytesOf, textOf } from "../../src/zip/unzip.ts";

const demo = sheetOf(saltAndParaffin());

async function cueCsv(columns?: string[]): Promise<string> {
  return textOf((await writeFile(demo, "cueTable", columns ? { columns } : {})).bytes);
}

function csv(text: string, wishes: Record<string, string> = {}) {
  return readFile({ name: "Main.csv", bytes: bytesOf(text) }, { sheet: demo, wishes });
}

function after(edits: readonly EditInput[] = []): Show {
  return readEdits(edits).reduce((before, edit) => makeEdits(before, [edit]).sheet, demo).show;
}

function cue(show: Show, number: string) {
  return show.lists[0]?.cues.find((each) => each.number === number);
}

describe("a table of cues", () => {
  test("says the same when it comes back as it went out", async () => {
    const reading = await csv(await cueCsv());
    expect(reading.made).toEqual(["Nothing: the show is what the table says"]);
    expect(reading.edits).toEqual([]);
  });

  test("has the columns that are chosen, the number always", async () => {
    expect((await cueCsv(["label", "up"])).split("\n")[0]).toBe("cue,label,up");
  });

  test("changes labels, scenes, times, follows and calls, and tells each difference before", async () => {
    const script = demo.show.script?.lines[0]?.id ?? "";
    const text = `cue,label,scene,fires,up,down delay,call line,call word\n7,Supper late,II.9,end + 1:30,"2,5",,${script},\n900,New end,,go,4,1,,\n`;
    const reading = await csv(text);
    expect(reading.made[0]).toBe("Main, into Main: 1 cue changed, 1 new");
    expect(reading.made[1]).toMatch(/^cue 7: label .+ → Supper late, scene .+ → II\.9, fires go → end \+ 90, up .+ → 2\.5, .*call line/);
    const show = after(reading.edits);
    expect(cue(show, "7")).toMatchObject({
      label: "Supper late",
      scene: "II.9",
      trigger: { type: "follow", from: "complete", after: 90 },
      call: { line: script },
    });
    expect(cue(show, "7")?.parts[0]?.times).toMatchObject({ up: 2.5 });
    expect(cue(show, "7")?.parts[0]?.moves).toEqual(cue(demo.show, "7")?.parts[0]?.moves);
    expect(cue(show, "900")).toMatchObject({ label: "New end", parts: [{ times: { up: 4, downDelay: 1 } }] });
  });

  test("sets and takes away times of families, and leaves those that it does not name", async () => {
    const timed = demo.show.lists[0]?.cues.find(({ parts: [first] }) => first?.times.position?.fade !== undefined);
    const number = timed?.number ?? "";
    const { edits, made } = await csv(`cue,colour fade,position fade\n${number},12,\n`);
    expect(made[1]).toContain("colour fade nothing → 12");
    const [first] = cue(after(edits), number)?.parts ?? [];
    const [was] = timed?.parts ?? [];
    expect(first?.times).toMatchObject({ up: was?.times.up, colour: { fade: 12 } });
    expect(first?.times.position?.fade).toBeUndefined();
  });

  test("takes a column that is called otherwise where somebody says which it is, and tells what it leaves", async () => {
    const text = "cue,name,gel\n7,Evening,201\n";
    const asked = await csv(text);
    expect(asked.edits).toEqual([]);
    expect(asked.remarks.map(({ words }) => words)).toEqual(["the column “name” of Main", "the column “gel” of Main"]);
    const question = asked.questions.find(({ id }) => id === "column Main label");
    expect(question?.answers.map(({ id }) => id)).toEqual(["-", "cue", "name", "gel"]);
    const told = await csv(text, { "column Main label": "name" });
    expect(cue(after(told.edits), "7")?.label).toBe("Evening");
  });

  test.each([
    ["cue,up\n7,soon\n8,3\n12.5.1,2\n", ['Line 2: up is "soon", which is not a time', 'Line 4: "12.5.1" is not a cue number']],
    ["cue,fires\n7,whenever\n", ['Line 2: fires is "whenever"; write go, go + 2 from the Go before, or end + 2 from its end']],
    ["cue,label\n7,a\n7.0,b\n", ["Line 3: cue 7.0 stands in the table twice"]],
    ["cue,call line\n7,nowhere\n", ['Line 2: the play has no line "nowhere"']],
    ["cue,label\n,a\n", ["Line 2: the cue has no number"]],
    [
      "name,label\n7,a\n",
      ["No table here has a column that says what it is of: cue for cues, channel and type for lights, note and text for notes"],
    ],
    ["cue,label,label\n7,a,b\n", ['Main has two columns "label"; which of them counts?']],
    ['cue,label\n7,"a\n', ["Line 2: Quoted field unterminated"]],
    ["cue,label\n7,a,b,c\n", ["Main, line 2: it has more cells than the head has columns"]],
  ])("says every fault with its line: %j", async (text, faults) => {
    await expect(csv(text).catch((error: unknown) => (error instanceof ShowError ? error.faults : error))).resolves.toEqual(faults);
  });

  test("needs a show that it changes", async () => {
    await expect(readFile({ name: "a.csv", bytes: bytesOf("cue,label\n1,a\n") }, { wishes: {} })).rejects.toThrow(
      "A table changes a show that is there",
    );
  });
});

describe("a table as text", () => {
  test("gives every cell back, and none of them is a formula for a spreadsheet", () => {
    const cell = fc
      .oneof(fc.string({ maxLength: 12 }), fc.constantFrom("=1+1", "+a", "-3", "-x", "@b", "'c", '"', "a\nb", ";", ","))
      .map((text) => text.trim());
    fc.assert(
      fc.property(fc.array(fc.tuple(cell, cell), { minLength: 1, maxLength: 6 }), (rows) => {
        const filled = rows.map((row, at) => [`r${at}`, ...row]);
        const text = writeCsv({ name: "T", columns: ["row", "a", "b"], rows: filled });
        expect(readCsv(text, "T").rows).toEqual(filled);
        for (const [, begin] of text.matchAll(/(?:^|,|\n)"?([=+@\t])/g)) expect(begin).toBeUndefined();
      }),
      { seed: 28, numRuns: 300 },
    );
  });

  test("finds by itself which sign stands between cells", () => {
    expect(readCsv("\uFEFFcue;label\n1;a\n", "T")).toEqual({ name: "T", columns: ["cue", "label"], rows: [["1", "a"]] });
  });
});

describe("a spreadsheet", () => {
  test("holds cues of every list, patch, notes, calls and findings, and says the same when it comes back", async () => {
    const { bytes } = await writeFile(demo, "workbook");
    const tables = await readWorkbook(bytes);
    expect(tables.map(({ name }) => name)).toEqual([...demo.show.lists.map(({ label }) => label), "Patch", "Notes", "Calls", "Findings"]);
    expect(tables.find(({ name }) => name === "Findings")?.rows.length).toBeGreaterThan(3);
    const reading = await readFile({ name: "show.xlsx", bytes }, { sheet: demo, wishes: {} });
    expect(reading.edits).toEqual([]);
  });

  test("brings back what was changed in it: cues, a light, a note that is done", async () => {
    const notes = demo.show.notes ?? [];
    const bytes = await writeWorkbook([
      { name: "Main", columns: ["cue", "label"], rows: [["7", "=Supper"]] },
      { name: "Patch", columns: ["channel", "type", "universe", "address"], rows: [["1", demo.show.channels[0]?.type ?? "", "9", "400"]] },
      {
        name: "Notes",
        columns: ["note", "text", "done", "answer"],
        rows: [[notes[0]?.id ?? "", notes[0]?.text ?? "", "yes", "warmer now"]],
      },
      { name: "Shopping", columns: ["what"], rows: [["tape"]] },
    ]);
    const reading = await readFile({ name: "show.xlsx", bytes }, { sheet: demo, wishes: {} });
    const show = after(reading.edits);
    expect(cue(show, "7")?.label).toBe("=Supper");
    expect(show.channels[0]?.patch).toEqual({ universe: 9, address: 400 });
    expect(show.notes?.[0]).toMatchObject({ done: true, answer: "warmer now" });
    expect(reading.remarks.map(({ words }) => words)).toEqual([
      "the table “Shopping”: it has no column cue, channel and type, or note and text",
    ]);
  });

  test("is refused in words when it is damaged", async () => {
    const { bytes } = await writeFile(demo, "workbook");
    await expect(readFile({ name: "show.xlsx", bytes: bytes.subarray(0, bytes.length / 3) }, { sheet: demo, wishes: {} })).rejects.toThrow(
      ShowError,
    );
  });
});
