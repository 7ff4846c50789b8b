/**
 * A line that cannot be read: what is wrong and what could stand there, and where in the text (from 0, in characters).
 * A length of 0 points behind the last word: the line ends too early.
 */
export interface LineFault {
  message: string;
  at: number;
  length: number;
}

/**
 * What can stand next in a line: the kind of word by its name in `tokens.ts`, and the rule of the grammar in which it would stand.
 * Completion and refusals both speak of these, so they never disagree.
 */
export interface Possible {
  readonly token: string;
  readonly rule: string;
}
