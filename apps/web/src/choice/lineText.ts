import { flushSync } from "react-dom";
import { create } from "zustand";
import { focusOn } from "../shared/focusPlaces.ts";
import { chosenCues, useSelection } from "./selection.ts";

/** Where a line lands that names no cue: live in hand, or blind in cues of a list; and the lights that were chosen. */
export interface LineTarget {
  readonly blind: boolean;
  /** The list that is worked on; null for the show's first. */
  readonly list: string | null;
  readonly cues: { readonly from: string; readonly to: string } | null;
  readonly channels: readonly number[];
}

interface LineState {
  readonly text: string;
  /** What was chosen when the line began: it belongs to that, whatever is chosen since. Null while the line is empty. */
  readonly began: LineTarget | null;
  /** True where the view is one that edits blind. */
  readonly blind: boolean;
}

/** True for a view in which a line that names no cue goes to cues; on the Stage and in Run it goes to the Hand. */
export function editsBlind(view: string | undefined): boolean {
  return view !== "stage" && view !== "run";
}

/** What stands in the line entry. */
export const useLineText = create<LineState>(() => ({ text: "", began: null, blind: true }));

/** Where a line that begins now would land. */
export function targetNow(): LineTarget {
  const selection = useSelection.getState();
  return { blind: useLineText.getState().blind, list: selection.list, cues: chosenCues(selection), channels: selection.channels };
}

/** Puts text into the line; a line that begins belongs to what is chosen then, or to the target that is given. */
export function setLine(text: string, target?: LineTarget): void {
  useLineText.setState(({ began }) => ({ text, began: text.trim() === "" ? null : (target ?? began ?? targetNow()) }));
}

/**
 * Puts text into the line, and into its field before this returns. What is selected in the field can be set right behind it:
 * a frame later somebody may have typed on, and the rest of what they type would land in the middle.
 */
export function setLineAtOnce(text: string, target?: LineTarget): void {
  flushSync(() => setLine(text, target));
}

/** Puts a line into the line entry and goes there, to be finished and entered; `whole` selects it, so that what is typed next takes its place. It begins anew, with what is chosen now. */
export function putLine(text: string, target?: LineTarget, whole = false): void {
  setLine("");
  setLineAtOnce(text, target);
  const field = focusOn("line");
  if (field instanceof HTMLInputElement) field.setSelectionRange(whole ? 0 : text.length, text.length);
}

/** Where a line lands, in a word or two: "live", "blind 3", "blind 10 to 20". */
export function targetWords({ blind, cues }: Pick<LineTarget, "blind" | "cues">): string {
  if (!blind) return "live";
  if (!cues) return "blind, no cue";
  return cues.from === cues.to ? `blind ${cues.from}` : `blind ${cues.from} to ${cues.to}`;
}
