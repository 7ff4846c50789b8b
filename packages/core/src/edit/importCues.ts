import { keyName } from "../show/keyName.ts";
import { makeMove, moveTiming, paletteOf, plainValue } from "../show/move.ts";
import type { Cue, MoveSpec, Moves, Waves } from "../show/schema.ts";
import { keyAt } from "../sheet/keys.ts";
import type { ListSheet, ShowSheet } from "../sheet/sheet.ts";
import { count, listed } from "../show/words.ts";
import type { EditInput } from "./edits.ts";
import { rowsIn } from "./plan/rows.ts";
import { numbersFor } from "./rangeEdits.ts";

/**
 * Which cues of another show are taken, into which list of this one, and the number that the first of them takes; left out, all keep
 * theirs.
 * Both sheets stay as they are.
 */
export interface CueImport {
  readonly from: { readonly sheet: ShowSheet; readonly list: ListSheet; readonly first: string; readonly last: string };
  readonly into: { readonly sheet: ShowSheet; readonly list: ListSheet };
  readonly start?: string | undefined;
}

/**
 * The edits that insert cues of another show, light for light by their numbers, with labels, times, parts and walls. A palette that this show
 * does not have becomes the number that it stood for; what lights here cannot do is left out, and told in `left`. Marks, calls and actions
 * speak of the other show and stay there. Waves come along where light and tempo are here. Throws ShowError where the numbers are taken or do not fit.
 * `left` is told before the edits are made. Held looks and lists of the other show are not taken.
 */
export function importCuesEdits({ from, into, start }: CueImport): { edits: EditInput[]; left: string[] } {
  const numbers = numbersFor({ list: from.list, from: from.first, to: from.last, start, into: into.list }, false);
  const { first } = rowsIn(from.list, from.first, from.last);
  const lost = new Set<string>();
  const edits = numbers.flatMap((number, index): EditInput[] => {
    const cue = from.list.cues[first + index];
    return cue ? [inserted(cue, number, from.sheet, into, lost)] : [];
  });
  const left = lost.size === 0 ? [] : [`${count(lost.size, "value")} left out, for this rig has no ${listed([...lost])}`];
  return { edits, left };
}

/** The edits that make one cue of another show stand here; its moves are read against this rig first. */
function inserted(
  { number: _number, mark: _mark, call: _call, actions: _actions, parts, ...fields }: Cue,
  cue: string,
  from: ShowSheet,
  { sheet, list }: CueImport["into"],
  lost: Set<string>,
): EditInput {
  const own = parts.map(({ waves, ...part }) => ({
    ...part,
    moves: movesFor(part.moves, from, sheet, lost),
    ...(waves ? { waves: wavesHere(waves, sheet, lost) } : {}),
  }));
  return { op: "insertCue", list: list.id, ...fields, cue, parts: own };
}

/** The moves that lights of a rig can make, of those that another show stores. What is lost is added to `lost`, in words. */
function movesFor(moves: Moves, from: ShowSheet, into: ShowSheet, lost: Set<string>): Moves {
  const taken: Moves = {};
  for (const [channel, attributes] of Object.entries(moves)) {
    for (const [attribute, spec] of Object.entries<MoveSpec>(attributes)) {
      const move = moveFor(Number(channel), attribute, spec, from, into);
      if (move === undefined) lost.add(keyName(channel, attribute));
      else (taken[channel] ??= {})[attribute] = move;
    }
  }
  return taken;
}

/** The waves of a part that lights of this rig can make and whose tempo this show has. What is lost is added to `lost`, in words. */
function wavesHere(waves: Waves, into: ShowSheet, lost: Set<string>): Waves {
  const taken: Waves = {};
  for (const [channel, attributes] of Object.entries(waves)) {
    for (const [attribute, said] of Object.entries(attributes)) {
      const tempo = "tempo" in said ? said.tempo : undefined;
      const isHere = tempo === undefined || into.show.tempos?.some(({ id }) => id === tempo);
      if (!isHere || !keyAt(into.keys, Number(channel), attribute)) lost.add(`wave of ${channel}.${attribute}`);
      else (taken[channel] ??= {})[attribute] = said;
    }
  }
  return taken;
}

/** One move as this show can store it; undefined where its light cannot do that. A palette that is not here becomes the number it stood for. */
function moveFor(channel: number, attribute: string, spec: MoveSpec, from: ShowSheet, into: ShowSheet): MoveSpec | undefined {
  const [was, key] = [keyAt(from.keys, channel, attribute), keyAt(into.keys, channel, attribute)];
  if (!was || !key) return undefined;
  const inRange = (value: number): boolean => value >= key.attribute.min && value <= key.attribute.max;
  const palette = paletteOf(spec);
  if (palette === undefined) {
    const value = plainValue(spec);
    return value === undefined || inRange(value) ? spec : undefined;
  }
  if (into.palettes.valueFor(palette, key) !== undefined) return spec;
  const value = from.palettes.valueFor(palette, was);
  return value !== undefined && inRange(value) ? makeMove({ value }, moveTiming(spec)) : undefined;
}
