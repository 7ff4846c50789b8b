import { type ComponentType, lazy } from "react";

/** Loads a part of the window when it is first wanted, or shortly after the first paint, whichever comes first. */
function later<P>(load: () => Promise<ComponentType<P>>) {
  const loading = (): Promise<{ default: ComponentType<P> }> => load().then((part) => ({ default: part }));
  waiting.push(loading);
  return lazy(loading);
}

const waiting: (() => Promise<unknown>)[] = [];

export const RecordSheet = later(async () => (await import("../hand/RecordSheet.tsx")).RecordSheet);
export const UpdateSheet = later(async () => (await import("../hand/UpdateSheet.tsx")).UpdateSheet);
export const KeysDialog = later(async () => (await import("./KeysDialog.tsx")).KeysDialog);
export const GivePanel = later(async () => (await import("../give/GivePanel.tsx")).GivePanel);

/** Fetches what was left for later, so that the first key press finds it there. */
export function fetchTheRest(): void {
  for (const load of waiting) void load();
}
