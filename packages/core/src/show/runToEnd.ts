/** Runs a computation that pauses, without pausing, and gives what it comes to. */
export function runToEnd<T>(work: Generator<undefined, T>): T {
  let step = work.next();
  while (!step.done) step = work.next();
  return step.value;
}
