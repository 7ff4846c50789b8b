import { mkdirSync, readFileSync, renameSync, rmSync } from "node:fs";
import { dirname } from "node:path";
import writeFileAtomic from "write-file-atomic";
import { errorMessage } from "./errorMessage.ts";

/** What is wrong with a file, and where it was put. */
export interface DamagedFile {
  readonly path: string;
  readonly why: string;
}

/** What was read: the newest that is sound, and what was damaged. */
export interface SoundReading<T> {
  readonly data: T | undefined;
  readonly damaged: readonly DamagedFile[];
}

interface Waiting<T> {
  data: T;
  readonly listeners: ((error: unknown) => void)[];
}

const GENERATIONS = ["a", "b"] as const;

/**
 * Data in two files that are written by turns, each whole or not at all and down to the disk, so that the one before is still there where the newest turns out
 * damaged. Each holds a serial number, by which the newer is known whatever the clock says.
 */
export class SoundFile<T extends object> {
  private serial = 0;
  private waiting: Waiting<T> | undefined;
  private writing: Promise<void> | undefined;
  private isRemoved = false;

  /** `check` returns the data of a file, or throws an Error that says what is wrong with it. `path` is without its ending. */
  constructor(
    private readonly path: string,
    private readonly check: (raw: unknown) => T,
  ) {}

  /** Where the two stand. */
  static pathsOf(path: string): string[] {
    return GENERATIONS.map((generation) => `${path}.${generation}.json`);
  }

  /** The newest sound data; a damaged file is renamed, so that it is kept and not read again. */
  read(): SoundReading<T> {
    const damaged: DamagedFile[] = [];
    let newest: { serial: number; data: T } | undefined;
    for (const path of SoundFile.pathsOf(this.path)) {
      const text = textOf(path);
      if (text === undefined) continue;
      try {
        const found = this.readOne(text);
        this.serial = Math.max(this.serial, found.serial);
        if (!newest || found.serial > newest.serial) newest = found;
      } catch (error) {
        damaged.push({ path: keepAside(path), why: errorMessage(error) });
      }
    }
    return { data: newest?.data, damaged };
  }

  /**
   * Writes data while the frames go on. Resolves when it, or something newer, is on the disk; what goes wrong with the disk comes through. Of what waits for a
   * slow disk only the newest is written.
   */
  write(data: T): Promise<void> {
    const done = new Promise<void>((resolve, reject) => {
      this.waiting ??= { data, listeners: [] };
      this.waiting.data = data;
      this.waiting.listeners.push((error) =>
        error === undefined ? resolve() : reject(error instanceof Error ? error : new Error(String(error))),
      );
    });
    this.writing ??= this.writeAll();
    return done;
  }

  /** Resolves when nothing waits to be written any more. */
  async settled(): Promise<void> {
    await this.writing;
  }

  /** Forgets it, with what waits to be written. */
  async remove(): Promise<void> {
    this.isRemoved = true;
    await this.writing;
    for (const path of SoundFile.pathsOf(this.path)) rmSync(path, { force: true });
  }

  private async writeAll(): Promise<void> {
    for (let next = this.waiting; next; next = this.waiting) {
      this.waiting = undefined;
      const failed = await this.put(next.data).then(
        () => undefined,
        (error: unknown) => error ?? new Error("nothing was said"),
      );
      for (const listener of next.listeners) listener(failed);
    }
    // In the same moment in which nothing waits any more: what is written from then on begins anew.
    this.writing = undefined;
  }

  private async put(data: T): Promise<void> {
    if (this.isRemoved) return;
    const serial = this.serial + 1;
    const path = SoundFile.pathsOf(this.path)[serial % GENERATIONS.length] ?? this.path;
    mkdirSync(dirname(path), { recursive: true });
    await writeFileAtomic(path, JSON.stringify({ serial, data }), { mode: 0o600 });
    this.serial = serial;
  }

  private readOne(text: string): { serial: number; data: T } {
    const raw: unknown = JSON.parse(text);
    if (typeof raw !== "object" || raw === null) throw new Error("it holds no data");
    const serial: unknown = Reflect.get(raw, "serial");
    if (typeof serial !== "number" || !Number.isSafeInteger(serial)) throw new Error("its serial number is missing");
    return { serial, data: this.check(Reflect.get(raw, "data")) };
  }
}

function textOf(path: string): string | undefined {
  try {
    return readFileSync(path, "utf8");
  } catch {
    return undefined;
  }
}

/** Puts a damaged file aside under a name of its own; returns where it is. */
export function keepAside(path: string): string {
  const aside = path.replace(/(\.json)?$/, `.damaged-${Date.now()}.json`);
  try {
    renameSync(path, aside);
    return aside;
  } catch {
    return path;
  }
}
