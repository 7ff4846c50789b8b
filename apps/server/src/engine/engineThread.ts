import "reflect-metadata";
import { parentPort } from "node:worker_threads";
import { EngineHost } from "./engineHost.ts";
import type { EngineSetUp, Order } from "./orders.ts";

const port = parentPort;
// What it runs with comes first; orders come behind it.
port?.once("message", (setUp: EngineSetUp) => {
  const host = new EngineHost(setUp, (report) => port.postMessage(report));
  port.on("message", (order: Order) => host.take(order));
  host.start();
});
