import { ALL_OFF_TIME, listOf } from "@zm/core";
import { useCallback } from "react";
import { notify } from "../../shared/notices.ts";
import { seconds } from "../../shared/words.ts";
import { cueOnStage, useLive } from "../live.ts";
import { useSheetNow } from "../useShow.ts";
import { usePress } from "./usePress.ts";
import { type Pressing, usePressGuard } from "./usePressGuard.ts";

/** What lies over everything: letting go of all that runs, the blackout, and the grand master. Presses that bounce, and keys held down, are one. */
export function useEverythingOff() {
  const press = usePress();
  const sheetNow = useSheetNow();
  const isPressed = usePressGuard();
  const allOff = useCallback(
    async (event: Pressing, time = ALL_OFF_TIME): Promise<void> => {
      if (!isPressed(event)) return;
      const main = listOf(sheetNow()).id;
      const stood = cueOnStage(useLive.getState().run, main);
      if (!(await press({ press: "allOff", time }))) return;
      const words = `Everything is let go of in ${seconds(time)} s; lights that stay, stay`;
      if (stood === null) return notify(words);
      const back = (): unknown => press({ press: "goto", list: main, cue: stood });
      notify(`${words}. The main list stood in cue ${stood}`, "word", { lasting: true, action: { word: `Back to ${stood}`, run: back } });
    },
    [press, sheetNow, isPressed],
  );
  const blackout = useCallback(
    (event: Pressing): void => {
      if (!isPressed(event)) return;
      const held = useLive.getState().run?.mix.grand.blackout.to === 0;
      void press({ press: "blackout", held });
    },
    [press, isPressed],
  );
  const grand = useCallback((level: number): void => void press({ press: "grand", level }), [press]);
  return { allOff, blackout, grand };
}
