import { type Script, findRow } from "@zm/core";
import { useCallback } from "react";
import { useSelection } from "../choice/selection.ts";
import { useList, useMakeEdits } from "../show/useShow.ts";
import { type WordPlace, useBook } from "./book.ts";
import { callEdit, callThere, landingWords } from "./callWords.ts";
import { type CueHandle, useCueDrag } from "./useCueDrag.ts";

/** Calls the chosen cue at a word, or the one that is dragged where it is let go; `landing` says what the word under it, or the keyboard, would mean. */
export function useCalls(script: Script): {
  readonly call: (place: WordPlace | null) => void;
  /** Makes a handle of a cue in the margin, by which it is dragged. */
  readonly handle: CueHandle;
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
  const handle = useCueDrag(script);
  const landing = drags?.over
    ? landingWords(list, script, findRow(list, drags.cue), drags.over)
    : at && chosenRow >= 0
      ? landingWords(list, script, chosenRow, at)
      : "";
  return { call, handle, landing, hasCue: chosenRow >= 0 };
}
