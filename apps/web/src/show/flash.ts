import type { Step } from "@zm/core";
import { create } from "zustand";

/** So long what somebody else has changed stands out; milliseconds. */
const SHINES = 1600;

/** The cues that somebody else has changed just now, as "list/cue", and whose edit it was. */
export const useFlash = create<{ readonly cues: ReadonlySet<string>; readonly who: string }>(() => ({ cues: new Set(), who: "" }));

let over: ReturnType<typeof setTimeout> | undefined;

/** Has the cues that steps touch stand out once. */
export function flash(steps: readonly Step[], who: string): void {
  const cues = new Set(steps.flatMap((step) => ("list" in step && "cue" in step ? [`${step.list}/${step.cue}`] : [])));
  if (cues.size === 0) return;
  clearTimeout(over);
  useFlash.setState({ cues, who });
  over = setTimeout(() => useFlash.setState({ cues: new Set() }), SHINES);
}
