import { type Cue, type Show, keyAt, keysOf, palettesOfShow, resolve } from "../../src/index.ts";

/** All looks of the first list, folded cue by cue exactly as SEMANTICS section 2 writes it: the slow and obvious way. */
export function foldLooks(show: Show): Map<string, number>[] {
  const keys = keysOf(show);
  const palettes = palettesOfShow(show);
  let carried = new Map<string, number>();
  return (show.lists[0]?.cues ?? []).map((cue) => {
    const look = new Map(cue.block || cue.carries === "isolated" ? [] : carried);
    for (const [name, value] of storedValues(cue)) {
      if (Number.isNaN(value)) look.delete(name);
      else look.set(name, value);
    }
    if ((cue.carries ?? "track") === "track") carried = look;
    return look;
  });

  function storedValues(cue: Cue): [string, number][] {
    return cue.parts.flatMap((part) =>
      Object.entries(part.moves).flatMap(([channel, attributes]) =>
        Object.entries(attributes).map(([attribute, spec]): [string, number] => {
          const key = keyAt(keys, Number(channel), attribute);
          return [`${channel}.${attribute}`, key ? resolve(spec, key, palettes) : Number.NaN];
        }),
      ),
    );
  }
}
