/** A line that cannot be read: what is wrong, and where in the text. */
export interface LineFault {
  message: string;
  at: number;
  length: number;
}

/** What can stand next in a line: the kind of word, and the rule in which it would stand. */
export interface Possible {
  readonly token: string;
  readonly rule: string;
}
