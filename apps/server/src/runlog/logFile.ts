import { appendFileSync, mkdirSync, readFileSync, renameSync, writeFileSync } from "node:fs";
import { dirname } from "node:path";
import type { LogEntry } from "@zm/core";
import { z } from "zod";

/** An entry that is not in the database yet. `opens` says that a run begins with it: the first cue of the main list, from nothing. */
export interface WaitingEntry {
  readonly show: number;
  readonly id: string;
  readonly entry: LogEntry;
  readonly opens: boolean;
}
/** A run that somebody begins; what comes behind it belongs to it until it is ended. */
export interface WaitingRun {
  readonly show: number;
  readonly begins: { readonly name: string; readonly speed: number; readonly at: number; readonly owner: string };
}
/** The end of the run that a caller began; `owner` null: whichever caller did. */
export interface WaitingEnd {
  readonly show: number;
  readonly ends: { readonly owner: string | null; readonly at: number };
}
/** How many steps a list has made by itself since an entry. */
export interface WaitingCount {
  readonly show: number;
  readonly counted: { readonly id: string; readonly steps: number };
}
export type WaitingItem = WaitingEntry | WaitingRun | WaitingEnd | WaitingCount;

/** Who owns a run that somebody has begun in a window. */
export const WINDOW = "window";

const entry = z.object({
  at: z.number(),
  list: z.string(),
  cue: z.string().nullable(),
  how: z.enum(["next", "goto", "back", "hold", "resume", "release"]),
  by: z.enum(["window", "osc", "follow", "action", "standby"]),
  who: z.string(),
});
const item = z.union([
  z.object({ show: z.number(), id: z.string(), entry, opens: z.boolean() }),
  z.object({ show: z.number(), counted: z.object({ id: z.string(), steps: z.number() }) }),
  z.object({
    show: z.number(),
    begins: z.object({ name: z.string(), speed: z.number(), at: z.number(), owner: z.string().default(WINDOW) }),
  }),
  z.object({ show: z.number(), ends: z.object({ owner: z.string().nullable(), at: z.number() }) }),
]);

/** What waits for the database, in a file of its own, a line each: nothing that was fired is forgotten while the database is away, or when the server ends. */
export class LogFile {
  constructor(private readonly path: string) {}

  /** What waited when the server ended. A line that was cut off by a crash is left out. */
  read(): WaitingItem[] {
    let text: string;
    try {
      text = readFileSync(this.path, "utf8");
    } catch {
      return [];
    }
    return text.split("\n").flatMap((line) => {
      try {
        return [item.parse(JSON.parse(line))];
      } catch {
        return [];
      }
    });
  }

  add(items: readonly WaitingItem[]): void {
    mkdirSync(dirname(this.path), { recursive: true });
    appendFileSync(this.path, linesOf(items));
  }

  /** Keeps only these. */
  keep(items: readonly WaitingItem[]): void {
    mkdirSync(dirname(this.path), { recursive: true });
    // Not by the atomic writer that `soundFile.ts` uses: in the main thread it listens to signals while it writes, and one for a write that
    // the system does not allow would end the server.
    writeFileSync(`${this.path}.new`, linesOf(items));
    renameSync(`${this.path}.new`, this.path);
  }
}

function linesOf(items: readonly WaitingItem[]): string {
  return items.map((each) => `${JSON.stringify(each)}\n`).join("");
}
