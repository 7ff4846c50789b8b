import { writeSeconds } from "../time/timeWords.ts";
import type { Action } from "../show/schema.ts";
import type { ShowSheet } from "../sheet/sheet.ts";

/**
 * What an action does, in a few words: "raise warmers to 80 % in 3 s"; how long after the Go it does is not said here.
 * Lists, held looks and tempos by their labels. The same in every window and on paper.
 */
export function actionWords(action: Action, { lists, show }: ShowSheet): string {
  const inTime = "time" in action && action.time !== undefined ? ` in ${writeSeconds(action.time)} s` : "";
  if (action.do === "look") {
    const label = show.heldLooks?.find(({ id }) => id === action.look)?.label || action.look;
    return action.level === 0 ? `take ${label} out${inTime}` : `raise ${label} to ${action.level} %${inTime}`;
  }
  if (action.do === "tempo")
    return `tempo ${show.tempos?.find(({ id }) => id === action.tempo)?.label || action.tempo} ${action.perMinute}`;
  const id = action.list;
  const name = id === undefined ? "this list when it is complete" : lists.get(id)?.list.label || id;
  switch (action.do) {
    case "start":
      return `start ${name}${action.cue === undefined ? "" : ` at ${action.cue}`}`;
    case "goto":
      return `${name} to ${action.cue}${inTime}`;
    case "go":
      return `go on ${name}`;
    case "rate":
      return `${name} ${action.rate}x as fast`;
    case "master":
      return `${name} at ${action.level} %${inTime}`;
    case "back":
    case "hold":
    case "resume":
    case "release":
      return `${action.do} ${name}${inTime}`;
  }
}
