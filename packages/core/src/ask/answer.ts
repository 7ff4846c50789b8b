import { paletteOf } from "../show/move.ts";
import type { Action, Cue, HeldLook, MoveSpec } from "../show/schema.ts";
import { count } from "../show/words.ts";
import { columnOf, entryAt, valueAt } from "../sheet/entry.ts";
import type { Key } from "../sheet/keys.ts";
import { type ListSheet, type ShowSheet, movesOf } from "../sheet/sheet.ts";
import { valueWords } from "../values/valueWords.ts";
import { storedTime } from "../time/timeColumns.ts";
import { runsByPace } from "./paceUse.ts";
import { type Found, type Question, holds } from "./question.ts";

/** Of so many lights each is named; more are counted. */
const NAMED = 4;

/**
 * What a question finds. Values, times and stored moves are asked of `list`; uses of every list and held look of the show, `list` first.
 * A value counts where it is set, whether the cue stores it or it tracked in; of several lights one is enough.
 */
export function answer(sheet: ShowSheet, list: ListSheet, question: Question): Found[] {
  switch (question.about) {
    case "value":
      return showing(list, keysFor(list, question.channels, question.attribute), (key, row) => {
        const value = valueAt(list, columnOf(list, key), row);
        return !Number.isNaN(value) && holds(value, question.is, question.value) ? valueWords(value) : undefined;
      });
    case "shows":
      return showing(list, keysFor(list, question.channels), (key, row) => {
        const { spec } = entryAt(list, key, row);
        return spec !== undefined && paletteOf(spec) === question.palette ? key.attribute.id : undefined;
      });
    case "time":
      return list.cues.flatMap((cue) => found(list, cue, timeIn(cue, question)));
    case "moves":
      return list.cues.flatMap((cue) => found(list, cue, movedIn(list, cue, new Set(question.channels))));
    case "uses":
      return usesOf(sheet, list, question);
  }
}

/** How much a question has found, in words: "12 cues, 1 held look". */
export function foundWords(all: readonly Found[]): string {
  const looks = all.filter((each) => "look" in each).length;
  const cues = all.length - looks;
  if (all.length === 0) return "No cue";
  return [...(cues > 0 ? [count(cues, "cue")] : []), ...(looks > 0 ? [count(looks, "held look")] : [])].join(", ");
}

function found({ id: list }: ListSheet, { number: cue }: Cue, why: string | undefined): Found[] {
  return why === undefined ? [] : [{ list, cue, why }];
}

/** The keys that are asked for, of the lights that have them. */
function keysFor({ keys }: ListSheet, channels: readonly number[], attribute?: string): Key[] {
  return channels.flatMap((channel) => {
    const own = keys.byChannel.get(channel);
    const key = attribute === undefined ? undefined : own?.get(attribute);
    return attribute === undefined ? [...(own?.values() ?? [])] : key ? [key] : [];
  });
}

/** The cues in whose looks one of the keys says something; with what they say. */
function showing(list: ListSheet, keys: readonly Key[], say: (key: Key, row: number) => string | undefined): Found[] {
  return list.cues.flatMap((cue, row) => {
    const said = new Map<string, number[]>();
    for (const key of keys) {
      const words = say(key, row);
      if (words !== undefined) said.set(words, [...new Set([...(said.get(words) ?? []), key.channel])]);
    }
    const why = [...said].map(([words, channels]) => `${lightsWords(channels)}: ${words}`).slice(0, NAMED);
    return found(list, cue, why.length > 0 ? why.join(", ") : undefined);
  });
}

/** Few lights by their numbers, many counted. */
function lightsWords(channels: readonly number[]): string {
  return channels.length > NAMED ? count(channels.length, "light") : channels.join(", ");
}

