import type { Step } from "@zm/core";
import { type Remote, wrap } from "comlink";
import { type PreviewRequest, type PreviewResult, withGhosts } from "./preview.ts";
import type { Previews } from "./previewThread.ts";

/** The thread that works previews out for one show, as the window drives it. It is behind until it has read the show; then it is kept in step. */
export class PreviewWorker {
  private readonly worker = new Worker(new URL("./previewThread.ts", import.meta.url), { type: "module" });
  private readonly thread: Remote<Previews> = wrap<Previews>(this.worker);
  /** The revision that the thread has, or will have when it has done what it was given; -1 before it has read the show. */
  private revision = -1;
  /** The newest revision that the window has deliver of. */
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

  /** Asks for a preview: `deliver` hears of the looks, and then of all; null where the thread does not have that revision after all. */
  async preview(revision: number, request: PreviewRequest, deliver: (result: PreviewResult | null) => boolean): Promise<void> {
    this.requests += 1;
    const of = this.requests;
    const looks = await this.thread.looks(of, this.show, revision, request);
    if (!deliver(looks) || !looks || "fault" in looks) return;
    const whole = await this.thread.whole(of);
    if (whole) deliver(withGhosts(whole, looks.ghosts));
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
