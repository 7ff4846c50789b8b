import type { Cue, MoveSpec, Show } from "../../src/index.ts";

/**
 * All looks of the first list, folded cue by cue exactly as docs/rules.md, Tracking writes it: the slow and obvious way. It is a judge of
 * the code under test, so it calls none of it.
 */
export function foldLooks(show: Show): Map<string, number>[] {
  const typeOf = new Map(show.channels.map(({ number, type }) => [number, type]));
  let carried = new Map<string, number>();
  return (show.lists[0]?.cues ?? []).map((cue) => {
    const look = new Map(cue.block || cue.carries === "isolated" ? [] : carried);
    for (const [name, value] of storedValues(cue)) {
      if (value === undefined) look.delete(name);
      else look.set(name, value);
    }
    if ((cue.carries ?? "track") === "track") carried = look;
    return look;
  });

  function storedValues(cue: Cue): [string, number | undefined][] {
    return cue.parts.flatMap((part) =>
      Object.entries(part.moves).flatMap(([channel, attributes]) =>
        Object.entries(attributes).map(([attribute, spec]): [string, number | undefined] => [
          `${channel}.${attribute}`,
          valueOf(spec, Number(channel), attribute),
        ]),
      ),
    );
  }

  /** The palette's value for the channel, else for its type, else the one for all; undefined: unset. */
  function valueOf(spec: MoveSpec, channel: number, attribute: string): number | undefined {
    if (typeof spec === "number") return spec;
    if (spec.palette === undefined) return spec.value;
    const values = (show.palettes.find(({ id }) => id === spec.palette)?.values ?? []).filter((entry) => entry.attribute === attribute);
    const own = values.findLast((entry) => entry.channel === channel);
    const forType = values.findLast((entry) => entry.type !== undefined && entry.type === typeOf.get(channel));
    const forAll = values.findLast((entry) => entry.channel === undefined && entry.type === undefined);
    return (own ?? forType ?? forAll)?.value;
  }
}
