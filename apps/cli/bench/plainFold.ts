import { type Cue, type MoveSpec, type Palette, type Show } from "@zm/core";

type PlainLook = Record<string, Record<string, number>>;

/**
 * All looks of the first list recomputed, cue by cue, in plain nested objects: the obvious way without any index, which every
 * other figure is held against.
 */
export function plainFold(show: Show): PlainLook[] {
  const palettes = new Map(show.palettes.map((palette) => [palette.id, palette]));
  const types = new Map(show.channels.map((channel) => [String(channel.number), channel.type]));
  let carried: PlainLook = {};
  return (show.lists[0]?.cues ?? []).map((cue) => {
    const look = cue.block || cue.carries === "isolated" ? {} : copied(carried);
    layOver(look, cue, palettes, types);
    if ((cue.carries ?? "track") === "track") carried = look;
    return look;
  });
}

function copied(look: PlainLook): PlainLook {
  return Object.fromEntries(Object.entries(look).map(([channel, values]) => [channel, { ...values }]));
}

function layOver(look: PlainLook, cue: Cue, palettes: ReadonlyMap<string, Palette>, types: ReadonlyMap<string, string>): void {
  for (const part of cue.parts) {
    for (const [channel, attributes] of Object.entries(part.moves)) {
      for (const [attribute, move] of Object.entries(attributes)) {
        const value = valueOf(move, channel, attribute, palettes, types);
        if (value === undefined) delete look[channel]?.[attribute];
        else (look[channel] ??= {})[attribute] = value;
      }
    }
  }
}

function valueOf(
  move: MoveSpec,
  channel: string,
  attribute: string,
  palettes: ReadonlyMap<string, Palette>,
  types: ReadonlyMap<string, string>,
): number | undefined {
  if (typeof move === "number") return move;
  if (move.value !== undefined) return move.value;
  if (move.palette === undefined) return undefined;
  const own = (palettes.get(move.palette)?.values ?? []).filter((entry) => entry.attribute === attribute);
  const found =
    own.find((entry) => String(entry.channel) === channel) ??
    own.find((entry) => entry.type !== undefined && entry.type === types.get(channel)) ??
    own.find((entry) => entry.channel === undefined && entry.type === undefined);
  return found?.value;
}
