import { z } from "zod";
import { ShowError } from "../../show/errors.ts";
import { paletteOf } from "../../show/move.ts";
import { readMove } from "../../show/readMoves.ts";
import type { MarkSettings } from "../../show/schema.ts";
import { type Key, keyAt } from "../../sheet/keys.ts";
import { type ListSheet, type ShowSheet, cueAt } from "../../sheet/sheet.ts";
import { headOf } from "../apply.ts";
import type { MoveStep, Step } from "../step.ts";
import { headStep } from "../plan/headStep.ts";
import { storeStep, storedMove } from "../plan/moveSteps.ts";
import type { Plan } from "../plan/plan.ts";
import { eachRow } from "../plan/rows.ts";
import { channelNumber, list, range } from "../fields.ts";
import { defineEdit, listFor } from "./kind.ts";
import { rangeWords } from "./kindWords.ts";

const schema = z.strictObject({
  op: z.literal("recast"),
  list,
  ...range,
  channel: channelNumber,
  as: channelNumber,
  how: z.enum(["replace", "copy", "swap"]).default("replace"),
  skipMissing: z.boolean().optional(),
});

type RecastEdit = z.infer<typeof schema>;

/**
 * The steps that give what one light does to another, over a range (SEMANTICS section 6). Times, parts and mark settings go
 * along. What the other light cannot do stays where it is when `skipMissing` is given, and is told; else it is refused.
 */
function planRecast(sheet: ShowSheet, list: ListSheet, edit: RecastEdit): Plan {
  if (edit.channel === edit.as) throw new ShowError(`Channel ${edit.channel} is to be recast as itself; name another light`);
  for (const channel of [edit.channel, edit.as])
    if (!sheet.keys.byChannel.has(channel)) throw new ShowError(`Channel ${channel} is not in the rig`);
  const rows = eachRow(list, edit.from, edit.to);
  const missing =
    edit.how === "swap"
      ? [...lacking(list, rows, edit.channel, edit.as), ...lacking(list, rows, edit.as, edit.channel)]
      : lacking(list, rows, edit.channel, edit.as);
  if (missing.length > 0 && !edit.skipMissing)
    throw new ShowError(
      `${missing.join("; ")}. Choose a light that has it, or leave those moves where they are (leave, at the end of the line)`,
    );
  const steps = rows.flatMap((row) => [...moveSteps(sheet, list, row, edit), ...markSteps(list, row, edit)]);
  if (steps.length === 0) throw new ShowError(`Channel ${edit.channel} has no move in cues ${edit.from} to ${edit.to}`);
  return { steps, notes: [...missing, ...gaps(sheet, steps)] };
}

/** A sentence for each attribute that one light is told to move and the other does not have. */
function lacking(list: ListSheet, rows: readonly number[], from: number, to: number): string[] {
  return keysOf(list, from).flatMap((key) => {
    if (keyAt(list.keys, to, key.attribute.id)) return [];
    const count = rows.filter((row) => storedMove(list, key, row)).length;
    return count === 0 ? [] : [`Channel ${to} has no ${key.attribute.id}, and ${key.name} has ${count} ${count === 1 ? "move" : "moves"}`];
  });
}

/** All keys of a light. */
function keysOf(list: ListSheet, channel: number): Key[] {
  return [...(list.keys.byChannel.get(channel)?.values() ?? [])];
}

/** What one light does in a row given to the other; exchanged, what the other does comes back. */
function moveSteps(sheet: ShowSheet, list: ListSheet, row: number, edit: RecastEdit): MoveStep[] {
  return keysOf(list, edit.channel).flatMap((key) => {
    const other = keyAt(list.keys, edit.as, key.attribute.id);
    if (!other) return [];
    const mine = storedMove(list, key, row);
    const theirs = storedMove(list, other, row);
    const given = mine && { part: mine.part, move: readMove(mine.move, other.attribute, sheet.palettes.byId, place(list, row, other)) };
    if (edit.how !== "swap")
      return given ? [...(edit.how === "replace" ? storeStep(list, key, row, undefined) : []), ...storeStep(list, other, row, given)] : [];
    const taken = theirs && { part: theirs.part, move: readMove(theirs.move, key.attribute, sheet.palettes.byId, place(list, row, key)) };
    return [...storeStep(list, key, row, taken), ...storeStep(list, other, row, given)];
  });
}

/** The cue and the key, as a sentence begins. */
function place(list: ListSheet, row: number, key: Key): string {
  return `Cue ${cueAt(list, row).number}, ${key.name}`;
}

/** The mark settings of the one light given to the other, in one cue. */
function markSteps(list: ListSheet, row: number, edit: RecastEdit): Step[] {
  const cue = cueAt(list, row);
  const channels = cue.mark?.channels;
  const mine = channels?.[edit.channel];
  const theirs = channels?.[edit.as];
  if (!channels || (!mine && !(theirs && edit.how === "swap"))) return [];
  const after: NonNullable<MarkSettings["channels"]> = { ...channels };
  put(after, edit.as, mine);
  if (edit.how === "replace") put(after, edit.channel, undefined);
  if (edit.how === "swap") put(after, edit.channel, theirs);
  return [headStep(list, cue, { ...headOf(cue), mark: { ...cue.mark, channels: after } })];
}

/** Sets or takes away one setting. */
function put<T>(settings: Record<string, T>, channel: number, value: T | undefined): void {
  if (value === undefined) delete settings[channel];
  else settings[channel] = value;
}

/** A sentence for each palette that has no value for the light that now refers to it. */
function gaps(sheet: ShowSheet, steps: readonly Step[]): string[] {
  const found = new Set<string>();
  for (const step of steps) {
    const palette = step.at === "move" && step.after ? paletteOf(step.after.move) : undefined;
    const key = step.at === "move" ? keyAt(sheet.keys, step.channel, step.attribute) : undefined;
    if (palette !== undefined && key && sheet.palettes.valueFor(palette, key) === undefined)
      found.add(`Palette "${palette}" has no ${key.attribute.id} for channel ${key.channel}`);
  }
  return [...found];
}

/** What is said of the three ways to recast. */
const HOW_WORDS = { replace: "", copy: ", kept as well", swap: " exchanged" } as const;

/** Giving what one light does to another (SEMANTICS section 6). */
export const recast = defineEdit(schema, {
  plan: (sheet, edit) => planRecast(sheet, listFor(sheet, edit), edit),
  words: (edit) => `${rangeWords(edit)}: ${edit.channel} ${edit.how === "swap" ? "and" : "recast as"} ${edit.as}${HOW_WORDS[edit.how]}`,
});
