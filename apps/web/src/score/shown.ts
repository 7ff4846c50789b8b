import { type LineRequest, type ListSheet, scenesOf } from "@zm/core";
import { chosenCues, useChoice } from "../choice/choice.ts";
import { notify } from "../shared/notices.ts";
import { foldName } from "../spine/lines.ts";
import { toggleMoving } from "./moving.ts";
import { chosenRows } from "./paint.ts";

/** What the Score can show or put away. */
export type Shown = Exclude<Extract<LineRequest, { kind: "show" }>["what"], "hints">;

/** Shows something in the Score or puts it away; false, with a notice, where nothing is chosen that it could speak of. */
export function showInScore(what: Shown, shown: boolean, list: ListSheet): boolean {
  const choice = useChoice.getState();
  switch (what) {
    case "times":
    case "pictures":
      if (shown) useChoice.setState({ under: what });
      else if (choice.under === what) useChoice.setState({ under: null });
      return true;
    case "tracked":
      useChoice.setState({ tracked: shown });
      return true;
    case "scenes": {
      const names = scenesOf(list).map(({ scene }) => foldName(list.id, scene));
      if (names.length === 0) return refused("No cue of this list has a scene; give the cues theirs in the inspector");
      useChoice.setState({ foldedScenes: changed(choice.foldedScenes, names, !shown) });
      return true;
    }
    case "parts": {
      const rows = chosenRows(list, chosenCues(choice));
      const cues = rows ? list.cues.slice(rows.first, rows.last + 1).filter(({ parts }) => parts.length > 1) : [];
      if (cues.length === 0) return refused("None of the chosen cues has parts; choose one that has");
      const names = cues.map(({ number }) => foldName(list.id, number));
      useChoice.setState({ openCues: changed(choice.openCues, names, shown) });
      return true;
    }
    case "attributes":
      if (choice.channels.length === 0) return refused("Choose lights first; then their attributes are shown");
      useChoice.setState({
        openLights: changed(choice.openLights, choice.channels, shown),
        attributes: null,
        attribute: null,
        attributeEnd: null,
      });
      return true;
    case "moving":
      if (shown !== (choice.moving !== null)) toggleMoving(list);
      return (useChoice.getState().moving !== null) === shown;
  }
}

/** A set with these members in it, or without them. */
function changed<T>(set: ReadonlySet<T>, members: readonly T[], isIn: boolean): ReadonlySet<T> {
  const next = new Set(set);
  for (const member of members) {
    if (isIn) next.add(member);
    else next.delete(member);
  }
  return next;
}

function refused(words: string): false {
  notify(words);
  return false;
}
