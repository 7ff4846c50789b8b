// From a sentence to what it asks of a show: names become channels, cues and palettes, and the sentence becomes edits or a choice.
// Nothing is applied here: the impact is shown first, and the edits go the same way as those of a key or a menu.
import {
  type EditInput,
  type RangeMove,
  clipOf,
  copyRangeEdits,
  cutEdits,
  gatherEdits,
  mergePartEdits,
  isNamed,
  moveRangeEdits,
  pasteEdits,
  walledInsertEdits,
  MOST_EDITS,
} from "../edit/index.ts";
import { cueNumberAt, cueOrder } from "../show/cueNumber.ts";
import { litRows } from "../marks/calls.ts";
import { intensityOf } from "../sheet/keys.ts";
import { type ListSheet, type ShowSheet, findRow, firstRowFrom } from "../sheet/sheet.ts";
import { homeEdits } from "../hand/home.ts";
import type { LineFault } from "./fault.ts";
import { parseLine } from "./grammar.ts";
import { minusSets } from "../values/readOperation.ts";
import { type HandRequest, operationInHand, handRequest } from "./handLine.ts";
import { recordTimesOf, timesPatchOf } from "./cueTimes.ts";
import { callEdit, checkedCaller, quietEdit, scriptEdit } from "./bookLine.ts";
import { checkedRange, faultless, single } from "./checked.ts";
import { Fault, attributeOf, channelsOf, listNamed, matches, paletteNamed, timesOf, waveNamed, wordGiven } from "./names.ts";
import { type LinePress, actionOf, pressOf, rankEdit } from "./pressLine.ts";
import { bulkEdits } from "../rig/rigEdits.ts";
import { readPatch } from "../rig/patch.ts";
import { editsAfter } from "../show/editsAfter.ts";
import { freeId } from "../show/ids.ts";
import { REHEARSAL_SPEEDS, isRehearsalSpeed } from "../rehearse/rehearse.ts";
import { ShowError } from "../show/errors.ts";
import type { Destination, Named, Range, Sentence, Shown, TypedMapping, TypedOperation } from "./sentence.ts";

/**
 * What a typed line asks for, held against the show. `channels` and `cues` are what is chosen when it has been done; undefined leaves
 * the choice as it is.
 * The interface does it, or shows what it would do, without reading the text again.
 */
export type LineRequest =
  | { kind: "edit"; edits: EditInput[]; channels: number[] | undefined; cues: Range | undefined }
  | HandRequest
  | { kind: "choose"; channels?: number[]; cues?: Range }
  | { kind: "find"; text: string }
  | { kind: "nameVersion"; name: string }
  | { kind: "accept"; cues: Range; note: string }
  | { kind: "help" }
  | { kind: "rehearse"; speed: number }
  | { kind: "caller"; speed: number; from?: string }
  | { kind: "callerLeaves" }
  | { kind: "logRun"; begins: boolean; name?: string }
  | { kind: "osc"; on: boolean }
  | { kind: "show"; what: Shown; shown: boolean }
  | { kind: "press"; press: LinePress }
  | { kind: "numbers"; cues: Range | undefined }
  | { kind: "takeCues"; cues?: Range; from?: string; start?: string }
  | { kind: "history"; what: "undo" | "redo" };

/**
 * What a line is read against: the show, the list that is open, and what is chosen when the line begins.
 * A line belongs to what was chosen when it began, so a context is taken once for each line.
 */
export interface LineContext {
  readonly sheet: ShowSheet;
  readonly list: ListSheet;
  /** The cues that an edit without `#` speaks of; undefined where none is chosen. */
  readonly cues: Range | undefined;
  /** True where a line without `#` goes to the Hand: everywhere but in the sheets that edit blind. */
  readonly toHand?: boolean;
}

/**
 * Reads a line against a show. Gives a fault, never an exception, for what a user can type wrongly; it points at the word
 * (place and length in the text) and says what could stand there. The show is not changed.
 * Cheap enough for every keystroke: a parse and a few look-ups. It plans no edit; `makeEdits` tells what it would do.
 */
