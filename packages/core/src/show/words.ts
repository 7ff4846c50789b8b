import type { Show } from "./schema.ts";

/**
 * A number as it is read out: at most three places, no trailing zeros.
 * For people; never for storing or comparing, since places are lost. A real minus sign is not used, so it can be typed back.
 */
export function figure(value: number): string {
  return String(Math.round(value * 1000) / 1000);
}

/**
 * A text with its first letter large: "palette" as "Palette".
 * The rest of the text stays as it is. An empty text stays empty.
 */
export function capital(text: string): string {
  return `${text.charAt(0).toUpperCase()}${text.slice(1)}`;
}

/**
 * Lights as runs, in the order in which they are given: "1..6, 9"; `through` stands between the ends of a run.
 * A run needs two lights or more; a single light stands alone. Lights that are not in order begin a new run.
 */
export function lightRuns(channels: readonly number[], through = ".."): string {
  const runs: string[] = [];
  let start = channels[0] ?? 0;
  channels.forEach((channel, index) => {
    const next = channels[index + 1];
    if (next === channel + 1) return;
    runs.push(start === channel ? String(channel) : `${start}${through}${channel}`);
    start = next ?? 0;
  });
  return runs.join(", ");
}

/**
 * The beginning of a text that is longer than so many letters, with an ellipsis behind it.
 * A text that is short enough stays as it is.
 */
export function shortened(text: string, most: number): string {
  return text.length > most ? `${text.slice(0, most - 3).trimEnd()} …` : text;
}

/**
 * "1 light", "3 lights".
 * The plural is made with an s: choose words that take one.
 */
export function count(number: number, thing: string): string {
  return `${number} ${thing}${number === 1 ? "" : "s"}`;
}

/**
 * "pan", "pan and tilt", "pan, tilt and 3 more".
 * `most` names are given before the rest is only counted. Empty for no names.
 */
export function listed(names: readonly string[], most = 3): string {
  if (names.length > most) return `${names.slice(0, most - 1).join(", ")} and ${names.length - most + 1} more`;
  return names.length < 2 ? names.join("") : `${names.slice(0, -1).join(", ")} and ${names.at(-1) ?? ""}`;
}

/** How much a show holds, in a few words: "112 cues in 3 lists, 60 lights". */
export function holdings({ lists, channels }: Pick<Show, "lists" | "channels">): string {
  return `${cuesInLists({ lists })}, ${count(channels.length, "light")}`;
}

/** How many cues a show has in how many lists: "112 cues in 3 lists". */
export function cuesInLists({ lists }: Pick<Show, "lists">): string {
  const cues = lists.reduce((sum, list) => sum + list.cues.length, 0);
  return `${count(cues, "cue")} in ${count(lists.length, "list")}`;
}
