import { type EditInput, type Script, type ScriptLine, ShowError, count, emptyShow, guessScriptFormat, readScriptText } from "@zm/core";
import type { FileReading, ReadingContext } from "../reading/reading.ts";

/** Reads the text of a play for the door. In a show that has one, cues stay with their words: the edit says which lose their place. */
export function playReading(text: string, title: string, { sheet }: ReadingContext): FileReading {
  const format = guessScriptFormat(text);
  const lines = readScriptText(text, format);
  if (lines.length === 0) throw new ShowError("This text is empty; a play has lines");
  const pages = new Set(lines.flatMap(({ page }) => page ?? [])).size;
  const headings = lines.filter(({ heading }) => heading).length;
  const made = [
    `${count(lines.length, "line")} of a play, ${headings} of them headings`,
    ...(pages > 0 ? [count(pages, "page")] : []),
    ...(sheet?.show.script ? ["The text takes the place of the one that is there; calls stay at their words"] : []),
  ];
  const edits: EditInput[] = [{ op: "setText", text, format }];
  return { made, remarks: [], questions: [], edits, show: withPlay(title, lines) };
}

/** A show with nothing in it but a play. */
function withPlay(title: string, lines: ReturnType<typeof readScriptText>): NonNullable<FileReading["show"]> {
  return { ...emptyShow(title), script: { lines: lines.map((line, at) => ({ id: String(at + 1), ...line })) } };
}

/**
 * The play as Fountain, an open plain-text format: headings as sections, speakers in capitals over their words, directions as action. Pages are notes,
 * which Fountain's readers do not print. `readScriptText` reads back the same lines.
 */
export function writeFountain(title: string, script: Script): string {
  let page: number | undefined;
  const blocks = script.lines.map((line) => {
    const turned = line.page !== undefined && line.page !== page ? [`[[page ${line.page}]]`] : [];
    page = line.page ?? page;
    return [...turned, blockOf(line)].join("\n\n");
  });
  return `Title: ${title}\n\n${blocks.join("\n\n")}\n`;
}

function blockOf({ who, text, heading }: ScriptLine): string {
  if (heading) return `# ${text}`;
  if (who === undefined) return `!${text.replace(/\n+/g, "\n")}`;
  return `@${who}\n${text.replace(/\n{2,}/g, "\n")}`;
}