export function readLine(text: string, context: LineContext): { request: LineRequest } | { fault: LineFault } {
  const parsed = parseLine(text);
  if ("fault" in parsed) return parsed;
  try {
    return { request: requestOf(parsed.sentence, context) };
  } catch (error) {
    if (error instanceof Fault) return { fault: error.fault };
    throw error;
  }
}

/** What a sentence asks for. Throws Fault for names and numbers that are not there. */
function requestOf(sentence: Sentence, context: LineContext): LineRequest {
  switch (sentence.kind) {
    case "history":
    case "find":
    case "nameVersion":
    case "help":
    case "show":
      return sentence;
    case "takeCues":
      return {
        ...sentence,
        ...(sentence.cues ? { cues: checkedRange(sentence.cues) } : {}),
        ...(sentence.start === undefined ? {} : { start: single(sentence.start).from }),
      };
    case "newCues": {
      const newCue = sentence.times === null ? null : { times: recordTimesOf(sentence.times) };
      return { kind: "edit", edits: [{ op: "setShow", newCue }], channels: undefined, cues: undefined };
    }
    case "editsAfter":
      return { kind: "edit", edits: [{ op: "setShow", editsAfter: sentence.after }], channels: undefined, cues: undefined };
    case "rehearse":
      if (!isRehearsalSpeed(sentence.speed))
        throw new Fault({
          message: `A rehearsal is called ${REHEARSAL_SPEEDS.least} to ${REHEARSAL_SPEEDS.most} times as fast`,
          at: 0,
          length: 1,
        });
      return sentence;
    case "callerLeaves":
    case "logRun":
    case "osc":
      return sentence;
    case "caller":
      return { ...sentence, ...checkedCaller(sentence) };
    case "accept":
      return { ...sentence, cues: checkedRange(sentence.cues) };
    case "carries":
      return editOf(cuesFor(sentence.cues, context), (cues) => ({
        op: "setCue",
        list: context.list.id,
        ...cues,
        carries: sentence.carries,
      }));
    case "call":
      return editOf(cuesFor(sentence.cues, context), (cues) => callEdit(cues, sentence.call, context));
    case "quiet":
      return { kind: "edit", edits: [quietEdit(sentence, context)], channels: undefined, cues: undefined };
    case "script":
      return { kind: "edit", edits: [scriptEdit(sentence, context)], channels: undefined, cues: undefined };
    case "goCue":
      return { kind: "choose", cues: checkedRange(sentence.cues) };
    case "times": {
      const cues = cuesFor(sentence.cues, context);
      const { change, part } = sentence;
      const times = "set" in change ? { set: timesPatchOf(change.set) } : change;
      const edit: EditInput = { op: "setTimes", list: context.list.id, ...cues, ...(part === undefined ? {} : { part }), ...times };
      return { kind: "edit", edits: [edit], channels: undefined, cues };
    }
    case "trigger":
      return editOf(cuesFor(sentence.cues, context), (cues) => ({
        op: "setCue",
        list: context.list.id,
        ...cues,
        trigger: sentence.trigger,
      }));
    case "action": {
      const { from, to } = cuesFor(sentence.cues, context);
      const { list } = context;
      const cue = list.cues[findRow(list, from)];
      if (from !== to || !cue)
        throw new Fault({
          message: `What a cue does besides is given to one cue that stands, as in #${list.cues[0]?.number ?? "12"}: start sea`,
          at: 0,
          length: 1,
        });
      const actions = sentence.action === null ? null : [...(cue.actions ?? []), actionOf(sentence.action, context.sheet)];
      return editOf({ from, to }, (cues) => ({ op: "setCue", list: list.id, ...cues, actions }));
    }
    case "lights":
      return onLights(sentence, context);
    case "press":
      return { kind: "press", press: pressOf(sentence.press, context.sheet) };
    case "rank":
      return { kind: "edit", edits: [rankEdit(sentence, context.sheet)], channels: undefined, cues: undefined };
    case "cueWaves":
      return editOf(cuesFor(sentence.cues, context), (cues) => ({ op: "setCue", list: context.list.id, ...cues, waves: sentence.waves }));
    case "view":
    case "choice":
    case "inTimes":
    case "takeUp":
    case "record":
    case "update":
    case "dropped":
    case "keep":
      return handRequest(sentence, context);
    case "patch":
      return { kind: "edit", edits: patchEdits(sentence, context), channels: undefined, cues: undefined };
    case "gather":
      return { kind: "edit", edits: gathered(sentence, context), channels: undefined, cues: undefined };
    default:
      return onCues(sentence, context);
  }
}

