import { append } from "../../show/append.ts";
import { z } from "zod";
import { cueOrder } from "../../show/cueNumber.ts";
import { ShowError } from "../../show/errors.ts";
import type { Cue, CueHead, PartHead } from "../../show/schema.ts";
import type { Key } from "../../sheet/keys.ts";
import { carriedAt } from "../../sheet/entry.ts";
import { resolve } from "../../sheet/palettes.ts";
import { type ListSheet, type ShowSheet, cueAt, findRow, firstRowFrom, movesOf } from "../../sheet/sheet.ts";
import { sameData } from "../../show/sameData.ts";
import { headOf, partHeadOf } from "../steps/apply.ts";
import { type KeyMove, checkedMoves } from "../plan/checkedMoves.ts";
import { patchedTimes } from "../plan/patchedTimes.ts";
import { emptiedParts } from "../plan/emptiedParts.ts";
import type { PlacedMove, Step } from "../steps/step.ts";
import { withWavesKept } from "../plan/keptWaves.ts";
import { type Tracked, restoreFrom, storedMove } from "../plan/moveSteps.ts";
import { type SaidWave, headWithWaves, wavesWith } from "../plan/partWaves.ts";
import { wavesIn } from "../plan/wavesIn.ts";
import { wavePart } from "../../sheet/waves.ts";
import { cueNumber, curve, label, list, partNumber, partTimes, rawMoves, waves } from "../plan/fields.ts";
import { defineEdit, listFor } from "./kind.ts";
import { count } from "../../show/words.ts";

const schema = z.strictObject({
  op: z.literal("record"),
  list,
  cue: cueNumber,
  moves: rawMoves.default(() => ({})),
  waves: waves.optional(),
  mode: z.enum(["merge", "replace", "remove"]).default("merge"),
  scope: z.enum(["track", "cueOnly"]).default("track"),
  part: partNumber.optional(),
  label: label.optional(),
  times: partTimes.optional(),
  curve: curve.optional(),
});

/**
 * Values recorded into a cue, new or existing.
 * As FORMAT describes it: `mode` and `scope` say what becomes of the moves that stand there, and of later looks.
 */
export type RecordEdit = z.infer<typeof schema>;

/** One key that a record touches: what the cue stores for it before and after. */
interface Touched {
  readonly key: Key;
  readonly before: PlacedMove | undefined;
  readonly after: PlacedMove | undefined;
}

/**
 * The steps of recording values into a cue, new or existing (docs/rules.md, Edits). Throws ShowError for values that the rig cannot hold, for
 * `remove` from a cue that is not there, and for "this cue only" where nothing could keep later looks as they are.
 */
function planRecord(sheet: ShowSheet, list: ListSheet, edit: RecordEdit): Step[] {
  const found = findRow(list, edit.cue);
  if (found < 0 && edit.mode === "remove") throw new ShowError(`List "${list.id}" has no cue ${edit.cue} to take moves out of`);
  const cue = found < 0 ? undefined : cueAt(list, found);
  const moves = checkedMoves(sheet, edit.moves, `Cue ${edit.cue}`);
  const touched = touchedKeys(list, found, cue, edit, moves);
  const keeps = staysInside(list, found, cue, edit);
  const said = saidWaves(sheet, cue, edit);
  const steps: Step[] = [...cueSteps(list.id, cue, edit, keeps), ...partSteps(list.id, cue, edit, said)];
  for (const { key, before, after } of touched)
    steps.push({ at: "move", list: list.id, cue: edit.cue, channel: key.channel, attribute: key.attribute.id, before, after });
  append(steps, emptyPartSteps(list, cue, edit, touched));
  if (edit.scope !== "cueOnly" || (cue?.carries ?? "track") !== "track") return steps;
  append(steps, restoreSteps(list, found, cue, edit, touched));
  return said.size === 0 ? steps : withWavesKept(sheet, list, steps, [edit.cue]);
}

/** What the cue says of waves after the record, by key; null for one that it says nothing of any more. Throws ShowError for a key or a tempo that there is not. */
function saidWaves(sheet: ShowSheet, cue: Cue | undefined, edit: RecordEdit): Map<Key, SaidWave | null> {
  const place = `Cue ${edit.cue}, waves`;
  const own = new Map<Key, SaidWave | null>();
  const stored = edit.mode === "replace" ? (cue?.parts.flatMap((part) => wavesIn(sheet, part.waves ?? {}, place)) ?? []) : [];
  for (const [key] of stored) own.set(key, null);
  for (const [key, said] of wavesIn(sheet, edit.waves ?? {}, place)) own.set(key, edit.mode === "remove" ? null : said);
  return own;
}

