import { capital, lightRuns, writeSeconds, type Cue, type Curve, type ListSheet, type Trigger, cueDuration, clockWords } from "@zm/core";

/** Seconds as they are written everywhere. */
export const seconds = writeSeconds;

/** Time left as a clock counts it down: 0:07, 1:32; 0:00 when it is over. */
export function timeLeft(value: number): string {
  return clockWords(Math.ceil(value - 1e-3));
}

/** What fires a cue, in the few letters of the spine: "after go 2" counts from the Go before, "after end 2" from its completion. */
export function triggerWords(trigger: Trigger | undefined): string {
  if (trigger?.type !== "follow") return "";
  return `${trigger.from === "go" ? "go" : "end"} + ${seconds(trigger.after)} s`;
}

/** The up and down time of a cue's first part as the spine shows them; down is left out where it follows up. */
export function upDown(cue: Cue): { up: string; down: string } {
  const times = cue.parts[0]?.times ?? {};
  return { up: withDelay(times.up ?? 0, times.upDelay), down: times.down === undefined ? "" : withDelay(times.down, times.downDelay) };
}

/** A time with its delay where it has one: "3", "3+1". Seconds. */
export function withDelay(time: number, delay: number | undefined): string {
  return delay ? `${seconds(time)}+${seconds(delay)}` : seconds(time);
}

/** How long a cue lasts when it is fired in its order. */
export function lasts(list: ListSheet, row: number): string {
  return seconds(cueDuration(list, row));
}

/** The name of a cue with its label: "12 Storm breaks". */
export function cueName(cue: Pick<Cue, "number" | "label"> | undefined): string {
  return cue ? `${cue.number}${cue.label ? ` ${cue.label}` : ""}` : "";
}

/** Chosen lights in words: "light 5", "6 lights: 1–6". */
export function lightWords(channels: readonly number[]): string {
  if (channels.length === 1) return `light ${channels[0]}`;
  return `${channels.length} lights: ${lightRuns(channels, "–")}`;
}

/** Lights as the line entry reads them, in their order: "1..6, 9". */
export function lightSpans(channels: readonly number[]): string {
  return lightRuns(channels);
}

/** A curve as people speak of it. */
export function curveWords(curve: Curve): string {
  return { linear: "even", ease: "ease", slowStart: "slow start", slowEnd: "slow end", atStart: "at start", atEnd: "at end" }[curve];
}

/** A summary as a sentence. */
export function sentence(summary: string): string {
  return `${capital(summary)}.`;
}

/** The first letters of a name, two at most, where there is no room for more. */
export function initialsOf(name: string): string {
  return name
    .split(/\s+/)
    .map((word) => word.charAt(0).toUpperCase())
    .slice(0, 2)
    .join("");
}
