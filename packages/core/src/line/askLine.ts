// Questions over the list as they are typed, and what is done in the cues that are found.
import { answer } from "../ask/answer.ts";
import type { Question, UsedKind } from "../ask/question.ts";
import { columnOf } from "./cueTimes.ts";
import type { EditInput } from "../edit/index.ts";
import { findRow } from "../sheet/sheet.ts";
import { type LineContext, type LineRequest, editsOfShow } from "./lineRequest.ts";
import { Fault, attributeOf, channelsOf, matches, paletteNamed } from "./names.ts";
import type { Named, Range, Sentence, TypedQuestion } from "./sentence.ts";

/**
 * What a question asks for: to be answered, or, with a sentence behind it, the edits of that sentence in every cue that is found.
 * `requestOf` reads the sentence behind it. Throws Fault, also where nothing is found that could be changed.
 */
export function asked(
  { asked: typed, then }: Extract<Sentence, { kind: "where" }>,
  context: LineContext,
  requestOf: (sentence: Sentence, context: LineContext) => LineRequest,
): LineRequest {
  const question = questionOf(typed, context);
  if (!then) return { kind: "ask", question };
  const ranges = foundRanges(question, context);
  if (ranges.length === 0) throw new Fault({ message: "No cue of this list is found, so nothing can be changed", at: 0, length: 5 });
  const edits = ranges.flatMap((cues): EditInput[] => {
    const request = requestOf(then, { ...context, cues, toHand: false });
    if (request.kind === "edit") return request.edits;
    throw new Fault({ message: "Behind the colon stands what becomes of the cues, as in where 12 > 50: 12 = 40", at: 0, length: 5 });
  });
  return editsOfShow(edits);
}

/** The cues of the list that a question finds, neighbours as one range. */
function foundRanges(question: Question, { sheet, list }: LineContext): Range[] {
  const rows = answer(sheet, list, question).flatMap((found) =>
    "cue" in found && found.list === list.id ? [findRow(list, found.cue)] : [],
  );
  const ranges: { first: number; last: number }[] = [];
  for (const row of rows) {
    const before = ranges.at(-1);
    if (before?.last === row - 1) before.last = row;
    else ranges.push({ first: row, last: row });
  }
  return ranges.flatMap(({ first, last }) => {
    const [from, to] = [list.cues[first]?.number, list.cues[last]?.number];
    return from === undefined || to === undefined ? [] : [{ from, to }];
  });
}

/** A typed question held against the show. Throws Fault for lights, attributes and names that are not there. */
function questionOf(typed: TypedQuestion, { sheet }: LineContext): Question {
  switch (typed.about) {
    case "value": {
      const channels = channelsOf(typed.lights, sheet);
      const { attributes } = attributeOf(typed.attribute, sheet);
      if (typed.attribute && !attributes)
        throw new Fault({
          message: `A value is asked of one attribute, as in where 12 pan > 0; ${typed.attribute.name} is a family`,
          at: typed.attribute.at,
          length: typed.attribute.name.length,
        });
      return { about: "value", channels, attribute: attributes?.[0] ?? "intensity", is: typed.is, value: typed.value };
    }
    case "shows":
      return { about: "shows", channels: channelsOf(typed.lights, sheet), palette: paletteNamed(typed.palette, sheet) };
    case "time":
      return { about: "time", column: columnOf(typed.column), is: typed.is, value: typed.value };
    case "moves":
      return { about: "moves", channels: channelsOf(typed.lights, sheet) };
    case "uses":
      return usedThing(typed.name, sheet.show);
  }
}

/** What can be used, in the order in which a name is looked for. */
const KINDS: readonly (readonly [UsedKind, "palettes" | "groups" | "paces" | "lists" | "heldLooks" | "tempos"])[] = [
  ["palette", "palettes"],
  ["group", "groups"],
  ["pace", "paces"],
  ["list", "lists"],
  ["look", "heldLooks"],
  ["tempo", "tempos"],
];

/** The thing of a name. Throws Fault naming the palettes, which are used most. */
function usedThing(name: Named, show: LineContext["sheet"]["show"]): Question {
  for (const [kind, field] of KINDS) {
    const thing = show[field]?.find(({ id, label }) => matches({ id, label }, name.name));
    if (thing) return { about: "uses", kind, id: thing.id };
  }
  throw new Fault({
    message: `Nothing that cues use is called "${name.name}"; palettes, groups, paces, lists, held looks and tempos can be asked for`,
    at: name.at,
    length: name.name.length,
  });
}
