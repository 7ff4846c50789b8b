/**
 * Runs a computation that pauses, without pausing, and returns its result.
 * Long computations are written as generators that pause between units of work; a server runs them in slices instead.
 * Errors that the work throws pass through.
 */
export function runToEnd<T>(work: Generator<undefined, T>): T {
  let step = work.next();
  while (!step.done) step = work.next();
  return step.value;
}
