import { count } from "../../show/words.ts";
import type { KeySelection } from "../plan/fields.ts";

/**
 * "Cue 10", or "Cues 10 to 20" for a range of cue numbers.
 * For the beginning of a sentence.
 */
export function rangeWords({ from, to }: { from: string; to: string }): string {
  return from === to ? `Cue ${from}` : `Cues ${from} to ${to}`;
}

/**
 * The lights of a selection: "6 lights", or "all lights" where none are named.
 * Only counted: naming sixty lights would bury what is done to them.
 */
export function whoseWords({ channels }: KeySelection): string {
  return channels ? count(channels.length, "light") : "all lights";
}

/**
 * The attributes and families of a selection by name; empty where it speaks of all.
 * Families first, then attributes, with commas.
 */
export function namesWords({ attributes = [], families = [] }: KeySelection): string {
  return [...attributes, ...families].join(" and ");
}

/**
 * What something is set to: "fade 3", "fade none" for null; nothing where it is left out.
 * A row of none or one text, to be spread into a sentence.
 */
export function saidWords(word: string, value: number | string | null | undefined): string[] {
  return value === undefined ? [] : [`${word} ${value ?? "none"}`];
}

/**
 * Many things of a kind: "12 cues from 10 to 21".
 * `all` is not empty; `name` gives the cue number of one.
 */
export function manyWords<T>(all: readonly T[], kind: string, name: (one: T) => string): string {
  const [first, last] = [all[0], all.at(-1)];
  return `${all.length} ${kind}${first !== undefined && last !== undefined ? ` from ${name(first)} to ${name(last)}` : ""}`;
}
