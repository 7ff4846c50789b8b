import {
  type Channel,
  type Cue,
  type CueList,
  type FixtureType,
  type Group,
  type HeldLook,
  type Moves,
  type Note,
  type Part,
  type Show,
  byNumber,
  emptyShow,
  freeIdAmong,
  groupBy,
  plainCueNumber,
  readShow,
  addressCounted,
} from "@zm/core";
import { type Remark, inOrderOfLines } from "../report/remark.ts";
import type { AsciiBody, AsciiCue, AsciiFile, AsciiItem, AsciiTimes } from "./asciiFile.ts";

/**
 * What the levels of a cue mean. `looks`: each cue is a whole look, and what it changes is kept as moves. `stored`: each cue is a whole look, and every
 * level is kept as a move. `moves`: a cue says what moves, and the rest tracks.
 */
export const LEVELS_MEAN = ["looks", "stored", "moves"] as const;
/** One of the ways to read the levels of a cue. */
export type LevelsMean = (typeof LEVELS_MEAN)[number];

/** How a text is to be understood where the standard leaves it open, and what the show is called when the text does not say it. */
export interface AsciiWishes {
  readonly levels: LevelsMean;
  /** From when the seconds of a follow-on count. */
  readonly followFrom: "go" | "complete";
  readonly title: string;
}

/** A text made into a show, and what of it is not in the show. */
export interface ShowReading {
  readonly show: Show;
  readonly remarks: readonly Remark[];
}

const LONGEST_LABEL = 200;
/** Dimmers of one channel beside its first. */
const MOST_MORE = 63;
/** What every light of such a text is: it has a level and nothing else. */
const DIMMER: FixtureType = {
  id: "dimmer",
  name: "Dimmer",
  attributes: [{ id: "intensity", family: "intensity", min: 0, max: 100, home: 0 }],
};

/**
 * The show that an ASCII text says, under the wishes: a list for each page, a light for each channel, groups, and submasters as held looks. Every level
 * is there to a hundredth of a per cent; what has no place stands in `remarks`, line by line. Throws ShowError where the result is no show.
 */
export function showOfAscii(file: AsciiFile, wishes: AsciiWishes): ShowReading {
  const remarks: Remark[] = [...file.remarks];
  const lists = listsOf(file, wishes, remarks);
  const heldLooks = file.subs.reduce<HeldLook[]>((made, sub) => [...made, lookOf(sub, made, remarks)], []);
  const show = readShow({
    ...emptyShow(file.title || wishes.title),
    fixtureTypes: [DIMMER],
    channels: channelsOf(file, remarks),
    groups: file.groups.reduce<Group[]>((made, group) => [...made, groupOf(group, made, remarks)], []),
    lists,
    ...(heldLooks.length > 0 ? { heldLooks } : {}),
    ...asideNotes(file, lists, remarks),
  });
  return { show, remarks: inOrderOfLines(remarks) };
}

/** So many notes are made of what is kept aside, and so many letters are in one. */
const MOST_NOTES = 100;
const LONGEST_NOTE = 2000;

/** Lines that have no place, as notes: those under a cue pinned to it, so that whoever works on it reads what the other desk did besides. */
function asideNotes({ aside, cues }: AsciiFile, lists: readonly CueList[], remarks: Remark[]): { notes?: Note[] } {
  const pages = [...new Set(cues.map(({ page }) => page))].sort((a, b) => a - b);
  const places = [...groupBy(aside, ({ cue }) => (cue ? `${cue.page} ${cue.number}` : ""))];
  const notes = places.slice(0, MOST_NOTES).map(([, kept], at): Note => {
    const text = kept.map((each) => each.text).join("\n");
    const cue = kept[0]?.cue;
    const pinned = cue && { list: lists[pages.indexOf(cue.page)]?.id ?? "main", cue: plainCueNumber(cue.number) };
    return { id: `aside-${at + 1}`, text: text.slice(0, LONGEST_NOTE), ...pinned, asked: "in the file" };
  });
  if (places.length > MOST_NOTES)
    remarks.push({
      kind: "left",
      words: `what is kept aside under ${places.length - MOST_NOTES} more cues: there are notes for the first ${MOST_NOTES}`,
    });
  return notes.length > 0 ? { notes } : {};
}

