// Copy, cut and paste. What goes to the clipboard is text of the open format, so that it can go into another list, another show, or a mail.
import { z } from "zod";
import { ShowError } from "../show/errors.ts";
import { faultsOf } from "../show/faults.ts";
import { movesIn } from "../show/move.ts";
import { readJson } from "../show/readJson.ts";
import { type Moves, documentParts } from "../show/schema.ts";
import { count } from "../show/words.ts";
import { type Key, keyAt } from "../sheet/keys.ts";
import { type ListSheet, cueAt } from "../sheet/sheet.ts";
import type { EditInput } from "./edits.ts";
import { storedMove } from "./plan/moveSteps.ts";

const schema = z.strictObject({
  format: z.literal("zealous-mark/moves"),
  version: z.literal(1),
  /** The lights from left to right, also those that have no move in it. */
  channels: z.array(z.number().int().positive()).min(1),
  /** The cues from the first to the last, also those without a move. */
  cues: z.array(z.strictObject({ cue: z.string(), moves: documentParts.moves })).min(1),
});

/**
 * A block of stored moves, as it is copied between cues, lights, lists and shows: plain text of the open format.
 * Rows are kept by their distance from the first, lights by their place: a block can be put elsewhere.
 * It is checked when it is read, since a clipboard can hold anything.
 */
export type Clip = z.infer<typeof schema>;

/**
 * The moves that a block of cells stores: rows first to last, these lights, those of their keys that are wanted (left out: all).
 * Only stored moves are taken, not what tracks. Lights come in the order given.
 */
export function clipOf(
  list: ListSheet,
  { first, last }: { readonly first: number; readonly last: number },
  channels: readonly number[],
  isWanted: (key: Key) => boolean = () => true,
): Clip {
  const cues = list.cues.slice(first, last + 1).map(({ number }, index) => {
    const moves: Moves = {};
    for (const channel of channels) {
      for (const key of list.keys.byChannel.get(channel)?.values() ?? []) {
        const stored = storedMove(list, key, first + index);
        if (stored && isWanted(key)) (moves[channel] ??= {})[key.attribute.id] = stored.move;
      }
    }
    return { cue: number, moves };
  });
  return { format: "zealous-mark/moves", version: 1, channels: [...channels], cues };
}

/**
 * How many moves a block holds.
 * 0 for a block of empty cells; there is nothing to paste then.
 */
export function movesInClip({ cues }: Clip): number {
  return cues.reduce((sum, { moves }) => sum + movesIn(moves), 0);
}

/**
 * The text of a block, for the clipboard.
 * One line of JSON that names itself, so that a paste elsewhere shows what it is.
 */
export function writeClip(clip: Clip): string {
  return JSON.stringify(clip, null, 1);
}

/**
 * Reads a block from text. Throws ShowError for text that is none.
 * What the rig cannot take is told when it is pasted, not here.
 */
export function readClip(text: string): Clip {
  const raw = readJson(text, "This is no block of moves");
  const parsed = schema.safeParse(raw);
  if (parsed.success) return parsed.data;
  throw new ShowError(faultsOf(parsed.error, raw).slice(0, 3));
}

/**
 * What comes of a block where it is put.
 * `left` is shown beside the impact before anything is pasted.
 */
export interface Pasted {
  readonly edits: EditInput[];
  /** Sentences on what has no place there. */
  readonly left: string[];
}

/**
 * The edits that put a block into cues of a list, from a row on, one cue for one: each light of the block becomes the light at its
 * place in `channels`. What those cannot do, and cues behind the end of the list, are told. Throws ShowError where nothing is left.
 * Cells of the block that stored nothing leave what stands there. Palettes stay references where the show has them.
 */
export function pasteEdits(list: ListSheet, clip: Clip, row: number, channels: readonly number[]): Pasted {
  const left = new Set<string>();
  const edits = clip.cues.flatMap(({ moves }, index): EditInput[] => {
    if (row + index >= list.cues.length) {
      if (Object.keys(moves).length > 0)
        left.add(`${count(clip.cues.length - index, "cue")} of the block would stand behind the end of the list`);
      return [];
    }
    const taken: Moves = {};
    clip.channels.forEach((from, place) => {
      const to = channels[place];
      for (const [attribute, move] of Object.entries(moves[from] ?? {})) {
        if (to === undefined) left.add(`Light ${from} has no light to go to; choose ${clip.channels.length} lights`);
        else if (!keyAt(list.keys, to, attribute)) left.add(`Light ${to} has no ${attribute}`);
        else (taken[to] ??= {})[attribute] = move;
      }
    });
    if (Object.keys(taken).length === 0) return [];
    return [{ op: "record", list: list.id, cue: cueAt(list, row + index).number, moves: taken, mode: "merge", scope: "track" }];
  });
  if (edits.length > 0) return { edits, left: [...left] };
  throw new ShowError([...left][0] ?? "The block holds no move; copy cells that store some");
}

/**
 * The edits that forget the moves of a block where it was copied from, cell by cell: those of the block alone.
 * Looks behind the block change with it, as for any move that is forgotten; the impact says which.
 */
export function cutEdits(list: ListSheet, clip: Clip): EditInput[] {
  return clip.cues.flatMap(({ cue, moves }) =>
    Object.keys(moves).length === 0 ? [] : [{ op: "record", list: list.id, cue, moves, mode: "remove", scope: "track" } as const],
  );
}
