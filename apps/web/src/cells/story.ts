import {
  type ListSheet,
  columnOf,
  entryAt,
  moveIndexAt,
  moveTiming,
  paletteOf,
  slotName,
  threadsOf,
  traceOf,
  type Key,
  unsetBecause,
  waveWords,
  wavesOf,
  valueWords,
} from "@zm/core";
import type { Lens } from "../choice/sheetView.ts";
import { cueName, seconds } from "../shared/words.ts";
import { timesInRow } from "./cellTimes.ts";
import { lensKeys } from "./cells.ts";

/** Where a cell's value comes from and which cue ends it, in words. */
export interface CellStory {
  readonly value: string;
  readonly from: string;
  readonly until: string;
}

/** Tells the story of one key in one row. */
export function cellStory(list: ListSheet, key: Key, row: number): CellStory {
  const entry = entryAt(list, key, row);
  const stored = moveIndexAt(columnOf(list, key), row) >= 0;
  if (Number.isNaN(entry.value)) return { value: "unset", from: unsetWords(list, key, row, stored), until: "" };
  const palette = entry.spec === undefined ? undefined : paletteOf(entry.spec);
  const shown = slotName(key.attribute, entry.value) ?? valueWords(entry.value);
  const value = palette === undefined ? shown : `${shown} (${list.palettes.byId.get(palette)?.label ?? palette})`;
  const thread = threadsOf(list, key).find((each) => each.from <= row && row <= each.to);
  return {
    value,
    from: stored ? moveWords(list, key, row) : `tracked from cue ${cueName(list.cues[entry.row])}`,
    until: endWords(list, key, thread?.to ?? row),
  };
}

function moveWords(list: ListSheet, key: Key, row: number): string {
  const { spec } = entryAt(list, key, row);
  const timing = spec === undefined ? {} : moveTiming(spec);
  const own = [
    timing.fade === undefined ? "" : `fade ${seconds(timing.fade)}`,
    timing.delay === undefined ? "" : `delay ${seconds(timing.delay)}`,
  ]
    .filter(Boolean)
    .join(", ");
  return `a move of this cue${own ? ` with its own ${own}` : ""}`;
}

function unsetWords(list: ListSheet, key: Key, row: number, stored: boolean): string {
  const because = unsetBecause(list, key, row);
  if (because.why === "never") return "nothing has set it yet";
  const cue = because.row === row ? "this cue" : `cue ${cueName(list.cues[because.row])}`;
  switch (because.why) {
    case "wall":
      return `stopped by the wall of ${cue}`;
    case "released":
      return `released by ${cue}`;
    case "palette":
      return stored ? "its palette has no value for this light" : `the palette in ${cue} has no value for this light`;
    case "kept":
      return `${cue} kept it to itself`;
  }
}

function endWords(list: ListSheet, key: Key, last: number): string {
  const next = list.cues[last + 1];
  if (!next) return "until the end of the list";
  const stored = moveIndexAt(columnOf(list, key), last + 1) >= 0;
  const after = traceOf(list, key).values[last + 1] ?? Number.NaN;
  const why = stored
    ? Number.isNaN(after)
      ? "lets it go"
      : `moves it to ${targetWords(list, key, last + 1, after)}`
    : list.tracking[last + 1]?.wall
      ? "is a wall"
      : "brings back what was before";
  return `until cue ${cueName(next)}, which ${why}`;
}

function targetWords(list: ListSheet, key: Key, row: number, value: number): string {
  const { spec } = entryAt(list, key, row);
  const palette = spec === undefined ? undefined : paletteOf(spec);
  return palette === undefined
    ? (slotName(key.attribute, value) ?? valueWords(value))
    : (list.palettes.byId.get(palette)?.label ?? palette);
}

/** What sways in a cell, and which cue began or stopped it, in words; undefined where nothing does. */
export function waveStory(list: ListSheet, key: Key, row: number): { readonly value: string; readonly from: string } | undefined {
  const entry = wavesOf(list).get(key)?.[row];
  if (!entry) return undefined;
  const from = entry.row === row ? "of this cue" : `from cue ${cueName(list.cues[entry.row])}`;
  return entry.wave ? { value: waveWords(entry.wave), from } : entry.row === row ? { value: "wave stopped", from } : undefined;
}

/** What a cell shows, in words. */
export function cellWords(list: ListSheet, channel: number, row: number, lens: Lens): string {
  if (lens === "times") {
    const times = timesInRow(list, row).ofLights.get(channel);
    return times ? `${times.text} seconds${times.own ? ", times of its own" : ", as the cue"}` : "no move in this cue";
  }
  const stories = lensKeys(list, channel, lens).map((key) => ({ name: key.attribute.id, ...cellStory(list, key, row) }));
  const [first] = stories;
  if (!first) return `it has no ${lens}`;
  const values = lens === "intensity" ? first.value : stories.map(({ name, value }) => `${name} ${value}`).join(", ");
  const waves = lensKeys(list, channel, lens).flatMap((key) => {
    const wave = waveStory(list, key, row);
    return wave ? [`${key.attribute.id} sways, ${wave.value}, ${wave.from}`] : [];
  });
  return [`${values}, ${first.from}${first.until ? `, ${first.until}` : ""}`, ...waves].join("; ");
}
