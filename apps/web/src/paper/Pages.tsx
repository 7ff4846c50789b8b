import { type PDFDocumentProxy, GlobalWorkerOptions, getDocument } from "pdfjs-dist";
import worker from "pdfjs-dist/build/pdf.worker.min.mjs?url";
import { useEffect, useRef, useState } from "react";
import { tellTrouble } from "../shared/notices.ts";

GlobalWorkerOptions.workerSrc = worker;

/** So wide a page is shown, pixels. */
const WIDTH = 620;

/** The pages of a PDF as they will be printed. */
export function Pages({ pdf }: { pdf: Blob }) {
  const [document, setDocument] = useState<PDFDocumentProxy | null>(null);
  useEffect(() => {
    let over = false;
    let opened: PDFDocumentProxy | undefined;
    const open = async (): Promise<void> => {
      opened = await getDocument({ data: await pdf.arrayBuffer() }).promise;
      if (over) return opened.destroy();
      setDocument(opened);
    };
    void open().catch(tellTrouble);
    return () => {
      over = true;
      void opened?.destroy();
    };
  }, [pdf]);
  if (!document) return null;
  return (
    <ol aria-label="Pages" className="flex flex-col items-center gap-4 py-4">
      {Array.from({ length: document.numPages }, (_, index) => (
        <li key={`${document.fingerprints[0] ?? ""} ${index}`} aria-label={`Page ${index + 1} of ${document.numPages}`}>
          <Page document={document} number={index + 1} />
        </li>
      ))}
    </ol>
  );
}

/** One page; it is drawn when it comes in sight. */
function Page({ document, number }: { document: PDFDocumentProxy; number: number }) {
  const canvas = useRef<HTMLCanvasElement>(null);
  const [near, setNear] = useState(number === 1);
  useEffect(() => {
    if (!canvas.current) return;
    const watcher = new IntersectionObserver(([entry]) => entry?.isIntersecting && setNear(true), { rootMargin: "400px" });
    watcher.observe(canvas.current);
    return () => watcher.disconnect();
  }, []);
  useEffect(() => {
    const element = canvas.current;
    if (!near || !element) return;
    let over = false;
    const draw = async (): Promise<void> => {
      const page = await document.getPage(number);
      if (over) return;
      const sharp = Math.max(1, window.devicePixelRatio);
      const viewport = page.getViewport({ scale: (WIDTH * sharp) / page.getViewport({ scale: 1 }).width });
      element.width = Math.round(viewport.width);
      element.height = Math.round(viewport.height);
      await page.render({ canvas: element, viewport }).promise;
    };
    void draw().catch((error: unknown) => over || tellTrouble(error));
    return () => {
      over = true;
    };
  }, [document, number, near]);
  return (
    <canvas
      ref={canvas}
      role="img"
      aria-label={`Page ${number}`}
      className="block border border-rule bg-white"
      style={{ width: WIDTH, height: WIDTH * Math.SQRT2 }}
    />
  );
}
