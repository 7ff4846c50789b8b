import { mkdirSync, readFileSync, readdirSync, renameSync, rmSync, statSync, writeFileSync } from "node:fs";
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

/** The files in which what runs is written down, one for each show, so that it stands again after a crash, with the database away too. */
export class RunFiles {
  constructor(private readonly folder: string) {}

  /** Writes a run down, whole or not at all. It has been handed to the system when this returns. What goes wrong with the disk comes through. */
  write(run: WrittenRun): void {
    mkdirSync(this.folder, { recursive: true });
    const path = this.path(run.show);
    writeFileSync(`${path}.new`, JSON.stringify(run));
    renameSync(`${path}.new`, path);
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

  /** Forgets a show's run. */
  remove(show: number): void {
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
