import { type DrawnLink, type EditInput, type ListSheet, type TimeBar, at } from "@zm/core";
import { timePatch } from "../shared/partTimes.ts";
import { lightSpans, seconds } from "../shared/words.ts";

/** What of a bar is dragged or typed: its end moves its fade, the bar itself its delay. Seconds. */
export interface BarChange {
  readonly fade?: number;
  readonly delay?: number;
}

/** How a bar is known while the times around it change: its cue, its part, what it stands for and the lights that move in it. */
export function barName({ row, part, kind, own, channels }: TimeBar): string {
  return `${row} ${part} ${kind}${own ? ` ${own.join()} ${channels.join()}` : ""}`;
}

/** The edit that gives a bar other times: those of the part, or those of its moves where they have their own. */
export function barEdit(list: ListSheet, bar: TimeBar, change: BarChange): EditInput[] {
  const cue = at(list.cues, bar.row).number;
  const range = { list: list.id, from: cue, to: cue };
  if (bar.own) return [{ op: "setMoveTimes", ...range, keys: { channels: [...bar.channels], attributes: [...bar.own] }, ...change }];
  return [
    ...(change.fade === undefined ? [] : [timesEdit(range, bar, "time", change.fade)]),
    ...(change.delay === undefined ? [] : [timesEdit(range, bar, "delay", change.delay)]),
  ];
}

function timesEdit(
  range: { list: string; from: string; to: string },
  { part, kind }: TimeBar,
  what: "time" | "delay",
  value: number,
): EditInput {
  return { op: "setTimes", ...range, part, set: timePatch(kind, what, value) };
}

/** The edit that makes a cue follow so many seconds after the end or the Go of the one before; none for a cue that waits for a Go. */
export function followEdit(list: ListSheet, row: number, after: number): EditInput[] {
  const cue = at(list.cues, row);
  if (cue.trigger?.type !== "follow") return [];
  return [{ op: "setCue", list: list.id, from: cue.number, to: cue.number, trigger: { ...cue.trigger, after } }];
}

/** What a bar stands for, in a word or two: "up", "part 2 Cold from outside: down", "63 pan, its own". */
export function barLabel(list: ListSheet, bar: TimeBar): string {
  const cue = at(list.cues, bar.row);
  if (bar.own) return `${lightSpans(bar.channels)} ${bar.own.length > 2 ? bar.kind : bar.own.join(", ")}`;
  const name = cue.parts.find(({ number }) => number === bar.part)?.label;
  return cue.parts.length > 1 ? `part ${bar.part}${name ? ` ${name}` : ""}: ${bar.kind}` : bar.kind;
}

/** As `barLabel`, short: a part is named at its first bar alone. */
export function rowLabel(list: ListSheet, bar: TimeBar, above: TimeBar | undefined): string {
  if (bar.own || at(list.cues, bar.row).parts.length === 1) return barLabel(list, bar);
  const begins = above?.row !== bar.row || above.part !== bar.part;
  return begins ? `part ${bar.part} ${bar.kind}` : bar.kind;
}

/** The times of a bar in words: "fade 6, delay 1, ease". */
export function barWords({ fade, delay, curve }: TimeBar): string {
  return [`fade ${seconds(fade)}`, ...(delay > 0 ? [`delay ${seconds(delay)}`] : []), ...(curve === "linear" ? [] : [curve])].join(", ");
}

/** That a bar does not run to its end, in words; undefined where it does. */
export function cutWords(list: ListSheet, { cut, channels }: TimeBar): string | undefined {
  if (!cut) return undefined;
  const some = cut.lights < channels.length ? `${cut.lights} of ${channels.length} ` : "";
  return `${some}cut short by ${at(list.cues, cut.row).number} after ${seconds(cut.after)} s`;
}

/** What lets a cue go, as it stands on the thread to it: "end + 2", "go + 2", or that somebody presses. */
export function linkWords(list: ListSheet, { row, pressed }: DrawnLink): string {
  const { trigger } = at(list.cues, row);
  if (pressed || trigger?.type !== "follow") return "Go";
  return `${trigger.from === "go" ? "go" : "end"} + ${seconds(trigger.after)}`;
}
