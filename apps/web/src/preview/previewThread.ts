import {
  type EditInput,
  type Finding,
  type ShowSheet,
  type Step,
  checkSheetInSlices,
  listOf,
  newCheckCache,
  sheetOf,
  applySteps,
} from "@zm/core";
import { expose } from "comlink";
import { api } from "../show/api.ts";
import { FIRST_LINES, type Ghosts, type PreviewReport, type PreviewRequest, PreviewWork } from "./preview.ts";

/** The show as this thread has it, kept in step with the window's. */
let open: { id: number; revision: number; sheet: ShowSheet } | undefined;
/** What the check found before, so that it costs what an edit touched. */
let checked = newCheckCache();
let work: { of: number; preview: PreviewWork } | undefined;

/** Works previews out beside the window, over a copy of the show of its own. */
const previews = {
  /** Reads a show from the server; gives its revision. */
  async open(id: number): Promise<number> {
    const { show, revision } = await api.show(id);
    open = { id, revision, sheet: sheetOf(show) };
    checked = newCheckCache();
    warmUp(open.sheet);
    return revision;
  },

  /** Takes an edit that the window has taken; gives the revision that is here afterwards. */
  take(id: number, revision: number, steps: readonly Step[]): number {
    if (open?.id === id && open.revision === revision - 1) open = { id, revision, sheet: applySteps(open.sheet, steps) };
    return open?.revision ?? -1;
  },

  /** What edits do to the looks; null where this thread does not have the show as the window has it. `of` numbers the request. */
  looks(of: number, id: number, revision: number, request: PreviewRequest): PreviewReport | null {
    if (open?.id !== id || open.revision !== revision) return null;
    work = { of, preview: new PreviewWork(open.sheet, request) };
    return work.preview.looks();
  },

  /** The cells in view that the edits of a request touch; null where another request has come since. */
  ghosts(of: number): Ghosts | null {
    return work?.of === of ? work.preview.ghosts() : null;
  },

  /** All that the edits of a request do; null where another request has come since. */
  async whole(of: number): Promise<PreviewReport | null> {
    if (work?.of !== of) return null;
    const { preview } = work;
    const timed = await inSlices(preview.timeCues(), () => work?.of === of);
    return timed ? preview.whole() : null;
  },

  /** Everything that is wrong or hardly meant in the show; null where this thread has it at another revision, and where a preview is asked meanwhile: that comes first. */
  async check(id: number, revision: number): Promise<readonly Finding[] | null> {
    if (open?.id !== id || open.revision !== revision) return null;
    const [shown, asked] = [open, work];
    const found = await inSlices(checkSheetInSlices(shown.sheet, checked), () => open === shown && work === asked);
    return found?.value ?? null;
  },
};

/** Runs a computation that pauses, letting whatever else is asked have its turn between; undefined when it is not wanted any more. */
async function inSlices<T>(steps: Generator<undefined, T>, isWanted: () => boolean): Promise<{ readonly value: T } | undefined> {
  let pause = performance.now() + SLICE;
  for (let step = steps.next(); ; step = steps.next()) {
    if (step.done) return { value: step.value };
    if (performance.now() < pause) continue;
    await new Promise((resolve) => setTimeout(resolve, 0));
    if (!isWanted()) return undefined;
    pause = performance.now() + SLICE;
  }
}

/** How long something is worked at before a newer request gets its turn, milliseconds. */
const SLICE = 4;

/** A wide edit, computed some times before anybody asks: the first answer is then as quick as the later ones. */
function warmUp(sheet: ShowSheet): void {
  const list = listOf(sheet);
  const [from, to] = [list.cues[0]?.number, list.cues[Math.min(200, list.cues.length) - 1]?.number];
  if (from === undefined || to === undefined) return;
  const channels = [...sheet.keys.byChannel.keys()].slice(0, 20);
  for (let round = 1; round <= 24; round += 1) {
    const edit: EditInput = {
      op: "change",
      list: list.id,
      from,
      to,
      keys: { channels, families: ["intensity"] },
      do: { add: round },
      where: "look",
      after: "restore",
    };
    const preview = new PreviewWork(sheet, { edits: [edit], list: list.id, mostLines: FIRST_LINES, window: null });
    preview.looks();
    if (round === 1) preview.whole();
  }
}

export type Previews = typeof previews;
expose(previews);
