import { create } from "zustand";
import type { HistoryState } from "@zm/protocol";
import { dropNotices } from "../shared/notices.ts";

/** What undo and redo would do next, over show and Hand in the one order of time. */
export const useHistoryStore = create<HistoryState>(() => ({ show: 0, version: -1, undo: null, redo: null }));

/** Takes what the server tells of the history; what is older than what is known is left alone. */
export function receiveHistory({ show, version, undo, redo }: HistoryState): void {
  const known = useHistoryStore.getState();
  if (known.show === show && version < known.version) return;
  if (undo?.id !== known.undo?.id) dropNotices("step");
  useHistoryStore.setState({ show, version, undo, redo });
}

/** Forgets the history of a show that was left. */
export function leaveHistory(): void {
  useHistoryStore.setState({ show: 0, version: -1, undo: null, redo: null });
}
