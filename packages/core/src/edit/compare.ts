import { type CueDataStep, ENTRY_WORDS, type EntryStep, type Step } from "./step.ts";
import type { ShowSheet } from "../sheet/sheet.ts";
import { findRow } from "../sheet/sheet.ts";
import { ShowError } from "../show/errors.ts";
import { cueOrder } from "../show/cueNumber.ts";
import { sameData } from "../show/sameData.ts";
import type { Cue } from "../show/schema.ts";
import { capital, count } from "../show/words.ts";
import { cueSteps, stepsBetween, stepsOfList } from "./between.ts";
import { impactOf } from "./impact.ts";
import { type ImpactLine, type ImpactReport, reportImpact } from "./impactReport.ts";

/**
 * What is different between two states of a show: cue by cue as an impact tells it, and beside the cues.
 * The steps tell what is different exactly; the lines tell it to a reader.
 */
export interface Comparison extends ImpactReport {
  /** What stands beside the cues and is different: "Palette Dusk changed". */
  readonly beside: readonly string[];
  /** The exact changes from the first to the second state. */
  readonly steps: readonly Step[];
}

/**
 * Compares two states of a show cue by cue: cues that came, went or took other numbers, their looks, moves and times. `list` is the one
 * that is worked on; the others are named in their lines. Costs a walk over everything that differs, and nothing where both are one state.
 * Lists that stand in only one of the two are told under `beside`.
 */
export function compareShows(before: ShowSheet, after: ShowSheet, list: string): Comparison {
  const steps = stepsBetween(before.show, after.show);
  const impact = impactOf(before, after, steps);
  const report = reportImpact(before, { sheet: after, steps, impact }, list);
  return { ...report, beside: [...steps.flatMap(besideWords), ...scriptWords(steps)], steps };
}

/** What stands beside the cues and is different; nothing for what stands in them. */
function besideWords(step: Step): string[] {
  if (step.at === "show") {
    const { before, after } = step;
    const title = before.title === after.title ? [] : [`The show is called ${after.title}`];
    return [...title, ...(sameData(before.newCue, after.newCue) ? [] : ["What new cues start with changed"])];
  }
  if (step.at === "script")
    return [!step.after ? "The script is taken away" : step.before ? "The pace of the script changed" : "The script came"];
  return step.at === "entry" ? [entryWords(step)] : [];
}

/** How many lines of the play came, went or changed; nothing where none did. */
function scriptWords(steps: readonly Step[]): string[] {
  const lines = steps.filter((step) => step.at === "line");
  return lines.length > 0 ? [`${count(lines.length, "line")} of the script changed`] : [];
}

/** One entry that is different: "Palette Dusk added". */
function entryWords({ of, id, before, after }: EntryStep): string {
  const entry = (after ?? before)?.entry;
  const name = entry && "label" in entry && entry.label ? entry.label : id;
  return `${capital(ENTRY_WORDS[of])} ${name} ${!before ? "added" : !after ? "removed" : "changed"}`;
}

/**
 * A comparison as plain data: each cue in words, and how many keys look different. For the headless command.
 * As `compare` of the headless commands prints it.
 */
export function comparisonData(comparison: Comparison): { summary: string; beside: readonly string[]; cues: object[] } {
  const cues = comparison.lines.map(({ list, cue, after, words }: ImpactLine) => ({ list, cue, after: after ?? null, words: words() }));
  return { summary: comparison.summary, beside: comparison.beside, cues };
}

/**
 * What is brought back: cues of a list by their numbers now or then, and of them only some lights where they are named.
 * Left out channels mean whole cues, with labels, times and flags.
 */
export interface Wanted {
  readonly list: string;
  readonly cues: readonly string[];
  readonly channels?: readonly number[] | undefined;
}

/** A change of a cue as far as it is about some lights; a part that the cue does not have any more is its first. Empty for any other change. */
function ofLights(step: CueDataStep, channels: readonly number[], cue: Cue | undefined): Step[] {
  if (step.at !== "move" || !channels.includes(step.channel)) return [];
  const { after } = step;
  if (!after || cue?.parts.some(({ number }) => number === after.part)) return [step];
  return [{ ...step, after: { ...after, part: cue?.parts[0]?.number ?? 1 } }];
}

/**
 * The exact changes that make chosen cues what they were in another state of the show, whole or for some lights only; nothing else is
 * touched. Throws ShowError where the list is not in both, or nothing of it is different.
 * A cue that is gone comes back, one that came since goes, where it is named. Feed them to the edit `steps`.
 */
export function bringBackSteps(now: ShowSheet, then: ShowSheet, { list: id, cues, channels }: Wanted): Step[] {
  const [list, old] = [now.lists.get(id), then.lists.get(id)];
  if (!list || !old) throw new ShowError(`List "${id}" is not in both; bring back whole lists by going back to a point`);
  const chosen = new Set(cues);
  const steps = stepsOfList(list.list, old.list);
  const renumber = steps.find((step) => step.at === "renumber");
  const back = renumber?.at === "renumber" ? renumber.cues.filter(({ from, to }) => chosen.has(from) || chosen.has(to)) : [];
  const names = new Map(back.map(({ from, to }) => [from, to]));
  const wasAt = (number: string): Cue | undefined => list.cues[findRow(list, back.find(({ to }) => to === number)?.from ?? number)];
  const numbers = [...new Set(cues.map((number) => names.get(number) ?? number))].sort((a, b) => cueOrder(a) - cueOrder(b));
  const own = numbers.flatMap((number) => {
    const [is, was] = [wasAt(number), old.cues[findRow(old, number)]];
    // A light comes back only where the cue stands both then and now.
    if (channels && (!is || !was)) return [];
    return cueSteps(id, number, is, was).flatMap((step) => (channels ? ofLights(step, channels, is) : [step]));
  });
  const all: Step[] = [...(back.length > 0 && !channels ? [{ at: "renumber" as const, list: id, cues: back }] : []), ...own];
  if (all.length > 0) return all;
  throw new ShowError(channels ? "These lights are the same in these cues, then and now" : "These cues are the same, then and now");
}
