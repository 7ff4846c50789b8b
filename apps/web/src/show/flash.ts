import { type Step, isCueData } from "@zm/core";
import { create } from "zustand";

/** So long what somebody else has changed stands out; milliseconds. */
const SHINES = 1600;

/** The cues that somebody else has changed just now, as "list/cue". */
export const useFlash = create<{ readonly cues: ReadonlySet<string> }>(() => ({ cues: new Set() }));

let over: ReturnType<typeof setTimeout> | undefined;

/** Has the cues that steps touch stand out once. */
export function flash(steps: readonly Step[]): void {
  const cues = new Set(steps.filter(isCueData).map(({ list, cue }) => `${list}/${cue}`));
  if (cues.size === 0) return;
  clearTimeout(over);
  useFlash.setState({ cues });
  over = setTimeout(() => useFlash.setState({ cues: new Set() }), SHINES);
}
