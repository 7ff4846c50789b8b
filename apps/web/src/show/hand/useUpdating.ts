import { type EditInput, type KeySelection, type UpdateOption, type UpdatePlace, planUpdating, updateOptions } from "@zm/core";
import { useCallback } from "react";
import { cueOnStage, useLive } from "../live.ts";
import { type Runner, enqueue } from "../queue.ts";
import { useMainList, useMakeRunningEdits, useShow } from "../useShow.ts";
import { useHand } from "../handStore.ts";

/** Where each value goes; null leaves it as it is. */
export type PlaceOf = (option: UpdateOption) => UpdatePlace | null;

/** Updating the cue on stage with what is in hand. `cue` is null where no cue is on stage. */
export function useUpdating() {
  const { sheet } = useShow();
  const list = useMainList();
  const hand = useHand((state) => state.hand);
  const fired = useLive((live) => cueOnStage(live.run, list.id));
  const cue = fired !== null && list.cues.some((each) => each.number === fired) ? fired : null;
  const makeRunningEdits = useMakeRunningEdits();

  const optionsFor = useCallback(
    (selection: KeySelection): UpdateOption[] => (cue === null ? [] : updateOptions(sheet, list, hand, cue, selection)),
    [cue, sheet, list, hand],
  );
  const plan = (options: readonly UpdateOption[], placeOf: PlaceOf): EditInput[] => planUpdating(list, cue ?? "", options, placeOf);

  /** Makes an update: what was sent somewhere counts as recorded, and the stage shows the cue as it now is. */
  const make = useCallback(
    async (options: readonly UpdateOption[], placeOf: PlaceOf, run: Runner = enqueue): Promise<boolean> => {
      if (cue === null) return false;
      const recorded = options.filter((option) => placeOf(option) !== null).map((option) => option.key.name);
      return makeRunningEdits({ edits: planUpdating(list, cue, options, placeOf), recorded, list: list.id, onStage: cue }, run);
    },
    [list, cue, makeRunningEdits],
  );
  return { cue, list, optionsFor, plan, make };
}
