import { ShowError } from "./errors.ts";

/** A document nests about ten deep; far more than that is no document, and would exhaust what reads it. */
const DEEPEST = 64;

/**
 * Reads JSON text into plain data. Throws ShowError for text that is not whole JSON, that nests too deep, or in which an object names
 * a field twice: other readers would silently keep one of the two. `what` names the text in the message.
 * The text is parsed by the engine and then walked once more for doubled names, so the cost is linear in its length.
 * The message says where the text stops being JSON.
 */
export function readJson(text: string, what: string): unknown {
  const data = parsed(text, what);
  const fault = faultIn(text);
  if (fault) throw new ShowError(`${what}: ${fault.words}, at line ${lineAt(text, fault.at)}`);
  return data;
}

/** JSON text as plain data. Throws ShowError naming the text when it is not whole. */
function parsed(text: string, what: string): unknown {
  try {
    return JSON.parse(text) as unknown;
  } catch (error) {
    throw new ShowError(`${what}: the text is not whole JSON${placeIn(text, error)}`);
  }
}

/** Where the text stops being JSON, as far as the engine says; it names the character in words of its own. */
function placeIn(text: string, error: unknown): string {
  const [, at] = (error instanceof Error && /position (\d+)/.exec(error.message)) || [];
  return at === undefined ? "" : `, at line ${lineAt(text, Number(at))}`;
}

/** Something that is wrong with the text, and at which character. */
interface Fault {
  readonly at: number;
  readonly words: string;
}

/** Character codes that matter between the strings of JSON. */
const QUOTE = 34;
const BACKSLASH = 92;
const COLON = 58;
const OPEN = { object: 123, array: 91 };
const CLOSE = { object: 125, array: 93 };

/** Walks text that is known to be JSON, string by string and bracket by bracket. */
function faultIn(text: string): Fault | undefined {
  // For each object that is open, the names of its fields so far; null for an array.
  const open: (Set<string> | null)[] = [];
  for (let at = 0; at < text.length; at += 1) {
    const code = text.charCodeAt(at);
    if (code === OPEN.object || code === OPEN.array) {
      open.push(code === OPEN.object ? new Set() : null);
      if (open.length > DEEPEST) return { at, words: `it nests deeper than ${DEEPEST} levels` };
    } else if (code === CLOSE.object || code === CLOSE.array) open.pop();
    else if (code === QUOTE) {
      const end = endOfString(text, at);
      const names = open.at(-1);
      if (names && isName(text, end)) {
        const name = nameOf(text, at, end);
        if (names.has(name)) return { at, words: `the field "${name.slice(0, 60)}" stands twice in one object` };
        names.add(name);
      }
      at = end;
    }
  }
  return undefined;
}

/** The place of the quotation mark that closes the string which opens at `start`. */
function endOfString(text: string, start: number): number {
  let at = text.indexOf('"', start + 1);
  while (at >= 0 && isEscaped(text, at)) at = text.indexOf('"', at + 1);
  return at < 0 ? text.length : at;
}

/** True for a character with an odd number of backslashes before it. */
function isEscaped(text: string, at: number): boolean {
  let slashes = 0;
  while (text.charCodeAt(at - 1 - slashes) === BACKSLASH) slashes += 1;
  return slashes % 2 === 1;
}

/** True when a string that ends here is the name of a field: a colon follows. */
function isName(text: string, end: number): boolean {
  let at = end + 1;
  while (at < text.length && text.charCodeAt(at) <= 32) at += 1;
  return text.charCodeAt(at) === COLON;
}

/** The name of a field, its escapes read, so that two spellings of one name are found. */
function nameOf(text: string, start: number, end: number): string {
  const raw = text.slice(start + 1, end);
  return raw.includes("\\") ? String(JSON.parse(text.slice(start, end + 1))) : raw;
}

/** The line of a place in the text, counted from 1. */
function lineAt(text: string, at: number): number {
  return text.slice(0, at).split("\n").length;
}
