import { floatAt, intAt } from "../show/at.ts";
import { emptyState, stateAt } from "./checkpoints.ts";
import type { ListSheet } from "./sheet.ts";

/**
 * One value of a look as plain data.
 * As `look` of the headless commands prints it.
 */
export interface LookValue {
  /** In the attribute's own unit. */
  value: number;
  /** The number of the cue whose move put it there. */
  origin: string;
  /** Whether that cue is this one. */
  by: "move" | "tracked";
  /** The palette that the move refers to, if it does. */
  palette?: string;
}
/**
 * A cue's look as plain data: only the keys that are set.
 * Channels and attributes in the order of the rig.
 */
export interface Look {
  cue: string;
  /** By channel number, then by attribute. */
  values: Record<string, Record<string, LookValue>>;
}

/**
 * The look of a row with the origin of every value.
 * For one row; `stateAt` gives the same as numbers, for a caller that draws.
 */
export function lookAt(list: ListSheet, row: number): Look {
  const state = stateAt(list, row, emptyState(list));
  const look: Look = { cue: list.cues[row]?.number ?? "", values: {} };
  // Keys come channel by channel, so the object of a channel is looked for once.
  let channel = -1;
  let own: Record<string, LookValue> = {};
  for (const key of list.keys.all) {
    const value = floatAt(state.values, key.ordinal);
    if (Number.isNaN(value)) continue;
    if (key.channel !== channel) {
      channel = key.channel;
      own = look.values[channel] = {};
    }
    own[key.attribute.id] = lookValue(list, row, state.origins[key.ordinal] ?? row, intAt(state.palettes, key.ordinal), value);
  }
  return look;
}

/** One value with where it comes from. `from` is the row of its move; palettes are counted from 1, 0 is none. */
function lookValue(list: ListSheet, row: number, from: number, palette: number, value: number): LookValue {
  const origin = list.cues[from]?.number ?? "";
  const by = from === row ? "move" : "tracked";
  return palette === 0 ? { value, origin, by } : { value, origin, by, palette: list.palettes.ids[palette - 1] ?? "" };
}

/**
 * The looks of all cues, in order.
 * As `look --all` of the headless commands prints it.
 */
export function allLooks(list: ListSheet): Look[] {
  return list.cues.map((_, row) => lookAt(list, row));
}
