/** Runs a piece of work over and over for about `budget` milliseconds and gives its median. `before` is not counted. */
export function measure<T>(work: (prepared: T) => unknown, before: () => T, budget = 400): { median: number; rounds: number } {
  for (let warm = 0; warm < 3; warm += 1) work(before());
  globalThis.gc?.();
  const times: number[] = [];
  const end = performance.now() + budget;
  while (times.length < 7 || (performance.now() < end && times.length < 2000)) {
    const prepared = before();
    const start = performance.now();
    work(prepared);
    times.push(performance.now() - start);
  }
  times.sort((a, b) => a - b);
  return { median: times[Math.floor(times.length / 2)] ?? Number.NaN, rounds: times.length };
}

/** Bytes in use once everything that nobody holds is gone; typed arrays count as well. */
export function memoryInUse(): number {
  globalThis.gc?.();
  globalThis.gc?.();
  const { heapUsed, arrayBuffers } = process.memoryUsage();
  return heapUsed + arrayBuffers;
}
