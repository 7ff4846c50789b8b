import { transfer, wrap } from "comlink";
import { serverPlace } from "../shared/serverAddress.ts";
import type { Exchange } from "./exchangeThread.ts";

/** The thread that reads and writes files, as the window speaks to it; `end` stops it, whatever it is at. */
export type ExchangeThread = {
  readonly [Name in Exclude<keyof Exchange, "ask">]: (...asked: Parameters<Exchange[Name]>) => Promise<Awaited<ReturnType<Exchange[Name]>>>;
} & { readonly end: () => void };

/** Pictures that are given away to the thread, not copied: the window has no use for them any more. */
export function handedOver<T extends readonly { readonly png: Uint8Array }[]>(pictures: T): T {
  return transfer(
    pictures,
    pictures.map(({ png }) => png.buffer),
  );
}

/** Starts a thread for files: one for each dialog, so that closing it stops what is under way. */
export function startExchange(): ExchangeThread {
  const worker = new Worker(new URL("./exchangeThread.ts", import.meta.url), { type: "module" });
  const { ask, read, edits, makeShow, write, differences } = wrap<Exchange>(worker);
  // Messages to it are taken in their order, so that it knows before it asks.
  void ask(serverPlace());
  return { read, edits, makeShow, write, differences, end: () => worker.terminate() };
}
