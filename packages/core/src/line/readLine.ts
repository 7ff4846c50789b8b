import { isCueNumber } from "../show/cueNumber.ts";
import { type Family, FAMILIES } from "../show/schema.ts";
import type { ListSheet, ShowSheet } from "../sheet/sheet.ts";
import type { EditInput } from "../edit/edits.ts";
import { type LineFault, parseLine } from "./grammar.ts";
import type { Lights, Named, Range, Sentence, TypedDeed } from "./sentence.ts";

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
  }
}

function onLights(sentence: Extract<Sentence, { kind: "lights" }>, context: LineContext): LineRequest {
  const channels = channelsOf(sentence.lights, context);
  if (!sentence.deed) return { kind: "choose", channels, ...(sentence.cues ? { cues: checkedRange(sentence.cues) } : {}) };
  const cues = cuesFor(sentence.cues, context);
  const keys = { channels, ...attributeOf(sentence.attribute, sentence.deed, context) };
  const edit: EditInput = {
    op: "change",
    list: context.list.id,
    ...cues,
    keys,
    do: deedOf(sentence.deed, context),
    where: "look",
    after: sentence.only ? "restore" : "track",
  };
  return { kind: "edit", edits: [edit], channels, cues };
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

function attributeOf(named: Named | undefined, deed: TypedDeed, { sheet }: LineContext): { attributes?: string[]; families?: Family[] } {
  if (!named) return "palette" in deed ? {} : { families: ["intensity"] };
  const family = FAMILIES.find((each) => each === named.name);
  if (family) return { families: [family] };
  if (sheet.keys.all.some((key) => key.attribute.id === named.name)) return { attributes: [named.name] };
  throw new Fault({ message: `No light here has "${named.name}"`, at: named.at, length: named.name.length });
}

function deedOf(deed: TypedDeed, { sheet }: LineContext): Extract<EditInput, { op: "change" }>["do"] {
  if (!("palette" in deed)) return deed;
  const found = sheet.show.palettes.find((palette) => matches(palette, deed.palette.name));
  if (found) return { palette: found.id };
  throw new Fault({
    message: `There is no palette "${deed.palette.name}"; the palettes are ${sheet.show.palettes.map((palette) => palette.id).join(", ")}`,
    at: deed.palette.at,
    length: deed.palette.name.length,
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
