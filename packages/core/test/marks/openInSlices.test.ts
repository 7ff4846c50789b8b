import fc from "fast-check";
import { marksByChannel, openInSlices, sheetOf, stateAt, emptyState } from "../../src/index.ts";
import { runToEnd } from "../../src/show/runToEnd.ts";
import { showArbitrary } from "../support/randomShow.ts";

test("a show that is opened in slices has the looks and the marks of one that is read at once", () => {
  fc.assert(
    fc.property(showArbitrary, (show) => {
      const [opened, whole] = [runToEnd(openInSlices(show)), sheetOf(show)];
      for (const [id, list] of whole.lists) {
        const own = opened.lists.get(id);
        if (!own) throw new Error(`The list ${id} is not there`);
        expect(marksByChannel(own)).toEqual(marksByChannel(list));
        for (const row of list.cues.keys()) expect(stateAt(own, row, emptyState(own))).toEqual(stateAt(list, row, emptyState(list)));
      }
    }),
  );
});
