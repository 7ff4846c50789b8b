import { type Script, findRow } from "@zm/core";
import { useCallback } from "react";
import { useSelection } from "../choice/selection.ts";
import { useList, useMakeEdits } from "../show/useShow.ts";
import { type WordPlace, useBook } from "./book.ts";
import { callEdit, callThere, landingWords } from "./callWords.ts";
import { useCueDrag } from "./useCueDrag.ts";

/** Calls the chosen cue at a word, or the one that is dragged where it is let go; `landing` says what the word under it, or the keyboard, would mean. */
export function useCalls(script: Script): {
  readonly call: (place: WordPlace | null) => void;
  readonly landing: string;
  readonly hasCue: boolean;
} {
  const list = useList();
  const makeEdits = useMakeEdits();
  const { at, drags } = useBook();
  const chosenCue = useSelection((choice) => choice.cueEnd);
  const chosenRow = chosenCue === null ? -1 : findRow(list, chosenCue);
  const call = useCallback(
    (place: WordPlace | null): void => {
      const there = place && chosenRow >= 0 ? callThere(list, script, chosenRow, place) : undefined;
      if (there) void makeEdits([callEdit(list, chosenRow, there)]);
    },
    [list, script, chosenRow, makeEdits],
  );
  useCueDrag((cue, place) => {
    const row = findRow(list, cue);
    const there = row >= 0 ? callThere(list, script, row, place) : undefined;
    const now = list.cues[row]?.call;
    useBook.setState({ at: place, until: null });
    if (there && (now?.line !== there.line || now.word !== there.word || now.nth !== there.nth))
      void makeEdits([callEdit(list, row, there)]);
  });
  const landing = drags?.over
    ? landingWords(list, script, findRow(list, drags.cue), drags.over)
    : at && chosenRow >= 0
      ? landingWords(list, script, chosenRow, at)
      : "";
  return { call, landing, hasCue: chosenRow >= 0 };
}
