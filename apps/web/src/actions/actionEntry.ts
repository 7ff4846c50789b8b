import type { Action, ShowSheet } from "@zm/core";
import { BEATS, PERCENT, RATES } from "../shared/bounds.ts";

/** What can be done to something else, in the order in which it is offered. */
export const DEEDS = [
  ["start", "start a list"],
  ["go", "fire the next cue of"],
  ["goto", "go to a cue of"],
  ["back", "go back on"],
  ["hold", "hold"],
  ["resume", "let go on"],
  ["release", "release"],
  ["rate", "set the speed of"],
  ["master", "set the master of"],
  ["look", "raise a held look"],
  ["tempo", "set a tempo"],
] as const satisfies readonly (readonly [Action["do"], string])[];

export type Deed = (typeof DEEDS)[number][0];

/** What was entered of an action; what its kind does not ask for stays as it was entered. Empty texts: nothing said. */
export interface ActionEntry {
  readonly deed: Deed;
  /** The id of a list, a held look or a tempo; empty for a release: the cue's own list. */
  readonly of: string;
  readonly cue: string;
  readonly value: number | undefined;
  readonly time: number | undefined;
}

/** What the value of a kind of action is: its name, its limits, and what it begins with. */
export const VALUES: Partial<Record<Deed, { readonly words: string; readonly min: number; readonly max: number; readonly first: number }>> =
  {
    rate: { words: "times as fast", ...RATES, first: 1 },
    master: { words: "per cent", ...PERCENT, first: 100 },
    look: { words: "per cent", ...PERCENT, first: 100 },
    tempo: { words: "beats a minute", ...BEATS, first: 60 },
  };
/** The kinds that take a time. */
export const TIMED: readonly Deed[] = ["goto", "release", "master", "look"];

/** An action as it would have been entered. */
export function entryOfAction(action: Action): ActionEntry {
  const of = action.do === "look" ? action.look : action.do === "tempo" ? action.tempo : (action.list ?? "");
  const value =
    action.do === "rate" ? action.rate : action.do === "tempo" ? action.perMinute : "level" in action ? action.level : undefined;
  return {
    deed: action.do,
    of,
    cue: "cue" in action ? (action.cue ?? "") : "",
    value,
    time: "time" in action ? action.time : undefined,
  };
}

/** The action that was entered; why there is none yet, in words. */
export function actionOfEntry({ deed, of, cue, value, time }: ActionEntry, sheet: ShowSheet, ownList: boolean): Action | string {
  const timed = time === undefined ? {} : { time };
  if (deed === "release") {
    if (of !== "") return { do: "release", list: of, ...timed };
    return ownList ? { do: "release", ...timed } : "Choose a list";
  }
  if (of === "") return deed === "look" ? "Choose a held look" : deed === "tempo" ? "Choose a tempo" : "Choose a list";
  const has = (number: string): boolean => sheet.lists.get(of)?.cues.some((each) => each.number === number) ?? false;
  switch (deed) {
    case "look":
      return { do: "look", look: of, level: value ?? 100, ...timed };
    case "tempo":
      return { do: "tempo", tempo: of, perMinute: value ?? 60 };
    case "rate":
      return { do: "rate", list: of, rate: value ?? 1 };
    case "master":
      return { do: "master", list: of, level: value ?? 100, ...timed };
    case "start":
      if (cue === "") return { do: "start", list: of };
      return has(cue) ? { do: "start", list: of, cue } : `There is no cue ${cue} in it`;
    case "goto":
      return cue === "" ? "Choose a cue" : has(cue) ? { do: "goto", list: of, cue, ...timed } : `There is no cue ${cue} in it`;
    default:
      return { do: deed, list: of };
  }
}
