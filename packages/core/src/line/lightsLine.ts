// Lights as a line speaks of them: chosen, changed blind in cues, or taken in hand.
import type { EditInput } from "../edit/index.ts";
import { fanOverGroups } from "../fan/fan.ts";
import { homeEdits } from "../hand/home.ts";
import { litRows } from "../marks/calls.ts";
import { intensityOf } from "../sheet/keys.ts";
import { type ShowSheet, firstRowFrom } from "../sheet/sheet.ts";
import { cueOrder } from "../show/cueNumber.ts";
import { editsAfter } from "../show/editsAfter.ts";
import { minusSets } from "../values/readOperation.ts";
import { mixEdits } from "../hand/mixing.ts";
import { checkedRange, faultless } from "./checked.ts";
import { colourNamed } from "./colourLine.ts";
import { operationInHand } from "./handLine.ts";
import { type LineContext, type LineRequest, cuesFor, onePartCue } from "./lineRequest.ts";
import { movementEdits } from "../hand/movements.ts";
import { attributeOf, channelsOf, groupSizes, movementNamed, timesOf, waveNamed, wordGiven } from "./names.ts";
import { lightsPrepared } from "./preparedLine.ts";
import type { Named, Range, Sentence, TypedOperation } from "./sentence.ts";

/** What is done, a minus right before a number being its sign where the attribute goes below 0, as in every field. */
function withSign(operation: TypedOperation, named: Named | undefined, channels: readonly number[], sheet: ShowSheet): TypedOperation {
  if (!("add" in operation)) return operation;
  const { add, isTight = false } = operation;
  const attributes = named ? channels.flatMap((channel) => sheet.keys.byChannel.get(channel)?.get(named.name)?.attribute ?? []) : [];
  return attributes.some((attribute) => minusSets(attribute, isTight)) ? { set: add } : { add };
}

/** What is done, each of its fans with one point for every group. */
function overGroups(operation: TypedOperation, sizes: readonly number[]): TypedOperation {
  if ("set" in operation) return { set: fanOverGroups(operation.set, sizes) };
  if (!("times" in operation)) return operation;
  const { fade, delay } = operation.times;
  return {
    times: {
      ...operation.times,
      ...(typeof fade === "string" ? { fade: fanOverGroups(fade, sizes) } : {}),
      ...(typeof delay === "string" ? { delay: fanOverGroups(delay, sizes) } : {}),
    },
  };
}

/**
 * What a sentence about lights asks for: to choose them, to change them in cues, or to take them in hand.
 * Without `#`, where the line goes to the Hand, nothing recorded is touched.
 */
export function onLights(sentence: Extract<Sentence, { kind: "lights" }>, context: LineContext): LineRequest {
  const channels = channelsOf(sentence.lights, context.sheet);
  attributeOf(sentence.attribute, context.sheet);
  if (!sentence.operation) return { kind: "choose", channels, ...(sentence.cues ? { cues: checkedRange(sentence.cues) } : {}) };
  const signed = withSign(sentence.operation, sentence.attribute, channels, context.sheet);
  const operation = sentence.byGroup ? overGroups(signed, groupSizes(sentence.lights, context.sheet)) : signed;
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
    return [{ op: "assignPart", list, cue: onePartCue(cues).from, keys, part: operation.part }];
  }
  if ("wave" in operation) {
    const swaying = attribute ? keys : { ...keys, families: ["intensity" as const] };
    const wave = operation.wave === null ? null : waveNamed(operation.wave, context.sheet);
    return [{ op: "setWave", list, ...cues, keys: swaying, wave, after }];
  }
  if ("prepared" in operation) return lightsPrepared(context.list, channels, cues, operation.prepared);
  if ("times" in operation) return [{ op: "setMoveTimes", list, ...cues, keys, ...timesOf(operation.times, context.sheet) }];
  if ("movement" in operation) {
    const movement = movementNamed(operation.movement, context.sheet);
    return faultless(() => movementEdits(context.sheet.keys, channels, movement, { list, ...cues, after }));
  }
  if ("colour" in operation)
    return faultless(() => mixEdits(context.sheet.keys, channels, colourNamed(operation.colour, context.sheet), { list, ...cues, after }));
  if ("lit" in operation) {
    const full: EditInput = {
      op: "change",
      list,
      ...cues,
      keys: { channels, families: ["intensity"] },
      do: { set: 100 },
      where: "look",
      after,
    };
    return faultless(() => [
      full,
      ...homeEdits(context.sheet.keys, { channels, families: ["position", "colour", "beam"] }, { list, ...cues, after }),
    ]);
  }
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
