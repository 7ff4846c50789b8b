import { type EditInput, sheetOf } from "@zm/core";
import { saltAndParaffin } from "@zm/demo";
import { type Preview, PreviewWork, faultOf, previewOf } from "../../src/preview/preview.ts";

const sheet = sheetOf(saltAndParaffin());
const window = {
  lens: "intensity",
  rows: { first: 0, last: 40 },
  columns: [1, 2, 3, 21].map((channel) => ({ id: String(channel), channel })),
} as const;

function preview(edit: EditInput, mostLines = 9): Preview {
  const result = previewOf(sheet, { edits: [edit], list: "main", mostLines, window });
  if ("fault" in result) throw new Error(result.fault);
  return result;
}
const change: EditInput = { op: "change", from: "8", to: "10", keys: { channels: [1, 2] }, do: { set: 40 }, after: "restore" };

test("ghosts are the cells in view that an edit touches, each as it would be", () => {
  const { ghosts } = preview({ ...change, keys: { channels: [1, 4], families: ["intensity"] } });
  // Light 4 is not in view.
  expect([...ghosts.keys()]).toEqual(["1"]);
  expect(ghosts.get("1")?.get("8")).toMatchObject({ mark: { shape: "fall", text: "40" }, tracked: "40" });
  expect(ghosts.get("1")?.get("9")).toEqual({ mark: null, tracked: "40" });
  // Cue 11 stores what brings the light back; behind it nothing is touched.
  expect([...(ghosts.get("1")?.keys() ?? [])].sort()).toEqual(["10", "11", "8", "9", "9.5"]);
  expect(previewOf(sheet, { edits: [change], list: "main", mostLines: 9, window: null })).toHaveProperty("ghosts.size", 0);
});

test("the cells of a cue that goes are told as gone", () => {
  const { ghosts } = preview({ op: "deleteCue", cue: "6" });
  expect(ghosts.get("1")?.get("6")).toBeNull();
});

test("so many lines are told as are read, of all that there are, in the words of the impact", () => {
  const few = preview({ ...change, to: "30" }, 3);
  expect(few.lines.length).toBe(3);
  expect(few.count).toBeGreaterThan(3);
  expect(few.lines[0]).toMatchObject({ list: "main", cue: "8", after: "8", quiet: false });
  expect(preview({ ...change, to: "30" }, Infinity).lines.length).toBe(few.count);
  expect(few.description).toMatch(/^Cues 8 to 30, 2 lights: .*to 40, restored after$/);
});

test("a change of colour shows the colour before and after beside its line", () => {
  const { lines } = preview({ op: "change", from: "9", to: "9", keys: { channels: [21] }, do: { palette: "moon" }, after: "restore" });
  const colours = lines.find(({ cue }) => cue === "9")?.colours;
  expect(colours?.every((colour) => /^rgb\(\d+ \d+ \d+\)$/.test(colour))).toBe(true);
  expect(colours?.[0]).not.toBe(colours?.[1]);
});

test("the looks are told first, and the whole adds what follows and lasts otherwise", () => {
  const work = new PreviewWork(sheet, { edits: [{ op: "deleteCue", cue: "12.3" }], list: "main", mostLines: 9, window });
  expect(work.looks()).toMatchObject({ summary: "removes 1 cue, no cue looks different" });
  expect(work.whole()).toMatchObject({
    summary: "removes 1 cue, no cue looks different, 1 follow changes, 1 cue or chain lasts otherwise",
  });
});

test("an edit that cannot be made says why, and one that changes nothing says that", () => {
  const faulty: EditInput = { ...change, do: { set: 400 } };
  const work = new PreviewWork(sheet, { edits: [faulty], list: "main", mostLines: 9, window });
  expect([work.looks(), work.whole()]).toEqual([{ fault: faultOf(sheet, [faulty]) }, { fault: faultOf(sheet, [faulty]) }]);
  expect(faultOf(sheet, [faulty])).toMatch(/400 is outside 0 to 100/);
  expect(faultOf(sheet, [change])).toBeUndefined();
  expect(preview({ op: "setCue", from: "8", to: "8", label: "Kettle" }).changesNothing).toBe(true);
});
