import { type Cue, type ListSheet, type Trigger, cueDuration } from "@zm/core";

/** Seconds as they are written in the spine: 3, 1.5, 90. */
export function seconds(value: number): string {
  return String(Math.round(value * 100) / 100);
}

/** Seconds for a running clock: 0:07, 1:32. */
export function clockTime(value: number): string {
  const whole = Math.max(0, Math.ceil(value - 1e-3));
  return `${Math.floor(whole / 60)}:${String(whole % 60).padStart(2, "0")}`;
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

function withDelay(time: number, delay: number | undefined): string {
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
