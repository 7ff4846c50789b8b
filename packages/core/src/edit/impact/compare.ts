import { type CueDataStep, ENTRY_WORDS, type EntryStep, type Step } from "../steps/step.ts";
import type { ShowSheet } from "../../sheet/sheet.ts";
import { ShowError } from "../../show/errors.ts";
import { sameData } from "../../show/sameData.ts";
import type { Cue } from "../../show/schema.ts";
import { capital, count } from "../../show/words.ts";
import { cueSteps, stepsBetween, stepsOfList } from "../steps/between.ts";
import { type CueIdentities, type CueIdentity, type CuePair, pairCues, turnedIdentity } from "../steps/identity.ts";
import { identityIn, impactOf } from "./impact.ts";
import { renamedMark, renumberSteps } from "../plan/renumberSteps.ts";
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
 * that is worked on; the others are named in their lines. `identities` says which cue is which, as the history knows it; left out, likeness does. Costs a walk over everything that differs, and nothing where both are one state.
 * Lists that stand in only one of the two are told under `beside`.
 */
export function compareShows(before: ShowSheet, after: ShowSheet, list: string, identities?: CueIdentities): Comparison {
  const steps = stepsBetween(before.show, after.show, identities);
  const impact = impactOf(before, after, steps);
  const report = reportImpact(before, { sheet: after, steps, impact }, list);
  return { ...report, beside: [...steps.flatMap(besideWords), ...scriptWords(steps)], steps };
}

/** What stands beside the cues and is different; nothing for what stands in them. */
function besideWords(step: Step): string[] {
  if (step.at === "show") {
    const { before, after } = step;
    const title = before.title === after.title ? [] : [`The show is called ${after.title}`];
    return [
      ...title,
      ...(sameData(before.newCue, after.newCue) ? [] : ["What new cues start with changed"]),
      ...(before.editsAfter === after.editsAfter ? [] : ["What changes of ranges do behind them changed"]),
    ];
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
 * What is brought back: cues of a list by the numbers that they have now, those that are gone by the number that they had, and of them only some lights where
 * they are named. Left out channels mean whole cues, with labels, times and flags. `identity`: which cue now is which then; left out, likeness says it.
 */
export interface BroughtBack {
  readonly list: string;
  readonly cues: readonly string[];
  readonly channels?: readonly number[] | undefined;
  /** By the number now, the number then. */
  readonly identity?: CueIdentity | undefined;
}

/** A change of a cue as far as it is about some lights; a part that the cue does not have any more is its first. Empty for any other change. */
function ofLights(step: CueDataStep, channels: readonly number[], cue: Cue | undefined): Step[] {
  if (step.at !== "move" || !channels.includes(step.channel)) return [];
  const { after } = step;
  if (!after || cue?.parts.some(({ number }) => number === after.part)) return [step];
  return [{ ...step, after: { ...after, part: cue?.parts[0]?.number ?? 1 } }];
}

/** The renumberings among these that end on a number which is free, or which its cue leaves too. */
function possible(pairs: readonly CuePair<Cue>[], now: readonly Cue[], goes: readonly Cue[]): CuePair<Cue>[] {
  const leaving = new Set(goes.map(({ number }) => number));
  let moving = pairs.filter(({ was, is }) => was.number !== is.number);
  for (;;) {
    const left = new Set([...leaving, ...moving.map(({ was }) => was.number)]);
    const fit = moving.filter(({ is }) => left.has(is.number) || !now.some(({ number }) => number === is.number));
    if (fit.length === moving.length) return fit;
    moving = fit;
  }
}

/**
 * The exact changes that make chosen cues what they were in another state of the show, whole or for some lights only; nothing else is
 * touched. A cue takes its old number again where that is free, else it keeps the one that it has. Throws ShowError where the list is not in both, nothing of it is
 * different, or the number of a cue that is gone belongs to another now.
 * A cue that is gone comes back, one that came since goes, where it is named. Feed them to the edit `steps`.
 */
export function bringBackSteps(now: ShowSheet, then: ShowSheet, { list: id, cues, channels, identity }: BroughtBack): Step[] {
  const [list, old] = [now.lists.get(id), then.lists.get(id)];
  if (!list || !old) throw new ShowError(`List "${id}" is not in both; bring back whole lists by going back to a point`);
  const standing = new Set(list.cues.map(({ number }) => number));
  const chosen = new Set(cues);
  const toThen = turnedIdentity(identity ?? identityIn(stepsOfList(old.list, list.list), id));
  const { pairs, goes, comes } = pairCues(list.cues, old.cues, toThen);
  const own = pairs.filter(({ was }) => chosen.has(was.number));
  if (channels) return orSame(lightsBack(id, own, channels), "These lights are the same in these cues, then and now");
  const leaves = goes.filter(({ number }) => chosen.has(number));
  const moving = possible(own, list.cues, leaves).map(({ was, is }) => ({ from: was.number, to: is.number }));
  const numbers = new Map(moving.map(({ from, to }) => [from, to]));
  const numberOf = (cue: Cue): string => numbers.get(cue.number) ?? cue.number;
  // Marks of what comes back name cues by the numbers that those have here.
  const named = new Map(pairs.map(({ was, is }) => [is.number, numberOf(was)]));
  const stays = new Set(list.cues.filter((cue) => !leaves.includes(cue)).map(numberOf));
  const isFree = ({ number }: Cue): boolean => chosen.has(number) && !stays.has(number);
  // Marks of the others go on naming the same cues.
  const changed = new Set([...own.map(({ was }) => was), ...leaves].map(numberOf));
  const steps = [
    ...leaves.flatMap((cue) => cueSteps(id, cue.number, cue, undefined)),
    ...renumberSteps(list, moving).filter((step) => step.at !== "cue" || !changed.has(step.cue)),
    ...own.flatMap(({ was, is }) => cueSteps(id, numberOf(was), was, withMark(is, named))),
    ...comes.filter(isFree).flatMap((cue) => cueSteps(id, cue.number, undefined, withMark(cue, named))),
  ];
  const lost = comes.find((cue) => chosen.has(cue.number) && !isFree(cue));
  if (lost && !standing.has(lost.number))
    throw new ShowError(`Cue ${lost.number} cannot come back: another cue takes its number with this; bring them back one by one`);
  if (steps.length === 0 && lost)
    throw new ShowError(
      `The cue that was ${lost.number} is gone, and its number belongs to another now; give that one another number first`,
    );
  return orSame(steps, "These cues are the same, then and now");
}

/** These steps, where there are any. Throws ShowError with the words where there are none. */
function orSame(steps: Step[], words: string): Step[] {
  if (steps.length === 0) throw new ShowError(words);
  return steps;
}

/** A cue whose marks name other cues by these numbers. */
function withMark(cue: Cue, numbers: ReadonlyMap<string, string>): Cue {
  return cue.mark ? { ...cue, mark: renamedMark(cue.mark, (number) => numbers.get(number) ?? number) } : cue;
}

/** Lights of cues as they were; only in cues that stand both then and now. */
function lightsBack(list: string, pairs: readonly CuePair<Cue>[], channels: readonly number[]): Step[] {
  return pairs.flatMap(({ was, is }) => cueSteps(list, was.number, was, is).flatMap((step) => ofLights(step, channels, was)));
}
