// The play as text: plain, as people type and paste it, and Fountain, an open plain-text format for scripts. Both are read into lines whose parts are told apart: who speaks, what is
// only done, and headings.
import { Fountain } from "fountain-js";
import type { ScriptLine } from "../show/schema.ts";

/** The text formats of a play. */
export const SCRIPT_FORMATS = ["plain", "fountain"] as const;
/** The name of a text format of a play. */
export type ScriptFormat = (typeof SCRIPT_FORMATS)[number];

/**
 * One line as it stands in a text: its words, who says them, whether it is a heading, and the page where the text tells pages.
 * Without a speaker it is a direction. Ids and lengths are not in a text.
 */
export type TextLine = Pick<ScriptLine, "who" | "text" | "heading" | "page">;

/** ADA: or Ada Tarrow: at the head of a line. */
const SPEAKER = /^(\p{Lu}[\p{L}\p{N} .'’&-]{0,39}):\s*(.*)$/u;
/** A name in capitals on a line of its own. */
const NAME_ALONE = /^\p{Lu}[\p{Lu}\p{N} .'’&-]{1,38}$/u;
const HEADING = /^(#+\s*(?<marked>.+)|(?<said>(act|scene|prologue|epilogue|interval)\b.{0,60}))$/iu;
const PAGE = /^page\s+(\d+)$/i;

/**
 * The format that a text is most likely in: Fountain where it has a scene heading or a title page as that format writes them, else plain.
 * A guess; both readers take any text.
 */
export function guessScriptFormat(text: string): ScriptFormat {
  return /^(INT|EXT|EST|I\/E)[. /]/m.test(text) || /^Title:\s*\S/m.test(text) || /^@\S/m.test(text) ? "fountain" : "plain";
}

/**
 * Reads a play from text. `ADA: words`, or a name in capitals over its words, is speech; `# Scene 3`, `Act one` are headings; all else is a direction; `page 12` begins a
 * page. Lines that follow without an empty line belong together. Never fails: a text without any speaker is all directions.
 */
export function readScriptText(text: string, format: ScriptFormat): TextLine[] {
  return format === "fountain" ? readFountain(text) : readPlain(text);
}

/** Reads plain text, paragraph by paragraph. */
function readPlain(text: string): TextLine[] {
  const lines: TextLine[] = [];
  let page: number | undefined;
  let open: TextLine | undefined;
  let who: string | undefined;
  const begin = (line: TextLine): void => {
    open = { ...line, ...(page === undefined ? {} : { page }) };
    lines.push(open);
  };
  for (const raw of text.replace(/\r\n?/g, "\n").split("\n")) {
    const written = raw.replace(/\s+/g, " ").trim();
    const [, number] = PAGE.exec(written) ?? [];
    const heading = HEADING.exec(written)?.groups;
    const [, speaker, spoken] = SPEAKER.exec(written) ?? [];
    if (written === "") [open, who] = [undefined, undefined];
    else if (number !== undefined) page = Number(number);
    else if (heading) begin({ heading: true, text: heading["marked"] ?? heading["said"] ?? "" });
    else if (speaker !== undefined) {
      if (spoken) begin({ who: speaker, text: spoken });
      [who, open] = spoken ? [undefined, open] : [speaker, undefined];
    } else if (!open && who === undefined && NAME_ALONE.test(written)) who = written;
    else if (open && !open.heading && !isClosed(open) && !written.startsWith("(")) open.text += ` ${written}`;
    else begin(who !== undefined && !written.startsWith("(") ? { who, text: written } : { text: written });
  }
  return lines;
}

/** True for a direction whose bracket is closed: what follows it is another line. */
function isClosed({ text }: TextLine): boolean {
  return text.startsWith("(") && text.endsWith(")");
}

/** Reads Fountain. Notes, synopses and the title page are no part of what is spoken. */
function readFountain(text: string): TextLine[] {
  const lines: TextLine[] = [];
  let who: string | undefined;
  let page: number | undefined;
  for (const token of new Fountain().parse(text, true).tokens) {
    const words = plainWords(token.text ?? "");
    const place = page === undefined ? {} : { page };
    if (token.type === "character") who = words.replace(/\s*\([^)]*\)|\s*\^$/g, "");
    else if (token.type === "page_break") page = (page ?? 1) + 1;
    else if (token.type === "note" && PAGE.test(words)) page = Number(PAGE.exec(words)?.[1]);
    else if (words === "" || token.is_title || ["note", "synopsis", "boneyard_begin", "boneyard_end"].includes(token.type)) continue;
    else if (token.type === "section" || token.type === "scene_heading") lines.push({ heading: true, text: words, ...place });
    else if (token.type === "dialogue" && who !== undefined) lines.push({ who, text: words, ...place });
    else lines.push({ text: words, ...place });
  }
  return lines;
}

/** Text without the marks of emphasis and notes, on one line. */
function plainWords(text: string): string {
  return text
    .replace(/\[\[[^\]]*\]\]/g, "")
    .replace(/[*_]{1,3}(\S(?:.*?\S)?)[*_]{1,3}/g, "$1")
    .replace(/^[>~]\s*|\s*<$/g, "")
    .replace(/\s+/g, " ")
    .trim();
}

/**
 * Lines of the play as plain text that `readScriptText` reads into the same lines: for an editor. Pages are told where they begin.
 * Silence, lengths and paces of lines are not in it: those stay with the lines.
 */
export function writeScriptText(lines: readonly ScriptLine[]): string {
  return lines.map((line) => `${written(line)}\n`).join("\n");
}

/** One line as it is typed. */
function written({ who, heading, text }: ScriptLine): string {
  if (heading) return `# ${text}`;
  return who === undefined ? text : `${who}: ${text}`;
}
