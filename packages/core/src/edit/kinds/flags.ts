import { z } from "zod";
import type { Cue } from "../../show/schema.ts";
import { carriedAt, columnOf, entryAt, sameValue } from "../../sheet/entry.ts";
import { moveIndexAt } from "../../sheet/column.ts";
import { type ListSheet, type ShowSheet, cueAt } from "../../sheet/sheet.ts";
import { headOf } from "../steps/apply.ts";
import { headStep } from "../plan/headStep.ts";
import type { Step } from "../steps/step.ts";
import { withWavesKept } from "../plan/keptWaves.ts";
import { aimStep, sameTracked, storeStep, targetOf } from "../plan/moveSteps.ts";
import { eachRow } from "../plan/rows.ts";
import { selectKeys } from "../plan/selectKeys.ts";
import type { Key } from "../../sheet/keys.ts";
import { isWall } from "../../sheet/tracking.ts";
import { type KeySelection, list, range, selection } from "../plan/fields.ts";
import { defineEdit, listFor } from "./kind.ts";
import { namesWords, rangeWords, whoseWords } from "./kindWords.ts";

const flagSchema = <Op extends string>(op: Op) => z.strictObject({ op: z.literal(op), list, ...range });

/** The step that sets or clears a flag; none where it is like that already. */
function flagStep(list: ListSheet, cue: Cue, flag: "block" | "restate", on: boolean): Step[] {
  if ((cue[flag] === true) === on) return [];
  const { [flag]: _was, ...rest } = headOf(cue);
  return [headStep(list, cue, on ? { ...rest, [flag]: true } : rest)];
}

/** Every tracked value of the look becomes a move, so that nothing changes when nothing tracks in. */
function blockSteps(list: ListSheet, row: number): Step[] {
  const cue = cueAt(list, row);
  if (cue.block === true) return [];
  return [...trackedAsMoves(list, row, list.keys.all), ...flagStep(list, cue, "block", true)];
}

/** The steps that write what tracks into a row for these keys as moves; what is unset there stays unset. */
function trackedAsMoves(list: ListSheet, row: number, keys: readonly Key[]): Step[] {
  return keys.flatMap((key) => {
    const entry = entryAt(list, key, row);
    if (Number.isNaN(entry.value) || entry.row === row) return [];
    return aimStep(list, key, row, targetOf(entry));
  });
}

/** What tracks in anew is let go where the look did not have it, and moves that say no more than that are dropped. */
function unblockSteps(list: ListSheet, row: number): Step[] {
  const cue = cueAt(list, row);
  if (cue.block !== true) return [];
  if (cue.carries === "isolated") return flagStep(list, cue, "block", false);
  const moves = list.keys.all.flatMap((key) => {
    const into = carriedAt(list, key, row - 1);
    const shown = entryAt(list, key, row);
    const stored = moveIndexAt(columnOf(list, key), row) >= 0;
    if (stored && sameTracked(into, shown)) return storeStep(list, key, row, undefined);
    if (stored || sameValue(into.value, shown.value)) return [];
    return aimStep(list, key, row, { release: true });
  });
  return [...moves, ...flagStep(list, cue, "block", false)];
}

/** What all four edits of flags have in common. */
interface FlagEdit {
  readonly list?: string | undefined;
  readonly from: string;
  readonly to: string;
}

/** An edit that does something in each cue of a range, none of which changes a look (docs/rules.md, Tracking). */
const flagParts = (stepsAt: (list: ListSheet, row: number) => Step[], words: string) => ({
  plan: (sheet: ShowSheet, edit: FlagEdit): Step[] => {
    const list = listFor(sheet, edit);
    return withWavesKept(
      sheet,
      list,
      eachRow(list, edit.from, edit.to).flatMap((row) => stepsAt(list, row)),
    );
  },
  words: (edit: FlagEdit): string => `${rangeWords(edit)}: ${words}`,
});

/** A sentence for a wall that does not hold: a cue that keeps its moves to itself lets pass what came before it. */
function openBehind(list: ListSheet, row: number): string[] {
  const { number, carries } = cueAt(list, row);
  if (carries === undefined || carries === "track" || row + 1 >= list.cues.length) return [];
  return [
    `Cue ${number} keeps its moves to itself, so the wall holds in it alone: behind it what came before tracks on. Block cue ${cueAt(list, row + 1).number} to stop that`,
  ];
}

const blockSchema = flagSchema("block").extend({ keys: selection.optional() });

/** The steps of a block for some lights only: what tracks into the first cue of the range is written there, and no flag is set. */
function keysBlockedSteps(list: ListSheet, row: number, keys: KeySelection): Step[] {
  return isWall(list, row) ? [] : trackedAsMoves(list, row, selectKeys(list.keys, keys));
}

/**
 * Making cues block: nothing tracks in, and their looks stay. With keys only those are held: their moves are written, and no flag is set.
 * Writes every tracked value of the look as a move first, so it changes no look anywhere (docs/rules.md, Tracking).
 */
export const block = defineEdit(blockSchema, {
  plan: (sheet, edit) => {
    const list = listFor(sheet, edit);
    const { keys } = edit;
    const stepsAt = keys ? (row: number) => keysBlockedSteps(list, row, keys) : (row: number) => blockSteps(list, row);
    const rows = eachRow(list, edit.from, edit.to);
    return { steps: withWavesKept(sheet, list, rows.flatMap(stepsAt)), notes: keys ? [] : rows.flatMap((row) => openBehind(list, row)) };
  },
  words: (edit) =>
    edit.keys
      ? `${rangeWords(edit)}: what tracks in written for ${whoseWords(edit.keys)}${namesWords(edit.keys) ? `, ${namesWords(edit.keys)}` : ""}, no block set`
      : `${rangeWords(edit)}: blocked`,
});
/**
 * Letting values track into cues again; their looks stay.
 * Drops moves that equal what then tracks in and writes releases for what would newly track in: no look changes.
 */
export const unblock = defineEdit(flagSchema("unblock"), flagParts(unblockSteps, "unblocked"));
/**
 * Making cues restate: what they show is said again when they are fired (docs/rules.md, Playing).
 * Times change, looks do not: set keys take part in the cue's transition again.
 */
export const restate = defineEdit(
  flagSchema("restate"),
  flagParts((list, row) => flagStep(list, cueAt(list, row), "restate", true), "restated"),
);
/**
 * Taking that from cues: they restate no more.
 * Looks stay; keys that nothing moves are out of the transition of these cues again.
 */
export const unrestate = defineEdit(
  flagSchema("unrestate"),
  flagParts((list, row) => flagStep(list, cueAt(list, row), "restate", false), "not restated any more"),
);
