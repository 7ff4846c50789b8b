// The sentences that are no edit of the show by themselves: they go to the Hand, change what is chosen, or open a sheet that asks more.
import type { GivenWave, EditInput, KeySelection } from "../edit/index.ts";
import type { Operation } from "../values/operation.ts";
import { FAMILIES, type Family, type Movement } from "../show/schema.ts";
import type { ShowSheet } from "../sheet/sheet.ts";
import { freeId } from "../show/ids.ts";
import { newTempo } from "../show/newTempo.ts";
import type { PaletteScope } from "../hand/keep.ts";
import type { TimesWish } from "../fan/timesAt.ts";
import type { RecordWish } from "../hand/record.ts";
import type { UpdatePlace } from "../hand/update.ts";
import type { Light } from "../stage/colour.ts";
import { colourNamed } from "./colourLine.ts";
import { recordTimesOf } from "./cueTimes.ts";
import { Fault, attributeOf, channelsOf, curveNamed, listNamed, movementNamed, timesOf, waveNamed, wordGiven } from "./names.ts";
import type { Lights, Named, Sentence, TypedOperation, ViewName } from "./sentence.ts";

/**
 * What a line asks of the Hand: values given, own times, a pace, values dropped, or those that were dropped last held again.
 * Nothing of it is an edit: the Hand is no part of the show until it is recorded.
 */
export type HandOperation =
  | { kind: "give"; operation: Exclude<Operation, { drop: true }>; selection: KeySelection; othersOut: boolean }
  | { kind: "home"; selection: KeySelection; othersOut: boolean }
  // A ready movement: waves of several attributes.
  | { kind: "movement"; movement: Movement; selection: { channels: number[] } }
  // A colour, whatever mixes it.
  | { kind: "mix"; light: Light; selection: { channels: number[] }; othersOut: boolean }
  // Full, and everything else at home.
  | { kind: "lit"; selection: { channels: number[] }; othersOut: boolean }
  | { kind: "time"; wish: TimesWish; selection: KeySelection }
  | { kind: "pace"; pace: string; selection: KeySelection }
  | { kind: "wave"; wave: GivenWave; selection: KeySelection }
  // `waves`: only those go, values stay.
  | { kind: "drop"; selection: KeySelection; waves?: boolean }
  | { kind: "inTime"; on: boolean }
  | { kind: "restoreDropped" };

/**
 * What a typed line asks for that is no edit of the show by itself. A record without a number opens its sheet; "new" takes the next
 * free one. An update without a place asks where.
 * Levels and values in the attribute's own unit, times in seconds.
 */
export type HandRequest =
  | { kind: "hand"; operation: HandOperation; channels: number[] | undefined }
  | Extract<Sentence, { kind: "choice" }>
  | { kind: "view"; view: ViewName }
  | { kind: "record"; cue: string | undefined; wish: Omit<RecordWish, "cue"> }
  | { kind: "update"; place: UpdatePlace | undefined; selection: KeySelection; list?: string }
  | { kind: "keep"; what: "palette"; label: string; family: Family; attributes?: string[]; scope: PaletteScope }
  | { kind: "keep"; what: "pace"; label: string }
  | { kind: "keep"; what: "movement"; label: string; channels?: number[] }
  | { kind: "keep"; what: "look"; label: string; stage: boolean }
  | { kind: "edit"; edits: EditInput[]; channels: number[] | undefined; cues: undefined };

/** What a line for the Hand is read with. */
interface Context {
  readonly sheet: ShowSheet;
}
/** The sentences that speak of the Hand, of views and of what is chosen. */
type HandSentence = Extract<
  Sentence,
  { kind: "view" | "choice" | "restoreDropped" | "inTimes" | "record" | "update" | "dropped" | "keep" }
>;

/**
 * Holds what was typed against the show. Throws Fault for a name that means nothing in it.
 * The message points at the word.
 */
