import { type Curve, type PartTimes, TIMED_FAMILIES, type TimesPatch } from "@zm/core";
import { curveWords, seconds } from "./words.ts";

/** What of a cue has times: levels that rise, levels that fall, and the other families. */
export const TIMED = ["up", "down", ...TIMED_FAMILIES] as const;
export type Timed = (typeof TIMED)[number];

/** A time of a part as it is stored, seconds; undefined where it has none of its own. */
export function timeIn(times: PartTimes | undefined, of: Timed, what: "time" | "delay"): number | undefined {
  if (of === "up") return what === "time" ? times?.up : times?.upDelay;
  if (of === "down") return what === "time" ? times?.down : times?.downDelay;
  return what === "time" ? times?.[of]?.fade : times?.[of]?.delay;
}

/** The change that gives a part one time, or with null takes it away; `delay` is what was written behind a time. Seconds. */
export function timePatch(of: Timed, what: "time" | "delay", value: number | null, delay?: number): TimesPatch {
  const behind = delay === undefined ? {} : { delay };
  if (of === "up" || of === "down")
    return { [what === "time" ? of : (`${of}Delay` as const)]: value, ...(delay === undefined ? {} : { [`${of}Delay` as const]: delay }) };
  return { [of]: what === "time" ? { fade: value, ...behind } : { delay: value } };
}

/** The curve that a family of a part has of its own; that of levels is the part's. */
export function curveIn(times: PartTimes | undefined, of: Timed): Curve | undefined {
  return of === "up" || of === "down" ? undefined : times?.[of]?.curve;
}

/** The times of a part in words, with the curves of its families: "up 3, down 5+1, position 4 slow start". */
export function timesInWords(times: PartTimes): string {
  return TIMED.flatMap((of) => {
    const time = timeIn(times, of, "time");
    const delay = timeIn(times, of, "delay");
    const curve = curveIn(times, of);
    const said = `${time === undefined ? "" : seconds(time)}${delay ? `+${seconds(delay)}` : ""}`;
    const words = [...(said ? [said] : []), ...(curve ? [curveWords(curve)] : [])];
    return words.length === 0 ? [] : [`${of} ${words.join(" ")}`];
  }).join(", ");
}
