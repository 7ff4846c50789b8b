import type { Cue, Curve, MoveSpec, Moves, Part, PartTimes, Trigger } from "@zm/core";
import { channels, groups } from "./rig.ts";

const ATTRIBUTES = new Map(channels.map((channel) => [channel.number, channel.type]));

/** The channels of a group, or a few of them by their place in it, from 1. */
export function lights(group: string, ...places: number[]): number[] {
  const all = groups.find((each) => each.id === group)?.channels ?? [];
  return places.length === 0 ? all : all.filter((_, index) => places.includes(index + 1));
}

function merge(...all: Moves[]): Moves {
  const merged: Moves = {};
  for (const moves of all) for (const [channel, own] of Object.entries(moves)) merged[channel] = { ...merged[channel], ...own };
  return merged;
}

function each(numbers: number[], make: (index: number) => Record<string, MoveSpec>): Moves {
  return Object.fromEntries(numbers.map((number, index) => [String(number), make(index)]));
}

/** A level for all, or one for each light in turn. */
export function level(numbers: number[], ...levels: number[]): Moves {
  return each(numbers, (index) => ({ intensity: levels[Math.min(index, levels.length - 1)] ?? 0 }));
}

/** A colour palette for all, with times of its own where they are given. */
export function colour(numbers: number[], palette: string, timing: { fade?: number; delay?: number } = {}): Moves {
  return each(numbers, () => ({ red: { palette, ...timing }, green: { palette, ...timing }, blue: { palette, ...timing } }));
}

/** A position palette for all, one light after the other where a fan of delays is given. Seconds a light. */
export function position(numbers: number[], palette: string, fan = 0): Moves {
  return each(numbers, (index) => {
    const timing = fan > 0 ? { delay: Math.round(fan * index * 100) / 100 } : {};
    return { pan: { palette, ...timing }, tilt: { palette, ...timing } };
  });
}

/** A zoom in degrees, and for lights that have a wheel the slot. */
export function beam(numbers: number[], zoom: number, gobo?: number): Moves {
  return each(numbers, (index) => {
    const profile = ATTRIBUTES.get(numbers[index] ?? 0) === "profile";
    return { zoom, ...(profile && gobo !== undefined ? { gobo } : {}) };
  });
}

interface CueDetails extends Partial<Omit<Cue, "number" | "label" | "parts">> {
  times?: PartTimes;
  curve?: Curve;
  more?: Part[];
}

/** A cue of one part, or with `more` of several. */
export function cue(number: string, label: string, { times = {}, curve, more = [], ...fields }: CueDetails, ...moves: Moves[]): Cue {
  return {
    number,
    label,
    ...fields,
    parts: [{ number: 1, ...(curve === undefined ? {} : { curve }), times, moves: merge(...moves) }, ...more],
  };
}

/** A further part of a cue. */
export function part(number: number, label: string, times: PartTimes, ...moves: Moves[]): Part {
  return { number, label, times, moves: merge(...moves) };
}

/** Follows so many seconds after the Go of the cue before. */
export function fromGo(after: number): Trigger {
  return { type: "follow", from: "go", after };
}
/** Follows so many seconds after the end of the cue before. */
export function fromEnd(after: number): Trigger {
  return { type: "follow", from: "complete", after };
}

export const cabin = lights("cabin");
export const lantern = lights("lantern");
export const sea = lights("sea");
export const front = lights("front");
export const door = lights("door");
export const washes = lights("washes");
export const booms = lights("booms");
export const back = lights("back");
export const everything = channels.map((channel) => channel.number);

/** Everything out at once: a wall that says so of every light. */
export function blackout(number: string, label: string, scene: string, trigger?: Trigger): Cue {
  return cue(
    number,
    label,
    { scene, block: true, restate: true, times: { up: 0, down: 0 }, ...(trigger ? { trigger } : {}) },
    level(everything, 0),
  );
}
