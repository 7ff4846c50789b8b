import { PAPER_FONT, type PaperPages } from "@zm/core";
import bold from "@fontsource/atkinson-hyperlegible-next/files/atkinson-hyperlegible-next-latin-700-normal.woff?url";
import normal from "@fontsource/atkinson-hyperlegible-next/files/atkinson-hyperlegible-next-latin-400-normal.woff?url";
import pdfMake from "pdfmake/build/pdfmake.js";

const at = (path: string): string => new URL(path, window.location.href).href;

pdfMake.addFonts({ [PAPER_FONT]: { normal: at(normal), bold: at(bold), italics: at(normal), bolditalics: at(bold) } });
// The type comes with the application, and nothing else is fetched.
pdfMake.setUrlAccessPolicy((url: string) => url === at(normal) || url === at(bold));

/** The pages of a paper as a PDF document, made in this window. */
export function pdfOf(pages: PaperPages): Promise<Blob> {
  return pdfMake.createPdf({ ...pages, content: [...pages.content] }).getBlob();
}
