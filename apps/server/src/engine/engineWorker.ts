import type { Worker } from "node:worker_threads";
import { startThread } from "../shared/threads.ts";
import type { EngineSetUp } from "./orders.ts";

let ahead: Worker | undefined;

/** Begins the engine's thread before the rest of the server is read, so that what ran stands again sooner after a crash. It waits to be told what it runs with. */
export function startEngineAhead(): void {
  ahead = begin();
}

/** A thread for the engine that is told what it runs with: the one that was begun ahead, or a new one. */
export function engineWorker(setUp: EngineSetUp): Worker {
  const worker = ahead ?? begin();
  ahead = undefined;
  worker.postMessage(setUp);
  return worker;
}

function begin(): Worker {
  const worker = startThread(import.meta.url, "engineThread");
  worker.unref();
  return worker;
}
