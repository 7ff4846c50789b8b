import { plainId } from "./ids.ts";
import type { Attribute } from "./schema.ts";

/** A stretch of an attribute's range that means something of its own: "index" is an angle, "turn" a speed. */
export type Mode = NonNullable<Attribute["modes"]>[number];

/** The mode in which a value stands; undefined where it stands in none. Where two meet, the first counts. */
export function modeAt({ modes }: Pick<Attribute, "modes">, value: number): Mode | undefined {
  return modes?.find(({ from, to }) => value >= from - 1e-6 && value <= to + 1e-6);
}

/** What a value means in its mode, in the mode's own unit: 0 where it begins and nothing else is said. */
export function inMode({ from, to, low = from, high = to }: Mode, value: number): number {
  return to === from ? low : low + ((value - from) / (to - from)) * (high - low);
}

/** The value at which a mode means so much, kept inside it. */
export function valueInMode({ from, to, low = from, high = to }: Mode, meant: number): number {
  const share = high === low ? 0 : (meant - low) / (high - low);
  return from + Math.min(1, Math.max(0, share)) * (to - from);
}

/** The mode that a word names, whatever the case, with hyphens for what is no letter. */
export function modeNamed({ modes }: Pick<Attribute, "modes">, word: string): Mode | undefined {
  const typed = word.toLowerCase();
  return modes?.find(({ name }) => name.toLowerCase() === typed || plainId(name) === typed);
}

/**
 * Modes as they are written in one row of text: "index 0..50 = -180..180 deg, turn 51..100 = -60..60 rpm"; undefined for a text that is none. An
 * empty text is no mode at all.
 */
export function readModes(text: string): Mode[] | undefined {
  if (text.trim() === "") return [];
  const number = "(-?\\d+(?:\\.\\d+)?)";
  const entry = new RegExp(`^\\s*(\\S.*?)\\s+${number}\\.\\.${number}(?:\\s*=\\s*${number}\\.\\.${number}(?:\\s+(\\S.*?))?)?\\s*$`, "u");
  const read = text.split(",").map((each): Mode | undefined => {
    const [, name, from, to, low, high, unit] = entry.exec(each) ?? [];
    if (name === undefined) return undefined;
    const means = low === undefined ? {} : { low: Number(low), high: Number(high) };
    return { name, from: Number(from), to: Number(to), ...means, ...(unit === undefined ? {} : { unit }) };
  });
  const modes = read.flatMap((mode) => mode ?? []);
  return modes.length === read.length ? modes : undefined;
}

/** The row of text that `readModes` reads. Empty for an attribute without modes. */
export function modesText(modes: readonly Mode[] | undefined): string {
  return (modes ?? [])
    .map(({ name, from, to, low, high, unit }) => {
      const means = low === undefined || high === undefined ? "" : ` = ${low}..${high}${unit === undefined ? "" : ` ${unit}`}`;
      return `${name} ${from}..${to}${means}`;
    })
    .join(", ");
}
