import { type PageItem, capital } from "@zm/core";
import { useCallback, useRef } from "react";
import { useLive } from "../show/live.ts";
import { pressFor, pressWords } from "../show/run/typedPress.ts";
import { usePress } from "../show/run/usePress.ts";
import { type Pressing, usePressGuard } from "../show/run/usePressGuard.ts";
import { useSheetNow } from "../show/useShow.ts";

/** Presses a button of a page: what a cue could do besides, at once; or a set, exactly those cues together. */
export function usePressTile(): (item: PageItem, event: Pressing) => void {
  const press = usePress();
  const sheetNow = useSheetNow();
  const isPressed = usePressGuard();
  const pressed = useRef<PageItem | null>(null);
  return useCallback(
    (item, event) => {
      // A second contact of the same button is a bounce; one of another is a press of its own.
      const isOther = pressed.current !== item;
      pressed.current = item;
      if (!isPressed(event) && !isOther) return;
      if ("set" in item) {
        // What waits to go together by hand is chosen again afterwards.
        const waiting = [...(useLive.getState().run?.mix.standby ?? [])];
        void press({ press: "standby", chosen: item.set });
        void press({ press: "fire" });
        if (waiting.length > 0) void press({ press: "standby", chosen: waiting });
        return;
      }
      if (!("do" in item)) return;
      const { run } = useLive.getState();
      const what = pressFor(item.do, run, sheetNow());
      if (what) void press(what, capital(pressWords(item.do, sheetNow(), run)));
    },
    [press, sheetNow, isPressed],
  );
}
