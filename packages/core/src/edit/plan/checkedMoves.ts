import { ShowError } from "../../show/errors.ts";
import { readMoves } from "../../show/readMoves.ts";
import { rigOf } from "../../show/rig.ts";
import type { MoveSpec } from "../../show/schema.ts";
import { type Key, keyAt } from "../../sheet/keys.ts";
import type { ShowSheet } from "../../sheet/sheet.ts";

/**
 * A move and the key it is for.
 * The key belongs to the rig of the sheet that the edit is planned on.
 */
export interface KeyMove {
  readonly key: Key;
  readonly spec: MoveSpec;
}

/**
 * The moves that an edit brings, held against the rig and its palettes. Throws ShowError with every fault, each naming `place`.
 * In the order of the rig. Nothing is stored: the plan decides what becomes of them.
 */
export function checkedMoves(sheet: ShowSheet, raw: object, place: string): KeyMove[] {
  const faults: string[] = [];
  const moves = readMoves(raw, rigOf(sheet.show), sheet.palettes.byId, place, faults);
  if (faults.length > 0) throw new ShowError(faults);
  return Object.entries(moves).flatMap(([channel, attributes]) =>
    Object.entries(attributes).flatMap(([attribute, spec]) => {
      const key = keyAt(sheet.keys, Number(channel), attribute);
      return key ? [{ key, spec }] : [];
    }),
  );
}
