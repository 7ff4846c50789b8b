import type { Question, Relation, TimeColumn } from "@zm/core";
import { lightSpans } from "../shared/words.ts";

/** What was entered into the questions. What the chosen kind does not ask for stays as it was entered. */
export interface AskEntry {
  readonly about: Question["about"];
  readonly lights: string;
  /** Empty: the level. */
  readonly attribute: string;
  readonly is: Relation;
  readonly value: string;
  readonly column: TimeColumn;
  /** The id of a palette. */
  readonly palette: string;
  /** The id of what is used. */
  readonly used: string;
  /** What is done in the cues that are found, as a line has it behind a colon. */
  readonly then: string;
}

export const NO_QUESTION: AskEntry = {
  about: "value",
  lights: "",
  attribute: "",
  is: ">",
  value: "",
  column: "up",
  palette: "",
  used: "",
  then: "",
};

/** A question as it would have been entered. */
export function entryOf(question: Question | "new", channels: readonly number[]): AskEntry {
  const start = { ...NO_QUESTION, lights: lightSpans(channels) };
  if (question === "new") return start;
  const about = { ...start, about: question.about };
  switch (question.about) {
    case "value": {
      const { attribute, is, value } = question;
      return {
        ...about,
        lights: lightSpans(question.channels),
        attribute: attribute === "intensity" ? "" : attribute,
        is,
        value: String(value),
      };
    }
    case "shows":
      return { ...about, lights: lightSpans(question.channels), palette: question.palette };
    case "time":
      return { ...about, column: question.column, is: question.is, value: String(question.value) };
    case "moves":
      return { ...about, lights: lightSpans(question.channels) };
    case "uses":
      return { ...about, used: question.id };
  }
}

/** The columns of times as a line names them, in the order in which they are offered. */
export const TIME_COLUMNS: readonly (readonly [TimeColumn, string])[] = [
  ["up", "up"],
  ["down", "down"],
  ["upDelay", "up delay"],
  ["downDelay", "down delay"],
  ["position", "position"],
  ["positionDelay", "position delay"],
  ["colour", "colour"],
  ["colourDelay", "colour delay"],
  ["beam", "beam"],
  ["beamDelay", "beam delay"],
];

/** What is asked, as a line has it; empty while it is not whole. */
export function askSentence({ about, lights, attribute, is, value, column, palette, used }: AskEntry): string {
  const of = lights.trim();
  const than = value.trim();
  switch (about) {
    case "value":
      return of === "" || than === "" ? "" : `where ${of}${attribute === "" ? "" : ` ${attribute}`} ${is} ${than}`;
    case "shows":
      return of === "" || palette === "" ? "" : `where ${of} = ${palette}`;
    case "time":
      return than === "" ? "" : `where ${TIME_COLUMNS.find(([each]) => each === column)?.[1] ?? column} ${is} ${than}`;
    case "moves":
      return of === "" ? "" : `where moves ${of}`;
    case "uses":
      return used === "" ? "" : `where uses ${used}`;
  }
}

/** The same with what is done in the cues that are found; empty while nothing is. */
export function thenSentence(entry: AskEntry): string {
  const asked = askSentence(entry);
  return asked === "" || entry.then.trim() === "" ? "" : `${asked}: ${entry.then.trim()}`;
}
