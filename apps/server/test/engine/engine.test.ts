import { EventEmitter } from "node:events";
import { Engine, type EngineCare, type EngineThread, type EngineTrouble } from "../../src/engine/engine.ts";
import type { EngineSetUp, Order, Report } from "../../src/engine/orders.ts";
import { pause, until } from "../support/until.ts";

const CARE: EngineCare = { longestOrder: 80, firstPause: 20, longestPause: 60, sound: 10_000, looking: 10, standsStill: 60 };

/** A thread that does what a test says. */
class Thread extends EventEmitter {
  readonly orders: Order[] = [];
  isEnded = false;
  constructor(readonly setUp: EngineSetUp) {
    super();
  }
  postMessage(order: Order): void {
    this.orders.push(order);
  }
  terminate(): Promise<number> {
    if (!this.isEnded) setImmediate(() => this.emit("exit"));
    this.isEnded = true;
    return Promise.resolve(1);
  }
  beat(): void {
    Atomics.add(this.setUp.beats, 0, 1);
  }
  answer(report: Report): void {
    this.emit("message", report);
  }
}

let threads: { thread: Thread; at: number }[];
let troubles: EngineTrouble[];
let engine: Engine;
const newest = (): Thread => {
  const { thread } = threads.at(-1) ?? {};
  if (!thread) throw new Error("No thread was begun");
  return thread;
};

beforeEach(() => {
  threads = [];
  troubles = [];
  const begin = (setUp: EngineSetUp): EngineThread => {
    const thread = new Thread(setUp);
    threads.push({ thread, at: Date.now() });
    return thread;
  };
  const setUp = {
    database: { host: "", port: 1, username: "", password: "", name: "" },
    runs: "",
    output: undefined,
    role: "leads" as const,
    deadline: new Float64Array([Infinity]),
  };
  engine = new Engine(setUp, false, CARE, begin);
  engine.troubles.subscribe((trouble) => troubles.push(trouble));
});
afterEach(async () => {
  await engine.end();
});

test("a thread that dies comes back after a growing pause; who waited is told", async () => {
  const waiting = engine.ask({ kind: "state", show: 1 });
  const ends: number[] = [];
  for (let times = 1; times <= 5; times += 1) {
    ends.push(Date.now());
    newest().emit("exit");
    if (times === 1) {
      await expect(waiting).rejects.toThrow("started again");
      await expect(engine.ask({ kind: "state", show: 1 })).rejects.toThrow("being started again");
    }
    await until(() => threads.length === times + 1);
  }
  const pauses = threads.slice(1).map(({ at }, index) => at - (ends[index] ?? 0));
  expect(pauses[0]).toBeGreaterThanOrEqual(15);
  expect(pauses[1]).toBeGreaterThanOrEqual(35);
  expect(pauses[4]).toBeGreaterThanOrEqual(55);
  expect(pauses[4]).toBeLessThan(500);
  expect(troubles.slice(0, 2).map(({ words }) => words === null)).toEqual([false, true]);
});

test("an order not answered in time is given up in words, and a late answer is left alone", async () => {
  await expect(engine.ask({ kind: "state", show: 1 })).rejects.toThrow("has not answered");
  newest().answer({ answer: newest().orders[0]?.number ?? 0, value: {} });
  const next = engine.ask({ kind: "pace", show: 0 });
  newest().answer({ answer: newest().orders[1]?.number ?? 0, value: { idle: true } });
  expect(await next).toEqual({ idle: true });
});

test("a frame loop that stopped is seen and its thread ended; one that turns is left alone", async () => {
  await pause(150);
  expect(threads).toHaveLength(1);
  const beating = setInterval(() => newest().beat(), 5);
  await pause(200);
  expect(threads).toHaveLength(1);
  clearInterval(beating);
  await until(() => threads.length === 2);
  expect(threads[0]?.thread.isEnded).toBe(true);
});
