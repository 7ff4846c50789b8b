import { useEffect, useState } from "react";
import { useImport } from "../file/useImport.ts";
import { modalIsOpen, openBring } from "../shared/dialogs.ts";
import { notify } from "../shared/notices.ts";

/** Where files are dropped: the whole window. It is seen while files are held over it. */
export function DropPlace() {
  const importDocument = useImport();
  const [held, setHeld] = useState(false);
  useEffect(() => {
    const take = (files: readonly File[]): void => {
      const [first] = files;
      if (first === undefined) return;
      if (files.length > 1 || !isDocument(first)) return openBring(files);
      void importDocument(first).then((faults) => {
        if (faults.length > 0) notify(`${first.name} was not imported.\n${faults.slice(0, 6).join("\n")}`, "trouble");
      });
    };
    return watchDrops(setHeld, take);
  }, [importDocument]);
  if (!held) return null;
  return (
    <div className="pointer-events-none fixed inset-2 z-50 flex items-center justify-center rounded border-2 border-dashed border-primary bg-base-100/85">
      <p role="status" className="text-[17px] font-bold">
        Drop it here; nothing is made before you have seen what it makes
      </p>
    </div>
  );
}

/** True for a document of ours, which is a show of its own and asks nothing. */
function isDocument(file: File): boolean {
  return /\.json$/i.test(file.name);
}

/** Tells while files are held over the window, and hands them over when they are dropped. While a dialog is open nothing is taken. */
function watchDrops(setHeld: (held: boolean) => void, take: (files: readonly File[]) => void): () => void {
  const holdsFiles = (event: DragEvent): boolean => event.dataTransfer?.types.includes("Files") === true && !modalIsOpen();
  const over = (event: DragEvent): void => {
    if (!holdsFiles(event)) return;
    event.preventDefault();
    setHeld(true);
  };
  const leave = (event: DragEvent): void => {
    if (event.relatedTarget === null) setHeld(false);
  };
  const drop = (event: DragEvent): void => {
    setHeld(false);
    if (!holdsFiles(event)) return;
    event.preventDefault();
    take([...(event.dataTransfer?.files ?? [])]);
  };
  window.addEventListener("dragover", over);
  window.addEventListener("dragleave", leave);
  window.addEventListener("drop", drop);
  return () => {
    window.removeEventListener("dragover", over);
    window.removeEventListener("dragleave", leave);
    window.removeEventListener("drop", drop);
  };
}
