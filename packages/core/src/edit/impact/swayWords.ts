import { intAt } from "../../show/at.ts";
import { count, listed } from "../../show/words.ts";
import { groupBy } from "../../show/groupBy.ts";
import type { Wave } from "../../show/schema.ts";
import { sameData } from "../../show/sameData.ts";
import type { Key } from "../../sheet/keys.ts";
import type { ListSheet } from "../../sheet/sheet.ts";
import { wavesOf } from "../../sheet/waves.ts";
import type { Step } from "../steps/step.ts";

/**
 * By row after: how the waves of a cue are others than they were, "pan of 6 lights begins to sway", also where they only track into it (docs/running.md,
 * Waves). `pairs` gives the row before, -1 for a cue that is new. Empty where no step touches a wave, a wall or the order of the cues.
 */
export function swayWords(was: ListSheet, is: ListSheet, pairs: Int32Array, steps: readonly Step[]): Map<number, string> {
  const words = new Map<number, string>();
  if (steps.every(({ at }) => at === "move")) return words;
  // The same key of a rig that has changed is another object, so keys go by their names.
  const [before, after] = [was, is].map((list) => new Map([...wavesOf(list)].map(([key, rows]) => [key.name, { key, rows }])));
  const changes = new Map<number, { key: Key; kind: SwayChange }[]>();
  for (const name of new Set([...(before?.keys() ?? []), ...(after?.keys() ?? [])])) {
    const [then, now] = [before?.get(name), after?.get(name)];
    const key = now?.key ?? then?.key;
    for (let row = 0; key && row < is.cues.length; row += 1) {
      const kind = changeOf(then?.rows[intAt(pairs, row)]?.wave ?? null, now?.rows[row]?.wave ?? null);
      if (kind) changes.set(row, [...(changes.get(row) ?? []), { key, kind }]);
    }
  }
  for (const [row, own] of changes) words.set(row, changeWords(own));
  return words;
}

/** What becomes of a wave in a look. */
type SwayChange = "begins to sway" | "stops swaying" | "sways otherwise";

/** What becomes of a wave; undefined where nothing does. */
function changeOf(then: Wave | null, now: Wave | null): SwayChange | undefined {
  if (sameData(then, now)) return undefined;
  if (then === null) return "begins to sway";
  return now === null ? "stops swaying" : "sways otherwise";
}

/** Everything that becomes of the waves of one cue, kind by kind. */
function changeWords(changes: readonly { key: Key; kind: SwayChange }[]): string {
  return [...groupBy(changes, ({ kind }) => kind)].map(([kind, own]) => `${whatWords(own.map(({ key }) => key))} ${kind}`).join(", ");
}

/** "pan of 6 lights". */
function whatWords(keys: readonly Key[]): string {
  const lights = [...new Set(keys.map(({ channel }) => channel))];
  const names = [...new Set(keys.map(({ attribute }) => attribute.name ?? attribute.id))];
  return `${listed(names)} of ${lights.length === 1 ? `light ${lights[0]}` : count(lights.length, "light")}`;
}
