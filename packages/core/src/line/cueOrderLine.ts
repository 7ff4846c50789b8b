// Which cues there are and where, as it is typed: inserted, deleted, moved, copied, split, merged, renumbered, gathered.
import {
  type EditInput,
  MOST_EDITS,
  type RangeMove,
  clipOf,
  copyRangeEdits,
  cutEdits,
  gatherEdits,
  isNamed,
  mergePartEdits,
  moveRangeEdits,
  pasteEdits,
  walledInsertEdits,
} from "../edit/index.ts";
import { findRow, firstRowFrom } from "../sheet/sheet.ts";
import { cueNumberAt, cueOrder } from "../show/cueNumber.ts";
import { ShowError } from "../show/errors.ts";
import { freeId } from "../show/ids.ts";
import { checkedRange, cuesIn, faultless, single } from "./checked.ts";
import { type LineContext, type LineRequest, cuesFor, editOf, editOfShow, editsOfShow, onePartCue } from "./lineRequest.ts";
import { Fault, attributeOf, channelsOf, listNamed, paletteNamed } from "./names.ts";
import type { Destination, Named, Range, Sentence } from "./sentence.ts";

/** The sentences that make cues, take them out or put them elsewhere. */
export type CueOrderSentence = Extract<
  Sentence,
  { kind: "copy" | "copyList" | "block" | "move" | "delete" | "switchCues" | "mergePart" | "renumber" | "split" | "insert" | "gather" }
>;

/** What such a sentence asks for. Throws Fault for a cue number, list or light that the show does not have. */
export function onCueOrder(sentence: CueOrderSentence, context: LineContext): LineRequest {
  const list = context.list.id;
  switch (sentence.kind) {
    case "copy": {
      const rangeMove = rangeMoveOf(sentence, context);
      return arriving(rangeMove, context, () => {
        const copies = copyRangeEdits(rangeMove, sentence.what, sentence.keep ? "restore" : "track");
        return [...copies, ...recoloured(copies, sentence, rangeMove, context)];
      });
    }
    case "move": {
      const rangeMove = rangeMoveOf(sentence, context);
      return arriving(rangeMove, context, () => moveRangeEdits(rangeMove, sentence.keep ? "keepLooks" : "letGo"));
    }
    case "copyList":
      return editOfShow({ op: "copyList", list, as: freeId(sentence.label, context.sheet.lists.keys()), label: sentence.label });
    case "block":
      return movedBlock(sentence, context);
    case "delete":
      return deletion(checkedRange(sentence.cues), sentence.looks, context);
    case "switchCues":
      return sentence.on
        ? editOf(checkedRange(sentence.cues), (cues) => ({ op: "switchOn", list, ...cues, skipMissing: sentence.leave }))
        : editOfShow({ op: "switchOff", list, ...checkedRange(sentence.cues) });
    case "mergePart":
      return mergedPart(sentence, context);
    case "renumber":
      return renumbered(sentence, context);
    case "split": {
      const keys = { channels: channelsOf(sentence.lights, context.sheet), ...attributeOf(sentence.attribute, context.sheet) };
      return editOf(single(sentence.to), () => ({ op: "split", list, cue: single(sentence.cue).from, to: sentence.to, keys }));
    }
    case "insert":
      return inserted(sentence, context);
    case "gather":
      return editsOfShow(gathered(sentence, context));
  }
}

/** The swap of palettes in copies that are recoloured; palettes that a light has no value from stay. Throws Fault for one that there is not. */
function recoloured(
  copies: readonly EditInput[],
  { recolour }: Extract<Sentence, { kind: "copy" }>,
  { list, into = list }: RangeMove,
  { sheet }: LineContext,
): EditInput[] {
  const orders = copies.flatMap((edit) => (edit.op === "copyCue" ? [cueOrder(edit.to)] : []));
  const [first, last] = [Math.min(...orders), Math.max(...orders)];
  if (!recolour || orders.length === 0) return [];
  const ids = (names: readonly Named[]): string[] => names.map((each) => paletteNamed(each, sheet));
  const range = { list: into.id, from: cueNumberAt(first), to: cueNumberAt(last) };
  return [{ op: "swapPalette", ...range, palette: ids(recolour.palettes), as: ids(recolour.as), skipMissing: true }];
}

/** From which cues to where, held against the show. Throws Fault for a list that is not there. */
function rangeMoveOf({ cues, to }: { cues: Range; to: Destination }, { sheet, list }: LineContext): RangeMove {
  const into = to.list && listNamed(to.list, sheet);
  return { list, ...checkedRange(cues), start: to.start === undefined ? undefined : single(to.start).from, into };
}

