import { type ComponentType, createElement, lazy, useState } from "react";

const waiting: (() => Promise<unknown>)[] = [];

/**
 * Loads a part of the window when it is first wanted, or shortly after the first paint, whichever comes first. Once loaded it
 * is there in the same moment in which it is asked for, so that what is typed right behind the key that opens it is not lost.
 */
function later<P extends object>(load: () => Promise<ComponentType<P>>): ComponentType<P> {
  let part: ComponentType<P> | undefined;
  const loading = async (): Promise<{ default: ComponentType<P> }> => {
    part = await load();
    return { default: part };
  };
  waiting.push(loading);
  const Awaited: ComponentType<P> = lazy(loading);
  return function Later(props: P) {
    // Held for as long as it stands: to change over once it is loaded would lose what was typed into it.
    const [Part] = useState(() => part ?? Awaited);
    return createElement(Part, props);
  };
}

export const RecordSheet = later(async () => (await import("../hand/RecordSheet.tsx")).RecordSheet);
export const UpdateSheet = later(async () => (await import("../hand/UpdateSheet.tsx")).UpdateSheet);
export const KeysDialog = later(async () => (await import("./KeysDialog.tsx")).KeysDialog);
export const FindDialog = later(async () => (await import("./FindDialog.tsx")).FindDialog);
export const GivePanel = later(async () => (await import("../give/GivePanel.tsx")).GivePanel);

/** Fetches what was left for later, so that the first key press finds it there. */
export function fetchTheRest(): void {
  for (const load of waiting) void load();
}
