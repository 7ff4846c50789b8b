import { useEffect } from "react";
import { useHotkeys } from "react-hotkeys-hook";
import { useHistory } from "../show/useShow.ts";

/** The keys that hold in every view. Inside a field only those with ctrl do. */
export function useFrameKeys(showKeys: () => void): void {
  const history = useHistory();
  useHotkeys("mod+z", () => void history("undo"), { preventDefault: true });
  useHotkeys("mod+shift+z, mod+y", () => void history("redo"), { preventDefault: true });
  // By the character, not the place of the key: "/" and "?" stand elsewhere on other keyboards.
  useEffect(() => {
    const typed = (event: KeyboardEvent): void => {
      if (isField(event.target) || event.ctrlKey || event.metaKey || event.altKey) return;
      if (event.key === "/") document.getElementById("line-entry")?.focus();
      else if (event.key === "?") showKeys();
      else return;
      event.preventDefault();
    };
    document.addEventListener("keydown", typed);
    return () => document.removeEventListener("keydown", typed);
  }, [showKeys]);
}

function isField(target: EventTarget | null): boolean {
  return target instanceof HTMLInputElement || target instanceof HTMLSelectElement || target instanceof HTMLTextAreaElement;
}
