import { notify } from "../shared/notices.ts";
import { type LineTarget, putLine, setLineAtOnce, useLineText } from "./lineText.ts";

/** A line that was refused comes back where the line is empty; else it can be taken back into it. */
export function comeBack(line: string, target: LineTarget, why?: string): void {
  if (useLineText.getState().text.trim() === "") {
    comeInto(line, target);
    if (why !== undefined) notify(`Not done: ${line}\n${why}`, "trouble");
    return;
  }
  notify(`Came back: ${line}${why === undefined ? "" : `\n${why}`}`, "trouble", {
    action: { word: "Take it back into the line", run: () => putLine(line, target, true) },
  });
}

/** Puts a line back where somebody may be about to type: it is selected, so that the next line does not run into it. */
function comeInto(line: string, target: LineTarget): void {
  const field = document.activeElement;
  setLineAtOnce(line, target);
  if (field instanceof HTMLInputElement && field.getAttribute("role") === "combobox") field.select();
}
