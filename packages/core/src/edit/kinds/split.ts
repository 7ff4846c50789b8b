import { z } from "zod";
import { cueOrder } from "../../show/cueNumber.ts";
import { ShowError } from "../../show/errors.ts";
import type { Part, PartHead, Waves } from "../../show/schema.ts";
import type { Key } from "../../sheet/keys.ts";
import { type ListSheet, cueAt, freeNumberAfter, rowOf } from "../../sheet/sheet.ts";
import { partHeadOf } from "../steps/apply.ts";
import type { PlacedMove, Step } from "../steps/step.ts";
import { storeStep } from "../plan/moveSteps.ts";
import { emptiedParts } from "../plan/emptiedParts.ts";
import { type SaidWave, headWithWaves, saidSteps, saidWave } from "../plan/partWaves.ts";
import { selectMoves } from "../plan/selectKeys.ts";
import { cueNumber, keys, list } from "../plan/fields.ts";
import { defineEdit, listFor } from "./kind.ts";
import { whoseWords } from "./kindWords.ts";

const schema = z.strictObject({ op: z.literal("split"), list, cue: cueNumber, to: cueNumber, keys });

type SplitEdit = z.infer<typeof schema>;

/**
 * The steps that let chosen keys' moves and waves leave a cue for a new one right behind it; they keep their parts and times, and the new cue waits
 * for a Go. Throws ShowError for a number that is not right behind, and where the cue stores none of these moves.
 */
function planSplit(list: ListSheet, edit: SplitEdit): Step[] {
  const row = rowOf(list, edit.cue);
  refusePlace(list, row, edit);
  const cue = cueAt(list, row);
  const chosen = selectMoves(list, row, edit.keys, "split off");
  const waves = chosen.flatMap(({ key }) => {
    const own = saidWave(cue, key);
    return own ? [{ key, ...own }] : [];
  });
  const goes = [...chosen.map(({ move }) => move.part), ...waves.map(({ part }) => part)];
  const parts = cue.parts.filter((part) => part.number === 1 || goes.includes(part.number));
  const place = { list: list.id, cue: edit.to };
  return [
    ...chosen.flatMap(({ key }) => storeStep(list, key, row, undefined)),
    ...emptiedParts(
      list,
      cue,
      chosen.map(({ move }) => move),
    ),
    ...saidSteps(list.id, cue, new Map(waves.map(({ key }) => [key, null]))),
    { at: "cue", ...place, after: cue.carries ? { carries: cue.carries } : {} },
    ...parts.map((part): Step => ({ at: "part", ...place, part: part.number, after: newHead(part, waves) })),
    ...chosen.map(({ key, move }) => newMove(place, key, move)),
  ];
}

/** A part of the new cue without its moves: with the times that it had, and of its waves those that go along. */
function newHead(part: Part, waves: readonly { key: Key; said: SaidWave; part: number }[]): PartHead {
  const own: Waves = {};
  for (const { key, said } of waves.filter((each) => each.part === part.number)) (own[key.channel] ??= {})[key.attribute.id] = said;
  return headWithWaves(partHeadOf(part), own);
}

/** The step that stores a move in the new cue. */
function newMove(place: { list: string; cue: string }, key: Key, after: PlacedMove): Step {
  return { at: "move", ...place, channel: key.channel, attribute: key.attribute.id, after };
}

/** Throws ShowError unless the new cue would stand right behind the old one, naming a number that is free there. */
function refusePlace(list: ListSheet, row: number, { cue, to }: SplitEdit): void {
  const next = list.cues[row + 1];
  const above = cueOrder(to) > cueOrder(cue);
  if (above && (!next || cueOrder(to) < cueOrder(next.number))) return;
  const free = freeNumberAfter(list, row);
  const hint = free === undefined ? "renumber first, there is no number left between them" : `${free} is free`;
  throw new ShowError(`The new cue ${to} does not stand right behind cue ${cue}${next ? ` and before cue ${next.number}` : ""}; ${hint}`);
}

/**
 * Letting some moves of a cue leave it for a new one right behind it (docs/rules.md, Edits).
 * The new cue stands right behind and shows the old look; the cue itself shows it without those moves.
 */
export const split = defineEdit(schema, {
  plan: (sheet, edit) => planSplit(listFor(sheet, edit), edit),
  words: ({ cue, keys, to }) => `Cue ${cue} split: ${whoseWords(keys)} to cue ${to}`,
});
