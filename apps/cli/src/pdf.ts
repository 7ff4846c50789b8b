import { createRequire } from "node:module";
import { PAPER_FONT, type PaperPages } from "@zm/core";
import pdfmake from "pdfmake";
import type { TDocumentDefinitions } from "pdfmake/interfaces.js";

const { resolve } = createRequire(import.meta.url);

/** The file of the paper's type in a weight; it is embedded in what is written. */
function fontFile(weight: 400 | 700): string {
  return resolve(`@fontsource/atkinson-hyperlegible-next/files/atkinson-hyperlegible-next-latin-${weight}-normal.woff`);
}

/** The pages of a paper as a PDF document. Nothing is fetched for it. */
export async function pdfOf(pages: PaperPages): Promise<Uint8Array> {
  const [normal, bold] = [fontFile(400), fontFile(700)];
  pdfmake.setUrlAccessPolicy(() => false);
  pdfmake.setLocalAccessPolicy((path: string) => path === normal || path === bold);
  pdfmake.addFonts({ [PAPER_FONT]: { normal, bold, italics: normal, bolditalics: bold } });
  const definition: TDocumentDefinitions = { ...pages, content: [...pages.content] };
  return pdfmake.createPdf(definition).getBuffer();
}
