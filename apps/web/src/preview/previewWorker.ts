import type { Finding, Step } from "@zm/core";
import { wrap } from "comlink";
import { nextFrame } from "../shared/nextFrame.ts";
import type { Ghosts, PreviewReport, PreviewRequest } from "./preview.ts";
import type { Previews } from "./previewThread.ts";

/** The thread as the window speaks to it. */
export type PreviewThread = {
  readonly [Name in keyof Previews]: (...asked: Parameters<Previews[Name]>) => Promise<Awaited<ReturnType<Previews[Name]>>>;
} & { readonly end: () => void };

function startThread(): PreviewThread {
  const worker = new Worker(new URL("./previewThread.ts", import.meta.url), { type: "module" });
  const { open, take, looks, ghosts, whole, check } = wrap<Previews>(worker);
  return { open, take, looks, ghosts, whole, check, end: () => worker.terminate() };
}

/** The thread that computes previews for one show, as the window drives it. It is behind until it has read the show; then it is kept in step. */
export class PreviewWorker {
  /** The revision that the thread has, or will have when it has done what it was given; -1 before it has read the show. */
  private revision = -1;
  /** The newest revision that the window knows of. */
  private newest = -1;
  private reading: Promise<void> | undefined;
  private requests = 0;

  constructor(
    private readonly show: number,
    private readonly thread: PreviewThread = startThread(),
  ) {
    this.read();
  }

  /** True where the thread has the show as it is at a revision. */
  has(revision: number): boolean {
    return this.revision === revision && this.reading === undefined;
  }

  /** Takes an edit that the window has taken. A thread that has missed one reads the show again. */
  take(revision: number, steps: readonly Step[]): void {
    this.newest = revision;
    if (this.reading || revision <= this.revision) return;
    if (revision !== this.revision + 1) return this.read();
    this.revision = revision;
    void this.thread.take(this.show, revision, steps).then((has) => {
      if (has < revision) this.read();
    });
  }

  /** Asks what edits do to the looks, in words; null where the thread does not have that revision after all. */
  looks(revision: number, request: PreviewRequest): Promise<PreviewReport | null> {
    this.requests += 1;
    return this.thread.looks(this.requests, this.show, revision, request);
  }

  /** The cells in view that the edits touch which were asked about last; null where others have been asked about since. */
  ghosts(): Promise<Ghosts | null> {
    return this.thread.ghosts(this.requests);
  }

  /** All that the edits do which were asked about last, once their looks are on the screen; null where others have been asked about since. */
  async whole(): Promise<PreviewReport | null> {
    const of = this.requests;
    // What is there already comes on the screen first: the rest is no help to anybody who waits for it.
    await nextFrame();
    return of === this.requests ? this.thread.whole(of) : null;
  }

  /** All that is wrong or hardly meant in the show at a revision; null where the thread does not have it, or has gone on to another. */
  async check(revision: number): Promise<readonly Finding[] | null> {
    return this.has(revision) ? this.thread.check(this.show, revision) : null;
  }

  end(): void {
    this.thread.end();
  }

  private read(): void {
    this.reading ??= this.thread
      .open(this.show)
      .then((revision) => {
        this.revision = revision;
      })
      // The window computes previews itself for as long as the thread cannot read the show.
      .catch(() => undefined)
      .finally(() => {
        this.reading = undefined;
        // An edit that came meanwhile is not in what was read.
        if (this.revision >= 0 && this.revision < this.newest) this.read();
      });
  }
}
