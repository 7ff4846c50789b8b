import { type EditInput, type KeySelection, type UpdateOption, type UpdatePlace, planUpdating, updateOptions } from "@zm/core";
import { useCallback } from "react";
import { tellTrouble } from "../shared/notices.ts";
import { api } from "../show/api.ts";
import { useLive } from "../show/live.ts";
import { useMainList, useMakeEdits, useShow } from "../show/useShow.ts";
import { useHand } from "./handStore.ts";
import { useHandChange } from "./useHandChange.ts";

/** Where each value goes; null leaves it as it is. */
export type PlaceOf = (option: UpdateOption) => UpdatePlace | null;

/** Updating the cue on stage with what is in hand. `cue` is null where no cue is on stage. */
export function useUpdating() {
  const { id, sheet } = useShow();
  const list = useMainList();
  const hand = useHand((state) => state.hand);
  const fired = useLive((live) => live.run?.playback.cue ?? null);
  const cue = fired !== null && list.cues.some((each) => each.number === fired) ? fired : null;
  const makeEdits = useMakeEdits();
  const { change } = useHandChange();

  const optionsFor = useCallback(
    (selection: KeySelection): UpdateOption[] => (cue === null ? [] : updateOptions(sheet, list, hand, cue, selection)),
    [cue, sheet, list, hand],
  );
  const plan = (options: readonly UpdateOption[], placeOf: PlaceOf): EditInput[] => planUpdating(list, cue ?? "", options, placeOf);

  /** Makes an update: what was sent somewhere counts as recorded, and the stage shows the cue as it now is. */
  const make = useCallback(
    async (options: readonly UpdateOption[], placeOf: PlaceOf): Promise<boolean> => {
      if (cue === null || !(await makeEdits(planUpdating(list, cue, options, placeOf)))) return false;
      change({ do: "recorded", keys: options.filter((option) => placeOf(option) !== null).map((option) => option.key.name) });
      await api.press(id, { press: "stand", cue }).catch(tellTrouble);
      return true;
    },
    [id, list, cue, makeEdits, change],
  );
  return { cue, list, optionsFor, plan, make };
}
