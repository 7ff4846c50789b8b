import { withMembers } from "../shared/toggled.ts";
import { type LineRequest, type ListSheet, scenesOf } from "@zm/core";
import { chooseAllAttributes, chosenCues, useSelection } from "../choice/selection.ts";
import { closeUnder, openUnder, showFoldedScenes, showOpenCues, showOpenLights, showTracked, useSheetView } from "../choice/sheetView.ts";
import { notify } from "../shared/notices.ts";
import { foldName } from "../spine/lines.ts";
import { toggleMoving } from "./moving.ts";
import { chosenRows } from "./chosenRows.ts";

/** What the Score can show or put away. */
export type Shown = Exclude<Extract<LineRequest, { kind: "show" }>["what"], "hints">;

/** Shows something in the Score or puts it away; false, with a notice, where nothing is chosen that it could speak of. */
export function showInScore(what: Shown, shown: boolean, list: ListSheet): boolean {
  const selection = useSelection.getState();
  const view = useSheetView.getState();
  switch (what) {
    case "times":
    case "pictures":
      if (shown) openUnder(what);
      else closeUnder(what);
      return true;
    case "tracked":
      showTracked(shown);
      return true;
    case "scenes": {
      const names = scenesOf(list).map(({ scene }) => foldName(list.id, scene));
      if (names.length === 0) return refused("No cue of this list has a scene; give the cues theirs in the inspector");
      showFoldedScenes(withMembers(view.foldedScenes, names, !shown));
      return true;
    }
    case "parts": {
      const rows = chosenRows(list, chosenCues(selection));
      const cues = rows ? list.cues.slice(rows.first, rows.last + 1).filter(({ parts }) => parts.length > 1) : [];
      if (cues.length === 0) return refused("None of the chosen cues has parts; choose one that has");
      const names = cues.map(({ number }) => foldName(list.id, number));
      showOpenCues(withMembers(view.openCues, names, shown));
      return true;
    }
    case "attributes":
      if (selection.channels.length === 0) return refused("Choose lights first; then their attributes are shown");
      showOpenLights(withMembers(view.openLights, selection.channels, shown));
      chooseAllAttributes();
      return true;
    case "moving":
      if (shown !== (view.moving !== null)) toggleMoving(list);
      return (useSheetView.getState().moving !== null) === shown;
  }
}

function refused(words: string): false {
  notify(words);
  return false;
}
