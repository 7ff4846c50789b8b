import { ShowError } from "@zm/core";
import type { Settings } from "../settings.ts";
import { startThread } from "../shared/threads.ts";
import type { Progress } from "./showRows.ts";

/** What the importing thread is asked. */
export interface ImportOrder {
  readonly id: number;
  /** The file of the document, UTF-8. */
  readonly path: string;
  readonly database: Settings["database"];
}

/** What the importing thread tells: that it takes orders (told once, of order 0); how far it is, the number of the new show, what is wrong with the document, or why it failed. */
export type ImportReport =
  | { readonly ready: true }
  | { readonly stored: number; readonly all: number }
  | { readonly id: number }
  | { readonly faults: string[] }
  | { readonly failure: string; readonly code: string | undefined };

/** An import that failed for a reason that is not in the document; `code` is the database's. */
export class ImportFailure extends Error {
  constructor(
    message: string,
    readonly code: string | undefined,
  ) {
    super(message);
  }
}

/** So much memory the thread may use for what it reads, MB; a document that wants more ends it, and nothing else. */
const MEMORY = 640;
const TOO_LARGE = "The document is too large for this server to read";

type Listener = (report: ImportReport) => void;

/**
 * The thread that imports: reading and checking a large document takes longer than a server may pause. It is started once
 * and kept, since starting it takes as long as importing a middling show; it does not keep the process from ending.
 */
class ImportWorker {
  private readonly worker = startThread(import.meta.url, "importThread", { maxOldGenerationSizeMb: MEMORY });
  /** By order. */
  private readonly listeners = new Map<number, Listener>();
  private orders = 0;

  /** Settles when the thread takes orders. */
  readonly ready: Promise<void>;

  constructor(ended: () => void) {
    this.worker.unref();
    this.ready = new Promise((resolve) => this.listeners.set(0, () => resolve()));
    this.worker.on("message", ({ order, report }: { order: number; report: ImportReport }) => this.listeners.get(order)?.(report));
    this.worker.on("error", (error) => this.fail("code" in error && error.code === "ERR_WORKER_OUT_OF_MEMORY" ? TOO_LARGE : String(error)));
    this.worker.on("exit", (code) => {
      ended();
      this.fail(`The importing thread ended by itself with ${code}`);
    });
  }

  async end(): Promise<void> {
    await this.worker.terminate();
  }

  async import(path: string, database: Settings["database"], progress: Progress): Promise<number> {
    this.orders += 1;
    const order: ImportOrder = { id: this.orders, path, database };
    try {
      return await new Promise<number>((resolve, reject) => {
        this.listeners.set(order.id, (report) => {
          if ("stored" in report) progress(report.stored, report.all);
          else if ("id" in report) resolve(report.id);
          else if ("faults" in report) reject(new ShowError(report.faults));
          else if ("failure" in report) reject(new ImportFailure(report.failure, report.code));
        });
        this.worker.postMessage(order);
      });
    } finally {
      this.listeners.delete(order.id);
    }
  }

  private fail(failure: string): void {
    for (const listener of this.listeners.values()) listener({ failure, code: undefined });
  }
}

let shared: ImportWorker | undefined;

/** The importing thread, started when it is not there yet: asked for early, the first import does not wait for it. */
export function importThread(): ImportWorker {
  shared ??= new ImportWorker(() => (shared = undefined));
  return shared;
}

/**
 * Reads a document and stores it as a new show, in the importing thread. Returns the show's number. Throws ShowError for a
 * faulty document, ImportFailure for anything else; then nothing is stored.
 */
export function importInThread(path: string, database: Settings["database"], progress: Progress): Promise<number> {
  return importThread().import(path, database, progress);
}