/** In how many cues the picture is another one when levels are read as moves and not as whole looks: 0 where the choice says nothing. */
export function looksThatDiffer(file: AsciiFile): number {
  let differing = 0;
  for (const cues of byPage(file).values()) {
    const tracked = new Map<number, number>();
    for (const cue of cues) {
      const said = allLevels(cue);
      for (const [channel, level] of said) tracked.set(channel, level);
      if ([...tracked].some(([channel, level]) => level > 0 && !said.has(channel))) differing += 1;
    }
  }
  return differing;
}

function byPage(file: AsciiFile): Map<number, AsciiCue[]> {
  const pages = groupBy(file.cues, ({ page }) => page);
  return new Map([...pages].sort(([a], [b]) => a - b).map(([page, cues]) => [page, [...cues].sort(byNumber)]));
}

function listsOf(file: AsciiFile, wishes: AsciiWishes, remarks: Remark[]): CueList[] {
  const lists: CueList[] = [];
  for (const [page, cues] of byPage(file)) {
    const label = file.pages.get(page) ?? (lists.length === 0 ? "Main" : `Page ${page}`);
    const id = lists.length === 0 ? "main" : freeIdAmong(label, lists);
    const lit = new Map<number, number>();
    const made = cues.map((cue) => cueOf(cue, wishes, lit, remarks));
    lists.push({ id, label, cues: made.map((cue, at) => chained(cue, cues, at, { id, wishes, remarks })) });
  }
  return lists.length > 0 ? lists : emptyShow("").lists;
}

/** All levels of a cue, of its own and of its parts. */
function allLevels(cue: AsciiCue): Map<number, number> {
  const all = new Map(cue.levels);
  for (const part of cue.parts.values()) for (const [channel, level] of part.levels) all.set(channel, level);
  return all;
}

/** One cue with its parts; `lit` holds what the cues before it show, and is brought up to date. */
function cueOf(cue: AsciiCue, wishes: AsciiWishes, lit: Map<number, number>, remarks: Remark[]): Cue {
  const whole = allLevels(cue);
  const isMove = (channel: number, level: number): boolean => wishes.levels !== "looks" || (lit.get(channel) ?? 0) !== level;
  const gone = wishes.levels === "moves" ? [] : [...lit].flatMap(([channel, level]) => (level > 0 && !whole.has(channel) ? [channel] : []));
  const numbers = [...new Set([1, ...cue.parts.keys()])].sort((a, b) => a - b);
  const holders = new Map([...cue.levels.keys()].map((channel) => [channel, 1]));
  for (const number of numbers) for (const channel of cue.parts.get(number)?.levels.keys() ?? []) holders.set(channel, number);
  const parts = numbers.map((number): Part => {
    const own = [...whole].filter(([channel, level]) => holders.get(channel) === number && isMove(channel, level));
    return partOf(number, cue, own, number === 1 ? gone : []);
  });
  for (const [channel, level] of whole) lit.set(channel, level);
  for (const channel of gone) lit.set(channel, 0);
  const note = [...cue.comments, ...[...cue.parts.values()].flatMap(({ comments }) => comments)].join("\n");
  return { number: plainCueNumber(cue.number), ...labelOf(cue, `cue ${cue.number}`, remarks), ...(note === "" ? {} : { note }), parts };
}

function partOf(number: number, cue: AsciiCue, levels: readonly (readonly [number, number])[], gone: readonly number[]): Part {
  const own = cue.parts.get(number);
  const moves: Moves = {};
  for (const [channel, level] of levels) moves[channel] = { intensity: level };
  for (const channel of gone) moves[channel] = { intensity: 0 };
  const times = plainTimes(number === 1 ? { ...cue.times, ...own?.times } : { ...own?.times });
  const label = own && own.text !== "" ? { label: plainLabel(own.text) } : {};
  return { number, ...label, times, moves };
}

/** Times in which a wait that is not said down is none: here it would be the one up. */
function plainTimes(times: AsciiTimes): AsciiTimes {
  const { down, upDelay, downDelay } = times;
  return down !== undefined && upDelay !== undefined && downDelay === undefined ? { ...times, downDelay: 0 } : times;
}

