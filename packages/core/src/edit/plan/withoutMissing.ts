import { type Rig } from "../../show/rig.ts";
import { keptKeys } from "../../show/keptKeys.ts";
import { paletteOf } from "../../show/move.ts";
import type { Cue, MoveSpec, Moves, Waves } from "../../show/schema.ts";

/**
 * A cue without the moves, waves and marks of what a show no longer has: lights, attributes and palettes.
 * What is still there stays as it was; a value outside its range stays too, and is told when the cue is read.
 */
export function withoutMissing(cue: Cue, rig: Rig, palettes: ReadonlyMap<string, unknown>): Cue {
  const hasKey = (channel: string, attribute: string): boolean => rig.attributes.get(Number(channel))?.has(attribute) ?? false;
  const hasPalette = (spec: MoveSpec): boolean => {
    const palette = paletteOf(spec);
    return palette === undefined || palettes.has(palette);
  };
  const parts = cue.parts.map(({ moves, waves, ...head }) => ({
    ...head,
    moves: keptKeys<Moves[string][string]>(moves, (channel, attribute, spec) => hasKey(channel, attribute) && hasPalette(spec)),
    ...(waves ? { waves: keptKeys<Waves[string][string]>(waves, hasKey) } : {}),
  }));
  const { mark } = cue;
  if (!mark?.channels) return { ...cue, parts };
  const channels = Object.fromEntries(Object.entries(mark.channels).filter(([channel]) => rig.channels.has(Number(channel))));
  return { ...cue, parts, mark: { ...mark, channels } };
}
