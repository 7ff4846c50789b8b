import { dateWords } from "../shared/moments.ts";
import { useVirtualizer } from "@tanstack/react-virtual";
import { findRow, isCueNumber, numbersPaper, paperCsv, paperPages } from "@zm/core";
import { useDeferredValue, useMemo, useRef } from "react";
import { choosePoint } from "../show/past/past.ts";
import { PreviewWork } from "../preview/preview.ts";
import { ActionButton } from "../shared/ActionButton.tsx";
import { Modal } from "../shared/Modal.tsx";
import { notify } from "../shared/notices.ts";
import { saveFile } from "../shared/saveFile.ts";
import { sentence } from "../shared/words.ts";
import { useList, useMakeEdits, useShow } from "../show/useShow.ts";
import { type NumbersDraft, beginNumbers, numbersEdit, tableOf, useNumbersDraft } from "./numbersDraft.ts";

const ROW = 28;

/** The numbers of some cues as a table, old and new: in steps or one by one, printed before they are made. */
export function NumbersDialog({ cues, onClose }: { cues: { from: string; to: string }; onClose: () => void }) {
  const { id, sheet, revision } = useShow();
  const list = useList();
  const makeEdits = useMakeEdits();
  const kept = useNumbersDraft(({ draft }) => draft);
  const fresh = useMemo(() => beginNumbers(list, cues), [list, cues]);
  const isKept = kept !== null && kept.list === list.id && kept.from === cues.from && kept.to === cues.to;
  const draft = isKept ? kept : fresh;
  const change = (fields: Partial<NumbersDraft>): void => useNumbersDraft.setState({ draft: { ...draft, ...fields } });
  const table = useMemo(() => tableOf(list, draft), [list, draft]);
  const edit = useMemo(() => numbersEdit(list, draft), [list, draft]);
  const considered = useDeferredValue(edit);
  const report = useMemo(() => {
    if (!considered || "fault" in considered) return considered;
    return new PreviewWork(sheet, { edits: [considered], list: list.id, mostLines: 0, window: null }).looks();
  }, [considered, sheet, list.id]);
  const fault = report && "fault" in report ? report.fault : undefined;
  const ready = edit !== null && !("fault" in edit) && fault === undefined;
  const paper = (): ReturnType<typeof numbersPaper> =>
    numbersPaper(
      table.map((each) => ({ ...each, label: list.cues[findRow(list, each.from)]?.label ?? "" })),
      `${list.list.label || list.id}, as proposed`,
    );
  const name = `${sheet.show.title} cue numbers`;
  const make = async (): Promise<void> => {
    if (!ready) return;
    // What is pressed next is meant for the Score, also while the server takes its time; refused numbers stand in the table when it is opened again.
    onClose();
    if (!(await makeEdits([edit]))) return;
    // Held against the state before, the paper of the numbers is this table for as long as the show is.
    choosePoint(id, revision);
    useNumbersDraft.setState({ draft: null });
    notify("The numbers are changed. Paper keeps the table: Numbers, old and new");
  };
  return (
    <Modal label="Numbers, old and new" onClose={onClose} className="w-[40rem]">
      <form
        className="flex h-[600px] flex-col gap-3 p-6"
        onSubmit={(event) => {
          event.preventDefault();
          void make();
        }}
      >
        <h2 className="text-[17px] font-bold">
          Numbers of cues {cues.from} to {cues.to} in {list.list.label || list.id}
        </h2>
        <div className="flex items-end gap-3">
          <NumberField label="first number" value={draft.start} onChange={(start) => change({ start, own: {} })} />
          <NumberField label="in steps of" value={draft.step} onChange={(step) => change({ step, own: {} })} />
          <p className="flex-1 pb-1 text-quiet">A number written in the table is that cue’s alone.</p>
        </div>
        <NumberRows
          table={table}
          labelOf={(number) => list.cues[findRow(list, number)]?.label ?? ""}
          onWrite={(number, to) => change({ own: { ...draft.own, [number]: to } })}
        />
        <p role={fault === undefined ? "status" : "alert"} className={`min-h-10 ${fault === undefined ? "" : "text-error"}`}>
          {fault ?? (report && "summary" in report ? `${sentence(report.summary)}` : "Every cue keeps its number.")}
        </p>
        <div className="flex items-center gap-2">
          <ActionButton
            className="btn btn-sm border-neutral font-normal"
            disabled={!ready}
            onAct={async () => {
              const { pdfOf } = await import("../shared/pdf.ts");
              const pages = paperPages(paper(), { show: sheet.show.title, made: `made ${dateWords(new Date())}`, large: false });
              saveFile(await pdfOf(pages), `${name}.pdf`);
            }}
          >
            Table as PDF
          </ActionButton>
          <ActionButton
            className="btn btn-sm border-neutral font-normal"
            disabled={!ready}
            onAct={async () => saveFile(new Blob([paperCsv(paper())], { type: "text/csv" }), `${name}.csv`)}
          >
            Table as CSV
          </ActionButton>
          <span className="flex-1" />
          <button type="button" className="btn btn-sm btn-outline border-neutral" onClick={onClose}>
            Not now
          </button>
          <ActionButton className="btn btn-sm btn-primary" disabled={!ready} onAct={make}>
            Give these numbers
          </ActionButton>
        </div>
      </form>
    </Modal>
  );
}