export function handRequest(sentence: HandSentence, { sheet }: Context): HandRequest {
  switch (sentence.kind) {
    case "view":
    case "choice":
      return sentence;
    case "inTimes":
      return { kind: "hand", operation: { kind: "inTime", on: sentence.on }, channels: undefined };
    case "restoreDropped":
      return { kind: "hand", operation: { kind: "restoreDropped" }, channels: undefined };
    case "record":
      return recordRequest(sentence, sheet);
    case "update":
      return {
        kind: "update",
        place: sentence.place,
        selection: selectionOf(sentence, sheet),
        ...(sentence.list ? { list: listNamed(sentence.list, sheet).id } : {}),
      };
    case "dropped":
      return { kind: "hand", operation: { kind: "drop", selection: selectionOf(sentence, sheet) }, channels: undefined };
    case "keep":
      return keepRequest(sentence, sheet);
  }
}

/** The keys that a sentence speaks of. Throws Fault for a name that is not there. */
function selectionOf({ lights, attribute }: { lights?: Lights; attribute?: Named }, sheet: ShowSheet): KeySelection {
  return { ...(lights ? { channels: channelsOf(lights, sheet) } : {}), ...attributeOf(attribute, sheet) };
}

/** What a typed record asks for. What was not said has the plain meaning: from the Hand, values and times, added to the cue, tracking on. */
function recordRequest({ words }: Extract<Sentence, { kind: "record" }>, sheet: ShowSheet): HandRequest {
  const narrowed = words.family && familyOrAttribute(words.family, sheet);
  const { note, scene, trigger } = words;
  const fields = {
    ...(note === undefined ? {} : { note }),
    ...(scene === undefined ? {} : { scene }),
    ...(trigger === undefined ? {} : { trigger }),
  };
  return {
    kind: "record",
    cue: words.cue,
    wish: {
      from: words.stage ? "stage" : "hand",
      what: words.what ?? "both",
      changed: !words.all,
      mode: words.mode ?? "merge",
      scope: words.isolated ? "isolated" : words.only ? "cueOnly" : "track",
      ...(words.running ? { running: true } : {}),
      ...(words.part === undefined ? {} : { part: words.part }),
      ...(words.label === undefined ? {} : { label: words.label }),
      ...(words.lights ? { channels: channelsOf(words.lights, sheet) } : {}),
      ...narrowed,
      ...(words.waves ? { waves: words.waves } : {}),
      ...(words.times ? { times: recordTimesOf(words.times) } : {}),
      ...(words.times?.curve ? { curve: curveNamed(words.times.curve) } : {}),
      ...(Object.keys(fields).length > 0 ? { fields } : {}),
    },
  };
}

/** The family or the attribute of this name. Throws Fault where no light has either. */
function familyOrAttribute(named: Named, sheet: ShowSheet): { families: Family[] } | { attributes: string[] } {
  const family = FAMILIES.find((each) => each === named.name.toLowerCase());
  if (family) return { families: [family] };
  const { attributes = [] } = attributeOf(named, sheet);
  return { attributes };
}

/** The family of this name. Throws Fault naming those there are. */
function familyNamed({ name, at }: Named): Family {
  const found = FAMILIES.find((family) => family === name.toLowerCase());
  if (found) return found;
  throw new Fault({ message: `"${name}" is no family; the families are ${FAMILIES.join(", ")}`, at, length: name.length });
}

/** What a palette is made of: a family, or one attribute and its family. Throws Fault for a name that is neither. */
function paletteKeys(named: Named, sheet: ShowSheet): { family: Family; attributes?: string[] } {
  const found = sheet.keys.all.find(({ attribute }) => attribute.id.toLowerCase() === named.name.toLowerCase());
  return found ? { family: found.attribute.family, attributes: [found.attribute.id] } : { family: familyNamed(named) };
}