/** The sentences that speak of cues and not of lights. */
type CueSentence = Extract<
  Sentence,
  {
    kind:
      | "flag"
      | "blockLights"
      | "recast"
      | "last"
      | "swapPalette"
      | "copy"
      | "copyList"
      | "block"
      | "move"
      | "delete"
      | "mergePart"
      | "renumber"
      | "split"
      | "label"
      | "insert";
  }
>;

/** What a sentence about cues asks for. Throws Fault for a cue number, list, light or palette that the show does not have. */
function onCues(sentence: CueSentence, context: LineContext): LineRequest {
  const list = context.list.id;
  switch (sentence.kind) {
    case "flag":
      return editOf(checkedRange(sentence.cues), (cues) => ({ op: sentence.what, list, ...cues }));
    case "blockLights": {
      const keys = { channels: channelsOf(sentence.lights, context.sheet), ...attributeOf(sentence.attribute, context.sheet) };
      return { ...editOf(checkedRange(sentence.cues), (cues) => ({ op: "block", list, ...cues, keys })), channels: keys.channels };
    }
    case "recast":
      return recasting(sentence, context);
    case "last":
      return editOf(cuesFor(sentence.cues, context), (cues) => ({ op: "stretch", list, ...cues, seconds: sentence.seconds }));
    case "swapPalette": {
      const idsOf = (names: Named[]): string | string[] => {
        const [first, ...others] = names.map((each) => paletteNamed(each, context.sheet));
        return first === undefined || others.length > 0 ? [first ?? "", ...others] : first;
      };
      const [palette, as] = [idsOf(sentence.palettes), idsOf(sentence.as)];
      const skip = sentence.leave ? { skipMissing: true } : {};
      return editOf(cuesFor(sentence.cues, context), (cues) => ({ op: "swapPalette", list, ...cues, palette, as, ...skip }));
    }
    case "copy": {
      const rangeMove = rangeMoveOf(sentence, context);
      return arriving(rangeMove, context, () => copyRangeEdits(rangeMove, sentence.what, sentence.keep ? "restore" : "track"));
    }
    case "move": {
      const rangeMove = rangeMoveOf(sentence, context);
      return arriving(rangeMove, context, () => moveRangeEdits(rangeMove, sentence.keep ? "keepLooks" : "letGo"));
    }
    case "copyList": {
      const as = freeId(sentence.label, context.sheet.lists.keys());
      return { kind: "edit", edits: [{ op: "copyList", list, as, label: sentence.label }], channels: undefined, cues: undefined };
    }
    case "block":
      return movedBlock(sentence, context);
    case "delete":
      return deletion(checkedRange(sentence.cues), sentence.looks, context);
    case "mergePart": {
      const { cues, part, into } = sentence;
      const range = onePartCue(cuesFor(cues, context));
      const edits = faultless(() => mergePartEdits(context.list, range.from, part, into));
      return { kind: "edit", edits, channels: undefined, cues: range };
    }
    case "renumber": {
      const cues = sentence.cues && checkedRange(sentence.cues);
      if (!cues || sentence.start === undefined) return { kind: "numbers", cues };
      const [start, step] = [single(sentence.start).from, single(sentence.step).from];
      return { ...editOf(cues, (range) => ({ op: "renumber", list, ...range, start, step })), cues: single(start) };
    }
    case "split": {
      const keys = { channels: channelsOf(sentence.lights, context.sheet), ...attributeOf(sentence.attribute, context.sheet) };
      return editOf(single(sentence.to), () => ({ op: "split", list, cue: single(sentence.cue).from, to: sentence.to, keys }));
    }
    case "insert": {
      const { cue, label, walled } = sentence;
      const cues = single(cue);
      const insert: EditInput = { op: "insertCue", list, cue, ...(label === undefined ? {} : { label }) };
      return { kind: "edit", edits: walled ? walledInsertEdits(context.list, cue, label) : [insert], channels: undefined, cues };
    }
    case "label":
      if (sentence.part !== undefined) {
        const { part, label } = sentence;
        return editOf(onePartCue(sentence.cues), ({ from }) => ({ op: "setPart", list, cue: from, part, label }));
      }
      return editOf(checkedRange(sentence.cues), (cues) => ({ op: "setCue", list, ...cues, label: sentence.label }));
  }
}

