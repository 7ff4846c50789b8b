import { useEffect } from "react";
import { useHotkeys } from "react-hotkeys-hook";
import { chooseNothing, useChoice } from "../choice/choice.ts";
import { useHandChange } from "../hand/useHandChange.ts";
import { useRecording } from "../hand/useRecording.ts";
import { watchGestures } from "../show/gesture.ts";
import { useHistory } from "../show/useShow.ts";
import { openHelp, openSearch, typeAhead } from "../shared/dialogs.ts";

/** The keys that hold in every view. Inside a field only those with ctrl do. Escape lets go of the choice first, and where the view is live then of the values in hand. */
export function useFrameKeys(live: boolean): void {
  const history = useHistory();
  const { recordNext } = useRecording();
  const { drop } = useHandChange();
  useEffect(watchGestures, []);
  useHotkeys("mod+z", () => void history("undo"), { preventDefault: true });
  useHotkeys("mod+shift+z, mod+y", () => void history("redo"), { preventDefault: true });
  useHotkeys("mod+f", () => openSearch(), { preventDefault: true, enableOnFormTags: true });
  // By the character, not the place of the key: "/" and "?" stand elsewhere on other keyboards.
  useEffect(() => {
    const letGo = (): void => {
      const { drawer, channels } = useChoice.getState();
      if (drawer) useChoice.setState({ drawer: null });
      else if (channels.length > 0) chooseNothing();
      else if (live) drop();
    };
    const typed = (event: KeyboardEvent): void => {
      if (
        event.defaultPrevented ||
        isField(event.target) ||
        document.querySelector("dialog[open]") ||
        event.ctrlKey ||
        event.metaKey ||
        event.altKey
      )
        return;
      if (typeAhead(event.key)) return event.preventDefault();
      if (event.key === "/") document.getElementById("line-entry")?.focus();
      else if (event.key === "?") openHelp();
      else if (isInSheet(event.target)) return;
      else if (event.key === "r") useChoice.setState({ drawer: "record" });
      else if (event.key === "u") useChoice.setState({ drawer: "update" });
      else if (event.key === "n") {
        if (!event.repeat) void recordNext();
      } else if (event.key === "Escape") letGo();
      else return;
      event.preventDefault();
    };
    document.addEventListener("keydown", typed);
    return () => document.removeEventListener("keydown", typed);
  }, [live, recordNext, drop]);
}

/** A sheet that is being filled in keeps single letters to itself. */
function isInSheet(target: EventTarget | null): boolean {
  return target instanceof Element && target.closest('[role="dialog"]') !== null;
}

/** A field that letters are typed into; a slider or a tick box is none. */
function isField(target: EventTarget | null): boolean {
  if (target instanceof HTMLInputElement) return !["range", "checkbox", "radio", "button"].includes(target.type);
  return target instanceof HTMLSelectElement || target instanceof HTMLTextAreaElement;
}
