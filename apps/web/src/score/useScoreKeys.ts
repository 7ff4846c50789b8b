import { findRow, sceneAt } from "@zm/core";
import type { RefObject } from "react";
import { makeConsidered, useDraft } from "../choice/draft.ts";
import { chosenCues, chosenLights, useSelection } from "../choice/selection.ts";
import { showTracked, toggleUnder, useSheetView } from "../choice/sheetView.ts";
import { faultOf } from "../preview/preview.ts";
import { openNumbers } from "../shared/dialogs.ts";
import { focusOn } from "../shared/focusPlaces.ts";
import { useShortcut } from "../shared/useShortcut.ts";
import { useStandby } from "../show/run/useStandby.ts";
import { useMakeEdits, useShow } from "../show/useShow.ts";
import { chooseSceneOf, toggleParts, toggleScene } from "../spine/useSheetLines.ts";
import { chooseWhole } from "./clipboard.ts";
import { toggleMoving } from "./moving.ts";
import { openLights } from "./ScoreHeader.tsx";
import type { TilePicture } from "./ScoreTiles.tsx";
import { moveFocus } from "./walk.ts";

/** The keys of the Score, where it has the focus. */
export function useScoreKeys({ list, lines, layout }: TilePicture, scroller: RefObject<HTMLElement | null>): void {
  const { sheet } = useShow();
  const makeEdits = useMakeEdits();
  const { toggle } = useStandby();
  const on = { on: scroller };
  const walk = (event: KeyboardEvent): void => void moveFocus(event, list, lines, layout);
  const chosenScene = (): string | undefined => {
    const { cueEnd } = useSelection.getState();
    return sceneAt(list, cueEnd === null ? -1 : findRow(list, cueEnd))?.scene;
  };
  useShortcut("walk", walk, on);
  useShortcut("leap", walk, on);
  useShortcut("wholeRow", () => chooseWhole("row", list, layout), on);
  useShortcut("wholeColumn", () => chooseWhole("column", list, layout), on);
  useShortcut("everything", () => chooseWhole("all", list, layout), on);
  useShortcut("tracked", () => showTracked(!useSheetView.getState().tracked), on);
  useShortcut("drawTimes", () => toggleUnder("times"), on);
  useShortcut("pictures", () => toggleUnder("pictures"));
  useShortcut(
    "numbers",
    () => {
      const cues = chosenCues(useSelection.getState());
      if (cues) openNumbers(cues.from, cues.from === cues.to ? (list.cues.at(-1)?.number ?? cues.to) : cues.to);
    },
    on,
  );
  useShortcut("toImpact", () => void focusOn("impact"), on);
  useShortcut("moving", () => toggleMoving(list), on);
  useShortcut("openLights", () => openLights(useSelection.getState().channels), on);
  useShortcut(
    "foldScene",
    () => {
      const scene = chosenScene();
      if (scene !== undefined) toggleScene(list.id, scene);
    },
    on,
  );
  useShortcut(
    "chooseScene",
    () => {
      const { cueEnd } = useSelection.getState();
      if (cueEnd !== null) chooseSceneOf(list, cueEnd);
    },
    on,
  );
  useShortcut(
    "intoSet",
    () => {
      const { cueEnd } = useSelection.getState();
      if (cueEnd !== null) toggle(list.id, cueEnd);
    },
    on,
  );
  useShortcut(
    "showParts",
    () => {
      const { cueEnd } = useSelection.getState();
      if (cueEnd !== null) toggleParts(list.id, cueEnd);
    },
    on,
  );
  useShortcut(
    "giveValue",
    (event) => {
      const { draft } = useDraft.getState();
      if (draft?.from !== "cells") return void focusOn(chosenLights() !== undefined ? "range value" : "cue label");
      if (event.repeat || faultOf(sheet, draft.edits) !== undefined) return;
      void makeConsidered(draft, makeEdits);
    },
    on,
  );
}
