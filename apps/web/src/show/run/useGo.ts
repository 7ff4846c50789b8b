import { nextRow, previousRow } from "@zm/core";
import { useCallback } from "react";
import { useLive } from "../live.ts";
import { usePress } from "./usePress.ts";
import { type Pressing, usePressGuard } from "./usePressGuard.ts";

/** What is pressed on one list: Go, back, hold, going to a cue, stepping through. */
export function useGo(list: string) {
  const press = usePress();
  const isPressed = usePressGuard();
  const runOf = useCallback(() => useLive.getState().run?.mix.lists.get(list), [list]);

  const go = useCallback(
    (event: Pressing) => {
      if (!isPressed(event)) return;
      const run = runOf();
      const next = run ? run.list.cues[nextRow(run)]?.number : undefined;
      const held = run?.clock.held ?? false;
      const seen = { held, ...(next === undefined || held ? {} : { cue: next }) };
      void press({ press: "go", list, ...seen });
    },
    [press, list, runOf, isPressed],
  );
  const back = useCallback(() => {
    const cue = runOf()?.cue ?? null;
    void press({ press: "back", list, ...(cue === null ? {} : { cue }) });
  }, [press, list, runOf]);
  const hold = useCallback(() => {
    const held = !(runOf()?.clock.held ?? false);
    void press({ press: "hold", list, held });
  }, [press, list, runOf]);
  const goTo = useCallback(
    (cue: string, time?: number) => void press({ press: "goto", list, cue, ...(time === undefined ? {} : { time }) }),
    [press, list],
  );
  const step = useCallback(
    (by: 1 | -1) => {
      const run = runOf();
      const row = run ? (by === 1 ? nextRow(run) : previousRow(run)) : -1;
      const cue = run?.list.cues[row]?.number;
      if (cue !== undefined) void press({ press: "goto", list, cue, time: 0 });
    },
    [press, list, runOf],
  );
  const catchFollow = useCallback(() => void press({ press: "catch", list }), [press, list]);
  const release = useCallback(() => void press({ press: "release", list }), [press, list]);
  return { go, back, hold, goTo, step, catchFollow, release, press };
}
