import { slotName } from "../show/slots.ts";
import { EMPTY_COLUMN } from "../sheet/column.ts";
import { columnOf, valueAt } from "../sheet/entry.ts";
import type { Key } from "../sheet/keys.ts";
import { cueAt } from "../sheet/sheet.ts";
import { emittersOf } from "../stage/colour.ts";
import type { CheckContext } from "./context.ts";
import { type Finding, findingAt } from "./finding.ts";

/** Names of places of a wheel that let no light through. */
const CLOSED = /^(closed?|shut|dark|black|blackout|no light)\b/i;

/** By row, 1 where something holds of a light. */
type Rows = Uint8Array;

/**
 * A light that is lit and gives nothing: all that makes its colour is at 0, or a wheel stands in a closed place. Told once for each run of cues, at its
 * first. It depends on nothing but the light's own keys.
 */
export function litUnseen(context: CheckContext, channel: number, keys: readonly Key[], lit: Rows): Finding[] {
  const emitters = emittersOf(keys.map(({ attribute }) => attribute)).map(({ attribute }) => attribute);
  const makers = keys.filter(({ attribute }) => emitters.includes(attribute));
  const wheels = keys.filter(({ attribute }) => attribute.slots?.some(({ name }) => CLOSED.test(name)));
  if (makers.length === 0 && wheels.length === 0) return [];
  const colourless = makers.length === 0 ? undefined : everyRow(context, makers, (_key, value) => value === 0);
  const found = colourless
    ? runs(lit, colourless).map((run) => tell(context, channel, run, "its colours are all at 0", "Give it a colour"))
    : [];
  for (const wheel of wheels) {
    const closed = everyRow(context, [wheel], ({ attribute }, value) => CLOSED.test(slotName(attribute, value) ?? ""));
    const name = wheel.attribute.name ?? wheel.attribute.id;
    found.push(...runs(lit, closed).map((run) => tell(context, channel, run, `its ${name} is closed`, `Open its ${name}`)));
  }
  return found;
}

/** The rows in which something holds of the value of each of some keys, as they stand or rest. */
function everyRow({ list }: CheckContext, keys: readonly Key[], holds: (key: Key, value: number) => boolean): Rows {
  const rows = new Uint8Array(list.cues.length).fill(1);
  for (const key of keys) {
    const column = columnOf(list, key);
    let rest = key.attribute.home;
    for (let row = 0; row < rows.length; row += 1) {
      const value = column === EMPTY_COLUMN ? Number.NaN : valueAt(list, column, row);
      if (!Number.isNaN(value)) rest = value;
      if (!holds(key, rest)) rows[row] = 0;
    }
  }
  return rows;
}

interface Run {
  readonly first: number;
  readonly last: number;
}

/** The runs of rows in which both hold. */
function runs(lit: Rows, other: Rows): Run[] {
  const found: Run[] = [];
  let first = -1;
  for (let row = 0; row <= lit.length; row += 1) {
    const both = lit[row] === 1 && other[row] === 1;
    if (both && first < 0) first = row;
    if (both || first < 0) continue;
    found.push({ first, last: row - 1 });
    first = -1;
  }
  return found;
}

function tell(context: CheckContext, channel: number, { first, last }: Run, why: string, mend: string): Finding {
  const { list } = context;
  const cue = cueAt(list, first).number;
  const where = last > first ? `cues ${cue} to ${cueAt(list, last).number}` : `cue ${cue}`;
  const message = `Light ${channel} is lit in ${where} and gives no light: ${why}. ${mend}, or take its level out.`;
  return findingAt(context, "lit-unseen", first, channel, message);
}
