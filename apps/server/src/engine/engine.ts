import { setTimeout as wait } from "node:timers/promises";
import type { Worker } from "node:worker_threads";
import {
  ConflictException,
  GatewayTimeoutException,
  InternalServerErrorException,
  Logger,
  NotFoundException,
  ServiceUnavailableException,
} from "@nestjs/common";
import { type Show, ShowError } from "@zm/core";
import type { RunEvent } from "@zm/protocol";
import { Subject } from "rxjs";
import type { ServerRole } from "../lease/lease.ts";
import { DatabaseAway } from "../shared/lost.ts";
import { now } from "../shared/clock.ts";
import { errorMessage } from "../shared/errorMessage.ts";
import { EngineHost } from "./engineHost.ts";
import { engineWorker } from "./engineWorker.ts";
import type { Answer, EngineSetUp, Order, OrderBody, Refusal, Report } from "./orders.ts";

/** So long the engine is given to say its last words; milliseconds. */
const LONGEST_END = 500;
/** How the engine is looked after. Milliseconds. */
export interface EngineCare {
  /** So long an order may take; a large show has to be read for the first one. */
  readonly longestOrder: number;
  /** A thread that ends comes back after so long, each time twice as long, up to the longest; once it has run for a while it begins again. */
  readonly firstPause: number;
  readonly longestPause: number;
  readonly sound: number;
  /** Its frames are counted so often; one that has made none for so long, after its first, stands still and is ended. */
  readonly looking: number;
  readonly standsStill: number;
}

const CARE: EngineCare = { longestOrder: 15_000, firstPause: 250, longestPause: 10_000, sound: 30_000, looking: 1000, standsStill: 5000 };
const STARTED_AGAIN = "The engine has just been started again; look at what is on, and press once more";
const NO_ANSWER = "The engine has not answered; look at what is on before you press once more";
const COMING_BACK =
  "The engine has stopped and is being started again; what it sends to lights stands still meanwhile. Press once more when it is back";

interface PendingOrder {
  readonly resolve: (value: Answer) => void;
  readonly reject: (error: Error) => void;
  readonly limit: NodeJS.Timeout;
}

/** Where the engine runs: what takes its orders, and how it is ended. */
interface EngineTransport {
  take(order: Order): void;
  end(): Promise<void> | void;
}

/** A thread in which the engine runs. */
export type EngineThread = Pick<Worker, "postMessage" | "terminate"> & {
  on(event: "message", hear: (report: Report) => void): unknown;
  on(event: "error", hear: (error: Error) => void): unknown;
  on(event: "exit", hear: () => void): unknown;
};

/** What has happened to what runs, with the held looks whose bump is pressed and where their faders go back to. */
export interface ToldEvent {
  readonly event: RunEvent;
  readonly bumps: Readonly<Record<string, number>>;
}

/** What is wrong with the engine or what it does, for as long as it is; null: it is over. */
export interface EngineTrouble {
  readonly id: string;
  readonly words: string | null;
}

/** The engine as the rest of the server sees it: shows run in a thread of their own, which is started anew should it ever end or stand still. */
export class Engine {
  /** Everything that has happened to what runs, in order. */
  readonly events = new Subject<RunEvent>();
  /** The same, each with the bumps that are pressed then. */
  readonly told = new Subject<ToldEvent>();
  /** The number of each show that begins to run here. */
  readonly opened = new Subject<number>();
  readonly troubles = new Subject<EngineTrouble>();
  /** The show that is on stage, whenever it is another; null: none. */
  readonly onStage = new Subject<number | null>();
  /** Says that the thread is another, which knows nothing but what is written down. */
  readonly restarted = new Subject<void>();
  private readonly log = new Logger("Engine");
  private readonly setUp: EngineSetUp & { role: ServerRole };
  private transport: EngineTransport | null;
  private readonly asked = new Map<number, PendingOrder>();
  private orders = 0;
  private ended = false;
  private pause: number;
  private looking: NodeJS.Timeout | undefined;

  /** `here` runs it in this thread, which a short-lived server does not wait for. */
  constructor(
    setUp: Omit<EngineSetUp, "beats">,
    here: boolean,
    private readonly care: EngineCare = CARE,
    private readonly begin: (setUp: EngineSetUp) => EngineThread = engineWorker,
  ) {
    this.pause = care.firstPause;
    this.setUp = { ...setUp, beats: new Int32Array(new SharedArrayBuffer(4)) };
    this.transport = here ? this.beginHere() : this.beginThread();
  }