/** Every key that the record changes: those that it names, and with `replace` those that it takes out. A value that stands already is no change. */
function touchedKeys(list: ListSheet, row: number, cue: Cue | undefined, edit: RecordEdit, moves: readonly KeyMove[]): Touched[] {
  const stored = (key: Key): PlacedMove | undefined => (row < 0 ? undefined : storedMove(list, key, row));
  const named = moves.map(({ key, spec }) => {
    const before = stored(key);
    const after = edit.mode === "remove" ? undefined : { part: edit.part ?? before?.part ?? 1, move: spec };
    return { key, before, after };
  });
  const names = new Set(named.map(({ key }) => key));
  const others = edit.mode === "replace" && cue ? movesOf(cue, list.keys).filter(({ key }) => !names.has(key)) : [];
  const dropped = others.map(({ key }) => ({ key, before: stored(key), after: undefined }));
  return [...named, ...dropped].filter(({ before, after }) => !sameData(before, after));
}

/** True for a "this cue only" record that has no later cue to keep as it is: the cue itself keeps its moves. Throws ShowError for an ordinary last cue, which cannot do both. */
function staysInside(list: ListSheet, found: number, cue: Cue | undefined, edit: RecordEdit): boolean {
  const next = found < 0 ? firstRowFrom(list, cueOrder(edit.cue)) : found + 1;
  if (edit.scope !== "cueOnly" || next < list.cues.length) return false;
  if (!cue) return true;
  if ((cue.carries ?? "track") !== "track") return false;
  throw new ShowError(
    `Cue ${edit.cue} is the last cue and tracks on, so there is no later cue to keep as it is. Make the whole cue keep to itself first (#${edit.cue} carries only), or record so that everything after follows`,
  );
}

/** The step that makes the cue, or changes its label and how it carries; none where nothing of it changes. */
function cueSteps(list: string, cue: Cue | undefined, edit: RecordEdit, keeps: boolean): Step[] {
  const before = cue && headOf(cue);
  const after: CueHead = {
    ...before,
    ...(edit.label === undefined ? {} : { label: edit.label }),
    ...(keeps ? { carries: "cueOnly" } : {}),
  };
  return before && sameData(before, after) ? [] : [{ at: "cue", list, cue: edit.cue, before, after }];
}

/** The steps that make the part recorded into, and part 1 which every cue has. */
function partSteps(list: string, cue: Cue | undefined, edit: RecordEdit, said: ReadonlyMap<Key, SaidWave | null>): Step[] {
  const steps: Step[] = [];
  const wanted = edit.part ?? 1;
  const swaying = said.size > 0 ? (cue?.parts.map(({ number }) => number) ?? []) : [];
  for (const number of new Set([1, wanted, ...swaying])) {
    const part = cue?.parts.find((each) => each.number === number);
    const before: PartHead | undefined = part && partHeadOf(part);
    const times = patchedTimes(before?.times ?? {}, (number === wanted && edit.times) || {});
    const waves = wavesWith({ number, waves: before?.waves }, said, (key) => edit.part ?? wavePart(cue, key) ?? 1);
    const curved = number === wanted && edit.curve !== undefined ? { curve: edit.curve } : {};
    const after = headWithWaves({ ...before, times, ...curved }, waves);
    if (!before || !sameData(before, after)) steps.push({ at: "part", list, cue: edit.cue, part: number, before, after });
  }
  return steps;
}

/** Parts that a record leaves without moves are dropped, part 1 never. */
function emptyPartSteps(list: ListSheet, cue: Cue | undefined, edit: RecordEdit, touched: readonly Touched[]): Step[] {
  if (!cue) return [];
  const filled = new Set(touched.map(({ after }) => after?.part).concat(edit.part));
  const leaving = touched.flatMap(({ before, after }) =>
    before && after?.part !== before.part && !filled.has(before.part) ? [before] : [],
  );
  return emptiedParts(list, cue, leaving);
}

/** The moves that let later cues look as they did, for a record into this cue only. */
function restoreSteps(list: ListSheet, found: number, cue: Cue | undefined, edit: RecordEdit, touched: readonly Touched[]): Step[] {
  const row = found < 0 ? firstRowFrom(list, cueOrder(edit.cue)) : found;
  const next = found < 0 ? row : row + 1;
  return touched.flatMap(({ key, after }) => {
    const into: Tracked = cue?.block ? { value: Number.NaN, spec: undefined } : carriedAt(list, key, row - 1);
    const now = after ? { value: resolve(after.move, key, list.palettes), spec: after.move } : into;
    return restoreFrom(list, key, next, now, carriedAt(list, key, next - 1));
  });
}

/**
 * Recording values into a cue (docs/rules.md, Edits).
 * With `cueOnly` the next cue restores what was there before; where there is none the cue itself keeps its moves in.
 */
export const record = defineEdit(schema, {
  plan: (sheet, edit) => planRecord(sheet, listFor(sheet, edit), edit),
  words: ({ cue, mode, moves, waves, scope }) => {
    const lights = new Set([...Object.keys(moves), ...Object.keys(waves ?? {})]).size;
    const what = mode === "remove" ? "moves taken out" : `${count(lights, "light")} recorded`;
    return `Cue ${cue}: ${what}${scope === "cueOnly" ? ", this cue only" : ""}`;
  },
});
