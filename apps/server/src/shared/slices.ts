import { setImmediate as nextTick } from "node:timers/promises";
import { now } from "./clock.ts";

/** So long a computation holds the event loop before everything else has its turn; milliseconds. */
const SLICE = 4;
/** Of many small things so many are done between two looks at the clock. */
const BETWEEN_LOOKS = 100;

/** The slice that a long computation is in. */
class Slice {
  private until = now() + SLICE;

  get isOver(): boolean {
    return now() >= this.until;
  }

  /** Gives the event loop a turn, and begins another. */
  async next(): Promise<void> {
    await nextTick();
    this.until = now() + SLICE;
  }
}

/**
 * Runs a long computation that can pause, giving the event loop a turn between slices, so that a follow still fires on time. The
 * computation is a generator that yields where it may be interrupted; what it yields is left aside. Returns what it returns; what it throws comes through.
 */
export async function inSlices<T>(work: Generator<unknown, T>): Promise<T> {
  const slice = new Slice();
  for (let step = work.next(); ; step = work.next()) {
    if (step.done) return step.value;
    if (slice.isOver) await slice.next();
  }
}

/** Does something with each thing, in slices; of small things so many between two looks at the clock. */
export async function eachInSlices<T>(things: Iterable<T>, act: (thing: T) => void, betweenLooks = BETWEEN_LOOKS): Promise<void> {
  const slice = new Slice();
  let place = 0;
  for (const thing of things) {
    act(thing);
    place += 1;
    if (place % betweenLooks === 0 && slice.isOver) await slice.next();
  }
}

/** Maps each thing, in slices. */
export async function mapInSlices<T, R>(things: readonly T[], make: (thing: T) => R): Promise<R[]> {
  const slice = new Slice();
  const made: R[] = [];
  for (const thing of things) {
    made.push(make(thing));
    if (slice.isOver) await slice.next();
  }
  return made;
}

/** A text that is made piece by piece, with a turn of the event loop between slices: for a stream that sends it. */
export async function* textInSlices(pieces: Iterable<string>): AsyncGenerator<Buffer> {
  const slice = new Slice();
  let held: string[] = [];
  for (const piece of pieces) {
    held.push(piece);
    if (!slice.isOver) continue;
    yield Buffer.from(held.join(""));
    held = [];
    await slice.next();
  }
  if (held.length > 0) yield Buffer.from(held.join(""));
}