/** A cue with what fires it, and the way on that it has where that is not the next cue. */
function chained(
  cue: Cue,
  cues: readonly AsciiCue[],
  at: number,
  { id, wishes, remarks }: { id: string; wishes: AsciiWishes; remarks: Remark[] },
): Cue {
  const [before, own, next] = [cues[at - 1], cues[at], cues[at + 1]];
  const from = before?.fromComplete ? "complete" : wishes.followFrom;
  const follows = before?.followOn !== undefined && !leadsElsewhere(before, own);
  const trigger = follows ? { trigger: { type: "follow" as const, from, after: before.followOn ?? 0 } } : {};
  if (!own || !leadsElsewhere(own, next)) return { ...cue, ...trigger };
  const { line, link = "", followOn } = own;
  if (followOn === undefined || !cues.some(({ number }) => plainCueNumber(number) === plainCueNumber(link))) {
    const why = followOn === undefined ? "a Go here takes the next cue by number" : "there is no such cue";
    remarks.push({ kind: "left", line, words: `cue ${own.number} leads to cue ${link}; ${why}` });
    return { ...cue, ...trigger };
  }
  remarks.push({ kind: "changed", line, words: `cue ${own.number} goes on to cue ${link} after ${followOn} s: made an action of the cue` });
  const after = followOn > 0 ? { after: followOn } : {};
  return { ...cue, ...trigger, actions: [{ do: "goto", list: id, cue: plainCueNumber(link), ...after }] };
}

function leadsElsewhere(cue: AsciiCue, next: AsciiCue | undefined): boolean {
  return cue.link !== undefined && (next === undefined || plainCueNumber(cue.link) !== plainCueNumber(next.number));
}

function channelsOf(file: AsciiFile, remarks: Remark[]): Channel[] {
  const patched = new Map<number, Channel["patch"]>();
  for (const { line, channel, dimmer, level } of file.patch) {
    const before = patched.get(channel);
    const address = addressCounted(dimmer);
    const own = address && { ...address, ...(level === 100 ? {} : { level }) };
    if (!own) remarks.push({ kind: "left", line, words: `dimmer ${dimmer} is behind the last address that there is` });
    else if (!before) patched.set(channel, own);
    else if ((before.more?.length ?? 0) >= MOST_MORE)
      remarks.push({ kind: "left", line, words: `channel ${channel} is on dimmer ${dimmer} too; a light has at most ${MOST_MORE + 1}` });
    else patched.set(channel, { ...before, more: [...(before.more ?? []), own] });
  }
  const bodies: AsciiBody[] = [...file.cues, ...file.cues.flatMap((cue) => [...cue.parts.values()]), ...file.groups, ...file.subs];
  const numbers = new Set([...patched.keys(), ...bodies.flatMap(({ levels }) => [...levels.keys()])]);
  return [...numbers]
    .sort((a, b) => a - b)
    .map((number) => {
      const patch = patched.get(number);
      return { number, type: DIMMER.id, ...(patch ? { patch } : {}) };
    });
}

function groupOf(group: AsciiItem, made: readonly Group[], remarks: Remark[]): Group {
  const label = group.text === "" ? `Group ${group.number}` : cutLabel(group, `group ${group.number}`, remarks);
  const channels = [...group.levels].flatMap(([channel, level]) => (level > 0 ? [channel] : []));
  if ([...group.levels.values()].some((level) => level !== 100))
    remarks.push({
      kind: "left",
      line: group.line,
      words: `group ${group.number} holds levels; a group here says which lights, not how bright`,
    });
  return { id: freeIdAmong(label, made), label, channels };
}

function lookOf(sub: AsciiItem, made: readonly HeldLook[], remarks: Remark[]): HeldLook {
  const label = sub.text === "" ? `Submaster ${sub.number}` : cutLabel(sub, `submaster ${sub.number}`, remarks);
  const values = Object.fromEntries([...sub.levels].map(([channel, intensity]) => [channel, { intensity }]));
  const { up, down = up, upDelay, downDelay } = sub.times;
  if (down !== up || upDelay !== undefined || downDelay !== undefined)
    remarks.push({
      kind: "left",
      line: sub.line,
      words: `submaster ${sub.number} has times of its own down and waits; here it has one time, up`,
    });
  return { id: freeIdAmong(label, made), label, values, ...(up === undefined ? {} : { fade: up }) };
}

function labelOf(body: AsciiBody, name: string, remarks: Remark[]): { label?: string } {
  return body.text === "" ? {} : { label: cutLabel(body, name, remarks) };
}

function cutLabel({ line, text }: AsciiBody, name: string, remarks: Remark[]): string {
  const label = plainLabel(text);
  if (label !== text) remarks.push({ kind: "changed", line, words: `the text of ${name} is cut to one line of ${LONGEST_LABEL} letters` });
  return label;
}

function plainLabel(text: string): string {
  // eslint-disable-next-line no-control-regex -- these are what a label cannot hold
  return text.replace(/[\u0000-\u001f\u007f-\u009f]+/g, " ").slice(0, LONGEST_LABEL);
}
