import type { HandChange, Key, KeySelection, Deed, TimesWish } from "@zm/core";
import { giveMoves, givePace, giveTimes } from "@zm/core";
import { useCallback } from "react";
import { notify } from "../shared/notices.ts";
import { toldOr } from "../shared/toldOr.ts";
import { serverNow, useLive } from "../show/live.ts";
import { useSheetNow, useShow } from "../show/useShow.ts";
import { keyOutputNow } from "../stage/outputs.ts";
import { makeHandChange, useHand } from "./handStore.ts";

/** What can be done to the Hand from anywhere in the window. */
export function useHandChange() {
  const { id, sheet } = useShow();
  const sheetNow = useSheetNow();
  const change = useCallback(
    (wanted: HandChange): boolean => makeHandChange(id, sheetNow(), wanted, serverNow(useLive.getState().ahead)),
    [id, sheetNow],
  );
  /** What a key puts out now: the running list with the Hand over it. */
  const outputOf = useCallback((key: Key): number => keyOutputNow(sheet, key), [sheet]);
  const give = useCallback(
    (selection: KeySelection, deed: Exclude<Deed, { drop: true }>): boolean => {
      const moves = toldOr(() => giveMoves(sheet, selection, deed, outputOf));
      return moves !== undefined && change({ do: "give", moves });
    },
    [sheet, outputOf, change],
  );
  const time = useCallback(
    (selection: KeySelection, wish: TimesWish): boolean => {
      const times = toldOr(() => giveTimes(sheet, useHand.getState().hand, selection, wish));
      return times !== undefined && change({ do: "time", times });
    },
    [sheet, change],
  );
  /** Lays a stored pace on what the selection holds in hand. */
  const lay = useCallback(
    (selection: KeySelection, id: string): boolean => {
      const pace = sheet.show.paces.find((each) => each.id === id);
      const times = pace && toldOr(() => givePace(sheet, useHand.getState().hand, selection, pace));
      return times !== undefined && change({ do: "time", times });
    },
    [sheet, change],
  );
  /** Lets go of values, all when no keys are named; they can be taken up again. */
  const drop = useCallback(
    (keys?: readonly string[]): void => {
      const gone = keys?.length ?? Object.keys(useHand.getState().hand.held).length;
      if (gone === 0 || !change({ do: "drop", ...(keys ? { keys: [...keys] } : {}) })) return;
      notify(`${gone} ${gone === 1 ? "value" : "values"} dropped from the Hand`, "word", {
        word: "Take up again",
        run: () => change({ do: "takeUp" }),
      });
    },
    [change],
  );
  return { change, give, time, lay, drop, outputOf };
}
