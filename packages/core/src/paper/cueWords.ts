import { writeSeconds } from "../time/timeWords.ts";
import { groupBy } from "../show/groupBy.ts";
import { type Cue, type Part, type Trigger, TIMED_FAMILIES } from "../show/schema.ts";
import { waveWords } from "../edit/index.ts";

/**
 * The times of a part as they hold: "up 3, down 5 + 1, position 2", a delay behind the plus. Seconds. A family whose times are its own in one thing takes the other from
 * the up time (docs/rules.md, Times).
 * Empty where the part says nothing: everything is there at once.
 */
export function timesWords({ times, curve }: Pick<Part, "times" | "curve">): string {
  const { up = 0, upDelay = 0 } = times;
  const one = (name: string, isSaid: boolean, fade: number, delay: number): string[] =>
    isSaid ? [`${name} ${writeSeconds(fade)}${delay > 0 ? ` + ${writeSeconds(delay)}` : ""}`] : [];
  const down = times.down !== undefined || times.downDelay !== undefined;
  return [
    ...one("up", times.up !== undefined || times.upDelay !== undefined, up, upDelay),
    ...one("down", down, times.down ?? up, times.downDelay ?? upDelay),
    ...TIMED_FAMILIES.flatMap((family) => {
      const own = times[family];
      const said = one(family, own !== undefined, own?.fade ?? up, own?.delay ?? upDelay);
      return own?.curve === undefined ? said : said.map((words) => `${words} curve ${own.curve}`);
    }),
    ...(curve === undefined || curve === "linear" ? [] : [`curve ${curve}`]),
  ].join(", ");
}

/** The times of each part of a cue, a line each where it has several. */
export function partsWords({ parts }: Cue): string {
  const [first] = parts;
  if (parts.length === 1 && first) return timesWords(first);
  return parts.map((part) => `part ${part.number}${part.label ? ` ${part.label}` : ""}: ${timesWords(part) || "at once"}`).join("\n");
}

/** What is special of a cue: that it is a wall, keeps its moves to itself, or restates. */
export function cueMarks(cue: Cue): string[] {
  return [
    cue.block ? "wall" : "",
    cue.restate ? "restates" : "",
    cue.carries === "cueOnly" ? "this cue only" : "",
    cue.carries === "isolated" ? "isolated" : "",
  ].filter(Boolean);
}

/**
 * What fires a cue, for somebody who calls it: "call" for a press, "by itself, 2 s after 12 is complete" for a follow.
 * `before` is the cue that it follows.
 */
export function firesWords(trigger: Trigger | undefined, before: Cue | undefined): string {
  if (trigger?.type !== "follow") return "call";
  return `by itself, ${writeSeconds(trigger.after)} s after ${before?.number ?? "the cue before"} ${trigger.from === "go" ? "goes" : "is complete"}`;
}

/**
 * The waves that a cue begins or stops, lights that sway alike together: "61, 62 pan sine 30 every 4 s".
 * Empty for a cue that says nothing of waves.
 */
export function cueWaves({ parts }: Cue, lights: (channels: readonly number[]) => string): string[] {
  const said = parts.flatMap(({ waves = {} }) =>
    Object.entries(waves).flatMap(([channel, attributes]) =>
      Object.entries(attributes).map(([attribute, wave]) => ({ channel: Number(channel), what: `${attribute} ${waveWords(wave)}` })),
    ),
  );
  return [...groupBy(said, ({ what }) => what)].map(([what, own]) => `${lights(own.map(({ channel }) => channel))} ${what}`);
}