/** What the parts of a cue store in a column of times, where one of it is what was asked for. */
function timeIn(cue: Cue, { column, is, value }: Extract<Question, { about: "time" }>): string | undefined {
  const times = cue.parts.flatMap(({ times: own }) => storedTime(own, column) ?? []).filter((seconds) => holds(seconds, is, value));
  return times.length > 0 ? `${times.map((seconds) => String(seconds)).join(", ")} s` : undefined;
}

/** Which of the lights a cue stores moves for. */
function movedIn(list: ListSheet, cue: Cue, channels: ReadonlySet<number>): string | undefined {
  const moved = movesOf(cue, list.keys).filter(({ key }) => channels.has(key.channel));
  const lights = [...new Set(moved.map(({ key }) => key.channel))];
  return lights.length > 0 ? `${count(moved.length, "move")} of ${lightsWords(lights)}` : undefined;
}

/** Who uses a thing: cues of every list, the one that is worked on first, and held looks. */
function usesOf(sheet: ShowSheet, worked: ListSheet, question: Extract<Question, { about: "uses" }>): Found[] {
  const lists = [worked, ...[...sheet.lists.values()].filter(({ id }) => id !== worked.id)];
  const inCues = lists.flatMap((list) => list.cues.flatMap((cue) => found(list, cue, useIn(sheet, list, cue, question))));
  const inLooks = (sheet.show.heldLooks ?? []).flatMap((look): Found[] => {
    const why = useInLook(sheet, look, question);
    return why === undefined ? [] : [{ look: look.id, why }];
  });
  return [...inCues, ...inLooks];
}

function useIn(sheet: ShowSheet, list: ListSheet, cue: Cue, { kind, id }: Extract<Question, { about: "uses" }>): string | undefined {
  switch (kind) {
    case "palette": {
      const lights = movesOf(cue, list.keys).filter(({ spec }) => paletteOf(spec) === id);
      return lights.length > 0 ? lightsWords([...new Set(lights.map(({ key }) => key.channel))]) : undefined;
    }
    case "group":
      return movedIn(list, cue, channelsOfGroup(sheet, id));
    case "pace": {
      const pace = sheet.show.paces.find((each) => each.id === id);
      return pace && runsByPace(cue, list.keys, pace) ? "in its times" : undefined;
    }
    default: {
      const waves = kind === "tempo" && cue.parts.some(({ waves: all = {} }) => swaysAt(all, id)) ? ["a wave"] : [];
      const said = [...(cue.actions ?? []).filter((action) => speaksOf(action, kind, id)).map((action) => action.do), ...waves];
      return said.length > 0 ? said.join(", ") : undefined;
    }
  }
}

/** True where a wave runs at a tempo. */
function swaysAt(waves: NonNullable<Cue["parts"][number]["waves"]>, tempo: string): boolean {
  return Object.values(waves).some((own) => Object.values(own).some((wave) => "tempo" in wave && wave.tempo === tempo));
}

function speaksOf(action: Action, kind: "list" | "look" | "tempo", id: string): boolean {
  if (kind === "list") return "list" in action && action.list === id;
  if (kind === "look") return action.do === "look" && action.look === id;
  return action.do === "tempo" && action.tempo === id;
}

function channelsOfGroup({ show }: ShowSheet, id: string): ReadonlySet<number> {
  return new Set(show.groups.find((group) => group.id === id)?.channels ?? []);
}

/** A held look uses palettes and lights; it has no times and starts nothing. */
function useInLook(sheet: ShowSheet, { values }: HeldLook, { kind, id }: Extract<Question, { about: "uses" }>): string | undefined {
  const group = kind === "group" ? channelsOfGroup(sheet, id) : undefined;
  const used = (channel: number, spec: MoveSpec): boolean => (kind === "palette" ? paletteOf(spec) === id : (group?.has(channel) ?? false));
  const lights = Object.entries(values).flatMap(([channel, own]) =>
    Object.values(own).some((spec) => used(Number(channel), spec)) ? [Number(channel)] : [],
  );
  return lights.length > 0 ? lightsWords(lights) : undefined;
}
