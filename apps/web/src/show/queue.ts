import { create } from "zustand";

let last: Promise<unknown> = Promise.resolve();
let entered = 0;

/** How many changes of this window are on their way to the server. */
export const useWaiting = create<{ count: number }>(() => ({ count: 0 }));

/** How a piece of work is run: in its turn behind all that was asked for before it, or at once by work whose turn it is. */
export type Runner = <T>(work: () => Promise<T>) => Promise<T>;

/**
 * Does a piece of work when everything that was asked for before it is done, so that changes reach the server in the order in
 * which they were entered, however slow it is. A piece that fails does not hold up the next.
 */
export const enqueue: Runner = (work) => {
  entered += 1;
  useWaiting.setState(({ count }) => ({ count: count + 1 }));
  const turn = last.then(work, work);
  last = turn.catch(() => undefined);
  return turn.finally(() => useWaiting.setState(({ count }) => ({ count: count - 1 })));
};

/** Runs work at once; for what is itself done in its turn. */
export const atOnce: Runner = (work) => work();

/** The number of the newest piece of work in the queue. */
export function newestInQueue(): number {
  return entered;
}
