import {
  type EditInput,
  type KeySelection,
  type ListSheet,
  type UpdateOption,
  type UpdatePlace,
  planUpdating,
  updateOptions,
} from "@zm/core";
import { useCallback, useMemo } from "react";
import { cueOnStage, useLive } from "../live.ts";
import { type Runner, enqueue } from "../queue.ts";
import { useMainList, useMakeRunningEdits, useShow } from "../useShow.ts";
import { useHand } from "../handStore.ts";

/** Where each value goes; null leaves it as it is. */
export type PlaceOf = (option: UpdateOption) => UpdatePlace | null;

/** Updating the cue in which one list stands. */
export interface Updating {
  /** Null where the list stands in no cue. */
  readonly cue: string | null;
  readonly list: ListSheet;
  readonly optionsFor: (selection: KeySelection) => UpdateOption[];
  readonly plan: (options: readonly UpdateOption[], placeOf: PlaceOf) => EditInput[];
  readonly make: (options: readonly UpdateOption[], placeOf: PlaceOf, run?: Runner) => Promise<boolean>;
}

/** Updating cues on stage with what is in hand: `of` gives it for a list by its id, without one for the list that runs the show; `standing` are the lists that stand in a cue. */
export function useUpdating(): { readonly of: (list?: string) => Updating; readonly standing: readonly ListSheet[] } {
  const { sheet } = useShow();
  const main = useMainList();
  const hand = useHand((state) => state.hand);
  // As one text, so that a frame of the run in which no list goes on changes nothing here.
  const fired = useLive((live) => [...sheet.lists.keys()].map((id) => cueOnStage(live.run, id) ?? "").join("/"));
  const makeRunningEdits = useMakeRunningEdits();
  const cues = useMemo(() => new Map([...sheet.lists.keys()].map((id, at) => [id, fired.split("/")[at] ?? ""])), [sheet, fired]);
  const cueOf = useCallback(
    (list: ListSheet): string | null => list.cues.find((each) => each.number === cues.get(list.id))?.number ?? null,
    [cues],
  );

  const of = useCallback(
    (id?: string): Updating => {
      const list = (id === undefined ? undefined : sheet.lists.get(id)) ?? main;
      const cue = cueOf(list);
      return {
        cue,
        list,
        optionsFor: (selection) => (cue === null ? [] : updateOptions(sheet, list, hand, cue, selection)),
        plan: (options, placeOf) => planUpdating(list, cue ?? "", options, placeOf),
        // What was sent somewhere counts as recorded, and the stage shows the cue as it now is.
        make: async (options, placeOf, run = enqueue) => {
          if (cue === null) return false;
          const recorded = options.filter((option) => placeOf(option) !== null).map((option) => option.key.name);
          return makeRunningEdits({ edits: planUpdating(list, cue, options, placeOf), recorded, list: list.id, onStage: cue }, run);
        },
      };
    },
    [sheet, main, cueOf, hand, makeRunningEdits],
  );
  const standing = useMemo(() => [...sheet.lists.values()].filter((list) => cueOf(list) !== null), [sheet, cueOf]);
  return { of, standing };
}
