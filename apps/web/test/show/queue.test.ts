import { onlineManager } from "@tanstack/react-query";
import { atOnce, enqueue, newestInQueue } from "../../src/show/queue.ts";

/** A piece of work that ends when it is told to. */
function held(): { work: () => Promise<string>; end: (word: string) => void; fail: () => void; begun: () => boolean } {
  let started = false;
  let resolve = (_word: string): void => undefined;
  let reject = (_error: Error): void => undefined;
  const promise = new Promise<string>((end, fail) => {
    [resolve, reject] = [end, fail];
  });
  const work = (): Promise<string> => {
    started = true;
    return promise;
  };
  return { work, end: (word) => resolve(word), fail: () => reject(new Error("refused")), begun: () => started };
}

const settled = (): Promise<void> => new Promise((resolve) => setTimeout(resolve, 5));

test("what is asked for later begins when what was asked before is done, however long that takes", async () => {
  const [first, second] = [held(), held()];
  const one = enqueue(first.work);
  const two = enqueue(second.work);
  await settled();
  expect([first.begun(), second.begun()]).toEqual([true, false]);
  first.end("one");
  expect(await one).toBe("one");
  await settled();
  expect(second.begun()).toBe(true);
  second.end("two");
  expect(await two).toBe("two");
});

test("a piece that fails tells whoever asked for it, and does not hold up the next", async () => {
  const [first, second] = [held(), held()];
  const one = enqueue(first.work);
  const two = enqueue(second.work);
  await settled();
  first.fail();
  await expect(one).rejects.toThrow("refused");
  second.end("two");
  expect(await two).toBe("two");
});

test("work whose turn it is goes on at once, in the middle of the queue", async () => {
  const inner = held();
  const outer = enqueue(async () => `${await atOnce(inner.work)} and done`);
  await settled();
  expect(inner.begun()).toBe(true);
  inner.end("asked");
  expect(await outer).toBe("asked and done");
});

test("every piece has a number of its own in the queue", async () => {
  const before = newestInQueue();
  const works = [enqueue(() => Promise.resolve(1)), enqueue(() => Promise.resolve(2))];
  expect(newestInQueue()).toBe(before + 2);
  expect(await Promise.all(works)).toEqual([1, 2]);
});

test("no network is no reason to wait: the server is on this machine or in this house", async () => {
  onlineManager.setOnline(false);
  expect(await enqueue(() => Promise.resolve("sent"))).toBe("sent");
  onlineManager.setOnline(true);
});
