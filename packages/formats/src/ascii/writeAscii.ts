import {
  type Cue,
  type Key,
  type ListSheet,
  type LookState,
  type Part,
  type ShowSheet,
  at,
  cueDuration,
  emptyState,
  intensityOf,
  movesOf,
  placesOf,
  stateAt,
  inAscii,
  countedThrough,
} from "@zm/core";
import type { Remark } from "../report/remark.ts";
import { writeLevel, writeSeconds } from "./figures.ts";
import { OUR_MAKER, asQuoted } from "./ownLines.ts";
import { leadOf } from "./ways.ts";
import { unsaidOf } from "./unsaid.ts";

/** A show as an ASCII text, and what the text cannot say. */
export interface WrittenText {
  readonly text: string;
  readonly remarks: readonly Remark[];
}

/** No line is longer; the standard's readers were made for screens of 80 letters. */
const LINE = 78;

/**
 * Writes a show as an ASCII text, version 3.0: every cue with its whole look of levels, so that a reader that does not track is right too, and with 0 for each
 * light that it puts out, so that one that tracks is as well. Lists stand as pages, held looks as submasters. Lines of our own say exactly what
 * is rounded; other readers pass over them.
 */
export function writeAscii(sheet: ShowSheet): WrittenText {
  const { show } = sheet;
  const lines = [
    "Ident 3:0",
    `Manufacturer ${OUR_MAKER}`,
    `! ${inAscii(show.title)}`,
    "Clear All",
    ...patchLines(sheet),
    ...show.groups.flatMap((group, index) => [
      "",
      `Group ${index + 1}`,
      ...textLines(group.label),
      ...levelLines(group.channels.map((channel) => [channel, 100])),
    ]),
    ...(show.heldLooks ?? []).flatMap((look, index) => {
      const { fade = 1 } = look;
      return ["", `Sub ${index + 1}`, ...textLines(look.label), `Up ${writeSeconds(fade)}`, ...levelLines(lookLevels(sheet, look.values))];
    }),
    ...[...sheet.lists.values()].flatMap((list, index) => listLines(list, index + 1)),
    "",
    "EndData",
    "",
  ];
  return { text: lines.join("\r\n"), remarks: unsaidOf(sheet) };
}

/** The levels of a held look, palettes taken by their values. */
function lookLevels(
  { keys, palettes }: ShowSheet,
  values: NonNullable<ShowSheet["show"]["heldLooks"]>[number]["values"],
): [number, number][] {
  return Object.entries(values).flatMap(([channel, attributes]): [number, number][] => {
    const key = intensityOf(keys, Number(channel));
    const spec = key && attributes[key.attribute.id];
    if (!key || spec === undefined) return [];
    const value = typeof spec === "number" ? spec : spec.palette === undefined ? spec.value : palettes.valueFor(spec.palette, key);
    return value === undefined ? [] : [[key.channel, value]];
  });
}

/** Where each light's level is sent, as dimmers counted through all universes; 16 a line. */
function patchLines({ show }: ShowSheet): string[] {
  const types = new Map(show.fixtureTypes.map((type) => [type.id, type]));
  const entries = show.channels.flatMap(({ number, type, patch }): string[] => {
    const own = types.get(type);
    if (!own || !patch) return [];
    return [patch, ...(patch.more ?? [])].flatMap(({ level = 100, ...place }, at): string[] => {
      const offset = placesOf(own, at + 1).find(({ attribute }) => attribute.family === "intensity")?.offsets[0];
      return offset === undefined ? [] : [`${number}<${countedThrough(place) + offset}@${writeLevel(level)}`];
    });
  });
  return entries.length > 0 ? ["", ...filled("Patch 1", entries)] : [];
}

/** Entries put behind a beginning, in as many lines as they need. */
function filled(begin: string, entries: readonly string[]): string[] {
  const lines: string[] = [];
  let line = "";
  for (const entry of entries) {
    if (line !== "" && line.length + entry.length + 1 > LINE) {
      lines.push(line);
      line = "";
    }
    line = line === "" ? `${begin} ${entry}` : `${line} ${entry}`;
  }
  return line === "" ? lines : [...lines, line];
}

