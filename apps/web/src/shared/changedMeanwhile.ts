import { notify } from "./notices.ts";

/** Tells somebody whose text is about to be stored that another window has changed it since they began. */
export function tellChangedMeanwhile(begun: string, now: string): void {
  if (begun === now) return;
  notify(`While you typed, another window made this "${now}". Yours stands now; Ctrl Z gives that one back`, "trouble");
}
