import {
  type EditInput,
  type MoveSpec,
  type Outcome,
  type ShowSheet,
  ShowError,
  entryAt,
  listOf,
  makeEdits,
  readEdits,
} from "../../src/index.ts";

/** What edits come to, or null when they are refused. */
export function attempt(sheet: ShowSheet, edits: readonly EditInput[]): Outcome | null {
  try {
    return makeEdits(sheet, readEdits(edits));
  } catch (error) {
    if (error instanceof ShowError) return null;
    throw error;
  }
}

/** Why edits are refused; fails when they are not. */
export function refusal(sheet: ShowSheet, edits: readonly EditInput[]): string {
  try {
    makeEdits(sheet, readEdits(edits));
  } catch (error) {
    if (error instanceof ShowError) return error.message;
    throw error;
  }
  throw new Error("the edit was made");
}

/** The looks of the first list as maps of the keys that are set. */
export function looksOf(sheet: ShowSheet): Map<string, number>[] {
  const list = listOf(sheet);
  return list.cues.map((_, row) => {
    const set = list.keys.all.map((key): [string, number] => [key.name, entryAt(list, key, row).value]);
    return new Map(set.filter(([, value]) => !Number.isNaN(value)));
  });
}

/** Every stored move of the first list: "12/1.pan" to what stands there, part included. */
export function storedOf(sheet: ShowSheet): Map<string, { part: number; move: MoveSpec }> {
  const stored = new Map<string, { part: number; move: MoveSpec }>();
  for (const cue of listOf(sheet).cues)
    for (const part of cue.parts)
      for (const [channel, attributes] of Object.entries(part.moves))
        for (const [name, move] of Object.entries(attributes)) stored.set(`${cue.number}/${channel}.${name}`, { part: part.number, move });
  return stored;
}

/** What every cue of the first list stores, by cue and key, without the part. */
export function stored(sheet: ShowSheet): Map<string, MoveSpec> {
  return new Map([...storedOf(sheet)].map(([name, { move }]) => [name, move]));
}