/** A line that makes edits. */
type EditRequest = Extract<LineRequest, { kind: "edit" }>;

/** A request for one edit over a range of cues, which it leaves chosen. */
function editOf(cues: Range, edit: (cues: Range) => EditInput): EditRequest {
  return { kind: "edit", edits: [edit(cues)], channels: undefined, cues };
}

/**
 * What a sentence about recasting asks for. Lights are named on both sides and go together in that order; whether their numbers agree
 * is for the edit to say. The lights that take over are chosen afterwards. Throws Fault.
 */
function recasting(
  { lights, as, how, where, after, cues, missing, map }: Extract<Sentence, { kind: "recast" }>,
  context: LineContext,
): LineRequest {
  const [from, to] = [channelsOf(lights, context.sheet), channelsOf(as, context.sheet)];
  const plain = <T>(all: T[]): T | T[] => (all.length === 1 && all[0] !== undefined ? all[0] : all);
  const edit: Omit<Extract<EditInput, { op: "recast" }>, "from" | "to"> = {
    op: "recast",
    list: context.list.id,
    channel: plain(from),
    as: plain(to),
    how,
    where,
    after,
    ...(missing === "leave" ? { skipMissing: true } : {}),
    ...(missing === "drop" ? { dropMissing: true } : {}),
    ...(map.length > 0 ? { map: map.map((each) => mappingOf(each, context.sheet)) } : {}),
  };
  return { ...editOf(cuesFor(cues, context), (range) => ({ ...edit, ...range })), channels: to };
}

