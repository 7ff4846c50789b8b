/** So long a computation holds the window before what was pressed and drawn meanwhile has its turn; milliseconds. */
const SLICE = 4;

/** Lets everything that waits for the window have its turn. */
function turn(): Promise<void> {
  return new Promise((resolve) => {
    const { port1, port2 } = new MessageChannel();
    port1.onmessage = () => {
      port1.close();
      resolve();
    };
    port2.postMessage(null);
  });
}

/** Runs a long computation that pauses in slices, so that the window answers meanwhile. Returns what it returns; what it throws comes through. */
export async function inSlices<T>(work: Generator<unknown, T>): Promise<T> {
  let until = performance.now() + SLICE;
  for (let step = work.next(); ; step = work.next()) {
    if (step.done) return step.value;
    if (performance.now() < until) continue;
    await turn();
    until = performance.now() + SLICE;
  }
}
