import type { Curve } from "../../../src/show/schema.ts";
import { curveAt } from "../../../src/time/curve.ts";

/** One thing a key has been told to do; times in seconds of the list's own clock. */
export interface Instruction {
  /** When it takes hold. */
  readonly start: number;
  readonly fade: number;
  readonly to: number;
  readonly curve: Curve;
}

/** One key's row of instructions, rising in time, over the value it rests at before the first takes hold (docs/rules.md, Playing). */
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

/** How far an instruction has come at a moment, from where it started. */
function reached(instruction: Instruction, from: number, time: number): number {
  const elapsed = time - instruction.start;
  if (elapsed >= instruction.fade) return instruction.to;
  return from + (instruction.to - from) * curveAt(instruction.curve, elapsed / instruction.fade);
}

/**
 * The track with one more instruction, fired after all that it holds. What was still waiting and would take hold with it or
 * later is dropped: an older cue's delay must not take a light back from a newer cue. What is over by `now` is folded away.
 */
export function withInstruction(track: Track, instruction: Instruction, now: number): Track {
  const settled = settle(track, now);
  const earlier = settled.instructions.filter((each) => each.start < instruction.start);
  return { rest: settled.rest, instructions: [...earlier, instruction] };
}

/** A track without the instructions that are over: they come together in the value it rests at. */
function settle(track: Track, now: number): Track {
  const holding = track.instructions.findLastIndex((each) => each.start <= now);
  if (holding <= 0) return track;
  const first = track.instructions[holding];
  if (!first) return track;
  const older = { rest: track.rest, instructions: track.instructions.slice(0, holding) };
  return { rest: outputAt(older, first.start), instructions: track.instructions.slice(holding) };
}

/** The track without what waits to take hold after a moment: a key that is let go then is not moved again by an older cue. */
export function withoutLater(track: Track, moment: number): Track {
  const kept = track.instructions.filter((each) => each.start <= moment);
  return kept.length === track.instructions.length ? track : { rest: track.rest, instructions: kept };
}

/** The moment from which a track is at 0 and stays there with what it has been told: -Infinity when it is there already, Infinity when it ends elsewhere. */
export function outFrom(track: Track): number {
  if (destination(track) !== 0) return Number.POSITIVE_INFINITY;
  for (let index = track.instructions.length - 1; index >= 0; index -= 1) {
    const each = track.instructions[index];
    if (!each) continue;
    const before = outputAt({ rest: track.rest, instructions: track.instructions.slice(0, index) }, each.start);
    if (before > 0) return endOf(each);
  }
  return Number.NEGATIVE_INFINITY;
}

/** When an instruction has reached its target for good. */
function endOf({ start, fade, curve }: Instruction): number {
  return curve === "atStart" ? start : start + fade;
}

/** Where the track will be when all it was told is done. */
export function destination(track: Track): number {
  return track.instructions.at(-1)?.to ?? track.rest;
}
