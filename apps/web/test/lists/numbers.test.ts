import { type ListSheet, applyEdits, listOf, readEdits, sheetOf } from "@zm/core";
import { saltAndParaffin } from "@zm/demo";
import { beginNumbers, numbersEdit, tableOf } from "../../src/lists/numbersDraft.ts";

const sheet = sheetOf(saltAndParaffin());
const list: ListSheet = listOf(sheet);
const all = { from: list.cues[0]?.number ?? "", to: list.cues.at(-1)?.number ?? "" };

function made(edit: ReturnType<typeof numbersEdit>): string[] {
  if (!edit || "fault" in edit) throw new Error(edit?.fault ?? "nothing changes");
  return listOf(applyEdits(sheet, readEdits([edit])).sheet).cues.map(({ number }) => number);
}

test("the whole list is proposed in whole numbers from 1", () => {
  const draft = beginNumbers(list, all);
  expect([draft.start, draft.step]).toEqual(["1", "1"]);
  expect(made(numbersEdit(list, draft))).toEqual(list.cues.map((_, row) => String(row + 1)));
});

test("a part of the list is proposed in the widest steps that fit before the cue behind it", () => {
  // Cues 12 to 12.6 stand before cue 13.
  const draft = beginNumbers(list, { from: "12", to: "12.6" });
  const numbers = tableOf(list, draft).map(({ to }) => Number(to));
  expect(numbers[0]).toBe(12);
  expect(numbers.at(-1)).toBeLessThan(13);
  expect(
    made(numbersEdit(list, draft))
      .filter((number) => Number(number) < 13 && Number(number) >= 12)
      .map(Number),
  ).toEqual(numbers);
});

test("a number written for one cue is that cue's alone, and only what changes is in the edit", () => {
  const draft = beginNumbers(list, { from: "2", to: "4" });
  const same = { ...draft, own: Object.fromEntries(tableOf(list, draft).map(({ from }) => [from, from])) };
  expect(numbersEdit(list, same)).toBeNull();
  const edit = numbersEdit(list, { ...same, own: { ...same.own, "3": "2.75" } });
  expect(edit).toMatchObject({ op: "renumber", from: "2", to: "4", numbers: { "3": "2.75" } });
  expect(made(edit)).toContain("2.75");
});

test("what is no number is named with its cue, and nothing is made of it", () => {
  const draft = beginNumbers(list, all);
  expect(numbersEdit(list, { ...draft, start: "first" })).toEqual({ fault: expect.stringContaining("“first”") });
  expect(numbersEdit(list, { ...draft, step: "" })).toEqual({ fault: expect.stringContaining("The step") });
  expect(numbersEdit(list, { ...draft, own: { "3": "12,5" } })).toEqual({ fault: expect.stringContaining("Cue 3: “12,5”") });
});
