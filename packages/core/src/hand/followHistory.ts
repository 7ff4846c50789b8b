import { type Step, targetOfMove } from "../edit/index.ts";
import { keyName } from "../show/keyName.ts";
import { makeMove, sameMove } from "../show/move.ts";
import { sameData } from "../show/sameData.ts";
import type { MoveSpec } from "../show/schema.ts";
import type { ShowSheet } from "../sheet/sheet.ts";
import { letGo } from "./changeHand.ts";
import type { Hand } from "./hand.ts";
import { waveNamed } from "./heldWave.ts";
import { withChanged } from "./withChanged.ts";

/**
 * The Hand when the running list goes on: what has been recorded gives way to it, what has not stays over it.
 * A value that has been changed since its record is not given up. `now` is milliseconds of the server's clock.
 */
export function giveWay(hand: Hand, sheet: ShowSheet, now: number): Hand {
  const recorded = Object.keys(hand.held).filter((name) => hand.held[name]?.fresh === false);
  return { ...letGo(hand, recorded, sheet, now, 1), dropped: hand.dropped };
}

/**
 * The Hand after a step in the history: a value whose record was taken back counts as changed again, and as recorded when the
 * record is made again.
 * `steps` are those that were made, in their order. Values themselves stay in hand.
 */
export function followHistory(hand: Hand, steps: readonly Step[]): Hand {
  if (Object.keys(hand.held).length === 0) return hand;
  const fresh = new Map<string, boolean>();
  for (const step of steps) {
    if (step.at === "move") {
      const name = keyName(step.channel, step.attribute);
      const held = hand.held[name];
      if (!held || "wave" in held) continue;
      if (sameTarget(step.after?.move, held.move)) fresh.set(name, false);
      else if (sameTarget(step.before?.move, held.move)) fresh.set(name, true);
    } else if (step.at === "part") {
      for (const [name, held] of Object.entries(hand.held)) {
        if (!("wave" in held)) continue;
        if (sameData(waveNamed(step.after?.waves, name), held.wave)) fresh.set(name, false);
        else if (sameData(waveNamed(step.before?.waves, name), held.wave)) fresh.set(name, true);
      }
    }
  }
  const changes = [...fresh].some(([name, now]) => hand.held[name]?.fresh !== now);
  return changes
    ? { ...hand, held: withChanged(hand.held, fresh, (held, name) => ({ ...held, fresh: fresh.get(name) ?? held.fresh })) }
    : hand;
}

/** True when two moves ask for the same value, whatever their times. */
function sameTarget(a: MoveSpec | undefined, b: MoveSpec): boolean {
  return a !== undefined && sameMove(makeMove(targetOfMove(a)), makeMove(targetOfMove(b)));
}
