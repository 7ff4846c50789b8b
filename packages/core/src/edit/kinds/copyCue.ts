import { z } from "zod";
import { ShowError } from "../../show/errors.ts";
import { cueOrder } from "../../show/cueNumber.ts";
import { makeMove } from "../../show/move.ts";
import type { Cue, Moves, Part, Waves } from "../../show/schema.ts";
import { UNSET, carriedAt, entryAt } from "../../sheet/entry.ts";
import { resolve } from "../../sheet/palettes.ts";
import { type ListSheet, type ShowSheet, cueAt, findRow, firstRowFrom, listOf, movesOf, rowOf } from "../../sheet/sheet.ts";
import type { Step } from "../steps/step.ts";
import { withWavesKept } from "../plan/keptWaves.ts";
import { restoreFrom, storedMove, targetOf } from "../plan/moveSteps.ts";
import { storesWave, wavesOf } from "../../sheet/waves.ts";
import { wholeCueSteps } from "../plan/wholeCue.ts";
import { cueNumber, id, list } from "../plan/fields.ts";
import { defineEdit, listFor } from "./kind.ts";
import { manyWords } from "./kindWords.ts";
import { isWall } from "../../sheet/tracking.ts";

const schema = z.strictObject({
  op: z.literal("copyCue"),
  list,
  cue: cueNumber,
  to: cueNumber,
  /** The list that the copy goes to; left out: the same. */
  toList: id.optional(),
  what: z.enum(["moves", "look"]).default("moves"),
  /** Whether later looks follow what the copy lets track on, or stay as they are. */
  after: z.enum(["track", "restore"]).default("track"),
});

type CopyCueEdit = z.infer<typeof schema>;

/**
 * The steps that copy a cue, into the same list or another: with the moves that it stores, or with its whole look, so that the
 * copy looks the same wherever it stands. Later looks follow what the copy lets track on.
 */
function planCopyCue(sheet: ShowSheet, list: ListSheet, edit: CopyCueEdit): Step[] {
  const row = rowOf(list, edit.cue);
  const target = edit.toList === undefined ? list : listOf(sheet, edit.toList);
  if (findRow(target, edit.to) >= 0)
    throw new ShowError(`List "${target.id}" already has a cue ${edit.to}; choose another number for the copy`);
  const cue = cueAt(list, row);
  const parts = edit.what === "look" ? lookParts(list, row, target, edit.to) : cue.parts;
  const copied: Cue = { ...cue, number: edit.to, parts };
  const steps = wholeCueSteps(sheet, target, copied);
  return edit.after === "track" ? steps : withWavesKept(sheet, target, [...steps, ...restoredBehind(target, copied)]);
}

/**
 * The moves that let every look behind a cue that comes stay as it was (the cue is not in the list yet). None behind a cue that keeps its
 * moves to itself: nothing of it tracks on.
 */
function restoredBehind(list: ListSheet, cue: Cue): Step[] {
  if (cue.carries !== undefined && cue.carries !== "track") return [];
  const behind = firstRowFrom(list, cueOrder(cue.number));
  const moves = new Map(movesOf(cue, list.keys).map(({ key, spec }) => [key, spec]));
  return list.keys.all.flatMap((key) => {
    const was = carriedAt(list, key, behind - 1);
    const spec = moves.get(key);
    const now = spec !== undefined ? { value: resolve(spec, key, list.palettes), spec } : cue.block ? UNSET : was;
    return restoreFrom(list, key, behind, now, was);
  });
}

/**
 * The parts of a cue with everything that it shows as moves: what tracks in, and what it must release where it stands now. Tracked values go
 * to the first part, which times what is implied (docs/rules.md, Times).
 */
function lookParts(list: ListSheet, row: number, target: ListSheet, to: string): Part[] {
  const cue = cueAt(list, row);
  const tracked: Moves = {};
  const behind = firstRowFrom(target, cueOrder(to)) - 1;
  for (const key of list.keys.all) {
    if (storedMove(list, key, row)) continue;
    const shown = entryAt(list, key, row);
    const into = isWall(list, row) ? UNSET : carriedAt(target, key, behind);
    if (Number.isNaN(shown.value) && Number.isNaN(into.value)) continue;
    (tracked[key.channel] ??= {})[key.attribute.id] = makeMove(targetOf(shown));
  }
  const swaying = trackedWavesOf(list, row, target);
  return cue.parts.map((part, index) =>
    index === 0
      ? {
          ...part,
          moves: merged(part.moves, tracked),
          ...(Object.keys(swaying).length > 0 ? { waves: merged(part.waves ?? {}, swaying) } : {}),
        }
      : part,
  );
}

/** What a cue must say of waves beside its own to show what it shows, wherever it stands: those that track in, and that there are none where the other list has some. */
function trackedWavesOf(list: ListSheet, row: number, target: ListSheet): Waves {
  const said: Waves = {};
  for (const key of new Set([...wavesOf(list).keys(), ...wavesOf(target).keys()])) {
    if (storesWave(list, key, row)) continue;
    const wave = wavesOf(list).get(key)?.[row]?.wave;
    (said[key.channel] ??= {})[key.attribute.id] = wave ?? { stop: true };
  }
  return said;
}

/** Moves, or waves, with more of them beside. */
function merged<Each>(
  moves: Record<string, Record<string, Each>>,
  more: Record<string, Record<string, Each>>,
): Record<string, Record<string, Each>> {
  const all = { ...moves };
  for (const [channel, attributes] of Object.entries(more)) all[channel] = { ...all[channel], ...attributes };
  return all;
}

/** Where a copy goes: "30", or "30 of sea". */
function placeWords({ to, toList }: CopyCueEdit): string {
  return `${to}${toList === undefined ? "" : ` of ${toList}`}`;
}

/** What of the cue goes, and what becomes of what comes behind the copy. */
function endWords({ what, after }: CopyCueEdit): string {
  return `${what === "look" ? ", whole look" : ""}${after === "restore" ? ", later looks stay" : ""}`;
}

/**
 * Copying a cue, into the same list or another (docs/rules.md, Edits).
 * `what: moves` copies what it stores, `look` all that it shows, so that it looks alike wherever it stands.
 */
export const copyCue = defineEdit(schema, {
  plan: (sheet, edit) => planCopyCue(sheet, listFor(sheet, edit), edit),
  words: (edit) => `Cue ${edit.cue} copied to ${placeWords(edit)}${endWords(edit)}`,
  manyWords: (edits) => {
    const [first] = edits;
    const place = first ? `${placeWords(first)}${first.toList === undefined ? ` to ${edits.at(-1)?.to ?? ""}` : ""}` : "";
    return `${manyWords(edits, "cues", ({ cue }) => cue)} copied to ${place}${first ? endWords(first) : ""}`;
  },
});
