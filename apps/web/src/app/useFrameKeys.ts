import { useEffect } from "react";
import { useMatch } from "react-router";
import { useDraft } from "../choice/draft.ts";
import { chooseNothing, chosenLights } from "../choice/selection.ts";
import { closeDrawer, openDrawer, useSheetView } from "../choice/sheetView.ts";
import { useHandChange } from "../show/hand/useHandChange.ts";
import { useRecording } from "../show/hand/useRecording.ts";
import { dropConsidered } from "../choice/dropConsidered.ts";
import { putLine } from "../choice/lineText.ts";
import { askedNow, useStepFound } from "../ask/asked.ts";
import { modalIsOpen, openAsk, openHelp, openNotes, openSearch, typeAhead } from "../shared/dialogs.ts";
import { focusOn } from "../shared/focusPlaces.ts";
import { useShortcut } from "../shared/useShortcut.ts";
import { toggleShelf } from "../shelf/useShelf.ts";
import { useEverythingOff } from "../show/run/useEverythingOff.ts";
import { useStandby } from "../show/run/useStandby.ts";
import { watchGestures } from "../show/gesture.ts";
import { useHistory } from "../show/useShow.ts";

/** The keys that hold in every view. Escape lets go of the choice first, and where the view is live then of the values in hand. */
export function useFrameKeys(live: boolean): void {
  const history = useHistory();
  const { recordNext } = useRecording();
  const { drop } = useHandChange();
  const { fire } = useStandby();
  const { blackout, allOff } = useEverythingOff();
  const step = useStepFound();
  useEffect(watchGestures, []);
  const beginsLines = useMatch("/show/:id/:view")?.params.view;
  useEffect(() => (beginsLines === "score" || beginsLines === "stage" ? beginLines() : undefined), [beginsLines]);
  useEffect(keepTyping, []);
  useShortcut("undo", () => {
    // What is only considered goes first; it has not been made.
    const { draft } = useDraft.getState();
    if (draft && draft.from !== "book") return dropConsidered(draft);
    void history("undo");
  });
  useShortcut("redo", () => void history("redo"));
  useShortcut("find", () => openSearch());
  useShortcut("help", openHelp);
  useShortcut("line", () => void focusOn("line"));
  useShortcut("record", () => openDrawer("record"));
  useShortcut("update", () => openDrawer("update"));
  useShortcut("shelf", toggleShelf);
  useShortcut("fireSet", (event) => {
    if (!event.repeat) fire();
  });
  useShortcut("blackout", blackout);
  useShortcut("allOff", (event) => void allOff(event));
  useShortcut("ask", () => openAsk(askedNow() ?? "new"));
  useShortcut("notes", openNotes);
  useShortcut("nextFound", (event) => step(event.shiftKey ? -1 : 1));
  useShortcut("recordNext", (event) => {
    if (!event.repeat) void recordNext();
  });
  useShortcut("letGo", () => {
    if (useSheetView.getState().drawer) closeDrawer();
    else if (chosenLights() !== undefined || useDraft.getState().draft) chooseNothing();
    else if (live) drop();
  });
}

/** A digit, @ or # that is typed while no field has the focus begins a line with it. */
function beginLines(): () => void {
  const typed = (event: KeyboardEvent): void => {
    if (event.defaultPrevented || modalIsOpen() || event.ctrlKey || event.metaKey || event.altKey || !/^[0-9@#]$/.test(event.key)) return;
    const { target } = event;
    if (target instanceof Element && target.closest("input, select, textarea, [contenteditable], [role='dialog'], [role='menu']")) return;
    event.preventDefault();
    putLine(event.key);
  };
  document.addEventListener("keydown", typed);
  return () => document.removeEventListener("keydown", typed);
}

/** Keeps what is typed for a dialog that has been asked for and is still being fetched. */
function keepTyping(): () => void {
  const typed = (event: KeyboardEvent): void => {
    if (modalIsOpen() || event.ctrlKey || event.metaKey || event.altKey) return;
    if (!typeAhead(event.key)) return;
    event.preventDefault();
    event.stopPropagation();
  };
  document.addEventListener("keydown", typed, true);
  return () => document.removeEventListener("keydown", typed, true);
}
