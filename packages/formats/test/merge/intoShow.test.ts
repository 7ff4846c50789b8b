import { type EditInput, type Show, allLooks, makeEdits, readEdits, sheetOf } from "@zm/core";
import { saltAndParaffin } from "@zm/demo";
import { readFile } from "../../src/index.ts";
import { bytesOf } from "../../src/zip/unzip.ts";

const demo = sheetOf(saltAndParaffin());
const LIST =
  "Ident 3:0\nGroup 1\nText Foots\nChan 1@FL 900@FL\nSub 1\nText Work\nChan 2@70\nCue 701\nText Dawn\nUp 4\nChan 1@30 900@80\nFollowon 2\nCue 702\nChan 1@00\nFollowon 1\nLink 701\n";

function bring(text: string, wishes: Record<string, string> = {}) {
  return readFile({ name: "dawn.asc", bytes: bytesOf(text) }, { sheet: demo, wishes });
}

function after(edits: readonly EditInput[] = []): Show {
  return readEdits(edits).reduce((before, edit) => makeEdits(before, [edit]).sheet, demo).show;
}

describe("a list brought into a show that is there", () => {
  test("stands as a list of its own, with its lights, groups and held looks, and leaves all else as it was", async () => {
    const { edits, questions } = await bring(LIST);
    expect(questions.map(({ id }) => id)).toEqual(["levels", "follow", "cues", "lights"]);
    const show = after(edits);
    const list = show.lists.at(-1);
    expect(show.lists.slice(0, -1)).toEqual(demo.show.lists);
    expect(list?.cues.map(({ number }) => number)).toEqual(["701", "702"]);
    expect(list?.cues[1]?.actions).toEqual([{ do: "goto", list: list?.id, cue: "701", after: 1 }]);
    expect(show.channels.at(-1)).toMatchObject({ number: 900, type: "dimmer" });
    expect(show.groups.at(-1)).toMatchObject({ label: "Foots", channels: [1, 900] });
    expect(show.heldLooks?.at(-1)).toMatchObject({ label: "Work", values: { 2: { intensity: 70 } } });
    const [first] = allLooks(sheetOf(show).lists.get(list?.id ?? "") ?? never());
    expect(first?.values).toMatchObject({ 1: { intensity: { value: 30 } }, 900: { intensity: { value: 80 } } });
  });

  test("brings along, as notes at their cues, what it keeps aside", async () => {
    const { edits } = await bring(LIST.replace("Cue 702\n", () => "Cue 702\n$$Strobe 4\n"));
    const show = after(edits);
    expect(show.notes?.at(-1)).toMatchObject({ text: "$$STROBE 4", list: show.lists.at(-1)?.id, cue: "702" });
    const among = after(
      (
        await bring(
          LIST.replace("Cue 702\n", () => "Cue 702\n$$Strobe 4\n"),
          { cues: "into main" },
        )
      ).edits,
    );
    expect(among.notes?.at(-1)).toMatchObject({ list: "main", cue: "702" });
  });

  test("goes among the cues of a list where that is wanted, and tells what that costs", async () => {
    const { edits, remarks } = await bring(LIST, { cues: "into main", lights: "leave" });
    const show = after(edits);
    expect(show.lists[0]?.cues.slice(-2).map(({ number, label }) => [number, label])).toEqual([
      ["701", "Dawn"],
      ["702", undefined],
    ]);
    expect(show.channels).toEqual(demo.show.channels);
    expect(remarks.map(({ words }) => words)).toEqual(
      expect.arrayContaining([
        "1 value left out, for this rig has no 900.intensity",
        "what cue 702 does besides: it speaks of its own list",
      ]),
    );
  });

  test("says why where its numbers are taken", async () => {
    const { refused, edits } = await bring("Ident 3:0\nCue 7\nChan 1@50\nCue 7.001\nChan 1@20\n", { cues: "into main" });
    expect(edits).toBeUndefined();
    expect(refused?.[0]).toContain('List "main" already has a cue 7');
  });
});

function never(): never {
  throw new Error("it is not there");
}
