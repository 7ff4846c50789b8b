import { create } from "zustand";
import { queryClient } from "./queryClient.ts";

/** Changes of one scope go to the server one behind the other. */
const SCOPE = { id: "changes" };
let entered = 0;

/** How many changes of this window are on their way to the server; counted in the moment in which they are asked for. */
const useCount = create<{ count: number }>(() => ({ count: 0 }));

/** How many changes of this window are on their way to the server. */
export function useWaiting(): number {
  return useCount((state) => state.count);
}

function countBy(change: 1 | -1): void {
  useCount.setState(({ count }) => ({ count: count + change }));
}

/** How a piece of work is run: in order behind all that was asked for before it, or at once by work whose turn it is. */
export type Runner = <T>(work: () => Promise<T>) => Promise<T>;

/**
 * Does a piece of work when everything that was asked for before it is done, so that changes reach the server in the order in
 * which they were entered, however slow it is. A piece that fails does not hold up the next.
 */
export const enqueue: Runner = (work) => {
  entered += 1;
  countBy(1);
  return queryClient
    .getMutationCache()
    .build(queryClient, { scope: SCOPE, mutationFn: work, retry: false, gcTime: 0 })
    .execute(undefined)
    .finally(() => countBy(-1));
};

/** Runs work at once; for what is itself done in its turn. */
export const atOnce: Runner = (work) => work();

/** The number of the newest piece of work in the queue. */
export function newestInQueue(): number {
  return entered;
}
