import { type ListSheet, findRow, sceneWidened } from "@zm/core";
import { useMemo } from "react";
import { chooseCues, chosenCues, useSelection } from "../choice/selection.ts";
import { showFoldedScenes, showOpenCues, useSheetView } from "../choice/sheetView.ts";
import { toggled } from "../shared/toggled.ts";
import { type SheetLines, foldName, sheetLines } from "./lines.ts";

const UNFOLDED = { foldedScenes: new Set<string>(), openCues: new Set<string>() };

/** The lines of a list as the window looks at it; without folds where every cue has to stand there. */
export function useSheetLines(list: ListSheet, folds = true): SheetLines {
  const foldedScenes = useSheetView((choice) => choice.foldedScenes);
  const openCues = useSheetView((choice) => choice.openCues);
  return useMemo(() => sheetLines(list, folds ? { foldedScenes, openCues } : UNFOLDED), [list, folds, foldedScenes, openCues]);
}

/** Folds a scene into one line, or opens it. */
export function toggleScene(list: string, scene: string): void {
  showFoldedScenes(toggled(useSheetView.getState().foldedScenes, foldName(list, scene)));
}

/** Shows the parts under a cue, or puts them away. */
export function toggleParts(list: string, cue: string): void {
  showOpenCues(toggled(useSheetView.getState().openCues, foldName(list, cue)));
}

/** Chooses all cues of the scene that a cue belongs to; once more, those of its act. */
export function chooseSceneOf(list: ListSheet, cue: string): void {
  const cues = chosenCues(useSelection.getState());
  const [first, last] = cues ? [findRow(list, cues.from), findRow(list, cues.to)] : [-1, -1];
  const wanted = sceneWidened(list, findRow(list, cue), { first, last });
  const [from, to] = [list.cues[wanted?.first ?? -1], list.cues[wanted?.last ?? -1]];
  if (from && to) chooseCues(from.number, to.number);
}
