import { CHOSEN_COLUMNS, type FormatName } from "@zm/formats";
import { Download } from "lucide-react";
import { useState } from "react";
import { useOnce } from "../shared/ActionButton.tsx";
import { Modal } from "../shared/Modal.tsx";
import { ModalHead } from "../shared/ModalHead.tsx";
import { SelectField } from "../shared/SelectField.tsx";
import { Toggle } from "../shared/Toggle.tsx";
import { notify, tellTrouble } from "../shared/notices.ts";
import { saveFile } from "../shared/saveFile.ts";
import { useShow } from "../show/useShow.ts";
import { FaultList } from "../shared/FaultList.tsx";
import { WRITTEN } from "./formatWords.ts";
import { RemarkList } from "./RemarkList.tsx";
import { type SendWishes, useSending } from "./useSending.ts";

/** The show as a file for others: the format is chosen, what it cannot say is seen, and the file is saved. */
export function SendDialog({ onClose }: { onClose: () => void }) {
  const { sheet } = useShow();
  const [format, setFormat] = useState<FormatName>(WRITTEN[1] ?? WRITTEN[0] ?? never());
  const [wishes, setWishes] = useState<SendWishes>({
    columns: CHOSEN_COLUMNS,
    list: undefined,
    versions: true,
    runs: true,
    pictures: true,
  });
  const { sent, fault, busy, drawn, begin } = useSending(format.id, wishes);
  const [save, saving] = useOnce(async () => {
    try {
      const file = sent ?? (await begin());
      if (!file) return;
      saveFile(new Blob([file.bytes.slice()]), file.name);
      notify(`${file.name} is saved`);
    } catch (error) {
      tellTrouble(error);
    }
  });
  return (
    <Modal label="Send out" onClose={onClose} className="w-[62rem]">
      <div className="flex h-[600px] flex-col gap-3 p-6">
        <ModalHead name={`Send out ${sheet.show.title}`} />
        <div className="grid min-h-0 flex-1 grid-cols-[17rem_1fr] gap-6">
          <ul aria-label="Formats" className="min-h-0 overflow-y-auto" tabIndex={0}>
            {WRITTEN.map((each) => (
              <li key={each.id}>
                <button
                  type="button"
                  aria-pressed={each.id === format.id}
                  className={`flex h-8 w-full items-center gap-2 rounded px-2 text-left ${each.id === format.id ? "bg-base-300 font-bold" : "hover:bg-base-100"}`}
                  onClick={() => setFormat(each)}
                >
                  <span className="flex-1 truncate">{each.name}</span>
                  <span className="figures text-[13px] font-normal text-quiet">{each.endings[0]}</span>
                </button>
              </li>
            ))}
          </ul>
          <section className="flex min-h-0 flex-col gap-2" aria-label={format.name}>
            <p>{format.about}.</p>
            <SendOptions format={format.id} wishes={wishes} onWish={(wish) => setWishes((before) => ({ ...before, ...wish }))} />
            <h3 className="text-[13px] font-bold text-quiet">What it cannot say</h3>
            {fault ? (
              <div role="alert" className="text-error">
                <FaultList faults={[fault]} />
              </div>
            ) : (
              <RemarkList
                label="What it cannot say"
                remarks={sent?.remarks ?? []}
                more={0}
                nothing={sent ? "Nothing is left out." : format.id === "bundle" ? "Nothing is left out." : "Looking …"}
              />
            )}
          </section>
        </div>
        <div className="flex items-center justify-end gap-2">
          <span role="status" className="figures flex-1 text-quiet">
            {busy ? (drawn ?? "Writing …") : sent ? `${sent.name}, ${sizeWords(sent.bytes.length)}` : ""}
          </span>
          <button type="button" className="btn btn-sm btn-outline border-neutral" onClick={onClose}>
            Not now
          </button>
          <button type="button" className="btn btn-sm btn-primary" disabled={fault !== null} aria-busy={busy || saving} onClick={save}>
            <Download size={15} /> Save the file
          </button>
        </div>
      </div>
    </Modal>
  );
}

function SendOptions({ format, wishes, onWish }: { format: string; wishes: SendWishes; onWish: (wish: Partial<SendWishes>) => void }) {
  const { sheet } = useShow();
  if (format === "bundle")
    return (
      <div className="flex flex-wrap gap-1.5">
        {(["versions", "runs", "pictures"] as const).map((part) => (
          <Toggle key={part} pressed={wishes[part]} onClick={() => onWish({ [part]: !wishes[part] })}>
            {{ versions: "With its named versions", runs: "With logs of runs", pictures: "With pictures of the looks" }[part]}
          </Toggle>
        ))}
      </div>
    );
  if (format !== "cueTable" && format !== "workbook") return null;
  const lists = sheet.show.lists;
  return (
    <div className="flex flex-wrap items-center gap-1.5">
      {format === "cueTable" && lists.length > 1 && (
        <span className="w-44">
          <SelectField
            label="Of which list"
            value={wishes.list ?? lists[0]?.id ?? ""}
            options={lists.map(({ id, label }) => [id, label || id] as const)}
            onTake={(list) => onWish({ list })}
          />
        </span>
      )}
      {format === "workbook" && (
        <Toggle pressed={wishes.runs} onClick={() => onWish({ runs: !wishes.runs })}>
          With logs of runs
        </Toggle>
      )}
      {CHOSEN_COLUMNS.map((column) => (
        <Toggle
          key={column}
          pressed={wishes.columns.includes(column)}
          onClick={() => onWish({ columns: CHOSEN_COLUMNS.filter((each) => (each === column) !== wishes.columns.includes(each)) })}
        >
          {column}
        </Toggle>
      ))}
    </div>
  );
}

function sizeWords(bytes: number): string {
  return bytes < 1_000_000 ? `${Math.max(1, Math.round(bytes / 1000))} kB` : `${(bytes / 1_000_000).toFixed(1)} MB`;
}

function never(): never {
  throw new Error("There is no format that is written");
}
