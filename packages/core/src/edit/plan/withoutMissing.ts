import { type Rig } from "../../show/rig.ts";
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
    moves: keptOf<Moves[string][string]>(moves, (channel, attribute, spec) => hasKey(channel, attribute) && hasPalette(spec)),
    ...(waves ? { waves: keptOf<Waves[string][string]>(waves, hasKey) } : {}),
  }));
  const { mark } = cue;
  if (!mark?.channels) return { ...cue, parts };
  const channels = Object.fromEntries(Object.entries(mark.channels).filter(([channel]) => rig.channels.has(Number(channel))));
  return { ...cue, parts, mark: { ...mark, channels } };
}

/** What is kept of things by light and attribute; lights of which nothing is kept are left out. */
function keptOf<T>(
  all: Readonly<Record<string, Readonly<Record<string, T>>>>,
  keeps: (channel: string, attribute: string, one: T) => boolean,
): Record<string, Record<string, T>> {
  const lights = Object.entries(all).map(([channel, own]) => {
    const kept = Object.entries(own).filter(([attribute, one]) => keeps(channel, attribute, one));
    return [channel, Object.fromEntries(kept)] as const;
  });
  return Object.fromEntries(lights.filter(([, own]) => Object.keys(own).length > 0));
}
