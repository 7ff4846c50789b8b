import type { GivenWave, HandChange, Key, KeySelection, Light, Operation, Moves, ShowSheet, TimesWish } from "@zm/core";
import { giveMoves, givePace, giveTimes, giveWaves, heldWords, homeMoves, intensityOf, keyAt, litMoves, mixMovesOf } from "@zm/core";
import type { Runner } from "../queue.ts";
import { useCallback } from "react";
import { notify } from "../../shared/notices.ts";
import { unlessRefused } from "../../shared/unlessRefused.ts";
import { serverNow, useLive } from "../live.ts";
import { useSheetNow, useShow } from "../useShow.ts";
import { keyOutputNow } from "../outputs.ts";
import { makeHandChange, useHand } from "../handStore.ts";
import { otherLitLights } from "./litLights.ts";

/** What can be done to the Hand from anywhere in the window. */
export function useHandChange() {
  const { id, sheet } = useShow();
  const sheetNow = useSheetNow();
  const change = useCallback(
    (wanted: HandChange, run?: Runner): boolean => makeHandChange(id, sheetNow(), wanted, serverNow(useLive.getState().clockOffset), run),
    [id, sheetNow],
  );
  /** What a key puts out now: the running list with the Hand over it. */
  const outputOf = useCallback((key: Key): number => keyOutputNow(sheet, key), [sheet]);
  const give = useCallback(
    (selection: KeySelection, operation: Exclude<Operation, { drop: true }>, others: readonly number[] = []): boolean => {
      const moves = unlessRefused(() => withOthersOut(sheet, giveMoves(sheet, selection, operation, outputOf), others));
      return moves !== undefined && change({ do: "give", moves, ...startsOf(sheet, moves, outputOf) });
    },
    [sheet, outputOf, change],
  );
  /** Gives lights a wave, or stops the one that they have. */
  const giveWave = useCallback(
    (selection: KeySelection, wave: GivenWave): boolean => {
      const waves = unlessRefused(() => giveWaves(sheet, selection, wave));
      return waves !== undefined && change({ do: "wave", waves });
    },
    [sheet, change],
  );
  const time = useCallback(
    (selection: KeySelection, wish: TimesWish): boolean => {
      const times = unlessRefused(() => giveTimes(sheet, useHand.getState().hand, selection, wish));
      return times !== undefined && change({ do: "time", times });
    },
    [sheet, change],
  );
  /** Sends lights home: everything but their levels to its resting value. */
  const home = useCallback(
    (selection: KeySelection, others: readonly number[] = []): boolean => {
      const moves = unlessRefused(() => withOthersOut(sheet, homeMoves(sheet.keys, selection), others));
      return moves !== undefined && change({ do: "give", moves });
    },
    [sheet, change],
  );
  /** A colour, as near as each light comes to it. */
  const mix = useCallback(
    (channels: readonly number[], light: Light, others: readonly number[] = []): boolean => {
      const moves = unlessRefused(() => withOthersOut(sheet, mixMovesOf(sheet.keys, channels, light), others));
      return moves !== undefined && change({ do: "give", moves });
    },
    [sheet, change],
  );
  /** Lights at full, everything else of them at home. */
  const lit = useCallback(
    (channels: readonly number[], others: readonly number[] = []): boolean => {
      const moves = unlessRefused(() => withOthersOut(sheet, litMoves(sheet.keys, channels), others));
      return moves !== undefined && change({ do: "give", moves });
    },
    [sheet, change],
  );
  /** Takes every light out that is lit and not among these. */
  const othersOut = useCallback(
    (channels: readonly number[]): void => {
      const others = otherLitLights(sheet, outputOf, channels);
      if (others.length > 0) change({ do: "give", moves: withOthersOut(sheet, {}, others) });
    },
    [sheet, outputOf, change],
  );
  /** Applies a stored pace to what the selection holds in hand. */
  const applyPace = useCallback(
    (selection: KeySelection, id: string): boolean => {
      const pace = sheet.show.paces.find((each) => each.id === id);
      const times = pace && unlessRefused(() => givePace(sheet, useHand.getState().hand, selection, pace));
      return times !== undefined && change({ do: "time", times });
    },
    [sheet, change],
  );
  /** Lets go of values, all when no keys are named; they can be taken up again. */
  const drop = useCallback(
    (keys?: readonly string[]): void => {
      const gone = keys ?? Object.keys(useHand.getState().hand.held);
      if (gone.length === 0 || !change({ do: "drop", ...(keys ? { keys: [...keys] } : {}) })) return;
      notify(`${heldWords(gone)} dropped from the Hand`, "word", {
        action: { word: "Take up again", run: () => change({ do: "restoreDropped" }) },
      });
    },
    [change],
  );
  return { change, give, giveWave, home, lit, mix, othersOut, time, applyPace, drop, outputOf };
}

/** What keys that are in hand put out now, where what is given takes its own times: it goes on from there. */
function startsOf(sheet: ShowSheet, moves: Moves, outputOf: (key: Key) => number): { from?: Record<string, number> } {
  const { hand } = useHand.getState();
  if (!hand.inTime) return {};
  const from: Record<string, number> = {};
  for (const [channel, own] of Object.entries(moves)) {
    for (const attribute of Object.keys(own)) {
      const key = keyAt(sheet.keys, Number(channel), attribute);
      if (key && (hand.held[key.name] || hand.leaving[key.name])) from[key.name] = outputOf(key);
    }
  }
  return { from };
}

/** Moves with the levels of other lights at 0. */
function withOthersOut(sheet: ShowSheet, moves: Moves, others: readonly number[]): Moves {
  const all: Moves = { ...moves };
  for (const channel of others) {
    const level = intensityOf(sheet.keys, channel);
    if (level && all[channel] === undefined) all[channel] = { [level.attribute.id]: 0 };
  }
  return all;
}
