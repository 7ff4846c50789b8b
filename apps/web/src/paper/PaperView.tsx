import { dateWords } from "../shared/moments.ts";
import {
  type Comparison,
  PAPER_KINDS,
  type Paper,
  type PaperKind,
  ShowError,
  type ShowSheet,
  differencesPaper,
  findRow,
  isPaperKind,
  paperCsv,
  paperOf,
  paperPages,
  renumberingPaper,
} from "@zm/core";
import { Suspense, useEffect, useMemo, useState } from "react";
import { create } from "zustand";
import { useShallow } from "zustand/react/shallow";
import { chosenCues, useSelection } from "../choice/selection.ts";
import { usePoints } from "../show/past/past.ts";
import { useStateNames } from "../show/past/useStateNames.ts";
import { useComparison } from "../show/past/useComparison.ts";
import { ActionButton } from "../shared/ActionButton.tsx";
import { lazyPart } from "../shared/lazyPart.ts";
import { tellTrouble } from "../shared/notices.ts";
import { saveFile } from "../shared/saveFile.ts";
import { Toggle } from "../shared/Toggle.tsx";
import { useList, useShow } from "../show/useShow.ts";
import { SpineColumn } from "../spine/SpineColumn.tsx";

const Pages = lazyPart(async () => (await import("./Pages.tsx")).Pages);

/** The papers that hold the show against a state of its past. */
const PAST_KINDS = { differences: "Differences", numbers: "Numbers, old and new" } as const;
type Kind = PaperKind | keyof typeof PAST_KINDS;

/** Which paper is looked at; it outlives a change of view. */
const usePaper = create<{ kind: Kind; large: boolean; chosen: boolean }>(() => ({ kind: "cues", large: false, chosen: false }));

/** What is handed over on paper: chosen, seen as it will be printed, and saved. */
export function PaperView() {
  const { sheet } = useShow();
  const { kind, large, chosen } = usePaper();
  const cues = chosenCues(useSelection(useShallow(({ cue, cueEnd }) => ({ cue, cueEnd }))));
  const paper = useChosenPaper(chosen ? cues : null);
  const pages = useMemo(
    () =>
      paper && !("fault" in paper) ? paperPages(paper, { show: sheet.show.title, made: `made ${dateWords(new Date())}`, large }) : null,
    [paper, sheet.show.title, large],
  );
  const [pdf, setPdf] = useState<Blob | null>(null);
  useEffect(() => {
    if (!pages) return;
    let over = false;
    const make = async (): Promise<void> => {
      const { pdfOf } = await import("../shared/pdf.ts");
      const made = await pdfOf(pages);
      if (!over) setPdf(made);
    };
    void make().catch(tellTrouble);
    return () => {
      over = true;
    };
  }, [pages]);
  const name = `${sheet.show.title} ${paper && !("fault" in paper) ? paper.title.toLowerCase() : "paper"}`;
  const ofCues = isPaperKind(kind) && PAPER_KINDS[kind].ofCues;
  return (
    <div className="flex h-full">
      <SpineColumn />
      <div className="flex min-w-0 flex-1 flex-col">
        <div className="flex shrink-0 flex-wrap items-center gap-x-4 gap-y-1.5 border-b border-rule px-4 py-1.5">
          <KindSwitch />
          <div className="flex items-center gap-1.5">
            <Toggle pressed={large} onClick={() => usePaper.setState({ large: !large })}>
              Large type
            </Toggle>
            <Toggle
              pressed={chosen}
              disabled={!ofCues || cues === null}
              title={cues === null ? "Choose cues in the spine first" : undefined}
              onClick={() => usePaper.setState({ chosen: !chosen })}
            >
              Only the chosen cues
            </Toggle>
          </div>
          <span className="flex-1" />
          <ActionButton
            className="btn btn-sm border-neutral font-normal"
            disabled={!paper || "fault" in paper}
            onAct={async () => {
              if (paper && !("fault" in paper)) saveFile(new Blob([paperCsv(paper)], { type: "text/csv" }), `${name}.csv`);
            }}
          >
            Save as CSV
          </ActionButton>
          <ActionButton
            className="btn btn-primary btn-sm"
            disabled={!pdf}
            onAct={async () => {
              if (pdf) saveFile(pdf, `${name}.pdf`);
            }}
          >
            Save as PDF
          </ActionButton>
        </div>
        <div className="min-h-0 flex-1 overflow-y-auto bg-sheet" tabIndex={0} role="group" aria-label="The pages as they are printed">
          {paper && "fault" in paper ? (
            <p role="alert" className="p-6 text-error">
              {paper.fault}
            </p>
          ) : pdf ? (
            <Suspense fallback={<Laying />}>
              <Pages pdf={pdf} />
            </Suspense>
          ) : (
            <Laying />
          )}
        </div>
      </div>
    </div>
  );
}

function Laying() {
  return (
    <p role="status" className="p-6 text-quiet">
      Laying the pages out …
    </p>
  );
}

function KindSwitch() {
  const { kind } = usePaper();
  const { id } = useShow();
  const nameOf = useStateNames(id);
  const { show, then } = usePoints();
  const past = show === id && then !== null;
  return (
    <div role="group" aria-label="Paper" className="flex flex-wrap gap-1.5">
      {Object.entries(PAPER_KINDS).map(([each, { label }]) => (
        <Toggle key={each} pressed={kind === each} onClick={() => isPaperKind(each) && usePaper.setState({ kind: each })}>
          {label}
        </Toggle>
      ))}
      {(["differences", "numbers"] as const).map((each) => (
        <Toggle
          key={each}
          pressed={kind === each}
          disabled={!past}
          title={past ? `Since ${nameOf(then ?? 0)}` : "Choose a state in History first"}
          onClick={() => usePaper.setState({ kind: each })}
        >
          {PAST_KINDS[each]}
        </Toggle>
      ))}
    </div>
  );
}

/** The paper that is chosen, or why there is none; null while the past is read. */
function useChosenPaper(range: { from: string; to: string } | null): Paper | { fault: string } | null {
  const { id, sheet } = useShow();
  const list = useList();
  const { kind } = usePaper();
  const { show, then } = usePoints();
  const nameOf = useStateNames(id);
  const ofPast = !isPaperKind(kind) && show === id && then !== null;
  const { comparison } = useComparison(list.id, ofPast ? then : null);
  const [from, to] = [range?.from, range?.to];
  return useMemo(() => {
    try {
      if (!isPaperKind(kind)) {
        if (!ofPast) return { fault: "Choose a state in History first; this paper holds the show against it." };
        return comparison && pastPaper(kind, comparison, sheet, `since ${nameOf(then ?? 0)}`);
      }
      return paperOf(sheet, { kind, list: list.id, ...(PAPER_KINDS[kind].ofCues ? { from, to } : {}) });
    } catch (error) {
      if (error instanceof ShowError) return { fault: error.message };
      throw error;
    }
  }, [kind, sheet, list.id, from, to, comparison, ofPast, then, nameOf]);
}

function pastPaper(kind: keyof typeof PAST_KINDS, comparison: Comparison, now: ShowSheet, since: string): Paper {
  if (kind === "differences") return differencesPaper(comparison, since);
  return renumberingPaper(comparison, since, (id, cue) => {
    const own = now.lists.get(id);
    return own?.cues[findRow(own, cue)]?.label ?? "";
  });
}
