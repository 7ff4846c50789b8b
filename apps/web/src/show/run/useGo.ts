import { nextRow, previousRow } from "@zm/core";
import { useCallback, useRef } from "react";
import { useLive } from "../live.ts";
import { usePress } from "./usePress.ts";

/** A second contact so soon after the first is the same press: a key or a button that bounces. Milliseconds. */
const BOUNCE = 150;

/** What a press comes with: when it was made, in milliseconds of the page, and for a key whether it is the key repeating itself. */
interface Pressing {
  readonly timeStamp: number;
  readonly repeat?: boolean;
}

/** What is pressed on one list: Go, back, hold, going to a cue, stepping through. */
export function useGo(list: string) {
  const press = usePress();
  const pressedAt = useRef(Number.NEGATIVE_INFINITY);
  const runOf = useCallback(() => useLive.getState().run?.mix.lists.get(list), [list]);

  const go = useCallback(
    (event: Pressing) => {
      // By when it was pressed, not when a busy page came to it; a key that is held down is one press.
      const since = event.timeStamp - pressedAt.current;
      if (since < BOUNCE || (event.repeat ?? false)) return;
      pressedAt.current = event.timeStamp;
      const run = runOf();
      const next = run ? run.list.cues[nextRow(run)]?.number : undefined;
      const held = run?.clock.held ?? false;
      const seen = { held, ...(next === undefined || held ? {} : { cue: next }) };
      void press({ press: "go", list, ...seen });
    },
    [press, list, runOf],
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
