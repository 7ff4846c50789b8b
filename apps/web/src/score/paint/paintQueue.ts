/** So much of a frame goes to paintings that can wait; milliseconds. */
const BUDGET = 4;

const queue = new Map<object, () => void>();

/** Paints something in one of the next frames, few enough in each that the page stays smooth; the newest painting of a thing replaces an older one. */
export function paintSoon(thing: object, paint: () => void): void {
  if (queue.size === 0) requestAnimationFrame(paintSome);
  queue.set(thing, paint);
}

const nextFrame = new Map<object, () => void>();

/** Paints something in the next frame, together with everything else that changes in it, and not in the midst of what the page computes now. */
export function paintInFrame(thing: object, paint: () => void): void {
  if (nextFrame.size === 0) requestAnimationFrame(paintFrame);
  nextFrame.set(thing, paint);
}

function paintFrame(): void {
  const paintings = [...nextFrame.values()];
  nextFrame.clear();
  for (const paint of paintings) paint();
}

/** Leaves out a painting that is no longer wanted. */
export function forgetPainting(thing: object): void {
  queue.delete(thing);
  nextFrame.delete(thing);
}

function paintSome(): void {
  const until = performance.now() + BUDGET;
  for (const [thing, paint] of queue) {
    queue.delete(thing);
    paint();
    if (performance.now() >= until) break;
  }
  if (queue.size > 0) requestAnimationFrame(paintSome);
}
