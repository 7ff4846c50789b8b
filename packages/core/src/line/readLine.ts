import { cueOrder, isCueNumber } from "../show/cueNumber.ts";
import { CURVES, type Family, FAMILIES } from "../show/schema.ts";
import type { ListSheet, ShowSheet } from "../sheet/sheet.ts";
import type { EditInput } from "../edit/edits.ts";
import { type LineFault, parseLine } from "./grammar.ts";
import type { Lights, Named, Range, Sentence, TypedChange, TypedDeed, TypedTiming } from "./sentence.ts";

/** What a typed line asks for, held against the show: an edit, a choice, or a step in the history. */
export type LineRequest =
  | { kind: "edit"; edits: EditInput[]; channels: number[] | undefined; cues: Range }
  | { kind: "choose"; channels?: number[]; cues?: Range }
  | { kind: "history"; what: "undo" | "redo" };

/** What is chosen when a line is typed: the cues that an edit without `#` speaks of. */
export interface LineContext {
  readonly sheet: ShowSheet;
  readonly list: ListSheet;
  readonly cues: Range | undefined;
}

class Fault extends Error {
  readonly fault: LineFault;
  constructor(fault: LineFault) {
    super(fault.message);
    this.fault = fault;
  }
}

/** Reads a line against a show. A fault points at the word that is wrong. */
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

function requestOf(sentence: Sentence, context: LineContext): LineRequest {
  switch (sentence.kind) {
    case "history":
      return sentence;
    case "goCue":
      return { kind: "choose", cues: checkedRange(sentence.cues) };
    case "times": {
      const cues = cuesFor(sentence.cues, context);
      const { scale, up, down } = sentence;
      const change =
        scale === undefined ? { set: { ...(up === undefined ? {} : { up }), ...(down === undefined ? {} : { down }) } } : { scale };
      return { kind: "edit", edits: [{ op: "setTimes", list: context.list.id, ...cues, ...change }], channels: undefined, cues };
    }
    case "lights":
      return onLights(sentence, context);
    default:
      return onCues(sentence, context);
  }
}

type CueSentence = Exclude<Sentence, { kind: "history" | "goCue" | "times" | "lights" }>;

function onCues(sentence: CueSentence, context: LineContext): LineRequest {
  const list = context.list.id;
  switch (sentence.kind) {
    case "flag":
      return editOf(checkedRange(sentence.cues), (cues) => ({ op: sentence.what, list, ...cues }));
    case "recast": {
      const { channel, as, how } = sentence;
      return { ...editOf(cuesFor(sentence.cues, context), (cues) => ({ op: "recast", list, ...cues, channel, as, how })), channels: [as] };
    }
    case "swapPalette": {
      const [palette, as] = [paletteNamed(sentence.palette, context), paletteNamed(sentence.as, context)];
      return editOf(cuesFor(sentence.cues, context), (cues) => ({ op: "swapPalette", list, ...cues, palette, as }));
    }
    case "copy":
      return editOf(single(sentence.to), () => ({
        op: "copyCue",
        list,
        cue: single(sentence.cue).from,
        to: sentence.to,
        what: sentence.what,
      }));
    case "move":
      return editOf(single(sentence.to), () => ({ op: "moveCue", list, cue: single(sentence.cue).from, to: sentence.to }));
    case "delete":
      return deletion(checkedRange(sentence.cues), context);
    case "renumber": {
      const [start, step] = [single(sentence.start).from, single(sentence.step).from];
      return { ...editOf(checkedRange(sentence.cues), (cues) => ({ op: "renumber", list, ...cues, start, step })), cues: single(start) };
    }
    case "split": {
      const keys = { channels: channelsOf(sentence.lights, context), ...attributeOf(sentence.attribute, context) };
      return editOf(single(sentence.to), () => ({ op: "split", list, cue: single(sentence.cue).from, to: sentence.to, keys }));
    }
    case "label":
      return editOf(checkedRange(sentence.cues), (cues) => ({ op: "setCue", list, ...cues, label: sentence.label }));
  }
}

type EditRequest = Extract<LineRequest, { kind: "edit" }>;

function editOf(cues: Range, edit: (cues: Range) => EditInput): EditRequest {
  return { kind: "edit", edits: [edit(cues)], channels: undefined, cues };
}

function single(number: string): Range {
  return checkedRange({ from: number, to: number });
}

/** Deletes each cue that stands in the range; what they leave chosen is the cue before. */
function deletion(range: Range, { list }: LineContext): LineRequest {
  const inside = list.cues.filter((cue) => cueOrder(cue.number) >= cueOrder(range.from) && cueOrder(cue.number) <= cueOrder(range.to));
  if (inside.length === 0) throw new Fault({ message: `No cue from ${range.from} to ${range.to} is in the list`, at: 0, length: 1 });
  const before = list.cues.filter((cue) => cueOrder(cue.number) < cueOrder(range.from)).at(-1)?.number;
  const edits = inside.map((cue): EditInput => ({ op: "deleteCue", list: list.id, cue: cue.number }));
  return { kind: "edit", edits, channels: undefined, cues: before === undefined ? range : { from: before, to: before } };
}

