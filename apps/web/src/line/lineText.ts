import { create } from "zustand";

/** What stands in the line entry. */
export const useLineText = create<{ text: string }>(() => ({ text: "" }));

/** Puts a line into the line entry and goes there, to be finished and entered. */
export function putLine(text: string): void {
  useLineText.setState({ text });
  const field = document.getElementById("line-entry");
  if (!(field instanceof HTMLInputElement)) return;
  field.focus();
  requestAnimationFrame(() => field.setSelectionRange(text.length, text.length));
}
