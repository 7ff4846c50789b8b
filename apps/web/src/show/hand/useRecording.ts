import {
  type ListSheet,
  type RecordPlan,
  type RecordWish,
  heldWords,
  findRow,
  listOf,
  nextNumber,
  planRecording,
  runningActions,
  stageWarning,
  standingCue,
} from "@zm/core";
import { useCallback, useRef } from "react";
import { chooseCue } from "../../choice/selection.ts";
import { notify } from "../../shared/notices.ts";
import { cueOnStage, useLive } from "../live.ts";
import { type Runner, enqueue } from "../queue.ts";
import { useList, useMainList, useMakeEdits, useMakeRunningEdits, useSheetNow, useShow } from "../useShow.ts";
import { useHand } from "../handStore.ts";
import { useHandChange } from "./useHandChange.ts";
import { unlessRefused } from "../../shared/unlessRefused.ts";

/** Recording from anywhere in the window. */
export function useRecording() {
  const { sheet } = useShow();
  const list = useList();
  const main = useMainList();
  const sheetNow = useSheetNow();
  const makeEdits = useMakeEdits();
  const makeRunningEdits = useMakeRunningEdits();
  const { change, outputOf } = useHandChange();
  const onStage = useLive((live) => (list === main && live.run ? standingCue({ cue: cueOnStage(live.run, main.id) }, main).cue : null));

  /** What a wish comes to on the show as the window has it at this moment, and of what is in hand. Throws ShowError when it would take nothing. */
  const plan = useCallback(
    (wish: RecordWish, hand = useHand.getState().hand): RecordPlan => {
      const now = sheetNow();
      const into = listOf(now, list.id);
      const start = findRow(into, wish.cue) < 0 ? now.show.newCue : undefined;
      const times = wish.times ?? start?.times;
      const curve = wish.curve ?? start?.curve;
      const mix = useLive.getState().run?.mix;
      const stage = { run: mix?.lists.get(list.id), outputOf, actions: mix && runningActions(mix, list.id) };
      return planRecording(now, into, hand, stage, {
        ...wish,
        ...(times === undefined ? {} : { times }),
        ...(curve === undefined ? {} : { curve }),
      });
    },
    [sheetNow, list.id, outputOf],
  );

  /** Makes a record: the values in hand that it took count as recorded, and the stage stands at the cue where that is what it shows. */
  const make = useCallback(
    async ({ edit, edits, keys }: RecordPlan, run: Runner = enqueue): Promise<boolean> => {
      chooseCue(edit.cue);
      if (list.id !== main.id) {
        if (!(await makeEdits([...edits], run))) return false;
        change({ do: "recorded", keys: [...keys] }, run);
        return true;
      }
      const stands = cueOnStage(useLive.getState().run, main.id);
      const next = follows(listOf(sheetNow()), edit.cue, stands);
      return makeRunningEdits(
        { edits: [...edits], recorded: [...keys], list: list.id, onStage: stands, ...(next ? { stands: edit.cue } : {}) },
        run,
      );
    },
    [list.id, main.id, makeEdits, makeRunningEdits, change, sheetNow],
  );

  const next = nextNumber(list, onStage);
  /** What recording into a cue should be warned of; only the list that runs the show has a stage to compare with. */
  const warningFor = useCallback(
    (cue: string): string | undefined => (list === main ? stageWarning(list, cue, onStage) : undefined),
    [list, main, onStage],
  );
  const recording = useRef(false);
  /** Records everything that has changed in hand as a new cue, right behind the one on stage. Pressed again while it does so it does nothing. */
  const recordNext = useCallback(async (): Promise<void> => {
    if (recording.current) return;
    if (next === undefined) return notify("There is no number free behind the cue on stage; renumber the cues behind it first", "trouble");
    const made = unlessRefused(() => plan({ cue: next, from: "hand", what: "both", changed: true, mode: "merge", scope: "track" }));
    if (!made) return;
    recording.current = true;
    const warning = warningFor(next);
    const good = await make(made).finally(() => (recording.current = false));
    if (good)
      notify(
        `Recorded as cue ${next}: ${heldWords(made.keys)}. Ctrl Z takes it back${warning ? `\n${warning}` : ""}`,
        warning ? "trouble" : "word",
        { of: "step" },
      );
  }, [next, warningFor, plan, make]);

  return { plan, make, recordNext, warningFor, list, onStage, next, start: sheet.show.newCue };
}

/** True where a cue, once it is there, is the one on stage or the next behind it. */
function follows(list: ListSheet, cue: string, onStage: string | null): boolean {
  if (onStage === cue) return true;
  const number = Number(cue);
  const before = list.cues.filter((each) => Number(each.number) < number).at(-1)?.number ?? null;
  return before === onStage;
}
