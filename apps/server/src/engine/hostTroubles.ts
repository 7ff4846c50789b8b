import type { DamagedFile } from "../shared/soundFile.ts";
import { errorMessage } from "../shared/errorMessage.ts";
import type { Report } from "./orders.ts";

/** What is wrong in the engine, by what went wrong: each is told once for as long as it is, and so is its end. */
export class HostTroubles {
  private readonly said = new Map<string, string>();

  /** What could not be written down, to be tried again when the disk takes something. */
  private readonly failed = new Map<string, { said: string; write: () => Promise<void> }>();

  constructor(private readonly tell: (report: Report) => void) {}

  /** Tells of something that is wrong; null: it is over. */
  set(what: string, words: string | null): void {
    if ((this.said.get(what) ?? null) === words) return;
    if (words === null) this.said.delete(what);
    else this.said.set(what, words);
    this.tell({ trouble: what, words });
    if (words !== null) this.tell({ warning: words });
  }

  /** Tells of files that were damaged and kept aside: what they say, and what stands instead. */
  damaged(what: string, said: string, files: readonly DamagedFile[], instead: string): void {
    for (const { path, why } of files)
      this.set(`damaged ${what}`, `${said} was written in a file that is damaged (${why}); it is kept as ${path}. ${instead}`.trim());
  }

  /** Writes `said` down. A disk that fails is reported for as long as it does, and the show goes on without. */
  async kept(what: string, said: string, write: () => Promise<void>): Promise<void> {
    try {
      await write();
      this.failed.delete(what);
      this.set(what, null);
    } catch (error) {
      this.failed.set(what, { said, write });
      this.set(what, `${said} cannot be written down: ${diskWords(error)}. All runs on; after a crash it would not be known.`);
      return;
    }
    // Where the disk takes one thing again, it is offered what it did not take before.
    const [again] = this.failed;
    if (!again) return;
    const [other, { said: saidOf, write: writeOf }] = again;
    this.failed.delete(other);
    await this.kept(other, saidOf, writeOf);
  }

  /** Does a part of a frame. What fails is left out of the frame and told. */
  guarded(what: string, work: () => void): void {
    try {
      work();
      this.set(what, null);
    } catch (error) {
      this.set(what, `A frame of the running show failed and is left out: ${errorMessage(error)}`);
    }
  }
}

/** What a disk that fails says, in words. */
function diskWords(error: unknown): string {
  const code: unknown = typeof error === "object" && error !== null ? Reflect.get(error, "code") : undefined;
  if (code === "ENOSPC" || code === "EFBIG" || code === "EDQUOT") return "the disk is full";
  if (code === "EROFS" || code === "EACCES" || code === "EPERM") return "the folder of its data may not be written";
  if (code === "ENOENT" || code === "ENOTDIR") return "the folder of its data is gone";
  return errorMessage(error);
}
