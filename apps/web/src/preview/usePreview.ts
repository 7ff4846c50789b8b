import type { EditInput, ShowSheet } from "@zm/core";
import { useEffect } from "react";
import { create } from "zustand";
import { type Draft, useDraft } from "../choice/draft.ts";
import { milestone } from "../shared/milestone.ts";
import { useLastEdit } from "../show/lastEdit.ts";
import { useList, useShow } from "../show/useShow.ts";
import { FIRST_LINES, type Ghosts, type PreviewRequest, type PreviewResult, type ScoreWindow, previewOf, withGhosts } from "./preview.ts";
import { PreviewWorker } from "./previewWorker.ts";

/** What is asked of the edit under consideration beside the edit itself. */
interface PreviewScope {
  readonly window: ScoreWindow | null;
  readonly allLines: boolean;
}
export const usePreviewScope = create<PreviewScope>(() => ({ window: null, allLines: false }));

/** What the edit under consideration would do. */
const usePreviewState = create<{ readonly result: PreviewResult | null }>(() => ({ result: null }));

let worker: { readonly show: number; readonly thread: PreviewWorker } | undefined;

/** Begins to compute previews beside the window for a show that is open; gives what ends it. */
export function startPreviews(show: number): () => void {
  const thread = new PreviewWorker(show);
  worker = { show, thread };
  const following = useLastEdit.subscribe(({ edit }) => {
    if (edit?.show === show) thread.take(edit.revision, edit.steps);
  });
  return () => {
    following();
    thread.end();
    if (worker?.thread !== thread) return;
    worker = undefined;
    // What it was asked last is never answered.
    underWay = null;
    next = null;
  };
}

/** The worker that has a copy of a show; undefined while there is none. */
export function workerOf(show: number): PreviewWorker | undefined {
  return worker?.show === show ? worker.thread : undefined;
}

/** What the edit under consideration would do, or why it cannot be made; null when nothing is considered. While it is computed, the one before stands. */
export function usePreview(): PreviewResult | null {
  const edits = useDraft((choice) => choice.draft?.edits ?? null);
  const result = usePreviewState((state) => state.result);
  return edits ? result : null;
}

interface PreviewJob {
  readonly show: number;
  readonly revision: number;
  readonly sheet: ShowSheet;
  readonly request: PreviewRequest;
}

/** The question that is under way, and the newest one behind it; those between are left out. */
let underWay: PreviewJob | null = null;
let next: PreviewJob | null = null;

/** Works the edit under consideration out whenever it, the show or what is in view changes. Once in the window, in its frame. */
export function useWorkPreviews(): void {
  const { id, revision, sheet } = useShow();
  const list = useList();
  const { window, allLines } = usePreviewScope();
  useEffect(() => {
    const consider = (edits: readonly EditInput[] | null): void => {
      if (!edits) {
        next = null;
        usePreviewState.setState({ result: null });
        if (allLines) usePreviewScope.setState({ allLines: false });
        return;
      }
      const request = { edits, list: list.id, mostLines: allLines ? Number.MAX_SAFE_INTEGER : FIRST_LINES, window };
      ask({ show: id, revision, sheet, request });
    };
    const editsOf = ({ draft }: { draft: Draft | null }): readonly EditInput[] | null => draft?.edits ?? null;
    consider(editsOf(useDraft.getState()));
    // Heard of in the same moment, before the window is painted: the thread works while the page does.
    return useDraft.subscribe((now, before) => {
      if (editsOf(now) !== editsOf(before)) consider(editsOf(now));
    });
  }, [id, revision, sheet, list.id, window, allLines]);
}

function ask(asked: PreviewJob): void {
  if (!worker?.thread.has(asked.revision) || worker.show !== asked.show) return tell(asked, previewOf(asked.sheet, asked.request));
  if (underWay) next = asked;
  else void work(asked, worker.thread);
}

/** Has a question answered: in words at once, then in the cells, and the times behind them; whatever is newer comes first. */
async function work(asked: PreviewJob, thread: PreviewWorker): Promise<void> {
  underWay = asked;
  const looks = await thread.looks(asked.revision, asked.request).catch(() => null);
  if (looks && !next) tell(asked, withGhosts(looks, shownGhosts()));
  const ghosts = looks && !("fault" in looks) && !next ? await thread.ghosts().catch(() => null) : null;
  underWay = null;
  const newer = next;
  next = null;
  if (newer) return ask(newer);
  if (!looks) return tell(asked, previewOf(asked.sheet, asked.request));
  if (!ghosts) return;
  tell(asked, withGhosts(looks, ghosts));
  const whole = await thread.whole().catch(() => null);
  if (whole) tell(asked, withGhosts(whole, ghosts));
}

/** The ghosts that are on the screen: those of the letter before stay until the new ones are there. */
function shownGhosts(): Ghosts {
  const { result } = usePreviewState.getState();
  return result && "ghosts" in result ? result.ghosts : new Map();
}

/** Shows a result, unless what it was asked for is no longer considered. */
function tell({ request }: PreviewJob, result: PreviewResult): void {
  if (useDraft.getState().draft?.edits !== request.edits) return;
  usePreviewState.setState({ result });
  milestone("impact-shown");
}
