import "reflect-metadata";
import { parentPort, workerData } from "node:worker_threads";
import { EngineHost } from "./engineHost.ts";
import type { EngineSetUp, Order } from "./orders.ts";

const port = parentPort;
if (port) {
  const setUp: EngineSetUp = workerData;
  const host = new EngineHost(setUp, (report) => port.postMessage(report));
  port.on("message", (order: Order) => host.take(order));
  host.start();
}
