/** Signs beyond ASCII that have a plain way of being written. */
const PLAIN: ReadonlyMap<string, string> = new Map([
  ["–", "-"],
  ["—", "-"],
  ["−", "-"],
  ["“", '"'],
  ["”", '"'],
  ["„", '"'],
  ["‘", "'"],
  ["’", "'"],
  ["…", "..."],
  ["ß", "ss"],
  ["ø", "o"],
  ["Ø", "O"],
  ["æ", "ae"],
  ["Æ", "AE"],
  ["œ", "oe"],
  ["ł", "l"],
]);

/**
 * A text in ASCII, on one line: accents are taken off, other signs become what people would type for them, and what has none becomes "?".
 * A text that is ASCII already stays as it is.
 */
export function inAscii(text: string): string {
  return text
    .replace(/[^\u0020-\u007e]/gu, (sign) => PLAIN.get(sign) ?? sign)
    .normalize("NFKD")
    .replace(/\p{M}/gu, "")
    .replace(/\s+/g, " ")
    .replace(/[^\u0020-\u007e]/gu, "?");
}

const LONGEST_FILE_NAME = 80;

/**
 * A title as a name for a file, in letters, digits and hyphens, so that every machine can store it: at most 80 of them.
 * "show" where nothing of the title is left.
 */
export function fileName(title: string): string {
  const plain = inAscii(title)
    .replace(/[^A-Za-z0-9]+/g, "-")
    .slice(0, LONGEST_FILE_NAME)
    .replace(/^-|-$/g, "");
  return plain || "show";
}
