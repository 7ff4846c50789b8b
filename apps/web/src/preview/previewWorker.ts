import type { Step } from "@zm/core";
import { type Remote, wrap } from "comlink";
import { type Preview, type PreviewRequest, type PreviewResult, withGhosts } from "./preview.ts";
import type { Previews } from "./previewThread.ts";

/** The thread that works previews out for one show, as the window drives it. It is behind until it has read the show; then it is kept in step. */
export class PreviewWorker {
  private readonly worker = new Worker(new URL("./previewThread.ts", import.meta.url), { type: "module" });
  private readonly thread: Remote<Previews> = wrap<Previews>(this.worker);
  /** The revision that the thread has, or will have when it has done what it was given; -1 before it has read the show. */
  private revision = -1;
  /** The newest revision that the window knows of. */
  private newest = -1;
  private reading: Promise<void> | undefined;
  private requests = 0;

  constructor(private readonly show: number) {
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

  /** Asks what edits do to the looks; null where the thread does not have that revision after all. */
  looks(revision: number, request: PreviewRequest): Promise<PreviewResult | null> {
    this.requests += 1;
    return this.thread.looks(this.requests, this.show, revision, request);
  }

  /** All that the edits do that were asked about last, once their looks are on the screen; null where others have been asked about since. */
  async whole(looks: Preview): Promise<PreviewResult | null> {
    const of = this.requests;
    // What is there already comes on the screen first: the rest is no help to anybody who waits for it.
    await nextFrame();
    if (of !== this.requests) return null;
    const whole = await this.thread.whole(of);
    return whole && withGhosts(whole, looks.ghosts);
  }

  end(): void {
    this.worker.terminate();
  }

  private read(): void {
    this.reading ??= this.thread
      .open(this.show)
      .then((revision) => {
        this.revision = revision;
      })
      // The window works previews out itself for as long as the thread cannot read the show.
      .catch(() => undefined)
      .finally(() => {
        this.reading = undefined;
        // An edit that came meanwhile is not in what was read.
        if (this.revision >= 0 && this.revision < this.newest) this.read();
      });
  }
}

/** Waits until the page has been painted once more; a page that nobody sees is not painted, and goes on after a moment. */
function nextFrame(): Promise<void> {
  return new Promise((resolve) => {
    const late = setTimeout(resolve, 100);
    requestAnimationFrame(() => {
      clearTimeout(late);
      setTimeout(resolve, 0);
    });
  });
}
