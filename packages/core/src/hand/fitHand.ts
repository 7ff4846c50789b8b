import { readMoves } from "../show/readMoves.ts";
import { rigOf } from "../show/rig.ts";
import type { Moves } from "../show/schema.ts";
import { keyNamed } from "../sheet/keys.ts";
import type { ShowSheet } from "../sheet/sheet.ts";
import type { Hand, Held } from "./hand.ts";
import { type HeldWave, keyOfWave } from "./heldWave.ts";

/**
 * The Hand held against a rig that has changed: keys that are gone, and palettes that are, leave it.
 * Returns the same Hand where all of it fits.
 */
export function fitHand(hand: Hand, sheet: ShowSheet): Hand {
  const rig = rigOf(sheet.show);
  const fits = (record: Readonly<Record<string, Held>>): Record<string, Held> => {
    const moves: Moves = {};
    for (const [name, held] of Object.entries(record)) {
      const key = keyNamed(sheet.keys, name);
      if (key && "move" in held) (moves[key.channel] ??= {})[key.attribute.id] = held.move;
    }
    const good = readMoves(moves, rig, sheet.palettes.byId, "In hand", []);
    return Object.fromEntries(
      Object.entries(record).filter(([name, held]) => {
        if ("wave" in held) return keyOfWave(sheet.keys, name) !== undefined && hasTempo(sheet, held);
        const key = keyNamed(sheet.keys, name);
        return key !== undefined && good[key.channel]?.[key.attribute.id] !== undefined;
      }),
    );
  };
  const all = Object.keys(hand.held).length + Object.keys(hand.dropped).length;
  const after = { ...hand, held: fits(hand.held), dropped: fits(hand.dropped) };
  return Object.keys(after.held).length + Object.keys(after.dropped).length === all ? hand : after;
}

/** True where the tempo that a wave goes by, if any, is in the show. */
function hasTempo({ show }: ShowSheet, { wave }: HeldWave): boolean {
  const tempo = "tempo" in wave ? wave.tempo : undefined;
  return tempo === undefined || (show.tempos ?? []).some(({ id }) => id === tempo);
}
