import { EMPTY_HAND, type Hand, type HandChange, changeHand, sheetOf } from "@zm/core";
import { saltAndParaffin } from "@zm/demo";
import type { HandReply, HandRequest, HandState } from "@zm/protocol";
import fc from "fast-check";
import { forgetHandTurn, leaveHand, makeHandChange, receiveHand, useHand } from "../../src/show/handStore.ts";
import { enqueue } from "../../src/show/queue.ts";
import { useNotices } from "../../src/shared/notices.ts";

const timers = import.meta.jest;
const sheet = sheetOf(saltAndParaffin());
const give = (channel: number, level: number): HandChange => ({ do: "give", moves: { [channel]: { intensity: level } } });
/** The moves of a Hand by the name of their key. */
const levels = (hand: Hand): Record<string, unknown> =>
  Object.fromEntries(Object.entries(hand.held).flatMap(([key, held]) => ("move" in held ? [[key, held.move]] : [])));

/** A server that has one Hand, answers when it is told to, and keeps what it was asked. */
class HandServer {
  hand: Hand = EMPTY_HAND;
  version = 0;
  readonly taken: HandChange[] = [];
  private readonly waiting: ((refused: boolean) => void)[] = [];

  get open(): number {
    return this.waiting.length;
  }

  state(): HandState {
    const history = { show: 1, version: this.version, undo: null, redo: null };
    return { show: 1, version: this.version, hand: this.hand, damaged: false, history };
  }

  change(change: HandChange): void {
    this.hand = changeHand(this.hand, change, sheet, 0);
    this.version += 1;
  }

  fetch(method: string, body: string): Promise<Response> {
    if (method === "GET") return Promise.resolve(Response.json(this.state()));
    const { changes }: HandRequest = JSON.parse(body);
    return new Promise((resolve) => {
      this.waiting.push((refused) => {
        if (refused) return resolve(Response.json({ message: "Not now", faults: ["Not now"] }, { status: 409 }));
        for (const change of changes) {
          this.taken.push(change);
          this.change(change);
        }
        const reply: HandReply = { ...this.state(), stored: true };
        resolve(Response.json(reply));
      });
    });
  }

  /** Answers the oldest question; nothing where none waits. */
  async answer(refused = false): Promise<void> {
    this.waiting.shift()?.(refused);
    await settled();
  }
}

/** Lets everything happen that does not wait for the server. */
async function settled(): Promise<void> {
  for (let round = 0; round < 40; round += 1) await Promise.resolve();
  await new Promise((resolve) => setImmediate(resolve));
}

let server: HandServer;
beforeEach(() => {
  timers.useFakeTimers({ doNotFake: ["setImmediate", "queueMicrotask", "nextTick", "performance"] });
  begin();
});
afterEach(() => timers.useRealTimers());

function begin(): void {
  server = new HandServer();
  globalThis.fetch = (_path, init) => server.fetch(init?.method ?? "GET", String(init?.body ?? ""));
  leaveHand();
  useNotices.setState({ notices: [] });
  receiveHand(server.state());
}

test("what is given shows at once, is sent in order, and takes along what was typed ahead", async () => {
  makeHandChange(1, sheet, give(1, 50), 0);
  expect(levels(useHand.getState().hand)).toEqual({ "1.intensity": 50 });
  await settled();
  makeHandChange(1, sheet, give(2, 60), 0);
  makeHandChange(1, sheet, give(2, 70), 0);
  await settled();
  expect(server.open).toBe(1);
  await server.answer();
  expect(levels(useHand.getState().hand)).toEqual({ "1.intensity": 50, "2.intensity": 70 });
  await server.answer();
  expect(server.taken).toEqual([give(1, 50), give(2, 60), give(2, 70)]);
  expect(levels(server.hand)).toEqual({ "1.intensity": 50, "2.intensity": 70 });
});

