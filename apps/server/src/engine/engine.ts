import { setTimeout } from "node:timers/promises";
import { ConflictException, InternalServerErrorException, Logger, NotFoundException } from "@nestjs/common";
import { type Show, ShowError } from "@zm/core";
import type { RunEvent } from "@zm/protocol";
import { Subject } from "rxjs";
import { DatabaseAway } from "../database/lost.ts";
import { wordsOf } from "../shared/wordsOf.ts";
import { EngineHost } from "./engineHost.ts";
import { engineWorker } from "./engineWorker.ts";
import type { Answer, EngineSetUp, Order, OrderBody, Refusal, Report } from "./orders.ts";

/** So long the engine is given to say its last words; milliseconds. */
const LONGEST_END = 500;
const STARTED_AGAIN = "The engine has just been started again; look at what is on, and press once more";

interface Asked {
  readonly resolve: (value: Answer) => void;
  readonly reject: (error: Error) => void;
}

/** Where the engine runs: what takes its orders, and how it is ended. */
interface Seat {
  take(order: Order): void;
  end(): Promise<void> | void;
}

/** The engine as the rest of the server sees it: shows run in a thread of their own, which is started anew should it ever end. */
export class Engine {
  /** Everything that has happened to what runs, in order. */
  readonly events = new Subject<RunEvent>();
  private readonly log = new Logger("Engine");
  private seat: Seat;
  private readonly asked = new Map<number, Asked>();
  private orders = 0;
  private ended = false;

  /** `here` runs it in this thread, which a short-lived server does not wait for. */
  constructor(
    private readonly setUp: EngineSetUp,
    here: boolean,
  ) {
    this.seat = here ? this.beginHere() : this.beginThread();
  }

  /** Gives an order, and gives back its answer. Throws what the order was refused for. */
  ask(order: OrderBody): Promise<Answer> {
    this.orders += 1;
    const number = this.orders;
    return new Promise((resolve, reject) => {
      this.asked.set(number, { resolve, reject });
      this.seat.take({ ...order, number });
    });
  }

  /** Gives an order of which nobody waits for the answer; a refusal is logged. */
  tell(order: OrderBody): void {
    this.ask(order).catch((error: unknown) => {
      if (!this.ended) this.log.warn(wordsOf(error));
    });
  }

  /** Opens a show from a document, for when the database cannot be asked for it. */
  async openWith(show: number, document: { readonly show: Show; readonly revision: number }): Promise<void> {
    await this.ask({ do: "open", show, document });
  }

  async end(): Promise<void> {
    this.ended = true;
    await Promise.race([this.ask({ do: "end", show: 0 }), setTimeout(LONGEST_END)]).catch(() => undefined);
    await this.seat.end();
  }

  private beginHere(): Seat {
    const host = new EngineHost(this.setUp, (report) => this.hear(report));
    host.start();
    return { take: (order) => host.take(order), end: () => undefined };
  }

  private beginThread(): Seat {
    const worker = engineWorker(this.setUp);
    worker.on("message", (report: Report) => this.hear(report));
    worker.on("error", (error) => this.log.error(`The engine failed: ${wordsOf(error)}`));
    worker.on("exit", () => {
      for (const { reject } of this.asked.values()) reject(new ConflictException(STARTED_AGAIN));
      this.asked.clear();
      if (this.ended) return;
      this.log.error("The engine has ended by itself; it is started again and goes on");
      this.seat = this.beginThread();
    });
    return {
      take: (order) => worker.postMessage(order),
      end: async () => {
        await worker.terminate();
      },
    };
  }

  private hear(report: Report): void {
    if ("event" in report) return this.events.next(report.event);
    if ("warning" in report) return this.log.warn(report.warning);
    const asked = this.asked.get(report.answer);
    this.asked.delete(report.answer);
    if ("refusal" in report) asked?.reject(errorOf(report.refusal));
    else asked?.resolve(report.value);
  }
}

function errorOf({ kind, messages }: Refusal): Error {
  const message = messages[0] ?? "";
  switch (kind) {
    case "conflict":
      return new ConflictException(message);
    case "fault":
      return new ShowError([...messages]);
    case "missing":
      return new NotFoundException(message);
    case "lost":
      return new DatabaseAway();
    case "failure":
      return new InternalServerErrorException(message);
  }
}
