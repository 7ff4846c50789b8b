import { useCallback, useRef } from "react";

/** A second contact so soon after the first is the same press: a key or a button that bounces. Milliseconds. */
const BOUNCE = 150;

/** What a press comes with: when it was made, in milliseconds of the page, and for a key whether it is the key repeating itself. */
export interface Pressing {
  readonly timeStamp: number;
  readonly repeat?: boolean;
}

/** Tells a press from one that only bounces, and from a key that is held down: true where it is one to be done. */
export function usePressGuard(): (event: Pressing) => boolean {
  const pressedAt = useRef(Number.NEGATIVE_INFINITY);
  return useCallback((event) => {
    // By when it was pressed, not when a busy page came to it; a key that is held down is one press.
    const since = event.timeStamp - pressedAt.current;
    if (since < BOUNCE || (event.repeat ?? false)) return false;
    pressedAt.current = event.timeStamp;
    return true;
  }, []);
}
