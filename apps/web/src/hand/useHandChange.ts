import type { HandChange, Key, KeySelection, Deed, TimesWish } from "@zm/core";
import { ShowError, giveMoves, giveTimes } from "@zm/core";
import { useCallback } from "react";
import { notify } from "../shared/notices.ts";
import { serverNow, useLive } from "../show/live.ts";
import { useSheetNow, useShow } from "../show/useShow.ts";
import { keyOutputNow } from "../stage/outputs.ts";
import { makeHandChange, useHand } from "./handStore.ts";

/** Does work that the rig may refuse; a refusal is told to the user and gives undefined. */
export function toldOr<T>(work: () => T): T | undefined {
  try {
    return work();
  } catch (error) {
    if (!(error instanceof ShowError)) throw error;
    notify(error.faults[0] ?? error.message, "trouble");
    return undefined;
  }
}

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
  return { change, give, time, drop, outputOf };
}
