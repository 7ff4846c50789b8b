/**
 * One line of the text: its keyword in the standard's spelling, the words behind it, and all that stands behind it as it was written.
 * A keyword that the standard does not know is given in capitals as it stands; one of a maker's own begins with `$`.
 */
export interface AsciiRecord {
  readonly line: number;
  readonly keyword: string;
  readonly words: readonly string[];
  readonly rest: string;
}

/** The keywords that begin something of their own, and those that belong to what was begun before. */
export const PRIMARY = ["CLEAR", "CONSOLE", "CUE", "ENDDATA", "GROUP", "IDENT", "MANUFACTURER", "PATCH", "SET", "SUB"] as const;
const SECONDARY = ["CHAN", "DOWN", "FOLLOWON", "LINK", "PART", "TEXT", "UP"] as const;
const KNOWN: readonly string[] = [...PRIMARY, ...SECONDARY];
/** Longer forms that are met in files. */
const LONGER: ReadonlyMap<string, string> = new Map([
  ["CHANNEL", "CHAN"],
  ["CHANNELS", "CHAN"],
  ["SUBMASTER", "SUB"],
]);
/** What stands between two words of data; which of them it is, says nothing. */
const DELIMITERS = /[\s,;<=>@/]+/;
/** Fewer letters than this name no keyword. */
const SHORTEST = 3;

/**
 * The lines of an ASCII text that say something, in their order, up to ENDDATA. A comment is a line whose first sign is `!`; it has the keyword "!".
 * Keywords are read in any case and may be shortened to three letters or more. Lines end in CR, LF or both.
 */
export function recordsOf(text: string): AsciiRecord[] {
  const records: AsciiRecord[] = [];
  for (const [index, raw] of text.split(/\r\n|\r|\n/).entries()) {
    const record = recordOf(raw, index + 1);
    if (!record) continue;
    records.push(record);
    if (record.keyword === "ENDDATA") break;
  }
  return records;
}

function recordOf(raw: string, line: number): AsciiRecord | undefined {
  const trimmed = raw.trim();
  if (trimmed === "") return undefined;
  if (trimmed.startsWith("!")) return { line, keyword: "!", words: [], rest: trimmed.slice(1).trim() };
  const [, typed = "", rest = ""] = /^(\S+)\s*(.*)$/s.exec(trimmed) ?? [];
  const words = rest.split(DELIMITERS).filter((word) => word !== "");
  return { line, keyword: keywordOf(typed.toUpperCase()), words, rest };
}

function keywordOf(typed: string): string {
  if (typed.startsWith("$")) return typed;
  const whole = LONGER.get(typed);
  if (whole !== undefined) return whole;
  if (typed.length < SHORTEST) return typed;
  const meant = KNOWN.filter((known) => known.startsWith(typed));
  return KNOWN.includes(typed) || meant.length !== 1 ? typed : (meant[0] ?? typed);
}
