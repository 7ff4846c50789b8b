import "reflect-metadata";
import { readFile } from "node:fs/promises";
import { parentPort } from "node:worker_threads";
import { ShowError, parseShow } from "@zm/core";
import { connectDatabase } from "../database/dataSource.ts";
import type { ImportOrder, ImportReport } from "./importWorker.ts";
import { insertShow } from "./showRows.ts";

/** Reads a document and stores it as a new show, away from the thread that serves and runs shows. */
async function importShow({ path, database }: ImportOrder, report: (what: ImportReport) => void): Promise<number> {
  const show = parseShow(new TextDecoder("utf-8", { ignoreBOM: true }).decode(await readFile(path)));
  const source = await connectDatabase(database);
  try {
    return await source.transaction((manager) => insertShow(manager, show, (stored, all) => report({ stored, all })));
  } finally {
    await source.destroy();
  }
}

parentPort?.on("message", (order: ImportOrder) => {
  const report = (what: ImportReport): void => parentPort?.postMessage({ order: order.id, report: what });
  importShow(order, report).then(
    (id) => report({ id }),
    (error: unknown) => {
      if (error instanceof ShowError) report({ faults: [...error.faults] });
      else report({ failure: error instanceof Error ? error.message : String(error), code: codeOf(error) });
    },
  );
});

const ready: ImportReport = { ready: true };
parentPort?.postMessage({ order: 0, report: ready });

function codeOf(error: unknown): string | undefined {
  const code: unknown = typeof error === "object" && error !== null ? Reflect.get(error, "code") : undefined;
  return typeof code === "string" ? code : undefined;
}
