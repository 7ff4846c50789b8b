import { type Found, type Question, answer, listOf } from "@zm/core";
import { useMemo } from "react";
import { create } from "zustand";
import { useSelection } from "../choice/selection.ts";
import { notify } from "../shared/notices.ts";
import { useGoToCue } from "../show/useGoToCue.ts";
import { useList, useSheetNow, useShow } from "../show/useShow.ts";

/** The newest question that could be answered, and the list it was asked of; it stays when the drawer is put away. */
interface Asked {
  readonly question: Question | null;
  readonly list: string | null;
}

const useAsked = create<Asked>(() => ({ question: null, list: null }));

/** Keeps what is asked, so that its answers can be walked with the keys. */
export function keepAsked(question: Question, list: string): void {
  useAsked.setState({ question, list });
}

/** The newest question; null where none was asked. */
export function askedNow(): Question | null {
  return useAsked.getState().question;
}

/** What a question finds in the show as it stands. */
export function useFound(question: Question | null): readonly Found[] {
  const { sheet } = useShow();
  const list = useList();
  return useMemo(() => (question ? answer(sheet, list, question) : []), [sheet, list, question]);
}

/** Goes to the next cue that the newest question has found, or the one before; round and round. */
export function useStepFound(): (by: 1 | -1) => void {
  const sheetNow = useSheetNow();
  const goTo = useGoToCue();
  return (by) => {
    const { question, list } = useAsked.getState();
    if (!question) return notify("Nothing was asked yet: h asks which cues …, and g walks those that are found");
    const sheet = sheetNow();
    const worked = listOf(sheet, list !== null && sheet.lists.has(list) ? list : undefined);
    const cues = answer(sheet, worked, question).flatMap((each) => ("cue" in each ? [each] : []));
    const { cueEnd, list: open } = useSelection.getState();
    const openId = open ?? listOf(sheet).id;
    const at = cues.findIndex((each) => each.list === openId && each.cue === cueEnd);
    // Between two that are found the walk goes on from where one stands.
    const from = at >= 0 || cueEnd === null ? at : between(cues, openId, cueEnd, by);
    const next = cues[(from + by + cues.length) % Math.max(1, cues.length)];
    if (!next) return notify("No cue is found any more");
    goTo(next.list, next.cue);
  };
}

/** The place from which a walk that begins between two found cues goes on. */
function between(cues: readonly Extract<Found, { cue: string }>[], list: string, cue: string, by: 1 | -1): number {
  const ahead = cues.findIndex((each) => each.list === list && Number(each.cue) > Number(cue));
  if (ahead < 0) return by > 0 ? -1 : 0;
  return by > 0 ? ahead - 1 : ahead;
}
