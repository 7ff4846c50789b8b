import type { CueList, Tempo } from "../show/schema.ts";
import { count } from "../show/words.ts";
import { writeValue } from "../values/valueWords.ts";
import { writeSeconds } from "./timeWords.ts";

/** The orders in which a list steps, as people speak of them. */
export const ORDER_WORDS = {
  forward: "forward",
  back: "back",
  bounce: "there and back",
  shuffle: "drawn anew each round",
} as const;

/**
 * How a list runs by itself, in words: "a step every 0.6 s, there and back, 3 rounds", "a step at each beat of Swell (24 a minute), forward,
 * for ever"; "waits for Go" without steps. Without a full stop.
 */
export function stepsWords(steps: CueList["steps"], tempos: readonly Tempo[] = []): string {
  if (!steps) return "waits for Go";
  const { interval = 1, tempo, order = "forward", rounds = 0 } = steps;
  const known = tempos.find(({ id }) => id === tempo);
  const beat = known ? `${known.label || known.id} (${writeValue(known.perMinute)} a minute)` : tempo;
  const every = tempo === undefined ? `a step every ${writeSeconds(interval)} s` : `a step at each beat of ${beat}`;
  return `${every}, ${ORDER_WORDS[order]}, ${rounds === 0 ? "for ever" : count(rounds, "round")}`;
}
