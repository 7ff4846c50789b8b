import { type ListSheet, emptyState, findRow, keyAt, listOf, makeEdits, readEdits, sheetOf, stateAt } from "@zm/core";
import { saltAndParaffin } from "@zm/demo";
import { dropDraft, useDraft } from "../../src/choice/draft.ts";
import { NO_LIGHTS, chooseCues, chooseSpan, useSelection } from "../../src/choice/selection.ts";
import { chooseLens } from "../../src/choice/sheetView.ts";
import { carryCells, chooseWhole, copyCells, cutCells, pasteCells } from "../../src/score/clipboard.ts";
import { layoutColumns, placeOfLight } from "../../src/score/columns.ts";
import { useNotices } from "../../src/shared/notices.ts";
import { sheetLines } from "../../src/spine/lines.ts";

const timers = import.meta.jest;
const sheet = sheetOf(saltAndParaffin());
const list = listOf(sheet);
const layout = layoutColumns(sheet.show, "intensity", { folded: new Set(), open: new Set(), only: null });
const lines = sheetLines(list, { foldedScenes: new Set(), openCues: new Set() });

const choose = (from: string, to: string, channels: readonly number[]): void => {
  dropDraft();
  chooseLens("intensity");
  chooseCues(from, to);
  chooseSpan({ ...NO_LIGHTS, channels });
};
const said = (): string => useNotices.getState().notices.at(-1)?.text ?? "";
/** The list as it would be after what is being considered. */
function considered(): ListSheet {
  const { draft } = useDraft.getState();
  if (!draft) throw new Error(`Nothing is being considered: ${said()}`);
  return listOf(makeEdits(sheet, readEdits(draft.edits)).sheet);
}
/** The move that a cue stores for a light's level, as it is written. */
const stored = (of: ListSheet, cue: string, channel: number): unknown =>
  of.cues[findRow(of, cue)]?.parts.flatMap(({ moves }) => (moves[channel]?.["intensity"] ? [moves[channel]["intensity"]] : []))[0];
const levelIn = (of: ListSheet, cue: string, channel: number): number =>
  stateAt(of, findRow(of, cue), emptyState(of)).values[keyAt(of.keys, channel, "intensity")?.ordinal ?? -1] ?? Number.NaN;

beforeEach(() => {
  timers.useFakeTimers();
  useNotices.setState({ notices: [] });
});
afterEach(() => timers.useRealTimers());

test("copied cells store elsewhere what they store here, and only when it is asked for", () => {
  choose("6", "7", [1, 2]);
  const text = copyCells(list);
  expect(said()).toBe("4 moves of 2 lights in 2 cues copied, intensity alone");
  expect(useDraft.getState().draft).toBeNull();
  choose("17", "17", [3]);
  pasteCells(list, layout, text);
  const after = considered();
  for (const [from, to] of [
    ["6", "17"],
    ["7", "17.5"],
  ] as const)
    for (const [here, there] of [
      [1, 3],
      [2, 4],
    ] as const)
      expect([to, there, stored(after, to, there)]).toEqual([to, there, stored(list, from, here)]);
  expect(levelIn(after, "17", 3)).toBe(levelIn(list, "6", 1));
  // Without a text the window knows what was copied last.
  dropDraft();
  pasteCells(list, layout, null);
  expect(levelIn(considered(), "17", 3)).toBe(levelIn(list, "6", 1));
});

test("cells that are cut forget their moves, so that what came before tracks through", () => {
  choose("7", "7", [1]);
  expect(levelIn(list, "7", 1)).not.toBe(levelIn(list, "6", 1));
  expect(cutCells(list)).not.toBeNull();
  const after = considered();
  expect(stored(after, "7", 1)).toBeUndefined();
  expect(levelIn(after, "7", 1)).toBe(levelIn(list, "6", 1));
});

test("a block goes to as many lights as it has, to the right; what has no place is said", () => {
  choose("6", "6", [1, 2, 3]);
  const text = copyCells(list);
  // The chosen lights take it in the order in which they were chosen.
  choose("40", "40", [8, 5, 7]);
  pasteCells(list, layout, text);
  expect([8, 5, 7].map((channel) => stored(considered(), "40", channel))).toEqual([1, 2, 3].map((channel) => stored(list, "6", channel)));
  const last = layout.columns.at(-1)?.channel ?? 0;
  choose("40", "40", [last]);
  pasteCells(list, layout, text);
  expect(stored(considered(), "40", last)).toEqual(stored(list, "6", 1));
  expect(said()).toBe("Light 3 has no light to go to; choose 3 lights");
});

test("what cannot be copied or pasted is said, and changes nothing", () => {
  choose("8", "8", [1]);
  expect(copyCells(list)).toBeNull();
  expect(said()).toBe("These cells store no move; a copy takes stored moves");
  choose("8", "8", []);
  expect(copyCells(list)).toBeNull();
  expect(said()).toBe("Choose cells first; a copy takes the moves that they store");
  choose("8", "8", [1]);
  pasteCells(list, layout, "good evening");
  expect(said()).toMatch(/^Nothing is pasted: /);
  choose("6", "6", [1]);
  const text = copyCells(list);
  choose("6", "6", []);
  pasteCells(list, layout, text);
  expect(said()).toBe("Choose the cell where the block begins");
  expect(useDraft.getState().draft).toBeNull();
});

test("cells that are carried elsewhere are forgotten here and stored there, as one change", () => {
  choose("7", "7", [1]);
  const line = lines.lines.findIndex((each) => each.kind === "cue" && each.row === findRow(list, "8"));
  carryCells(list, lines, layout, { line, column: placeOfLight(layout, 2) });
  const after = considered();
  expect(stored(after, "7", 1)).toBeUndefined();
  expect(stored(after, "8", 2)).toEqual(stored(list, "7", 1));
});

test("whole rows, columns and the whole sheet are chosen", () => {
  const every = layout.columns.flatMap(({ channels }) => channels);
  choose("7", "8", [1]);
  chooseWhole("row", list, layout);
  expect(useSelection.getState()).toMatchObject({ cue: "7", cueEnd: "8", channels: every });
  choose("7", "8", [1]);
  chooseWhole("column", list, layout);
  expect(useSelection.getState()).toMatchObject({ cue: list.cues[0]?.number, cueEnd: list.cues.at(-1)?.number, channels: [1] });
  choose("7", "8", [1]);
  chooseWhole("all", list, layout);
  expect(useSelection.getState()).toMatchObject({ cue: list.cues[0]?.number, cueEnd: list.cues.at(-1)?.number, channels: every });
});
