/**
 * One thing that can be typed: how, what it does, and what else people call it.
 * Every example is read by a test against the demo.
 */
export interface LineHelp {
  /** Examples that read as they stand, given a show that has what they name. */
  readonly typed: readonly string[];
  readonly does: string;
  /** Words that people look for it by. */
  readonly found?: string;
}
/**
 * What can be typed about one subject, in the order in which a newcomer needs it.
 * Shown as one section of the help and of `docs/line.md`.
 */
export interface LineChapter {
  readonly about: string;
  readonly entries: readonly LineHelp[];
}

/** One entry of the help, with the words that it is also looked for by. */
export const entry = (typed: readonly string[], does: string, found = ""): LineHelp => ({ typed, does, ...(found ? { found } : {}) });
