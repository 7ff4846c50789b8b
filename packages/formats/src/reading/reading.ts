import type { EditInput, Show, ShowSheet } from "@zm/core";
import type { Remark } from "../report/remark.ts";

/** A file as somebody brought it. */
export interface SourceFile {
  readonly name: string;
  readonly bytes: Uint8Array;
}

/** Answers to the questions of a reading, by their ids. What is not answered has the first answer that is offered. */
export type Wishes = Readonly<Record<string, string>>;

/** Something that a file leaves open, with the answers that it can have; the first is taken where nobody says otherwise. */
export interface ReadingQuestion {
  readonly id: string;
  readonly words: string;
  readonly answers: readonly { readonly id: string; readonly words: string }[];
}

/**
 * What a file was read as. `made` says what it makes, a sentence each; `remarks` what does not come along. `show` is a show made of the file alone; `edits` bring
 * it into the show that was given with it. One of the two may be absent: a table of times makes no show, a document of ours is one.
 */
export interface FileReading {
  readonly made: readonly string[];
  readonly remarks: readonly Remark[];
  readonly questions: readonly ReadingQuestion[];
  readonly show?: Show;
  readonly edits?: readonly EditInput[];
  /** Why there are no edits for the show that is open, where there could have been. */
  readonly refused?: readonly string[];
}

/** What a reading is given beside its file: the show that is open, where one is, and the answers so far. */
export interface ReadingContext {
  readonly sheet?: ShowSheet | undefined;
  readonly wishes: Wishes;
}

/** The answer to a question: the wish, where it is one of the answers, else the first of them. */
export function answerOf(question: ReadingQuestion, wishes: Wishes): string {
  const wish = wishes[question.id];
  return question.answers.find(({ id }) => id === wish)?.id ?? question.answers[0]?.id ?? "";
}
