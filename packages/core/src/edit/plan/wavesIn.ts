import { attributeAt, rigOf } from "../../show/rig.ts";
import type { Waves } from "../../show/schema.ts";
import { type Key, keyAt } from "../../sheet/keys.ts";
import type { ShowSheet } from "../../sheet/sheet.ts";
import { checkTempo } from "./fannedWave.ts";
import type { SaidWave } from "./partWaves.ts";

/**
 * Waves as a part holds them, each with its key (docs/running.md, Waves).
 * Throws ShowError, naming `place`, for a light, an attribute or a tempo that the show does not have.
 */
export function wavesIn({ show, keys }: ShowSheet, waves: Waves, place: string): [Key, SaidWave][] {
  const tempos = (show.tempos ?? []).map(({ id }) => id);
  return Object.entries(waves).flatMap(([channel, own]) =>
    Object.entries(own).flatMap(([attribute, said]): [Key, SaidWave][] => {
      const key = keyAt(keys, Number(channel), attribute);
      if (!key) attributeAt(rigOf(show), Number(channel), attribute, place);
      if ("tempo" in said && said.tempo !== undefined) checkTempo(said.tempo, tempos);
      return key ? [[key, said]] : [];
    }),
  );
}