  /** Gives an order, and returns its answer. Throws what the order was refused for, and GatewayTimeoutException where none comes in time. */
  ask(order: OrderBody): Promise<Answer> {
    const { transport } = this;
    if (!transport) return Promise.reject(new ServiceUnavailableException(COMING_BACK));
    this.orders += 1;
    const number = this.orders;
    return new Promise((resolve, reject) => {
      const limit = setTimeout(() => {
        this.asked.delete(number);
        reject(new GatewayTimeoutException(NO_ANSWER));
      }, this.care.longestOrder);
      limit.unref();
      this.asked.set(number, { resolve, reject, limit });
      transport.take({ ...order, number });
    });
  }

  /** Gives an order of which nobody waits for the answer; a refusal is logged. */
  tell(order: OrderBody): void {
    this.ask(order).catch((error: unknown) => {
      if (!this.ended) this.log.warn(errorMessage(error));
    });
  }

  /** The server does something else from now on. */
  setRole(role: ServerRole): void {
    this.setUp.role = role;
    this.tell({ kind: "role", show: 0, role });
  }

  /** Opens a show from a document, for when the database cannot be asked for it. */
  async openWith(show: number, document: { readonly show: Show; readonly revision: number }): Promise<void> {
    await this.ask({ kind: "open", show, document });
  }

  async end(): Promise<void> {
    this.ended = true;
    clearInterval(this.looking);
    if (!this.transport) return;
    await Promise.race([this.ask({ kind: "end", show: 0 }), wait(LONGEST_END)]).catch(() => undefined);
    await this.transport.end();
    for (const { limit } of this.asked.values()) clearTimeout(limit);
  }

  private beginHere(): EngineTransport {
    const host = new EngineHost(this.setUp, (report) => this.hear(report));
    host.start();
    return { take: (order) => host.take(order), end: () => undefined };
  }

  private beginThread(): EngineTransport {
    const worker = this.begin(this.setUp);
    const began = now();
    worker.on("message", (report: Report) => this.hear(report));
    worker.on("error", (error) => this.log.error(`The engine failed: ${errorMessage(error)}`));
    worker.on("exit", () => void this.comeBack(began));
    this.watchBeats(() => void worker.terminate());
    return {
      take: (order) => worker.postMessage(order, order.kind === "edit" ? order.pieces.map(({ buffer }) => buffer) : []),
      end: async () => {
        await worker.terminate();
      },
    };
  }

  /** The thread has ended: it is started again, sooner where it had run well for a while. */
  private async comeBack(began: number): Promise<void> {
    clearInterval(this.looking);
    this.transport = null;
    for (const { reject, limit } of this.asked.values()) {
      clearTimeout(limit);
      reject(new ConflictException(STARTED_AGAIN));
    }
    this.asked.clear();
    if (this.ended) return;
    if (now() - began > this.care.sound) this.pause = this.care.firstPause;
    this.log.error(`The engine has ended by itself; it is started again in ${this.pause / 1000} s and goes on`);
    this.troubles.next({ id: "engine", words: COMING_BACK });
    await wait(this.pause, undefined, { ref: false });
    this.pause = Math.min(this.pause * 2, this.care.longestPause);
    if (this.ended) return;
    this.transport = this.beginThread();
    this.troubles.next({ id: "engine", words: null });
    this.restarted.next();
  }

  /** Looks whether frames are made. A server that was itself held up counts from then on. */
  private watchBeats(stands: () => void): void {
    const { beats } = this.setUp;
    let known = Atomics.load(beats, 0);
    /** When a frame was seen last; undefined before the first. */
    let seen: number | undefined;
    let looked = now();
    this.looking = setInterval(() => {
      const time = now();
      const heldUp = time - looked > 2 * this.care.looking;
      looked = time;
      const made = Atomics.load(beats, 0);
      if (made !== known || (heldUp && seen !== undefined)) seen = time;
      known = made;
      if (seen === undefined || time - seen < this.care.standsStill) return;
      this.log.error(`The engine has made no frame for ${this.care.standsStill / 1000} s; its thread is ended and started again`);
      seen = undefined;
      stands();
    }, this.care.looking);
    this.looking.unref();
  }

  private hear(report: Report): void {
    if ("event" in report) {
      // Whoever could take over is told first.
      this.told.next(report);
      return this.events.next(report.event);
    }
    if ("opened" in report) return this.opened.next(report.opened);
    if ("warning" in report) return this.log.warn(report.warning);
    if ("trouble" in report) return this.troubles.next({ id: report.trouble, words: report.words });
    if ("onStage" in report) return this.onStage.next(report.onStage);
    const asked = this.asked.get(report.answer);
    this.asked.delete(report.answer);
    clearTimeout(asked?.limit);
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
    case "cutOff":
      return new ServiceUnavailableException(message);
    case "lost":
      return new DatabaseAway();
    case "failure":
      return new InternalServerErrorException(message);
  }
}
