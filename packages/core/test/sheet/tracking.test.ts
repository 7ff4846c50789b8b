import fc from "fast-check";
import {
  type ListSheet,
  TrackingWalk,
  columnOf,
  entryAt,
  listOf,
  sheetOf,
  stateAt,
  emptyState,
  traceOf,
  valueOfMove,
} from "../../src/index.ts";
import { carriedMove, isWall, shownMove, stopsTracking, tracksOn } from "../../src/sheet/tracking.ts";
import { foldLooks } from "../support/fold.ts";
import { showArbitrary } from "../support/randomShow.ts";
import { oneCue, smallList } from "../support/smallShow.ts";

/** The tracking rule is read in three ways: down a column, up from one row, and row by row for whole looks. They are one rule. */

const lists = showArbitrary.map((show) => ({ show, list: listOf(sheetOf(show)) }));

/** What tracks out of each row by a walk down the column. */
function carriedByWalk(list: ListSheet, ordinal: number): number[] {
  const key = list.keys.all[ordinal];
  if (!key) return [];
  const walk = new TrackingWalk(list, columnOf(list, key));
  const carried: number[] = [];
  while (walk.step()) {
    // Within a run nothing new tracks out; what does so at its end tracked out all along.
    for (let row = walk.from; row < walk.to; row += 1) carried[row] = walk.carried;
  }
  return carried;
}

test("a walk down a key covers every row once and shows what the fold shows", () => {
  fc.assert(
    fc.property(lists, ({ show, list }) => {
      const looks = foldLooks(show);
      for (const key of list.keys.all) {
        const column = columnOf(list, key);
        const walk = new TrackingWalk(list, column);
        let next = 0;
        while (walk.step()) {
          expect(walk.from).toBe(next);
          expect(walk.to).toBeGreaterThan(walk.from);
          for (let row = walk.from; row < walk.to; row += 1)
            expect(valueOfMove(column, walk.move)).toBe(looks[row]?.get(key.name) ?? Number.NaN);
          next = walk.to;
        }
        expect(next).toBe(list.cues.length);
      }
    }),
  );
});

test("read upward, the rule finds the move that the walk shows and the one it lets out", () => {
  fc.assert(
    fc.property(lists, ({ list }) => {
      for (const key of list.keys.all) {
        const column = columnOf(list, key);
        const { origins } = traceOf(list, key);
        const carried = carriedByWalk(list, key.ordinal);
        list.cues.forEach((_, row) => {
          const shown = shownMove(list, column, row);
          expect(shown < 0 ? -1 : column.rows[shown]).toBe(origins[row]);
          expect(carriedMove(list, column, row)).toBe(carried[row]);
        });
      }
    }),
  );
});

test("a walk may begin in the middle of a list, with what tracks out of the row above", () => {
  fc.assert(
    fc.property(lists, fc.nat(), ({ list }, pick) => {
      const start = pick % Math.max(1, list.cues.length);
      for (const key of list.keys.all) {
        const column = columnOf(list, key);
        const walk = new TrackingWalk(list, column, start, carriedMove(list, column, start - 1));
        while (walk.step()) {
          for (let row = walk.from; row < walk.to; row += 1) expect(walk.move).toBe(shownMove(list, column, row));
        }
      }
    }),
  );
});

test("whole looks read from checkpoints are what each key shows by itself", () => {
  const cues = Array.from({ length: 70 }, (_, index) =>
    oneCue(
      String(index + 1),
      index % 3 === 0 ? { 1: { pan: index, intensity: index } } : index % 7 === 0 ? { 5: { intensity: 100 - index } } : {},
      {},
      index % 11 === 5 ? { block: true } : index % 13 === 4 ? { carries: "cueOnly" } : index % 17 === 9 ? { carries: "isolated" } : {},
    ),
  );
  const list = smallList(cues);
  list.cues.forEach((_, row) => {
    const { values, origins } = stateAt(list, row, emptyState(list));
    for (const key of list.keys.all) {
      const entry = entryAt(list, key, row);
      expect([row, key.name, values[key.ordinal], origins[key.ordinal]]).toEqual([row, key.name, entry.value, entry.row]);
    }
  });
});

test("a wall stops what tracks; isolated cues let it pass; cue-only cues keep their own", () => {
  const list = smallList([
    oneCue("1", { 5: { intensity: 10 } }),
    oneCue("2", {}, {}, { block: true }),
    oneCue("3", {}, {}, { carries: "isolated" }),
    oneCue("4", {}, {}, { carries: "cueOnly" }),
  ]);
  const rows = [0, 1, 2, 3, 4];
  expect(rows.map((row) => isWall(list, row))).toEqual([false, true, true, false, false]);
  expect(rows.map((row) => tracksOn(list, row))).toEqual([true, true, false, false, false]);
  expect(list.tracking.map(stopsTracking)).toEqual([false, true, false, false]);
  expect(list.lastWall).toEqual([-1, 1, 1, 1]);
  expect(list.trackingBreaks).toEqual([1, 2, 3]);
});

test("a move that a column does not have is a fault of the caller, not a value", () => {
  const list = smallList([oneCue("1", { 5: { intensity: 10 } })]);
  const [column] = list.columns.filter(({ rows }) => rows.length === 1);
  if (!column) throw new Error("the list has one move");
  expect(valueOfMove(column, 0)).toBe(10);
  expect(valueOfMove(column, -1)).toBeNaN();
  expect(() => valueOfMove(column, 1)).toThrow(RangeError);
});
