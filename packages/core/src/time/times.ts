import { moveTiming } from "../show/move.ts";
import type { Attribute, Curve, MoveSpec, Part, PartTimes } from "../show/schema.ts";

/**
 * When and how one key runs, in seconds from its cue's Go.
 * Resolved: no field falls back on anything any more.
 */
export interface Timing {
  readonly delay: number;
  readonly fade: number;
  readonly curve: Curve;
}

/**
 * The times that a key takes from its own move and the part that times it, field by field (docs/rules.md, Times).
 * `from` and `to` in the attribute's own unit decide between up and down. Undefined `spec`: the part alone decides.
 */
export function timingOf(attribute: Attribute, spec: MoveSpec | undefined, part: Part, from: number, to: number): Timing {
  const own = spec === undefined ? {} : moveTiming(spec);
  const given = partTiming(attribute, part.times, from, to);
  return {
    delay: own.delay ?? given.delay,
    fade: own.fade ?? given.fade,
    curve: own.curve ?? familyCurve(attribute, part.times) ?? part.curve ?? "linear",
  };
}

/** The curve that a part gives to a family alone; levels run by the part's own. */
function familyCurve({ family }: Attribute, times: PartTimes): Curve | undefined {
  return family === "intensity" ? undefined : times[family]?.curve;
}

/**
 * What the part says for a key: levels have up and down, the other families their own times or those of up. A key that snaps is
 * there at once.
 */
function partTiming(attribute: Attribute, times: PartTimes, from: number, to: number): { fade: number; delay: number } {
  const up = times.up ?? 0;
  const upDelay = times.upDelay ?? 0;
  if (attribute.family === "intensity") {
    if (attribute.snap) return { fade: 0, delay: 0 };
    if (to >= from) return { fade: up, delay: upDelay };
    return { fade: times.down ?? up, delay: times.downDelay ?? upDelay };
  }
  const family = times[attribute.family];
  if (attribute.snap) return { fade: 0, delay: family?.delay ?? 0 };
  return { fade: family?.fade ?? up, delay: family?.delay ?? upDelay };
}