/** What a typed keep asks for: a palette, a pace or a group. A group whose label is known is set anew; the others get an id of their own. */
function keepRequest({ keeping }: Extract<Sentence, { kind: "keep" }>, sheet: ShowSheet): HandRequest {
  switch (keeping.what) {
    case "palette":
      return { kind: "keep", what: "palette", label: keeping.label, ...paletteKeys(keeping.family, sheet), scope: keeping.scope };
    case "pace":
      return { kind: "keep", what: "pace", label: keeping.label };
    case "movement":
      return {
        kind: "keep",
        what: "movement",
        label: keeping.label,
        ...(keeping.lights ? { channels: channelsOf(keeping.lights, sheet) } : {}),
      };
    case "look":
      return { kind: "keep", what: "look", label: keeping.label, stage: keeping.stage ?? false };
    case "tempo": {
      const { label, perMinute } = keeping;
      const known = sheet.show.tempos?.find((tempo) => tempo.label === label);
      const tempo = known ? { id: known.id, label, perMinute } : newTempo(sheet.show, label, perMinute);
      return { kind: "edit", edits: [{ op: "setTempo", tempo }], channels: undefined, cues: undefined };
    }
    case "group": {
      if (!keeping.lights) throw new Fault({ message: "Which lights? Write them behind the name, as 1..6", at: 0, length: 4 });
      const channels = channelsOf(keeping.lights, sheet);
      const known = sheet.show.groups.find((group) => group.label === keeping.label);
      const taken = sheet.show.groups.map((group) => group.id);
      const group = { id: known?.id ?? freeId(keeping.label, taken), label: keeping.label, channels };
      return { kind: "edit", edits: [{ op: "setGroup", group }], channels, cues: undefined };
    }
  }
}

/**
 * What is typed of lights without a cue, where it goes to the Hand. A bare value speaks of levels, as in cues.
 * Throws Fault for what only a cue can do: parts, restoring, stored moves.
 * `channels` are the lights in the order in which they were named, which is the order of fans.
 */
export function operationInHand(
  { attribute, after, othersOut = false, along, stored }: Extract<Sentence, { kind: "lights" }>,
  operation: TypedOperation,
  channels: number[],
  sheet: ShowSheet,
): HandRequest {
  if (after)
    throw new Fault({
      message: `${after === "restore" ? "only" : "track"} speaks of cues; begin with #10..20: or leave it out`,
      at: 0,
      length: 1,
    });
  if (along || stored)
    throw new Fault({
      message: `${along ? "along cues" : "stored"} speaks of cues; begin with #10..20: or leave it out`,
      at: 0,
      length: 1,
    });
  if ("prepared" in operation)
    throw new Fault({ message: "Lights are prepared for a cue; begin with it, as in #14: 12 prepared in #10", at: 0, length: 1 });
  if ("part" in operation) throw new Fault({ message: "A part belongs to a cue; begin with one, as in #12:", at: 0, length: 1 });
  const selection = { channels, ...attributeOf(attribute, sheet) };
  if ("times" in operation) {
    const { pace, scale, ...wish } = timesOf(operation.times, sheet);
    if (scale !== undefined) throw new Fault({ message: "Own times are multiplied in cues; begin with one, as in #12:", at: 0, length: 1 });
    return {
      kind: "hand",
      operation: pace === undefined ? { kind: "time", wish, selection } : { kind: "pace", pace, selection },
      channels,
    };
  }
  if ("wave" in operation) {
    const own = attribute ? selection : { ...selection, families: ["intensity" as const] };
    if (operation.wave === null) return { kind: "hand", operation: { kind: "drop", selection: own, waves: true }, channels };
    return { kind: "hand", operation: { kind: "wave", wave: waveNamed(operation.wave, sheet), selection: own }, channels };
  }
  if ("drop" in operation) return { kind: "hand", operation: { kind: "drop", selection }, channels };
  if ("movement" in operation) {
    const movement = movementNamed(operation.movement, sheet);
    return { kind: "hand", operation: { kind: "movement", movement, selection: { channels } }, channels };
  }
  if ("colour" in operation)
    return {
      kind: "hand",
      operation: { kind: "mix", light: colourNamed(operation.colour, sheet), selection: { channels }, othersOut },
      channels,
    };
  if ("lit" in operation) return { kind: "hand", operation: { kind: "lit", selection: { channels }, othersOut }, channels };
  if ("home" in operation) return { kind: "hand", operation: { kind: "home", selection, othersOut }, channels };
  if ("palette" in operation)
    return {
      kind: "hand",
      operation: { kind: "give", operation: wordGiven(operation.palette, attribute, channels, sheet), selection, othersOut },
      channels,
    };
  const values = attribute || "release" in operation ? selection : { ...selection, families: ["intensity" as const] };
  return { kind: "hand", operation: { kind: "give", operation, selection: values, othersOut }, channels };
}
