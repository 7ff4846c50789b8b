import { freeId } from "./ids.ts";
import type { Show, Tempo } from "./schema.ts";

/**
 * A tempo that the show does not have yet, with an id made from its name.
 * Beats a minute. For the edit that sets a tempo.
 */
export function newTempo({ tempos = [] }: Pick<Show, "tempos">, label: string, perMinute: number): Tempo {
  const taken = tempos.map(({ id }) => id);
  return { id: freeId(label, taken), label, perMinute };
}
