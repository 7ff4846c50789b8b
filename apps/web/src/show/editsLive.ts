import type { EditInput } from "@zm/core";
import { create } from "zustand";
import { cueOnStage, useLive } from "./liveStore.ts";

/** Whether edits of the cue on stage are seen there at once, and in how many seconds; this window's own switch. */
export const useEditsLive = create<{ readonly on: boolean; readonly time: number }>(() => ({ on: false, time: 1 }));

/** The edits that can change what a cue shows, and leave it where it stands. */
const SEEN: ReadonlySet<EditInput["op"]> = new Set([
  "change",
  "record",
  "recast",
  "swapPalette",
  "setWave",
  "setPalette",
  "block",
  "unblock",
]);

/** The list whose cue on stage some edits may change, and that cue; undefined where the switch is off, nothing of it is on stage, or the edits are of another kind. */
export function seenAtOnce(edits: readonly EditInput[], main: string): { readonly list: string; readonly onStage: string } | undefined {
  if (!useEditsLive.getState().on || !edits.every(({ op }) => SEEN.has(op))) return undefined;
  const lists = edits.flatMap((edit) => ("list" in edit && typeof edit.list === "string" ? [edit.list] : []));
  const list = lists[0] ?? main;
  const onStage = cueOnStage(useLive.getState().run, list);
  return onStage === null ? undefined : { list, onStage };
}
