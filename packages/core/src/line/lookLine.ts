// Held looks as they are typed: their values, and a list made of them.
import { type EditInput, isNamed } from "../edit/index.ts";
import { giveMoves } from "../hand/give.ts";
import { freeId } from "../show/ids.ts";
import { keptKeys } from "../show/keptKeys.ts";
import type { HeldLook, Moves } from "../show/schema.ts";
import { mixMovesOf } from "../hand/mixing.ts";
import { resolve } from "../sheet/palettes.ts";
import { faultless } from "./checked.ts";
import { colourNamed } from "./colourLine.ts";
import type { LineContext } from "./lineRequest.ts";
import { Fault, attributeOf, channelsOf, entryNamed, wordGiven } from "./names.ts";
import type { Sentence, TypedOperation } from "./sentence.ts";

/** The edit that changes what lights are in a held look. Throws Fault for a look that there is not, and for what a look cannot hold. */
export function inLookEdit(sentence: Extract<Sentence, { kind: "inLook" }>, { sheet }: LineContext): EditInput {
  const looks = sheet.show.heldLooks ?? [];
  const id = entryNamed(sentence.look, looks, "held look");
  const look = looks.find((each) => each.id === id);
  if (!look) throw new Fault({ message: `There is no held look "${id}"`, at: sentence.look.at, length: sentence.look.name.length });
  const channels = channelsOf(sentence.lights, sheet);
  const named = { channels, ...attributeOf(sentence.attribute, sheet) };
  return { op: "setHeldLook", look: { ...look, values: valuesAfter(look, sentence, named, channels, { sheet }) } };
}

/** The values of a look after an operation on some lights. Throws Fault. */
function valuesAfter(
  look: HeldLook,
  { operation, attribute }: { readonly operation: TypedOperation; readonly attribute?: Extract<Sentence, { kind: "inLook" }>["attribute"] },
  named: Parameters<typeof isNamed>[1],
  channels: readonly number[],
  { sheet }: Pick<LineContext, "sheet">,
): Moves {
  if ("drop" in operation || "release" in operation) return without(look.values, named, sheet);
  if ("colour" in operation) {
    const light = colourNamed(operation.colour, sheet);
    return laidOver(
      look.values,
      faultless(() => mixMovesOf(sheet.keys, channels, light)),
    );
  }
  const levels = attribute || "palette" in operation ? named : { ...named, families: ["intensity" as const] };
  if ("set" in operation || "add" in operation || "scale" in operation || "palette" in operation) {
    const wanted = "palette" in operation ? wordGiven(operation.palette, attribute, channels, sheet) : operation;
    const moves = faultless(() =>
      giveMoves(sheet, levels, wanted, (key) => {
        const spec = look.values[key.channel]?.[key.attribute.id];
        const value = spec === undefined ? Number.NaN : resolve(spec, key, sheet.palettes);
        return Number.isNaN(value) ? key.attribute.home : value;
      }),
    );
    // A look has no times of its own for single values: what a palette carries stays behind.
    return laidOver(look.values, plainMoves(moves));
  }
  throw new Fault({ message: "A held look has values alone: = 40, + 10, = dusk, or drop", at: 0, length: 4 });
}

/** Moves without times. */
function plainMoves(moves: Moves): Moves {
  const plain: Moves = {};
  for (const [channel, own] of Object.entries(moves))
    plain[channel] = Object.fromEntries(
      Object.entries(own).map(([attribute, spec]) => [
        attribute,
        typeof spec === "number" || spec.palette === undefined ? spec : { palette: spec.palette },
      ]),
    );
  return plain;
}

function laidOver(values: Moves, moves: Moves): Moves {
  const after: Moves = { ...values };
  for (const [channel, own] of Object.entries(moves)) after[channel] = { ...after[channel], ...own };
  return after;
}

function without(values: Moves, named: Parameters<typeof isNamed>[1], { keys }: LineContext["sheet"]): Moves {
  return keptKeys<Moves[string][string]>(values, (channel, attribute) => {
    const key = keys.byChannel.get(Number(channel))?.get(attribute);
    return !key || !isNamed(key, named);
  });
}

/** The edit that makes a list of held looks, a cue for each, numbered from 1. Throws Fault for a look that there is not, and where there is none. */
export function gatherLooksEdit({ looks: names, label }: Extract<Sentence, { kind: "gatherLooks" }>, { sheet }: LineContext): EditInput {
  const all = sheet.show.heldLooks ?? [];
  const ids = names.map((name) => entryNamed(name, all, "held look"));
  const looks = ids.length > 0 ? ids.flatMap((id) => all.filter((look) => look.id === id)) : all;
  if (looks.length === 0) throw new Fault({ message: "There is no held look to gather yet", at: 0, length: 6 });
  return looksListEdit(looks, freeId(label, sheet.lists.keys()), label);
}

/** The edit that makes a list of held looks: each a blocked cue with all that the look holds, in its fade. */
export function looksListEdit(looks: readonly HeldLook[], id: string, label: string): EditInput {
  const cues = looks.map(({ label: name, values, fade }, index) => ({
    number: String(index + 1),
    label: name,
    block: true,
    parts: [{ number: 1, times: { up: fade ?? 1 }, moves: values }],
  }));
  return { op: "setList", list: { id, label, cues } };
}