function NumberField({ label, value, onChange }: { label: string; value: string; onChange: (text: string) => void }) {
  return (
    <label className="w-28 text-[13px] text-quiet">
      {label}
      <input
        className="input input-sm figures mt-0.5 w-full bg-base-100"
        value={value}
        aria-invalid={!isCueNumber(value)}
        onChange={(event) => onChange(event.target.value.trim())}
        onFocus={(event) => event.target.select()}
      />
    </label>
  );
}

interface NumberRowsProps {
  readonly table: readonly { readonly from: string; readonly to: string }[];
  readonly labelOf: (number: string) => string;
  readonly onWrite: (number: string, to: string) => void;
}

/** The cues with both numbers; of hundreds those in sight are there. Enter and the arrows go to the next. */
function NumberRows({ table, labelOf, onWrite }: NumberRowsProps) {
  const scroller = useRef<HTMLDivElement>(null);
  const rows = useVirtualizer({
    count: table.length,
    getScrollElement: () => scroller.current,
    estimateSize: () => ROW,
    overscan: 8,
  });
  const go = (event: React.KeyboardEvent, index: number): void => {
    const by = event.key === "ArrowDown" || event.key === "Enter" ? 1 : event.key === "ArrowUp" ? -1 : 0;
    if (by === 0) return;
    event.preventDefault();
    const next = index + by;
    if (next < 0 || next >= table.length) return;
    // The next row is there already, out of sight at most: waiting for a frame would leave the next keys in this one.
    scroller.current?.querySelector<HTMLInputElement>(`[data-index="${next}"] input`)?.focus({ preventScroll: true });
    rows.scrollToIndex(next);
  };
  return (
    <div
      ref={scroller}
      role="table"
      aria-label="Old and new numbers"
      aria-rowcount={table.length + 1}
      className="min-h-0 flex-1 overflow-y-auto rounded border border-rule"
    >
      <div
        role="row"
        className="sticky top-0 z-10 flex h-8 items-center gap-4 border-b border-rule bg-base-200 px-3 text-[13px] text-quiet"
      >
        <span role="columnheader" className="w-14 text-right">
          old
        </span>
        <span role="columnheader" className="w-24 pl-2">
          new
        </span>
        <span role="columnheader">label</span>
      </div>
      <div role="presentation" className="relative" style={{ height: rows.getTotalSize() }}>
        {rows.getVirtualItems().map(({ index, start }) => {
          const row = table[index];
          if (!row) return null;
          const { from, to } = row;
          return (
            <div
              key={from}
              role="row"
              aria-rowindex={index + 2}
              data-index={index}
              className="absolute inset-x-0 flex h-7 items-center gap-4 px-3"
              style={{ top: start }}
            >
              <span role="cell" className="figures w-14 text-right">
                {from}
              </span>
              <span role="cell" className="w-24">
                <input
                  aria-label={`New number of cue ${from}`}
                  aria-invalid={!isCueNumber(to)}
                  className={`figures h-7 w-full rounded border border-transparent bg-transparent px-2 hover:border-rule focus:border-secondary aria-invalid:border-error ${from === to ? "text-quiet" : "font-bold"}`}
                  value={to}
                  onChange={(event) => onWrite(from, event.target.value.trim())}
                  onFocus={(event) => event.target.select()}
                  onKeyDown={(event) => go(event, index)}
                />
              </span>
              <span role="cell" className="min-w-0 flex-1 truncate">
                {labelOf(from)}
              </span>
            </div>
          );
        })}
      </div>
    </div>
  );
}