/** A mapping of attributes as an edit has it. Throws Fault for an attribute that no light has. */
function mappingOf({ from, to, turned }: TypedMapping, sheet: ShowSheet): { from: string; to: string; turned?: boolean } {
  for (const { name, at } of [from, to]) {
    if (!sheet.keys.names.has(name)) throw new Fault({ message: `No light has an attribute "${name}"`, at, length: name.length });
  }
  return { from: from.name, to: to.name, ...(turned ? { turned } : {}) };
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
  const here = !rangeMove.into || rangeMove.into === list;
  const cues = here && first !== undefined && last !== undefined ? { from: cueNumberAt(first), to: cueNumberAt(last) } : undefined;
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

/** The one cue whose part is spoken of. Throws Fault for a range of them. */
function onePartCue(cues: Range): Range {
  if (cues.from === cues.to) return checkedRange(cues);
  throw new Fault({ message: "A part belongs to one cue; name one, as in #12:", at: 0, length: 1 });
}

/**
 * Deletes each cue that stands in the range; what they leave chosen is the cue before. Each is an edit of its own in one operation,
 * so a thousand is the limit that keeps the impact readable. Throws Fault where none stands there.
 */
function deletion(range: Range, looks: "keepLooks" | "letGo", { list }: LineContext): LineRequest {
  const inside = list.cues.filter((cue) => cueOrder(cue.number) >= cueOrder(range.from) && cueOrder(cue.number) <= cueOrder(range.to));
  if (inside.length === 0) throw new Fault({ message: `No cue from ${range.from} to ${range.to} is in the list`, at: 0, length: 1 });
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

/** What is done, a minus right before a number being its sign where the attribute goes below 0, as in every field. */
function withSign(operation: TypedOperation, named: Named | undefined, channels: readonly number[], sheet: ShowSheet): TypedOperation {
  if (!("add" in operation)) return operation;
  const { add, isTight = false } = operation;
  const attributes = named ? channels.flatMap((channel) => sheet.keys.byChannel.get(channel)?.get(named.name)?.attribute ?? []) : [];
  return attributes.some((attribute) => minusSets(attribute, isTight)) ? { set: add } : { add };
}

/**
 * What a sentence about lights asks for: to choose them, to change them in cues, or to take them in hand.
 * Without `#`, where the line goes to the Hand, nothing recorded is touched.
 */
function onLights(sentence: Extract<Sentence, { kind: "lights" }>, context: LineContext): LineRequest {
  const channels = channelsOf(sentence.lights, context.sheet);
  attributeOf(sentence.attribute, context.sheet);
  if (!sentence.operation) return { kind: "choose", channels, ...(sentence.cues ? { cues: checkedRange(sentence.cues) } : {}) };
  const operation = withSign(sentence.operation, sentence.attribute, channels, context.sheet);
  if (context.toHand && !sentence.cues) return operationInHand(sentence, operation, channels, context.sheet);
  const cues = cuesFor(sentence.cues, context);
  const edits = editsOnLights(sentence, operation, channels, cues, context);
  if (!sentence.othersOut) return { kind: "edit", edits, channels, cues };
  return {
    kind: "edit",
    edits: [...edits, ...othersOut(channels, cues, sentence.after ?? editsAfter(context.sheet.show), context)],
    channels,
    cues,
  };
}

/**
 * The edit that takes out every other light that is lit somewhere in the range; a light that is dark all through gets no move.
 * An empty array where no other light is lit.
 */
function othersOut(channels: readonly number[], cues: Range, after: "restore" | "track", { list }: LineContext): EditInput[] {
  const [first, end] = [firstRowFrom(list, cueOrder(cues.from)), firstRowFrom(list, cueOrder(cues.to) + 1)];
  const others = [...list.keys.byChannel.keys()].filter((channel) => {
    if (channels.includes(channel) || !intensityOf(list.keys, channel)) return false;
    const lit = litRows(list, channel);
    return lit.subarray(first, end).includes(1);
  });
  if (others.length === 0) return [];
  const keys = { channels: others, families: ["intensity" as const] };
  return [{ op: "change", list: list.id, ...cues, keys, do: { set: 0 }, where: "look", after }];
}

/**
 * The edits of a sentence about lights in a range of cues. Looks are meant unless `stored` is said; what becomes of looks
 * behind the range is what is said of it, or what the show does (docs/rules.md, Edits, change a range). Throws Fault.
 */
function editsOnLights(
  { attribute, after: said, stored, along }: Extract<Sentence, { kind: "lights" }>,
  operation: TypedOperation,
  channels: number[],
  cues: Range,
  context: LineContext,
): EditInput[] {
  const list = context.list.id;
  const after = said ?? editsAfter(context.sheet.show);
  const keys = { channels, ...attributeOf(attribute, context.sheet) };
  if ("part" in operation) {
    if (cues.from !== cues.to) throw new Fault({ message: "A part belongs to one cue; name one, as in #12:", at: 0, length: 1 });
    return [{ op: "assignPart", list, cue: cues.from, keys, part: operation.part }];
  }
  if ("wave" in operation) {
    const swaying = attribute ? keys : { ...keys, families: ["intensity" as const] };
    const wave = operation.wave === null ? null : waveNamed(operation.wave, context.sheet);
    return [{ op: "setWave", list, ...cues, keys: swaying, wave, after }];
  }
  if ("times" in operation) return [{ op: "setMoveTimes", list, ...cues, keys, ...timesOf(operation.times, context.sheet) }];
  if ("home" in operation) return faultless(() => homeEdits(context.sheet.keys, keys, { list, ...cues, after }));
  // A level is what a bare number speaks of; letting go and dropping speak of all that a light does.
  const ofAll = attribute !== undefined || "palette" in operation || "release" in operation || "drop" in operation;
  const own = ofAll ? keys : { ...keys, families: ["intensity" as const] };
  const edit: EditInput = {
    op: "change",
    list,
    ...cues,
    keys: own,
    do: "palette" in operation ? wordGiven(operation.palette, attribute, channels, context.sheet) : operation,
    where: stored ? "moves" : "look",
    after,
    ...(along ? { along: "cues" } : {}),
  };
  return [edit];
}

/** The cues that a line speaks of: those it names, else those that are chosen. Throws Fault where there are none. */
function cuesFor(typed: Range | undefined, context: LineContext): Range {
  if (typed) return checkedRange(typed);
  if (context.cues) return context.cues;
  throw new Fault({ message: "In which cues? Choose some, or begin with #10..20:", at: 0, length: 1 });
}

/** The edits that add or patch a row of lights. Throws Fault pointing at the address or the type that is wrong. */
function patchEdits({ from, to, type, at, label }: Extract<Sentence, { kind: "patch" }>, { sheet }: LineContext): EditInput[] {
  const patch = at && readPatch(at.name);
  if (at && !patch)
    throw new Fault({ message: `${at.name} is not a patch; write universe and address such as 1.101`, at: at.at, length: at.name.length });
  const known = sheet.show.fixtureTypes.find((each) => matches({ id: each.id, label: each.name }, type.name));
  try {
    return bulkEdits(sheet.show, { from, to, type: known?.id ?? type.name, ...(patch ? { patch } : {}), label });
  } catch (error) {
    if (!(error instanceof ShowError)) throw error;
    throw new Fault({ message: error.message, at: type.at, length: type.name.length });
  }
}

/** A new list of the named cues in the order in which they are named; a cue may be named twice. Throws Fault for a range without cues. */
function gathered({ cues, label, what }: Extract<Sentence, { kind: "gather" }>, { sheet, list }: LineContext): EditInput[] {
  const named = cues.flatMap((range) => {
    const { from, to } = checkedRange(range);
    const inside = list.cues.filter((cue) => cueOrder(cue.number) >= cueOrder(from) && cueOrder(cue.number) <= cueOrder(to));
    if (inside.length === 0) throw new Fault({ message: `No cue from ${from} to ${to} is in the list`, at: 0, length: 1 });
    return inside.map((cue) => ({ list: list.id, cue: cue.number }));
  });
  return gatherEdits(freeId(label, sheet.lists.keys()), label, named, what);
}

/**
 * Lights as a line names them: "1..6, 9, @front / 2", in this order, each once. For the fields of forms that take lights.
 * A fault points at the word; a whole sentence is refused.
 * Lights that the rig does not have are a fault, as in the line itself.
 */
export function lightsNamed(text: string, sheet: ShowSheet): { channels: number[] } | { fault: LineFault } {
  const parsed = parseLine(text);
  if ("fault" in parsed) return parsed;
  const { sentence } = parsed;
  if (sentence.kind !== "lights" || sentence.operation || sentence.attribute || sentence.cues)
    return { fault: { message: `"${text}" does not name lights; write them as 1..6, 9, @group`, at: 0, length: text.length } };
  try {
    return { channels: channelsOf(sentence.lights, sheet) };
  } catch (error) {
    if (error instanceof Fault) return { fault: error.fault };
    throw error;
  }
}