function onLights(sentence: Extract<Sentence, { kind: "lights" }>, context: LineContext): LineRequest {
  const channels = channelsOf(sentence.lights, context);
  if (!sentence.deed) return { kind: "choose", channels, ...(sentence.cues ? { cues: checkedRange(sentence.cues) } : {}) };
  const cues = cuesFor(sentence.cues, context);
  return { kind: "edit", edits: [editOnLights(sentence, sentence.deed, channels, cues, context)], channels, cues };
}

function editOnLights(
  { attribute, only }: Extract<Sentence, { kind: "lights" }>,
  deed: TypedDeed,
  channels: number[],
  cues: Range,
  context: LineContext,
): EditInput {
  const list = context.list.id;
  const keys = { channels, ...attributeOf(attribute, context) };
  if ("part" in deed) {
    if (cues.from !== cues.to) throw new Fault({ message: "A part belongs to one cue; name one, as in #12:", at: 0, length: 1 });
    return { op: "assignPart", list, cue: cues.from, keys, part: deed.part };
  }
  if ("times" in deed) return { op: "setMoveTimes", list, ...cues, keys, ...timesOf(deed.times, context) };
  const own = attribute || "palette" in deed ? keys : { ...keys, families: ["intensity" as const] };
  return { op: "change", list, ...cues, keys: own, do: deedOf(deed, context), where: "look", after: only ? "restore" : "track" };
}

function timesOf(
  { fade, delay, curve, pace }: TypedTiming["times"],
  { sheet }: LineContext,
): Pick<Extract<EditInput, { op: "setMoveTimes" }>, "fade" | "delay" | "curve" | "pace"> {
  if (pace) {
    const found = sheet.show.paces.find((each) => matches(each, pace.name));
    if (found) return { pace: found.id };
    const names = sheet.show.paces.map((each) => each.id).join(", ") || "none yet";
    throw new Fault({ message: `There is no pace "${pace.name}"; the paces are ${names}`, at: pace.at, length: pace.name.length });
  }
  const known = curve && CURVES.find((each) => each.toLowerCase() === curve.name.toLowerCase());
  if (curve && !known)
    throw new Fault({
      message: `There is no curve "${curve.name}"; the curves are ${CURVES.join(", ")}`,
      at: curve.at,
      length: curve.name.length,
    });
  return { ...(fade === undefined ? {} : { fade }), ...(delay === undefined ? {} : { delay }), ...(known ? { curve: known } : {}) };
}

function channelsOf(lights: Lights, { sheet }: LineContext): number[] {
  const all = lights.terms.flatMap((term) => {
    if ("group" in term) return groupNamed(term.group, sheet).channels;
    const span = [...sheet.keys.byChannel.keys()].filter((channel) => channel >= term.first && channel <= term.last);
    if (span.length === 0)
      throw new Fault({
        message:
          term.first === term.last
            ? `Channel ${term.first} is not in the rig`
            : `No channel from ${term.first} to ${term.last} is in the rig`,
        at: term.at,
        length: String(term.first).length,
      });
    return span;
  });
  return [...new Set(all)].filter((_, index) => index % Math.max(1, lights.every) === 0);
}

function groupNamed(named: Named, sheet: ShowSheet): { channels: number[] } {
  const found = sheet.show.groups.find((group) => matches(group, named.name));
  if (found) return found;
  throw new Fault({
    message: `There is no group "${named.name}"; the groups are ${sheet.show.groups.map((group) => group.id).join(", ")}`,
    at: named.at,
    length: named.name.length,
  });
}

function attributeOf(named: Named | undefined, { sheet }: LineContext): { attributes?: string[]; families?: Family[] } {
  if (!named) return {};
  const family = FAMILIES.find((each) => each === named.name);
  if (family) return { families: [family] };
  if (sheet.keys.names.has(named.name)) return { attributes: [named.name] };
  throw new Fault({ message: `No light here has "${named.name}"`, at: named.at, length: named.name.length });
}

function deedOf(deed: TypedChange, context: LineContext): Extract<EditInput, { op: "change" }>["do"] {
  return "palette" in deed ? { palette: paletteNamed(deed.palette, context) } : deed;
}

function paletteNamed({ name, at }: Named, { sheet }: LineContext): string {
  const found = sheet.show.palettes.find((palette) => matches(palette, name));
  if (found) return found.id;
  throw new Fault({
    message: `There is no palette "${name}"; the palettes are ${sheet.show.palettes.map((palette) => palette.id).join(", ")}`,
    at,
    length: name.length,
  });
}

function matches({ id, label }: { id: string; label: string }, name: string): boolean {
  return id.toLowerCase() === name.toLowerCase() || label.toLowerCase() === name.toLowerCase();
}

function cuesFor(typed: Range | undefined, context: LineContext): Range {
  if (typed) return checkedRange(typed);
  if (context.cues) return context.cues;
  throw new Fault({ message: "In which cues? Choose some, or begin with #10..20:", at: 0, length: 1 });
}

function checkedRange(range: Range): Range {
  for (const number of [range.from, range.to]) {
    if (!isCueNumber(number))
      throw new Fault({ message: `${number} is not a cue number; it has at most three decimal places`, at: 0, length: number.length + 1 });
  }
  return range;
}
