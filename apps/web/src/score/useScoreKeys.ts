import { findRow, sceneAt } from "@zm/core";
import type { RefObject } from "react";
import { chosenCues, useChoice } from "../choice/choice.ts";
import { makeConsidered } from "../choice/makeConsidered.ts";
import { faultOf } from "../preview/preview.ts";
import { openNumbers } from "../shared/dialogs.ts";
import { focusOn } from "../shared/focusPlaces.ts";
import { useShortcut } from "../shared/useShortcut.ts";
import { useMakeEdits, useShow } from "../show/useShow.ts";
import { toggleParts, toggleScene } from "../spine/useSheetLines.ts";
import { chooseWhole } from "./clipboard.ts";
import { toggleMoving } from "./moving.ts";
import { openLights } from "./ScoreHeader.tsx";
import type { TilePicture } from "./ScoreTiles.tsx";
import { moveFocus } from "./walk.ts";

/** The keys of the Score, where it has the focus. */
export function useScoreKeys({ list, lines, layout }: TilePicture, scroller: RefObject<HTMLElement | null>): void {
  const { sheet } = useShow();
  const makeEdits = useMakeEdits();
  const on = { on: scroller };
  const walk = (event: KeyboardEvent): void => void moveFocus(event, list, lines, layout);
  const open = (what: "times" | "pictures"): void => useChoice.setState(({ under }) => ({ under: under === what ? null : what }));
  const chosenScene = (): string | undefined => {
    const { cueEnd } = useChoice.getState();
    return sceneAt(list, cueEnd === null ? -1 : findRow(list, cueEnd))?.scene;
  };
  useShortcut("walk", walk, on);
  useShortcut("leap", walk, on);
  useShortcut("wholeRow", () => chooseWhole("row", list, layout), on);
  useShortcut("wholeColumn", () => chooseWhole("column", list, layout), on);
  useShortcut("everything", () => chooseWhole("all", list, layout), on);
  useShortcut("tracked", () => useChoice.setState(({ tracked }) => ({ tracked: !tracked })), on);
  useShortcut("drawTimes", () => open("times"), on);
  useShortcut("pictures", () => open("pictures"));
  useShortcut(
    "numbers",
    () => {
      const cues = chosenCues(useChoice.getState());
      if (cues) openNumbers(cues.from, cues.from === cues.to ? (list.cues.at(-1)?.number ?? cues.to) : cues.to);
    },
    on,
  );
  useShortcut("toImpact", () => void focusOn("impact"), on);
  useShortcut("moving", () => toggleMoving(list), on);
  useShortcut("openLights", () => openLights(useChoice.getState().channels), on);
  useShortcut(
    "foldScene",
    () => {
      const scene = chosenScene();
      if (scene !== undefined) toggleScene(list.id, scene);
    },
    on,
  );
  useShortcut(
    "showParts",
    () => {
      const { cueEnd } = useChoice.getState();
      if (cueEnd !== null) toggleParts(list.id, cueEnd);
    },
    on,
  );
  useShortcut(
    "giveValue",
    (event) => {
      const { draft, channels } = useChoice.getState();
      if (draft?.from !== "cells") return void focusOn(channels.length > 0 ? "range value" : "cue label");
      if (event.repeat || faultOf(sheet, draft.edits) !== undefined) return;
      void makeConsidered(draft, makeEdits);
    },
    on,
  );
}
