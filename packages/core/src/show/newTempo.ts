import { freeIdAmong } from "./ids.ts";
import type { Show, Tempo } from "./schema.ts";

/**
 * A tempo that the show does not have yet, with an id made from its name.
 * Beats a minute. For the edit that sets a tempo.
 */
export function newTempo({ tempos = [] }: Pick<Show, "tempos">, label: string, perMinute: number): Tempo {
  return { id: freeIdAmong(label, tempos), label, perMinute };
}
