import { type PreviewThread, PreviewWorker } from "../../src/preview/previewWorker.ts";

/** A thread whose answers are given by hand; it keeps the revision that it has, as the real one does. */
class HandThread implements PreviewThread {
  /** What the show is at on the server. */
  server = 7;
  has = -1;
  readonly readings: (() => void)[] = [];
  readonly asked: string[] = [];
  ended = false;
  /** True: it loses the next edit that it is given, as a thread that was begun anew would. */
  loses = false;

  readonly open = (): Promise<number> => {
    this.asked.push("open");
    const revision = this.server;
    return new Promise((resolve) => {
      this.readings.push(() => {
        this.has = revision;
        resolve(revision);
      });
    });
  };
  readonly take = (_show: number, revision: number): Promise<number> => {
    this.asked.push(`take ${revision}`);
    if (!this.loses && this.has === revision - 1) this.has = revision;
    this.loses = false;
    return Promise.resolve(this.has);
  };
  readonly looks = (of: number, _show: number, revision: number): Promise<null> => {
    this.asked.push(`looks ${of} at ${revision}`);
    return Promise.resolve(null);
  };
  readonly ghosts = (of: number): Promise<null> => {
    this.asked.push(`ghosts ${of}`);
    return Promise.resolve(null);
  };
  readonly whole = (of: number): Promise<null> => {
    this.asked.push(`whole ${of}`);
    return Promise.resolve(null);
  };
  readonly check = (): Promise<[]> => {
    this.asked.push("check");
    return Promise.resolve([]);
  };
  readonly end = (): void => {
    this.ended = true;
  };

  /** Ends the oldest reading that is under way. */
  async read(): Promise<void> {
    this.readings.shift()?.();
    await settled();
  }
}

const settled = async (): Promise<void> => {
  for (let turn = 0; turn < 10; turn += 1) await Promise.resolve();
};
const request = { edits: [], list: "main", mostLines: 3, window: null };
globalThis.requestAnimationFrame = (paint) => {
  setTimeout(() => paint(0), 0);
  return 0;
};

test("it has only the revision that was read, and keeps in step edit by edit", async () => {
  const thread = new HandThread();
  const worker = new PreviewWorker(1, thread);
  expect([worker.has(-1), worker.has(7)]).toEqual([false, false]);
  await thread.read();
  expect([worker.has(7), worker.has(8)]).toEqual([true, false]);
  worker.take(8, []);
  worker.take(9, []);
  await settled();
  expect([worker.has(8), worker.has(9)]).toEqual([false, true]);
  expect(thread.asked).toEqual(["open", "take 8", "take 9"]);
});

test("an edit that comes while the show is read has it read again where it is not in it", async () => {
  const thread = new HandThread();
  const worker = new PreviewWorker(1, thread);
  worker.take(8, []);
  thread.server = 8;
  await thread.read();
  expect(worker.has(8)).toBe(false);
  await thread.read();
  expect(worker.has(8)).toBe(true);
  expect(thread.asked).toEqual(["open", "open"]);
});

test("an edit that comes while the show is read, and is in it already, costs no second reading", async () => {
  const thread = new HandThread();
  thread.server = 8;
  const worker = new PreviewWorker(1, thread);
  worker.take(8, []);
  await thread.read();
  expect([worker.has(8), thread.asked]).toEqual([true, ["open"]]);
  worker.take(8, []);
  expect(thread.asked).toEqual(["open"]);
});

test("a missed edit, and one that the thread has lost, has the show read again", async () => {
  const thread = new HandThread();
  const worker = new PreviewWorker(1, thread);
  await thread.read();
  thread.server = 10;
  worker.take(10, []);
  expect(worker.has(10)).toBe(false);
  await thread.read();
  expect(worker.has(10)).toBe(true);
  thread.loses = true;
  thread.server = 11;
  worker.take(11, []);
  await settled();
  expect(worker.has(11)).toBe(false);
  await thread.read();
  expect(worker.has(11)).toBe(true);
});

test("a show that cannot be read leaves the window to itself, and is read with the next edit", async () => {
  const thread = new HandThread();
  let refused = 0;
  const sound = thread.open;
  const worker = new PreviewWorker(1, { ...thread, open: () => (refused++ === 0 ? Promise.reject(new Error("away")) : sound()) });
  await settled();
  expect(worker.has(7)).toBe(false);
  worker.take(8, []);
  thread.server = 8;
  await thread.read();
  await thread.read();
  expect(worker.has(8)).toBe(true);
});

test("the rest of an answer is asked of the newest question alone", async () => {
  const thread = new HandThread();
  const worker = new PreviewWorker(1, thread);
  await thread.read();
  await worker.looks(7, request);
  const whole = worker.whole();
  await worker.looks(7, request);
  expect(await whole).toBeNull();
  await worker.ghosts();
  await worker.whole();
  expect(thread.asked).toEqual(["open", "looks 1 at 7", "looks 2 at 7", "ghosts 2", "whole 2"]);
});

test("nothing is checked of a show at another revision, and it ends with its window", async () => {
  const thread = new HandThread();
  const worker = new PreviewWorker(1, thread);
  expect(await worker.check(7)).toBeNull();
  await thread.read();
  expect(await worker.check(7)).toEqual([]);
  expect(await worker.check(8)).toBeNull();
  expect(thread.asked).toEqual(["open", "check"]);
  worker.end();
  expect(thread.ended).toBe(true);
});
