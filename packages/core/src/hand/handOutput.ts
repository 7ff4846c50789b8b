import { moveTiming } from "../show/move.ts";
import type { Key } from "../sheet/keys.ts";
import { type Palettes, resolve } from "../sheet/palettes.ts";
import { type Hand, type HeldValue, heldValue } from "./hand.ts";
import { comingIn, onTheWayBack } from "./onTheWayBack.ts";

/**
 * What a key puts out with the Hand over the show, without waves: `under` is what runs under it, `now` milliseconds of the server's clock.
 * In the attribute's own unit. For one key; `applyHand` does it for a whole frame.
 */
export function handOutput(hand: Hand, key: Key, palettes: Palettes, under: number, now: number): number {
  const held = heldValue(hand, key);
  if (held) {
    const value = resolve(held.move, key, palettes);
    if (!Number.isNaN(value)) return onCourse(value, held, under, now);
  }
  const leaving = hand.leaving[key.name];
  return leaving && "from" in leaving ? onTheWayBack(leaving.from, under, leaving.at, leaving.fade, now) : under;
}

/** Where a value in hand has come that takes its own times; what lies under it counts until it takes hold. */
function onCourse(value: number, { move, course }: HeldValue, under: number, now: number): number {
  if (!course) return value;
  const { delay = 0, fade = 0, curve = "linear" } = moveTiming(move);
  return comingIn({ from: course.from ?? under, value, delay, fade, curve, seconds: (now - course.at) / 1000 });
}
