import { readSeconds } from "@zm/core";
import { readLevelExactly } from "./figures.ts";
import type { Item, OpenCue } from "./openItem.ts";

/** How our own texts name who made them: lines of a maker's own are understood in those alone. */
export const OUR_MAKER = "Zealous_Mark";

/** A line of our own, and where it stands. */
interface OwnLine {
  readonly words: readonly string[];
  readonly rest: string;
  readonly open: Item | undefined;
  readonly cue: OpenCue | undefined;
  readonly pages: Map<number, string>;
}

/**
 * Lines of our own, which other readers pass over. They say what the standard rounds or cannot say:
 * `$PAGE 2 "Sea"` the label of a list, `$$EXACT 5@33.3` levels between two per cents, `$$LABEL "Dämmerung"` a text beyond ASCII, and
 * `$$FOLLOW 2` the seconds of a follow that counts from the end of its cue.
 * Each gives what is wrong with it in words, or undefined.
 */
export const OWN_LINES: Readonly<Record<string, (line: OwnLine) => string | undefined>> = {
  $PAGE: ({ words, rest, pages }) => {
    const page = Number(words[0]);
    const label = quoted(rest.slice(words[0]?.length ?? 0));
    if (!Number.isInteger(page) || label === undefined) return `$PAGE has a page and its name in quotes, as 2 "Sea"`;
    pages.set(page, label);
    return undefined;
  },
  $$EXACT: ({ words, open }) => {
    if (!open) return "$$EXACT stands under no cue, group or submaster";
    for (let at = 0; at + 1 < words.length; at += 2) {
      const level = readLevelExactly(words[at + 1] ?? "");
      if (level === undefined) return `"${words[at + 1] ?? ""}" is not a level`;
      open.levels.set(Number(words[at]), level);
    }
    return undefined;
  },
  $$LABEL: ({ rest, open }) => {
    const label = quoted(rest);
    if (!open || label === undefined) return `$$LABEL stands under a cue and has a text in quotes`;
    open.text = label;
    return undefined;
  },
  $$FOLLOW: ({ words, cue }) => {
    const seconds = readSeconds(words[0] ?? "");
    if (!cue || seconds === undefined) return "$$FOLLOW stands under a cue and has seconds";
    cue.followOn = seconds;
    cue.fromComplete = true;
    return undefined;
  },
};

/** A text in quotes, as JSON has it with everything beyond ASCII escaped; undefined for what is none. */
function quoted(text: string): string | undefined {
  try {
    const read: unknown = JSON.parse(text.trim());
    return typeof read === "string" ? read : undefined;
  } catch {
    return undefined;
  }
}

/** A text in quotes with nothing in it that is not ASCII; `quoted` reads it back. */
export function asQuoted(text: string): string {
  return JSON.stringify(text).replace(/[\u007f-\uffff]/g, (sign) => `\\u${sign.charCodeAt(0).toString(16).padStart(4, "0")}`);
}
