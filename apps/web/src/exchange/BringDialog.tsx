import { useRef } from "react";
import { FileField } from "../shared/FileField.tsx";
import { openBring } from "../shared/dialogs.ts";
import { Modal } from "../shared/Modal.tsx";
import { ModalHead } from "../shared/ModalHead.tsx";
import { BroughtFiles } from "./BroughtFiles.tsx";
import { ENDINGS, READABLE } from "./formatWords.ts";

/** A file of another program, looked at before anything of it is made: what it makes, what it asks, what does not come along. */
export function BringDialog({ files, show, onClose }: { files: readonly File[]; show: number | null; onClose: () => void }) {
  const field = useRef<HTMLInputElement>(null);
  return (
    <Modal label="Bring in" onClose={onClose} className="w-[62rem]">
      <div className="flex h-[600px] flex-col gap-3 p-6">
        <ModalHead name={files.length === 0 ? "Bring in" : `Bring in ${files.map(({ name }) => name).join(", ")}`} />
        {files.length === 0 ? (
          <NoFiles onChoose={() => field.current?.click()} />
        ) : (
          <BroughtFiles
            key={files.map(({ name, size }) => `${name} ${size}`).join()}
            files={files}
            show={show}
            onOthers={() => field.current?.click()}
            onClose={onClose}
          />
        )}
        <FileField ref={field} accept={ENDINGS} label="Files to bring in" onFiles={openBring} />
      </div>
    </Modal>
  );
}

/** Nothing is chosen yet: how a file gets here, and which there are. */
function NoFiles({ onChoose }: { onChoose: () => void }) {
  return (
    <>
      <p>
        Drop files anywhere on the window, or choose them. They are read first: what they make, and what of them does not come along, is
        seen before anything is made.
      </p>
      <div>
        <button type="button" className="btn btn-primary btn-sm" onClick={onChoose}>
          Choose files …
        </button>
      </div>
      <table className="mt-2">
        <caption className="pb-1 text-left text-[13px] font-bold text-quiet">What is read; a file is known by what is in it</caption>
        <tbody>
          {READABLE.map(({ id, name, endings, about }) => (
            <tr key={id} className="border-t border-rule">
              <th scope="row" className="py-1.5 pr-4 text-left font-normal">
                {name}
              </th>
              <td className="figures pr-4 text-quiet">{endings.join(" ")}</td>
              <td className="text-quiet">{about}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </>
  );
}
