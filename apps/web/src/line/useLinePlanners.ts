import { useKeeping } from "../show/hand/useKeeping.ts";
import { useRecording } from "../show/hand/useRecording.ts";
import { useUpdating } from "../show/hand/useUpdating.ts";
import { useHistoryStore } from "../show/historyStore.ts";
import { useList } from "../show/useShow.ts";
import type { LinePlanners, LineTools } from "./requests/kind.ts";

/** What computes the outcome of a line, as the window stands. */
export function useLinePlanners(): LinePlanners & Pick<LineTools, "recording" | "updating" | "keeping"> {
  const list = useList();
  return {
    recording: useRecording(),
    updating: useUpdating(),
    keeping: useKeeping(),
    step: (what) => useHistoryStore.getState()[what]?.words ?? null,
    list: list.id,
  };
}
