import { useCallback, useMemo } from "react";
import { useLive } from "../live.ts";
import { useSheetNow } from "../useShow.ts";
import { usePress } from "./usePress.ts";

/** What is chosen on several lists to go together, as it is shown. */
export function useStandbySet(): readonly { readonly list: string; readonly cue: string }[] {
  const standby = useLive((live) => live.run?.mix.standby);
  return useMemo(() => standby ?? [], [standby]);
}

/** Choosing what goes together with one press, list by list; nothing moves before it is fired. */
export function useStandby() {
  const press = usePress();
  const sheetNow = useSheetNow();
  const chosenNow = (): readonly { readonly list: string; readonly cue: string }[] => useLive.getState().run?.mix.standby ?? [];
  /** Chooses a cue of a list in place of the one that was chosen of it; null: none. */
  const choose = useCallback(
    (list: string, cue: string | null): void => {
      const others = chosenNow().filter((each) => each.list !== list);
      void press({ press: "standby", chosen: [...others, ...(cue === null ? [] : [{ list, cue }])] });
    },
    [press],
  );
  /** Takes a cue into the set, or out of it where it is in it. */
  const toggle = useCallback(
    (list: string, cue: string): void => choose(list, chosenNow().some((each) => each.list === list && each.cue === cue) ? null : cue),
    [choose],
  );
  /** Chooses the cue before or behind the one that is chosen of a list. */
  const step = useCallback(
    (list: string, by: 1 | -1): void => {
      const cues = sheetNow().lists.get(list)?.cues ?? [];
      const chosen = chosenNow().find((each) => each.list === list)?.cue;
      const next = cues[cues.findIndex(({ number }) => number === chosen) + by];
      if (chosen !== undefined && next) choose(list, next.number);
    },
    [choose, sheetNow],
  );
  const empty = useCallback((): void => void press({ press: "standby", chosen: [] }), [press]);
  const fire = useCallback((): void => {
    if (chosenNow().length > 0) void press({ press: "fire" });
  }, [press]);
  return { choose, toggle, step, empty, fire };
}
