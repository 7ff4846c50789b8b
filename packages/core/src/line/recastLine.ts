// What one light or palette does given to another, as it is typed.
import { type EditInput, recastEverywhere, swapEverywhere } from "../edit/index.ts";
import { faultless } from "./checked.ts";
import type { ShowSheet } from "../sheet/sheet.ts";
import { type LineContext, type LineRequest, cuesFor, editOf, editsOfShow } from "./lineRequest.ts";
import { Fault, channelsOf, paletteNamed } from "./names.ts";
import type { Named, Sentence, TypedMapping } from "./sentence.ts";

/**
 * What a sentence about recasting asks for. Lights are named on both sides and go together in that order; whether their numbers agree
 * is for the edit to say. The lights that take over are chosen afterwards. Throws Fault.
 */
export function recasting(
  { lights, as, how, where, after, cues, missing, map }: Extract<Sentence, { kind: "recast" }>,
  context: LineContext,
): LineRequest {
  const [from, to] = [channelsOf(lights, context.sheet), channelsOf(as, context.sheet)];
  const plain = <T>(all: T[]): T | T[] => (all.length === 1 && all[0] !== undefined ? all[0] : all);
  const recast: Omit<Extract<EditInput, { op: "recast" }>, "op" | "list" | "from" | "to"> = {
    channel: plain(from),
    as: plain(to),
    how,
    where,
    after,
    ...(missing === "leave" ? { skipMissing: true } : {}),
    ...(missing === "drop" ? { dropMissing: true } : {}),
    ...(map.length > 0 ? { map: map.map((each) => mappingOf(each, context.sheet)) } : {}),
  };
  if (cues === "everywhere")
    return { kind: "edit", edits: faultless(() => recastEverywhere(context.sheet, recast)), channels: to, cues: undefined };
  return { ...editOf(cuesFor(cues, context), (range) => ({ op: "recast", list: context.list.id, ...recast, ...range })), channels: to };
}

/** A mapping of attributes as an edit has it. Throws Fault for an attribute that no light has. */
function mappingOf({ from, to, turned }: TypedMapping, sheet: ShowSheet): { from: string; to: string; turned?: boolean } {
  for (const { name, at } of [from, to]) {
    if (!sheet.keys.names.has(name)) throw new Fault({ message: `No light has an attribute "${name}"`, at, length: name.length });
  }
  return { from: from.name, to: to.name, ...(turned ? { turned } : {}) };
}

/** What a sentence about swapping palettes asks for. Throws Fault for a palette that the show does not have. */
export function palettesSwapped(sentence: Extract<Sentence, { kind: "swapPalette" }>, context: LineContext): LineRequest {
  const idsOf = (names: Named[]): string | string[] => {
    const [first, ...others] = names.map((each) => paletteNamed(each, context.sheet));
    return first === undefined || others.length > 0 ? [first ?? "", ...others] : first;
  };
  const [palette, as] = [idsOf(sentence.palettes), idsOf(sentence.as)];
  if (sentence.cues === "everywhere") {
    const edits = faultless(() => swapEverywhere(context.sheet, [palette].flat(), [as].flat(), sentence.leave));
    return editsOfShow(edits);
  }
  const skip = sentence.leave ? { skipMissing: true } : {};
  return editOf(cuesFor(sentence.cues, context), (cues) => ({
    op: "swapPalette",
    list: context.list.id,
    ...cues,
    palette,
    as,
    ...skip,
  }));
}
