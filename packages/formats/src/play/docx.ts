import { ShowError } from "@zm/core";
import { type XmlElement, childOf, readXml } from "../xml/xml.ts";
import { textOf, unzipped } from "../zip/unzip.ts";

const DOCUMENT = "word/document.xml";
/** A name in capitals on a line of its own: what comes behind it is what that one says. */
const NAME_ALONE = /^\p{Lu}[\p{Lu}\p{N} .'’&-]{1,38}$/u;

/**
 * The text of a word processor's document (.docx), as `readScriptText` reads a play: a paragraph each, headings marked, and pages told where they begin. Throws
 * ShowError for what is no such document.
 */
export function textOfDocx(bytes: Uint8Array, name: string): string {
  const content = unzipped(bytes, (file) => file === DOCUMENT).get(DOCUMENT);
  if (!content) throw new ShowError(`${name} holds no ${DOCUMENT}; it is no document of a word processor`);
  const body = childOf(readXml(textOf(content), `${name}, ${DOCUMENT}`), "w:body");
  if (!body) throw new ShowError(`${name} holds no text`);
  let page = 1;
  let turned = false;
  const blocks: string[] = [];
  for (const paragraph of paragraphsIn(body)) {
    const { text, breaks } = contentOf(paragraph);
    const heading = isHeading(paragraph);
    if (breaks > 0) {
      page += breaks;
      turned = true;
    }
    if (text === "") continue;
    const told = blocks.length === 0 || turned ? `page ${page}\n\n` : "";
    turned = false;
    blocks.push(`${told}${heading ? `# ${text}` : text}${!heading && NAME_ALONE.test(text) ? "\n" : "\n\n"}`);
  }
  // A document without any page in it has no pages to keep.
  return page === 1 ? blocks.join("").replace(/^page 1\n\n/, "") : blocks.join("");
}

/** The paragraphs of a body, those of tables and boxes among them, in their order. */
function paragraphsIn(element: XmlElement): XmlElement[] {
  return element.children.flatMap((child) => (child.name === "w:p" ? [child] : paragraphsIn(child)));
}

function contentOf(paragraph: XmlElement): { readonly text: string; readonly breaks: number } {
  let text = "";
  let breaks = 0;
  const walk = ({ name, attributes, children, text: own }: XmlElement): void => {
    if (name === "w:t") text += own;
    else if (name === "w:tab") text += " ";
    else if (name === "w:lastRenderedPageBreak" || (name === "w:br" && attributes["w:type"] === "page")) breaks += 1;
    else if (name === "w:br" || name === "w:cr") text += "\n";
    // What was taken out is kept in the file as deleted; it is not part of the text.
    else if (name !== "w:del") for (const child of children) walk(child);
  };
  walk(paragraph);
  // A break that somebody set and the one that was drawn for it are one page.
  const isSame =
    breaks > 1 &&
    paragraph.children.some((run) => run.children.some(({ name, attributes }) => name === "w:br" && attributes["w:type"] === "page"));
  return { text: text.replace(/[ \t]+/g, " ").trim(), breaks: isSame ? breaks - 1 : breaks };
}

function isHeading(paragraph: XmlElement): boolean {
  const style = childOf(childOf(paragraph, "w:pPr"), "w:pStyle")?.attributes["w:val"] ?? "";
  return /^(heading|title)/i.test(style);
}
