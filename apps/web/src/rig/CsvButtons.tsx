import { ShowError, count, readRigCsv, writeRigCsv } from "@zm/core";
import { Download, Upload } from "lucide-react";
import { useRef } from "react";
import { considerEdits } from "../choice/draft.ts";
import { notify } from "../shared/notices.ts";
import { saveFile } from "../shared/saveFile.ts";
import { useShow } from "../show/useShow.ts";
import { FileField } from "../shared/FileField.tsx";

/** The rig as a table for a spreadsheet, out and in. What comes in is shown as a draft first. */
export function CsvButtons() {
  const { sheet } = useShow();
  const file = useRef<HTMLInputElement>(null);
  const save = (): void => saveFile(new Blob([writeRigCsv(sheet.show)], { type: "text/csv" }), `${sheet.show.title} rig.csv`);
  const bring = async (chosen: File): Promise<void> => {
    try {
      const edits = readRigCsv(await chosen.text(), sheet.show);
      if (edits.length === 0) return notify(`${chosen.name} says what the rig already is; nothing to change`);
      considerEdits("rig", edits);
      notify(`${chosen.name}: ${count(edits.length, "light")} new or different. Make it or drop it at the right`);
    } catch (error) {
      if (!(error instanceof ShowError)) throw error;
      const more = error.faults.length > 6 ? `\nand ${error.faults.length - 6} more` : "";
      notify(`${chosen.name} was not read; nothing has changed.\n${error.faults.slice(0, 6).join("\n")}${more}`, "trouble");
    }
  };
  return (
    <>
      <button type="button" className="btn btn-ghost btn-xs gap-1 font-normal" onClick={save}>
        <Download size={13} /> Table out (CSV)
      </button>
      <button type="button" className="btn btn-ghost btn-xs gap-1 font-normal" onClick={() => file.current?.click()}>
        <Upload size={13} /> Table in …
      </button>
      <FileField ref={file} accept=".csv,text/csv" label="Rig table" onFile={bring} />
    </>
  );
}
