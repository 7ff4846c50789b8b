import { fileURLToPath } from "node:url";
import { Worker, type WorkerOptions } from "node:worker_threads";

/** Starts a thread from a source file beside the one that asks: `base` is its import.meta.url, `name` the file without its ending. */
export function startThread(base: string, name: string, resourceLimits: WorkerOptions["resourceLimits"] = {}): Worker {
  const ending = base.endsWith(".ts") ? "ts" : "js";
  return new Worker(new URL(`${name}.${ending}`, base), { ...(ending === "ts" ? fromSource() : {}), resourceLimits });
}

/** Where the sources themselves run, the thread needs to be told how to read them. */
function fromSource(): WorkerOptions {
  const project = fileURLToPath(new URL("../../tsconfig.json", import.meta.url));
  return {
    execArgv: ["--no-warnings", "--conditions=@zm/source", "--import", "@swc-node/register/esm-register"],
    env: { ...process.env, TS_NODE_PROJECT: project },
  };
}
