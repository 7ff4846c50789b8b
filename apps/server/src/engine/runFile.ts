import { mkdirSync, readFileSync, readdirSync, rmSync, statSync } from "node:fs";
import { rename, writeFile } from "node:fs/promises";
import { join } from "node:path";
import type { MixSnapshot } from "@zm/core";

/** A run as it is written down: what runs, and when by the machine's clock (milliseconds) the run's clock read `mix.now`. */
export interface WrittenRun {
  readonly version: 1;
  readonly show: number;
  readonly turn: number;
  readonly takenAt: number;
  readonly mix: MixSnapshot;
}

/** A run that waits to be written down, and those who wait for that. */
interface Waiting {
  run: WrittenRun;
  readonly told: ((error: unknown) => void)[];
}

/** The files in which what runs is written down, one for each show, so that it stands again after a crash, with the database away too. */
export class RunFiles {
  /** By show, what is to be written next; and the shows of which something is being written. */
  private readonly waiting = new Map<number, Waiting>();
  private readonly writing = new Map<number, Promise<void>>();

  constructor(private readonly folder: string) {}

  /**
   * Writes a run down, whole or not at all, while the frames go on. Resolves when this run, or a newer one of the same show, has been handed to the system; what goes
   * wrong with the disk comes through.
   */
  write(run: WrittenRun): Promise<void> {
    const done = new Promise<void>((resolve, reject) => {
      const next = this.waiting.get(run.show) ?? { run, told: [] };
      next.run = run;
      next.told.push((error) => (error === undefined ? resolve() : reject(error instanceof Error ? error : new Error(String(error)))));
      this.waiting.set(run.show, next);
    });
    if (!this.writing.has(run.show)) this.writing.set(run.show, this.writeAll(run.show));
    return done;
  }

  /** Resolves when nothing waits to be written any more. */
  async settled(): Promise<void> {
    await Promise.all(this.writing.values());
  }

  private async writeAll(show: number): Promise<void> {
    for (let next = this.waiting.get(show); next; next = this.waiting.get(show)) {
      this.waiting.delete(show);
      const failed = await this.put(next.run).then(
        () => undefined,
        (error: unknown) => error ?? new Error("nothing was said"),
      );
      for (const tell of next.told) tell(failed);
    }
    this.writing.delete(show);
  }

  private async put(run: WrittenRun): Promise<void> {
    mkdirSync(this.folder, { recursive: true });
    const path = this.path(run.show);
    await writeFile(`${path}.new`, JSON.stringify(run));
    await rename(`${path}.new`, path);
  }

  /** A show's run as it was written down last; undefined where there is none, or none that can be read. */
  read(show: number): WrittenRun | undefined {
    try {
      const run: unknown = JSON.parse(readFileSync(this.path(show), "utf8"));
      return isWritten(run) ? run : undefined;
    } catch {
      return undefined;
    }
  }

  /** Forgets a show's run, with what waits to be written of it. */
  async remove(show: number): Promise<void> {
    for (const tell of this.waiting.get(show)?.told ?? []) tell(undefined);
    this.waiting.delete(show);
    await this.writing.get(show);
    rmSync(this.path(show), { force: true });
  }

  /** The shows of which a run is written down. */
  shows(): number[] {
    try {
      return readdirSync(this.folder).flatMap((name) => {
        const number = /^show-(\d+)\.json$/.exec(name)?.[1];
        return number === undefined ? [] : [Number(number)];
      });
    } catch {
      return [];
    }
  }

  /** The show of which a run was written down last; undefined where none was. */
  newest(): number | undefined {
    const times = this.shows().map((show) => ({ show, at: statSync(this.path(show)).mtimeMs }));
    return times.sort((a, b) => b.at - a.at)[0]?.show;
  }

  private path(show: number): string {
    return join(this.folder, `show-${show}.json`);
  }
}

function isWritten(run: unknown): run is WrittenRun {
  return typeof run === "object" && run !== null && Reflect.get(run, "version") === 1 && typeof Reflect.get(run, "mix") === "object";
}
