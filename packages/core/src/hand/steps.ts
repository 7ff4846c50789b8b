import { count, listed } from "../show/words.ts";
import { isRelease, paletteOf, plainValue, sameMove } from "../show/move.ts";
import { waveWords } from "../edit/index.ts";
import { sameData } from "../show/sameData.ts";
import type { MoveSpec, Moves, Waves } from "../show/schema.ts";
import type { ShowSheet } from "../sheet/sheet.ts";
import { letGo } from "./changeHand.ts";
import { fitHand } from "./fitHand.ts";
import type { Hand, Held } from "./hand.ts";
import type { HandChange } from "./handChange.ts";
import type { HeldWave } from "./heldWave.ts";
import { without } from "./without.ts";

/**
 * What a step did to the values in hand, by key name; absent means that the key was, or is, not in hand.
 * Plain data, so that undo survives a reload of the window.
 */
export type HandDiff = Readonly<Record<string, { readonly before?: Held | undefined; readonly after?: Held | undefined }>>;

/**
 * What is different in the second Hand. Empty when nothing is.
 * Values and their times count, not in which order they were taken.
 */
export function diffHands(before: Hand, after: Hand): HandDiff {
  const names = new Set([...Object.keys(before.held), ...Object.keys(after.held)]);
  return Object.fromEntries(
    [...names]
      .filter((name) => before.held[name] !== after.held[name])
      .map((name) => [name, { before: before.held[name], after: after.held[name] }]),
  );
}

/**
 * Two steps one behind the other as one; a value that ends as it began is left out.
 * For gestures that make many changes, such as dragging a level.
 */
export function squashDiffs(first: HandDiff, second: HandDiff): HandDiff {
  const names = new Set([...Object.keys(first), ...Object.keys(second)]);
  return Object.fromEntries(
    [...names].flatMap((name) => {
      const before = first[name] ? first[name].before : second[name]?.before;
      const after = second[name] ? second[name].after : first[name]?.after;
      return sameHeld(before, after) ? [] : [[name, { before, after }]];
    }),
  );
}

/**
 * The Hand with a step taken back, or made again. A value that something else has changed since is left as it is, and so is what
 * the rig no longer takes. `now` is milliseconds of the server's clock.
 * Nothing that came since is thrown away by it.
 */
export function stepHand(hand: Hand, diff: HandDiff, direction: "undo" | "redo", sheet: ShowSheet, now: number): Hand {
  const [from, to] = direction === "undo" ? (["after", "before"] as const) : (["before", "after"] as const);
  const mine = Object.entries(diff).filter(([name, step]) => saysSame(hand.held[name], step[from]));
  const going = mine.filter(([, step]) => !step[to]).map(([name]) => name);
  const left = letGo(hand, going, sheet, now, 1);
  const back = mine.flatMap(([name, step]): [string, Held][] => (step[to] ? [[name, step[to]]] : []));
  const names = back.map(([name]) => name);
  return fitHand(
    {
      ...hand,
      held: { ...left.held, ...Object.fromEntries(back) },
      dropped: without(hand.dropped, names),
      leaving: without(left.leaving, names),
    },
    sheet,
  );
}

/** True when two held values are the same, and as fresh. */
function sameHeld(a: Held | undefined, b: Held | undefined): boolean {
  return a === b || (a !== undefined && b !== undefined && a.fresh === b.fresh && saysSame(a, b));
}

/** True when two held things say the same, whenever they were given and whether or not they have been recorded. */
function saysSame(a: Held | undefined, b: Held | undefined): boolean {
  if (a === undefined || b === undefined) return a === b;
  if ("wave" in a || "wave" in b) return "wave" in a && "wave" in b && sameData(a.wave, b.wave);
  return sameMove(a.move, b.move);
}

/**
 * What changes do to the Hand, as a short sentence for undo and redo: "In hand: 6 lights, intensity 70".
 * Without a full stop. Undo and redo name their step with it.
 */
export function describeHandChanges(changes: readonly HandChange[], diff: HandDiff): string {
  const [first] = changes;
  if (!first) return "Nothing";
  switch (first.do) {
    case "give":
      return `In hand: ${givenWords(mergedMoves(changes))}`;
    case "wave":
      return `In hand: ${swayWords(changes)}`;
    case "inTime":
      return first.on ? "The Hand takes its own times" : "The Hand takes hold at once";
    case "time":
      return `In hand: times of ${count(Object.keys(diff).length, "value")}`;
    case "drop":
      return `Dropped from the Hand: ${count(Object.keys(diff).length, "value")}`;
    case "restoreDropped":
      return `Taken up again: ${count(Object.keys(diff).length, "value")}`;
    case "recorded":
      return "Recorded";
  }
}

/** All that some changes give, the newest of each key. */
function mergedMoves(changes: readonly HandChange[]): Moves {
  const merged: Moves = {};
  for (const change of changes) {
    if (change.do !== "give") continue;
    for (const [channel, own] of Object.entries(change.moves)) merged[channel] = { ...merged[channel], ...own };
  }
  return merged;
}

/** The waves that some changes give, in words: "6 lights, pan sine 30 every 4 s". */
function swayWords(changes: readonly HandChange[]): string {
  const all: Waves = {};
  for (const change of changes) {
    if (change.do !== "wave") continue;
    for (const [channel, own] of Object.entries(change.waves)) all[channel] = { ...all[channel], ...own };
  }
  const channels = Object.keys(all);
  const lights = channels.length === 1 ? `light ${channels[0]}` : count(channels.length, "light");
  const said = Object.values(all).flatMap((own) => Object.entries(own).map(([attribute, wave]) => `${attribute} ${plainWaveWords(wave)}`));
  return `${lights}, ${listed([...new Set(said)])}`;
}

/** A wave in words, without its phase: lights of a row differ in that alone. */
function plainWaveWords(wave: HeldWave["wave"]): string {
  if ("stop" in wave) return waveWords(wave);
  const { phase: _spread, ...rest } = wave;
  return waveWords(rest);
}

/** What is given, in words: "6 lights, intensity 70". */
function givenWords(moves: Moves): string {
  const channels = Object.keys(moves);
  const lights = channels.length === 1 ? `light ${channels[0]}` : count(channels.length, "light");
  const byAttribute = new Map<string, Set<string>>();
  for (const own of Object.values(moves))
    for (const [attribute, move] of Object.entries(own))
      byAttribute.set(attribute, (byAttribute.get(attribute) ?? new Set()).add(valueWords(move)));
  const words = [...byAttribute].map(([attribute, values]) => (values.size === 1 ? `${attribute} ${[...values][0]}` : attribute));
  return `${lights}, ${listed(words)}`;
}

/** A move's value in a word. */
function valueWords(move: MoveSpec): string {
  if (isRelease(move)) return "released";
  const value = plainValue(move);
  return value === undefined ? (paletteOf(move) ?? "") : String(Math.round(value * 100) / 100);
}
