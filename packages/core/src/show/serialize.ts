import { type Rig, rigOf } from "./rig.ts";
import {
  type Cue,
  type CueList,
  type HeldLook,
  type ListHead,
  type MoveSpec,
  type Moves,
  PLAIN_TIMES,
  type Show,
  TIMED_FAMILIES,
} from "./schema.ts";

const CUE_ORDER = [
  "number",
  "label",
  "note",
  "scene",
  "block",
  "restate",
  "carries",
  "trigger",
  "mark",
  "call",
  "actions",
  "waves",
] as const;

/**
 * The show as the text of the open document: fields, cues, parts and moves always in the same order, so that the same
 * show is the same text byte for byte and two versions can be compared line by line.
 * Ends in a line break. Reading it back gives an equal document, and writing that gives these bytes again.
 * Each field stands on a line of its own, so that version control shows a changed move as one changed line.
 */
export function serializeShow(show: Show): string {
  return [...serializedPieces(show)].join("");
}

/** The text of `serializeShow` in pieces of about a cue, so that a caller that sends it may pause between them. */
export function* serializedPieces(show: Show): Generator<string> {
  const rig = rigOf(show);
  yield* documentPieces(show, 1, (cue) => orderedCue(cue, rig));
  yield "\n";
}

/**
 * The show as compact JSON, its fields as they stand, in pieces of about a cue. Reading it gives the identical document.
 * For storage and for sending, where nobody reads it. Every cue stands on a line of its own and nothing else breaks a line, so that `readInSlices`
 * can read it cue by cue.
 */
export function compactPieces(show: Show): Generator<string> {
  return documentPieces(show, 0, (cue) => cue);
}

function* documentPieces(show: Show, indent: 0 | 1, cueOf: (cue: Cue) => Cue): Generator<string> {
  const ordered = orderedShow({ ...show, lists: [] });
  const { lists: _none, heldLooks, tempos, pages, notes, movements, colourLists, script, newCue, editsAfter, ...head } = ordered;
  const line = (depth: number): string => (indent === 0 ? "" : `\n${" ".repeat(depth)}`);
  const colon = indent === 0 ? ":" : ": ";
  const textAt = (value: object, depth: number): string => JSON.stringify(value, undefined, indent).replaceAll("\n", line(depth));
  const leftOpen = (value: object, depth: number): string => textAt(value, depth).slice(0, -1 - line(depth).length);
  yield leftOpen(head, 0);
  yield `,${line(1)}"lists"${colon}[`;
  for (const [at, { cues, ...listHead }] of show.lists.entries()) {
    yield `${at === 0 ? "" : ","}${line(2)}${leftOpen(orderedListHead(listHead), 2)},${line(3)}"cues"${colon}[`;
    const ownLine = indent === 0 ? "\n" : line(4);
    for (const [row, cue] of cues.entries()) yield `${row === 0 ? "" : ","}${ownLine}${textAt(cueOf(cue), 4)}`;
    yield cues.length === 0 ? `]${line(2)}}` : `${indent === 0 ? "\n" : line(3)}]${line(2)}}`;
  }
  yield `${line(1)}]`;
  for (const [name, value] of Object.entries({ heldLooks, tempos, pages, notes, movements, colourLists, script, newCue }))
    if (value) yield `,${line(1)}"${name}"${colon}${textAt(value, 1)}`;
  if (editsAfter) yield `,${line(1)}"editsAfter"${colon}${JSON.stringify(editsAfter)}`;
  yield `${line(0)}}`;
}

/**
 * A copy of the show whose fields stand in the one fixed order.
 * Fields that stand in no fixed order, such as channels of a part, come in rising numbers.
 * Absent fields stay absent: no default is written out.
 */
export function orderedShow(show: Show): Show {
  const rig = rigOf(show);
  const { format, version, title, fixtureTypes, channels, groups, palettes, paces, lists, heldLooks, tempos } = show;
  const { pages, notes, movements, colourLists, script, newCue, editsAfter } = show;
  return {
    format,
    version,
    title,
    fixtureTypes,
    channels,
    groups,
    palettes,
    paces,
    lists: lists.map((list) => orderedList(list, rig)),
    ...(heldLooks ? { heldLooks: heldLooks.map((look) => orderedHeldLook(look, rig)) } : {}),
    ...(tempos ? { tempos: tempos.map((tempo) => pick(tempo, ["id", "label", "perMinute"])) } : {}),
    ...(pages ? { pages } : {}),
    ...(notes ? { notes: notes.map((note) => pick(note, NOTE_ORDER)) } : {}),
    ...(movements ? { movements: movements.map((one) => pick(one, ["id", "label", "waves", "period", "spread"])) } : {}),
    ...(colourLists ? { colourLists } : {}),
    ...(script ? { script } : {}),
    ...(newCue ? { newCue } : {}),
    ...(editsAfter ? { editsAfter } : {}),
  };
}

/** The fields of a note. */
const NOTE_ORDER = ["id", "text", "list", "cue", "channels", "line", "asked", "done", "answer"] as const;

function orderedList(list: CueList, rig: Rig): CueList {
  const { cues, ...head } = list;
  return { ...orderedListHead(head), cues: cues.map((cue) => orderedCue(cue, rig)) };
}

/** The fields of a list that stand before its cues. */
const LIST_ORDER = [
  "id",
  "label",
  "marks",
  "priority",
  "levels",
  "releaseTime",
  "master",
  "fader",
  "startsAt",
  "button",
  "steps",
  "off",
] as const;

function orderedListHead(head: ListHead): ListHead {
  return pick(head, LIST_ORDER);
}

function orderedHeldLook(look: HeldLook, rig: Rig): HeldLook {
  return { ...pick(look, ["id", "label", "levels", "priority", "fade", "button"]), values: orderedMoves(look.values, rig) };
}

function orderedCue(cue: Cue, rig: Rig): Cue {
  const head = pick(cue, CUE_ORDER);
  const parts = cue.parts.map((part) => ({
    ...pick(part, ["number", "label", "curve"]),
    times: pick(part.times, [...PLAIN_TIMES, ...TIMED_FAMILIES]),
    moves: orderedMoves(part.moves, rig),
    ...(part.waves ? { waves: part.waves } : {}),
  }));
  return { ...head, parts };
}

function orderedMoves(moves: Moves, rig: Rig): Moves {
  const ordered: Moves = {};
  for (const [channel, attributes] of Object.entries(moves)) {
    const row: Record<string, MoveSpec> = {};
    for (const name of rig.attributes.get(Number(channel))?.keys() ?? []) {
      const spec = attributes[name];
      if (spec !== undefined) row[name] = typeof spec === "number" ? spec : orderedMove(spec);
    }
    ordered[channel] = row;
  }
  return ordered;
}

function orderedMove(spec: Exclude<MoveSpec, number>): MoveSpec {
  const timing = pick(spec, ["fade", "delay", "curve"]);
  if (spec.value !== undefined) return { value: spec.value, ...timing };
  return spec.palette === undefined ? { release: true, ...timing } : { palette: spec.palette, ...timing };
}

function pick<T extends object, K extends keyof T>(from: T, names: readonly K[]): Pick<T, K> {
  const entries = names.filter((name) => from[name] !== undefined).map((name) => [name, from[name]] as const);
  return Object.fromEntries(entries) as Pick<T, K>;
}
