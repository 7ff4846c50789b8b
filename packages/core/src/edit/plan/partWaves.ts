import type { Cue, Part, PartHead, Waves } from "../../show/schema.ts";
import type { Key } from "../../sheet/keys.ts";
import type { ListSheet } from "../../sheet/sheet.ts";
import { wavePart } from "../../sheet/waves.ts";
import { sameData } from "../../show/sameData.ts";
import { partHeadOf } from "../steps/apply.ts";
import type { Step } from "../steps/step.ts";

/**
 * What a part says of the wave of a key: a wave, or that it stops.
 * A stop is something said: it ends what tracks in.
 */
export type SaidWave = Waves[string][string];

/**
 * The steps by which a cue says this of the waves of keys, or nothing any more (null): in the part that is named for the key, else in the
 * one that said something of it before, else in the first.
 * `own` says for each key what its wave becomes; null forgets it. One step for each part that changes.
 */
export function saidSteps(
  list: string,
  cue: Cue,
  own: ReadonlyMap<Key, SaidWave | null>,
  parts: ReadonlyMap<Key, number> = new Map(),
): Step[] {
  const holderOf = (key: Key): number => parts.get(key) ?? wavePart(cue, key) ?? cue.parts[0]?.number ?? 1;
  return cue.parts.flatMap((part) => wavesStep(list, cue, part, wavesWith(part, own, holderOf)));
}

/**
 * The waves of a part once a cue says this of the waves of keys; null forgets what it said.
 * `holderOf` gives the number of the part that holds the wave of a key from then on: it goes out of every other.
 */
export function wavesWith(
  { number, waves: stored = {} }: Pick<Part, "number" | "waves">,
  own: ReadonlyMap<Key, SaidWave | null>,
  holderOf: (key: Key) => number,
): Waves {
  const waves: Waves = Object.fromEntries(Object.entries(stored).map(([channel, attributes]) => [channel, { ...attributes }]));
  for (const [key, said] of own) {
    const [channel, name] = [String(key.channel), key.attribute.id];
    const { [name]: _was, ...others } = waves[channel] ?? {};
    if (number === holderOf(key) && said !== null) waves[channel] = { ...others, [name]: said };
    else if (waves[channel]) waves[channel] = others;
  }
  return waves;
}

/**
 * What a cue says of the wave of a key, and in which part; undefined where it says nothing.
 * In the cue itself; what tracks into it is read by `wavesOf`.
 */
export function saidWave(cue: Cue, key: Key): { readonly said: SaidWave; readonly part: number } | undefined {
  const part = wavePart(cue, key);
  const said = cue.parts.find(({ number }) => number === part)?.waves?.[key.channel]?.[key.attribute.id];
  return said === undefined || part === undefined ? undefined : { said, part };
}

/**
 * The step that gives a part other waves; none where they are the same.
 * `waves` is all that the part then says; an empty object takes the field away.
 */
export function wavesStep(list: string, cue: Cue, part: Part, waves: Waves): Step[] {
  const before = partHeadOf(part);
  const after = headWithWaves(before, waves);
  return sameData(before, after) ? [] : [{ at: "part", list, cue: cue.number, part: part.number, before, after }];
}

/**
 * What a part says beside its moves, with these waves and no others; without any it has no such field.
 * Two heads that say the same compare as the same.
 */
export function headWithWaves(part: PartHead, waves: Waves): PartHead {
  const left = Object.fromEntries(Object.entries(waves).filter(([, attributes]) => Object.keys(attributes).length > 0));
  const { waves: _was, ...rest } = part;
  return Object.keys(left).length > 0 ? { ...rest, waves: left } : rest;
}

/**
 * The steps by which the waves of a light become those of another number, or go with it (null).
 * For renumbering, recasting and removing lights. Empty where the light has no wave in the list.
 */
export function wavesRenamed(list: ListSheet, from: number, to: number | null): Step[] {
  return list.cues.flatMap((cue) =>
    cue.parts.flatMap((part) => {
      const { [from]: own, ...others } = part.waves ?? {};
      if (own === undefined) return [];
      return wavesStep(list.id, cue, part, to === null ? others : { ...others, [to]: own });
    }),
  );
}