test("what is given behind something else that was asked for is sent behind it", async () => {
  const order: string[] = [];
  let goOn = (): void => undefined;
  void enqueue(() => new Promise<void>((resolve) => (goOn = resolve)));
  makeHandChange(1, sheet, give(1, 50), 0);
  void enqueue(() => Promise.resolve(order.push(`recorded behind ${server.taken.length}`)));
  makeHandChange(1, sheet, give(2, 60), 0);
  await settled();
  goOn();
  for (let round = 0; round < 4; round += 1) {
    await settled();
    await server.answer();
  }
  expect(order).toEqual(["recorded behind 1"]);
  expect(server.taken).toEqual([give(1, 50), give(2, 60)]);
});

test("what another window gives waits while an own change is on its way, and is there behind it", async () => {
  makeHandChange(1, sheet, give(1, 50), 0);
  await settled();
  server.change(give(3, 30));
  receiveHand(server.state());
  expect(levels(useHand.getState().hand)).toEqual({ "1.intensity": 50 });
  await server.answer();
  expect(levels(useHand.getState().hand)).toEqual({ "1.intensity": 50, "3.intensity": 30 });
});

test("a change that the server refuses is told, and the Hand is the server's again", async () => {
  makeHandChange(1, sheet, give(1, 50), 0);
  await settled();
  await server.answer(true);
  await settled();
  expect(useNotices.getState().notices.map(({ text }) => text)).toEqual(["Not now"]);
  expect(levels(useHand.getState().hand)).toEqual({});
});

test("a change that no light can take is told here, and nothing is asked of the server", async () => {
  expect(makeHandChange(1, sheet, give(9999, 50), 0)).toBe(false);
  await settled();
  expect(server.open).toBe(0);
  expect(useNotices.getState().notices).toHaveLength(1);
});

test("what comes late is left alone, unless the server was restarted and counts anew", () => {
  server.change(give(1, 10));
  server.change(give(1, 20));
  const newest = server.state();
  receiveHand(newest);
  receiveHand({ ...newest, version: 1, hand: EMPTY_HAND });
  expect(levels(useHand.getState().hand)).toEqual({ "1.intensity": 20 });
  forgetHandTurn();
  receiveHand({ ...newest, version: 0, hand: EMPTY_HAND });
  expect(levels(useHand.getState().hand)).toEqual({});
});

test("however fast, everything is sent once and in order, and the window ends as the server", async () => {
  const lights = fc.constantFrom(1, 2, 3);
  const level = fc.integer({ min: 0, max: 100 });
  const step = fc.oneof(
    { weight: 5, arbitrary: fc.record({ do: fc.constant("give" as const), channel: lights, level }) },
    { weight: 4, arbitrary: fc.record({ do: fc.constant("answer" as const) }) },
    { weight: 1, arbitrary: fc.record({ do: fc.constant("refuse" as const) }) },
    { weight: 2, arbitrary: fc.record({ do: fc.constant("elsewhere" as const), channel: fc.constantFrom(4, 5), level }) },
    { weight: 2, arbitrary: fc.record({ do: fc.constant("wait" as const) }) },
  );
  await fc.assert(
    fc.asyncProperty(fc.array(step, { minLength: 3, maxLength: 25 }), async (steps) => {
      begin();
      const given: HandChange[] = [];
      let refusals = 0;
      for (const each of steps) {
        if (each.do === "give") {
          given.push(give(each.channel, each.level));
          makeHandChange(1, sheet, give(each.channel, each.level), 0);
          // What was just given is seen, whatever else is on its way.
          expect(levels(useHand.getState().hand)[`${each.channel}.intensity`]).toBe(each.level);
        } else if (each.do === "elsewhere") {
          server.change(give(each.channel, each.level));
          receiveHand(server.state());
        } else if (each.do === "wait") await settled();
        else {
          const refused = each.do === "refuse" && server.open > 0;
          if (refused) refusals += 1;
          await server.answer(refused);
        }
      }
      for (let round = 0; round < 60; round += 1) {
        await settled();
        await server.answer();
      }
      if (refusals === 0) expect(server.taken).toEqual(given);
      // Of a batch that was refused nothing is sent again; the rest keeps its order.
      let place = 0;
      for (const change of given) if (JSON.stringify(server.taken[place]) === JSON.stringify(change)) place += 1;
      expect(place).toBe(server.taken.length);
      expect(useHand.getState().hand).toEqual(server.hand);
    }),
    { numRuns: 60 },
  );
});
