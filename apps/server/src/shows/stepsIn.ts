import { type Step, readEdits } from "@zm/core";
import { textWithoutControls } from "./storedText.ts";

/** Control characters as JSON may hold them. */
const HAS_CONTROLS = /\\u00[01]|\\[bf]|[\u007f-\u009f]/;
/** Names that parts of the document had before; texts with one of them are read the long way, which knows them. */
const HAS_OLD_NAMES = /"assert":|"live":true|"policy":"(late|early|live)"/;

/** The steps in a text that was stored here: what was checked when it was made is not checked again. */
export function stepsIn(text: string): Step[] {
  const raw: unknown = HAS_CONTROLS.test(text) ? JSON.parse(text, textWithoutControls) : JSON.parse(text);
  if (!HAS_OLD_NAMES.test(text) && areSteps(raw)) return raw;
  const [edit] = readEdits({ op: "steps", steps: raw });
  return edit?.op === "steps" ? edit.steps : [];
}

function areSteps(raw: unknown): raw is Step[] {
  return Array.isArray(raw) && raw.every((each) => typeof each === "object" && each !== null && "at" in each);
}
