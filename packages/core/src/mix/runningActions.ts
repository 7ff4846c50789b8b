import type { Action } from "../show/schema.ts";
import type { Mix } from "./mix.ts";

/**
 * What runs now beside a list, as what a cue would do to bring it about (docs/running.md, Actions): lists in their cues with their rates and masters,
 * looks at their levels. Empty where nothing else runs.
 */
export function runningActions(mix: Mix, own: string): Action[] {
  const lists = [...mix.lists].flatMap(([list, { cue, rate, master }]): Action[] => {
    if (list === own || cue === null) return [];
    return [
      { do: "start", list, cue },
      ...(rate === 1 ? [] : [{ do: "rate" as const, list, rate }]),
      ...(master.to === 100 ? [] : [{ do: "master" as const, list, level: Math.round(master.to) }]),
    ];
  });
  const looks = [...mix.looks].flatMap(([look, { level }]): Action[] =>
    level.to > 0 ? [{ do: "look", look, level: Math.round(level.to) }] : [],
  );
  return [...lists, ...looks];
}