/** The edits of cues that go elsewhere; they are chosen where they arrive, unless that is another list. */
function arriving(rangeMove: RangeMove, { list }: LineContext, edits: () => EditInput[]): LineRequest {
  const made = faultless(edits);
  const arrivals = made.flatMap((edit) => (edit.op === "copyCue" || edit.op === "moveCue" ? [edit.to] : []));
  const orders = arrivals.map(cueOrder).sort((a, b) => a - b);
  const [first, last] = [orders[0], orders.at(-1)];
  const stays = !rangeMove.into || rangeMove.into === list;
  const cues = stays && first !== undefined && last !== undefined ? { from: cueNumberAt(first), to: cueNumberAt(last) } : undefined;
  return { kind: "edit", edits: made, channels: undefined, cues };
}

/**
 * A block of stored moves copied or moved to other cues, and to other lights where they are named. It lands on cues that stand:
 * pasting makes none. Moves that their new light cannot do refuse the whole line. Throws Fault.
 */
function movedBlock(sentence: Extract<Sentence, { kind: "block" }>, { sheet, list }: LineContext): LineRequest {
  const channels = channelsOf(sentence.lights, sheet);
  const into = sentence.as ? channelsOf(sentence.as, sheet) : channels;
  const { from, to } = checkedRange(sentence.cues);
  const { families, attributes } = attributeOf(sentence.attribute, sheet);
  const start = findRow(list, single(sentence.to).from);
  if (start < 0)
    throw new Fault({ message: `List "${list.id}" has no cue ${sentence.to}; a block goes to cues that stand`, at: 0, length: 1 });
  return faultless(() => {
    const rows = { first: firstRowFrom(list, cueOrder(from)), last: firstRowFrom(list, cueOrder(to) + 1) - 1 };
    const clip = clipOf(list, rows, channels, (key) => isNamed(key, { families, attributes }));
    const { edits, left } = pasteEdits(list, clip, start, into);
    if (left.length > 0) throw new ShowError(left);
    const last = list.cues[Math.min(list.cues.length - 1, start + rows.last - rows.first)]?.number ?? sentence.to;
    const all = sentence.what === "move" ? [...cutEdits(list, clip), ...edits] : edits;
    return { kind: "edit", edits: all, channels: into, cues: { from: sentence.to, to: last } };
  });
}

/** A part merged into another of its cue. Throws Fault for a part that the cue does not have. */
function mergedPart({ cues, part, into }: Extract<Sentence, { kind: "mergePart" }>, context: LineContext): LineRequest {
  const range = onePartCue(cuesFor(cues, context));
  const edits = faultless(() => mergePartEdits(context.list, range.from, part, into));
  return { kind: "edit", edits, channels: undefined, cues: range };
}

/** New numbers for a range, in steps; without a first number the table of new numbers is asked for. */
function renumbered(sentence: Extract<Sentence, { kind: "renumber" }>, { list }: LineContext): LineRequest {
  const cues = sentence.cues && checkedRange(sentence.cues);
  if (!cues || sentence.start === undefined) return { kind: "numbers", cues };
  const [start, step] = [single(sentence.start).from, single(sentence.step).from];
  return { ...editOf(cues, (range) => ({ op: "renumber", list: list.id, ...range, start, step })), cues: single(start) };
}

/** A cue inserted, between walls where they are asked for. */
function inserted({ cue, label, walled }: Extract<Sentence, { kind: "insert" }>, { list }: LineContext): LineRequest {
  const cues = single(cue);
  const insert: EditInput = { op: "insertCue", list: list.id, cue, ...(label === undefined ? {} : { label }) };
  return { kind: "edit", edits: walled ? walledInsertEdits(list, cue, label) : [insert], channels: undefined, cues };
}

/**
 * Deletes each cue that stands in the range; what they leave chosen is the cue before. Each is an edit of its own in one operation,
 * so a thousand is the limit that keeps the impact readable. Throws Fault where none stands there.
 */
function deletion(range: Range, looks: "keepLooks" | "letGo", { list }: LineContext): LineRequest {
  const inside = cuesIn(list, range);
  if (inside.length > MOST_EDITS)
    throw new Fault({ message: `${inside.length} cues at once are too many; delete at most ${MOST_EDITS}`, at: 0, length: 1 });
  const before = list.cues.filter((cue) => cueOrder(cue.number) < cueOrder(range.from)).at(-1)?.number;
  const edits = inside.map((cue): EditInput => ({
    op: "deleteCue",
    list: list.id,
    cue: cue.number,
    ...(looks === "letGo" ? { looks } : {}),
  }));
  return { kind: "edit", edits, channels: undefined, cues: before === undefined ? range : { from: before, to: before } };
}

/** A new list of the named cues in the order in which they are named; a cue may be named twice. Throws Fault for a range without cues. */
function gathered({ cues, label, what }: Extract<Sentence, { kind: "gather" }>, { sheet, list }: LineContext): EditInput[] {
  const named = cues.flatMap((range) => cuesIn(list, checkedRange(range)).map((cue) => ({ list: list.id, cue: cue.number })));
  return gatherEdits(freeId(label, sheet.lists.keys()), label, named, what);
}