function textLines(text: string): string[] {
  if (text === "") return [];
  const plain = inAscii(text);
  return plain === text ? [`Text ${text}`] : [`Text ${plain}`, `$$Label ${asQuoted(text)}`];
}

function levelLines(levels: readonly (readonly [number, number])[]): string[] {
  const between = levels.filter(([, level]) => !Number.isInteger(level));
  return [
    ...filled(
      "Chan",
      levels.map(([channel, level]) => `${channel}@${writeLevel(level)}`),
    ),
    ...filled(
      "$$Exact",
      between.map(([channel, level]) => `${channel}@${level}`),
    ),
  ];
}

function listLines(list: ListSheet, page: number): string[] {
  const levels = [...list.keys.byChannel.keys()].flatMap((channel) => intensityOf(list.keys, channel) ?? []);
  const label = list.list.label || list.id;
  let [before, now] = [emptyState(list), emptyState(list)];
  const head = list.cues.length > 0 ? ["", `$Page ${page} ${asQuoted(label)}`] : [];
  return [
    ...head,
    ...list.cues.flatMap((cue, row) => {
      stateAt(list, row, now);
      const lines = cueLines(list, row, page, levelsByPart(cue, levels, { list, before, now }));
      [before, now] = [now, before];
      return ["", ...lines];
    }),
  ];
}

/** What each part of a cue says: the levels that it moves; the first part also has all that tracks in or is put out without being said. */
function levelsByPart(
  cue: Cue,
  levels: readonly Key[],
  { list, before, now }: { list: ListSheet; before: LookState; now: LookState },
): Map<number, [number, number][]> {
  const parts = new Map(movesOf(cue, list.keys).map(({ key, part }) => [key.ordinal, part]));
  const first = cue.parts[0]?.number ?? 1;
  const byPart = new Map<number, [number, number][]>();
  for (const { ordinal, channel } of levels) {
    const [level, was] = [levelIn(now, ordinal), levelIn(before, ordinal)];
    if (level === 0 && was === 0 && !parts.has(ordinal)) continue;
    const part = parts.get(ordinal) ?? first;
    const own = byPart.get(part) ?? [];
    own.push([channel, level]);
    byPart.set(part, own);
  }
  return byPart;
}

/** A level of a look; what is not set is out. */
function levelIn(state: LookState, ordinal: number): number {
  const level = state.values[ordinal] ?? Number.NaN;
  return Number.isNaN(level) ? 0 : level;
}

function cueLines(list: ListSheet, row: number, page: number, levels: ReadonlyMap<number, [number, number][]>): string[] {
  const cue = at(list.cues, row);
  const [first] = cue.parts;
  const isOne = cue.parts.length === 1 && first?.number === 1;
  const parts = cue.parts.flatMap((part) => [
    ...(isOne ? [] : [`Part ${part.number}`, ...textLines(part.label ?? "")]),
    ...timeLines(part),
    ...levelLines(levels.get(part.number) ?? []),
  ]);
  return [
    `Cue ${cue.number}${page === 1 ? "" : ` ${page}`}`,
    ...textLines(cue.label ?? ""),
    ...(cue.note ?? "").split("\n").flatMap((line) => (line.trim() === "" ? [] : [`! ${inAscii(line)}`])),
    ...wayLines(list, row),
    ...parts,
  ];
}

function timeLines({ times }: Part): string[] {
  const { up = 0, down = up, upDelay = 0, downDelay = upDelay } = times;
  const line = (word: string, fade: number, delay: number): string =>
    `${word} ${writeSeconds(fade)}${delay > 0 ? ` ${writeSeconds(delay)}` : ""}`;
  return [line("Up", up, upDelay), line("Down", down, downDelay)];
}

/** How the list goes on by itself behind a cue: by the follow of the next one, or by a go-to of its own. */
function wayLines(list: ListSheet, row: number): string[] {
  const lead = leadOf(list, row);
  if (lead) return [`Followon ${writeSeconds(lead.after)}`, `Link ${lead.cue}`];
  const trigger = list.cues[row + 1]?.trigger;
  if (trigger?.type !== "follow") return [];
  if (trigger.from === "go") return [`Followon ${writeSeconds(trigger.after)}`];
  return [`Followon ${writeSeconds(cueDuration(list, row) + trigger.after)}`, `$$Follow ${writeSeconds(trigger.after)}`];
}
