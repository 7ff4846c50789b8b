import type { Curve } from "../show/schema.ts";
import { curveAt } from "../time/curve.ts";

/** One thing a key has been told to do; times in seconds of the list's own clock. */
export interface Instruction {
  /** When it takes hold. */
  readonly start: number;
  readonly fade: number;
  readonly to: number;
  readonly curve: Curve;
  /** Counts the firings: of two that take hold together, the later-fired wins. */
  readonly fired: number;
}

/** One key's row of instructions in time, over the value it rests at before the first takes hold (SEMANTICS section 4). */
export interface Track {
  readonly rest: number;
  readonly instructions: readonly Instruction[];
}

/** The output of a key at a moment. */
export function outputAt(track: Track, time: number): number {
  let from = track.rest;
  let active: Instruction | undefined;
  for (const next of track.instructions) {
    if (next.start > time) break;
    from = active ? reached(active, from, next.start) : from;
    active = next;
  }
  return active ? reached(active, from, time) : from;
}

function reached(instruction: Instruction, from: number, time: number): number {
  const elapsed = time - instruction.start;
  if (elapsed >= instruction.fade) return instruction.to;
  return from + (instruction.to - from) * curveAt(instruction.curve, elapsed / instruction.fade);
}

/** The track with one more instruction, and without what is over by `now` and can no longer be seen. */
export function withInstruction(track: Track, instruction: Instruction, now: number): Track {
  const settled = settle(track, now);
  const later = settled.instructions.findIndex(
    (each) => each.start > instruction.start || (each.start === instruction.start && each.fired > instruction.fired),
  );
  const at = later < 0 ? settled.instructions.length : later;
  return { rest: settled.rest, instructions: settled.instructions.toSpliced(at, 0, instruction) };
}

function settle(track: Track, now: number): Track {
  const holding = track.instructions.findLastIndex((each) => each.start <= now);
  if (holding <= 0) return track;
  const first = track.instructions[holding];
  if (!first) return track;
  const older = { rest: track.rest, instructions: track.instructions.slice(0, holding) };
  return { rest: outputAt(older, first.start), instructions: track.instructions.slice(holding) };
}

/** The moment at which the track stands still, or -Infinity when it has nothing to do. */
export function restsAt(track: Track): number {
  return track.instructions.reduce((end, each) => Math.max(end, each.start + each.fade), Number.NEGATIVE_INFINITY);
}
