import {
  type Cue,
  FAMILIES,
  type Outcome,
  type PartTimes,
  type RecordPlan,
  type RecordedFields,
  type RecordWish,
  findRow,
  isCueNumber,
  makeEdits,
  readEdits,
  recordSentence,
  sameData,
} from "@zm/core";
import { useMemo } from "react";
import { useSelection } from "../choice/selection.ts";
import { refusable } from "../preview/preview.ts";
import { useSame } from "../shared/useSame.ts";
import { useHand } from "../show/handStore.ts";
import { useShow } from "../show/useShow.ts";
import type { RecordEntry } from "./recordEntry.ts";
import type { useRecording } from "../show/hand/useRecording.ts";

/** A record that has been computed, or why it cannot be made. */
type RecordPreview = { fault: string } | { planned: RecordPlan; outcome: Outcome; sentence: string };

/** What making a record would do, and what the sheet shows of the cue that it goes into: undefined for a new one. */
export function useRecordPreview(
  entry: RecordEntry,
  { plan, list, start }: Pick<ReturnType<typeof useRecording>, "plan" | "list" | "start">,
): { preview: RecordPreview; known: Cue | undefined; times: PartTimes } {
  const { sheet } = useShow();
  const hand = useHand((state) => state.hand);
  const chosen = useSelection((choice) => choice.channels);
  const { cue, part } = entry;
  const known = isCueNumber(cue) ? list.cues[findRow(list, cue)] : undefined;
  const times = entry.times ?? (known ? {} : (start?.times ?? {}));
  const wish = useSame(wishOf(entry, chosen, known, times));
  const preview = useMemo((): RecordPreview => {
    const fault = faultIn(cue, part);
    if (fault !== undefined) return { fault };
    return refusable(() => {
      const planned = plan(wish, hand);
      const outcome = makeEdits(sheet, readEdits([...planned.edits]));
      return { planned, outcome, sentence: recordSentence(list, planned, outcome) };
    });
  }, [wish, cue, part, plan, hand, sheet, list]);
  return { preview, known, times };
}

/** Why a cue number or a part cannot be one; undefined where both can. */
function faultIn(cue: string, part: string): string | undefined {
  if (cue.trim() === "") return "Which cue? Type its number";
  if (!isCueNumber(cue)) return `${cue} is not a cue number; it has at most three decimal places`;
  return part.trim() === "" || /^[1-9]\d?$/.test(part.trim()) ? undefined : `"${part}" is not a part; parts count from 1 to 99`;
}

/** What the sheet tells the cue besides; what it says already, or what says nothing of a new one, is left out. */
function fieldsOf({ note, scene, trigger }: RecordEntry, known: Cue | undefined): RecordedFields {
  const text = (typed: string | null, held: string | undefined): string | null | undefined =>
    typed === null || typed.trim() === (held ?? "") ? undefined : typed.trim() || null;
  const own = { note: text(note, known?.note), scene: text(scene, known?.scene) };
  const sameTrigger = trigger === undefined || sameData(trigger, known?.trigger?.type === "follow" ? known.trigger : null);
  return {
    ...(own.note === undefined ? {} : { note: own.note }),
    ...(own.scene === undefined ? {} : { scene: own.scene }),
    ...(sameTrigger ? {} : { trigger }),
  };
}

function wishOf(entry: RecordEntry, chosen: readonly number[], known: Cue | undefined, times: PartTimes): RecordWish {
  const fields = fieldsOf(entry, known);
  const { cue, from, what, changed, mode, scope, running, onlyChosen, families, part, label } = entry;
  return {
    cue,
    from,
    what,
    changed,
    mode,
    scope,
    ...(running ? { running } : {}),
    ...(onlyChosen ? { channels: chosen } : {}),
    ...(families.length < FAMILIES.length ? { families } : {}),
    ...(entry.attributes === null ? {} : { attributes: entry.attributes }),
    ...(entry.waves === "with" ? {} : { waves: entry.waves }),
    ...(/^\d+$/.test(part.trim()) ? { part: Number(part) } : {}),
    ...(label === null || (label === "" && !known?.label) ? {} : { label }),
    times,
    ...(entry.curve === undefined ? {} : { curve: entry.curve }),
    ...(Object.keys(fields).length > 0 ? { fields } : {}),
  };
}
