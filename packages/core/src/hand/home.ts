import { type EditInput, type KeySelection, selectKeys } from "../edit/index.ts";
import type { Moves } from "../show/schema.ts";
import { groupBy } from "../show/groupBy.ts";
import { ShowError } from "../show/errors.ts";
import type { Key, Keys } from "../sheet/keys.ts";

/** The keys that "home" speaks of: those named, else everything of the lights but their levels. Throws ShowError when the lights have nothing such. */
function homeKeys(keys: Keys, selection: KeySelection): Key[] {
  const named = selection.attributes !== undefined || selection.families !== undefined;
  const found = selectKeys(keys, selection).filter((key) => named || key.attribute.family !== "intensity");
  if (found.length === 0) throw new ShowError("These lights have nothing but a level; 0 is written as = out");
  return found;
}

/**
 * The resting values of the lights, as they are taken in hand. Throws ShowError when the lights have nothing but a level.
 * Positions, colours and beams only: home for a level is out, which is said otherwise.
 */
export function homeMoves(keys: Keys, selection: KeySelection): Moves {
  const moves: Moves = {};
  for (const key of homeKeys(keys, selection)) (moves[key.channel] ??= {})[key.attribute.id] = key.attribute.home;
  return moves;
}

/** The lights at full and everything else of them at home: seen as they are, whatever they did. */
export function litMoves(keys: Keys, channels: readonly number[]): Moves {
  const moves: Moves = {};
  for (const key of selectKeys(keys, { channels: [...channels] }))
    (moves[key.channel] ??= {})[key.attribute.id] = key.attribute.family === "intensity" ? key.attribute.max : key.attribute.home;
  return moves;
}

/**
 * The edits that send lights home in a range of cues: one for each attribute and resting value.
 * Together they are one gesture and one undo.
 */
export function homeEdits(
  keys: Keys,
  selection: KeySelection,
  range: { list: string; from: string; to: string; after: "restore" | "track" },
): EditInput[] {
  const { list, from, to, after } = range;
  const alike = groupBy(homeKeys(keys, selection), ({ attribute }) => `${attribute.id} ${attribute.home}`);
  return [...alike.values()].map((own): EditInput => ({
    op: "change",
    list,
    from,
    to,
    keys: { channels: own.map((key) => key.channel), attributes: own.slice(0, 1).map((key) => key.attribute.id) },
    do: { set: own[0]?.attribute.home ?? 0 },
    where: "look",
    after,
  }));
}
