import { type RecordPlan, type RecordWish, count, nextNumber, planRecording, stageWarning, standsAfter } from "@zm/core";
import { useCallback } from "react";
import { chooseCue, useChoice } from "../choice/choice.ts";
import { notify, tellTrouble } from "../shared/notices.ts";
import { api } from "../show/api.ts";
import { useLive } from "../show/live.ts";
import { useList, useMainList, useMakeEdits, useSheetNow, useShow } from "../show/useShow.ts";
import { useHand } from "./handStore.ts";
import { useHandChange } from "./useHandChange.ts";
import { toldOr } from "../shared/toldOr.ts";

/** Recording from anywhere in the window. */
export function useRecording() {
  const { id, sheet } = useShow();
  const list = useList();
  const main = useMainList();
  const sheetNow = useSheetNow();
  const makeEdits = useMakeEdits();
  const { change, outputOf } = useHandChange();
  const onStage = useLive((live) => (list === main ? (live.run?.playback.cue ?? null) : null));

  const plan = useCallback(
    (wish: RecordWish): RecordPlan =>
      planRecording(sheet, list, useHand.getState().hand, { playback: useLive.getState().run?.playback, outputOf }, wish),
    [sheet, list, outputOf],
  );

  /** Makes a record: the values in hand that it took count as recorded, and the stage stands at the cue where that is what it shows. */
  const make = useCallback(
    async ({ edit, keys }: RecordPlan): Promise<boolean> => {
      const before = list === main ? (useLive.getState().run?.playback.cue ?? null) : undefined;
      if (!(await makeEdits([edit]))) return false;
      change({ do: "recorded", keys: [...keys] });
      chooseCue(edit.cue);
      useChoice.setState({ drawer: null });
      const after = sheetNow().lists.get(list.id);
      const stands = before === undefined || !after ? undefined : standsAfter(after, edit.cue, before);
      if (stands !== undefined) await api.press(id, { press: "stand", cue: stands }).catch(tellTrouble);
      return true;
    },
    [id, list, main, makeEdits, change, sheetNow],
  );

  const next = nextNumber(list, onStage);
  /** What recording into a cue should be warned of; only the list that runs the show has a stage to compare with. */
  const warningFor = useCallback(
    (cue: string): string | undefined => (list === main ? stageWarning(list, cue, onStage) : undefined),
    [list, main, onStage],
  );
  /** Records everything that has changed in hand as the next cue, right behind the one on stage. */
  const recordNext = useCallback(async (): Promise<void> => {
    if (next === undefined) return notify("There is no number free behind the cue on stage; renumber the cues behind it first", "trouble");
    const made = toldOr(() => plan({ cue: next, from: "hand", what: "both", changed: true, mode: "merge", scope: "track" }));
    const warning = warningFor(next);
    if (made && (await make(made)))
      notify(
        `Recorded as cue ${next}: ${count(made.keys.length, "value")}. Ctrl Z takes it back${warning ? `\n${warning}` : ""}`,
        warning ? "trouble" : "word",
      );
  }, [next, warningFor, plan, make]);

  return { plan, make, recordNext, warningFor, list, onStage, next };
}
