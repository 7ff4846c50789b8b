import { makeEdits, readEdits, readScriptText, sheetOf } from "@zm/core";
import { saltAndParaffin } from "@zm/demo";
import fc from "fast-check";
import { strToU8, zipSync } from "fflate";
import { readFile, writeFile } from "../../src/index.ts";
import { textOfDocx } from "../../src/play/docx.ts";
import { writeFountain } from "../../src/play/play.ts";
import { textOf } from "../../src/zip/unzip.ts";

const demo = sheetOf(saltAndParaffin());
const lines = demo.show.script?.lines ?? [];

const paragraph = (text: string, before = "", style = ""): string =>
  `<w:p>${style === "" ? "" : `<w:pPr><w:pStyle w:val="${style}"/></w:pPr>`}<w:r>${before}<w:t xml:space="preserve">${text}</w:t></w:r></w:p>`;

/** A document of a word processor with these paragraphs. */
function docx(body: string): Uint8Array {
  return zipSync({ "word/document.xml": strToU8(`<?xml version="1.0"?><w:document xmlns:w="w"><w:body>${body}</w:body></w:document>`) });
}

describe("a play as Fountain", () => {
  test("gives every line of the demo back, with speakers, headings and pages", async () => {
    const text = textOf((await writeFile(demo, "fountain")).bytes);
    const read = readScriptText(text, "fountain");
    expect(read.map(({ who, text: words, heading, page }) => [who, words, heading, page])).toEqual(
      lines.map(({ who, text: words, heading, page }) => [who, words.replace(/\s+/g, " "), heading, page]),
    );
  });

  test("keeps plain words of anybody", () => {
    const word = fc.stringMatching(/^[A-Za-zäé][A-Za-zäé',.?]{0,8}$/);
    const words = fc.array(word, { minLength: 1, maxLength: 8 }).map((all) => all.join(" "));
    const line = fc.record({ who: fc.option(fc.stringMatching(/^[A-Z][a-z]{1,7}$/), { nil: undefined }), text: words });
    fc.assert(
      fc.property(fc.array(line, { minLength: 1, maxLength: 6 }), (spoken) => {
        const text = writeFountain("Play", { lines: spoken.map((each, at) => ({ id: String(at), ...each })) });
        expect(readScriptText(text, "fountain").map(({ who, text: said }) => ({ who, text: said }))).toEqual(spoken);
      }),
      { seed: 28 },
    );
  });

  test("comes into a show in place of its text, and cues stay at their words", async () => {
    const { bytes } = await writeFile(demo, "fountain");
    const changed = textOf(bytes).replace("# ", "# New ");
    const { edits = [] } = await readFile({ name: "play.fountain", bytes: strToU8(changed) }, { sheet: demo, wishes: {} });
    const show = readEdits(edits).reduce((sheet, edit) => makeEdits(sheet, [edit]).sheet, demo).show;
    const calls = (of: typeof show) => of.lists[0]?.cues.map(({ call }) => call);
    expect(show.script?.lines.find(({ heading }) => heading)?.text).toMatch(/^New /);
    expect(calls(show)).toEqual(calls(demo.show));
  });
});

describe("a play from a word processor", () => {
  const body =
    paragraph("Act one", "", "Heading1") +
    paragraph("ADA") +
    paragraph("Then leave the lamp &amp; go.") +
    paragraph("She goes.", "<w:lastRenderedPageBreak/>") +
    `<w:tbl><w:tr><w:tc>${paragraph("TOM: Nothing at all.", '<w:br w:type="page"/><w:lastRenderedPageBreak/>')}</w:tc></w:tr></w:tbl>` +
    "<w:p><w:del><w:r><w:t>Never said.</w:t></w:r></w:del></w:p>";

  test("keeps its headings, speakers and pages, and not what was taken out", async () => {
    const { show, made } = await readFile({ name: "Play.docx", bytes: docx(body) }, { wishes: {} });
    expect(show?.script?.lines).toEqual([
      { id: "1", heading: true, text: "Act one", page: 1 },
      { id: "2", who: "ADA", text: "Then leave the lamp & go.", page: 1 },
      { id: "3", text: "She goes.", page: 2 },
      { id: "4", who: "TOM", text: "Nothing at all.", page: 3 },
    ]);
    expect(made).toEqual(["4 lines of a play, 1 of them headings", "3 pages"]);
  });

  test("has no pages where the document has none", () => {
    expect(textOfDocx(docx(paragraph("One.") + paragraph("Two.")), "a.docx")).toBe("One.\n\nTwo.\n\n");
  });

  test("is refused in words when it is none, or empty", async () => {
    await expect(readFile({ name: "a.docx", bytes: zipSync({ "b.txt": strToU8("b") }) }, { wishes: {} })).rejects.toThrow(
      "a.docx holds no word/document.xml",
    );
    await expect(readFile({ name: "a.docx", bytes: docx("") }, { wishes: {} })).rejects.toThrow("This text is empty");
  });
});
