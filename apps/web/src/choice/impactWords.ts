import { type ListSheet, type Outcome, type Step, isCueData, keyNamed } from "@zm/core";

type LookChanges = Outcome["impact"]["looks"];

/** One cue of an impact in words. */
export interface ImpactLine {
  readonly cue: string;
  readonly text: string;
  /** True where only what is stored changes and the look stays. */
  readonly quiet: boolean;
}

/** The impact of an edit, a line for each cue it touches: "6 lights 15 to 25". */
export function impactLines({ impact, steps }: Pick<Outcome, "impact" | "steps">, list: ListSheet): ImpactLine[] {
  const looks = new Map<string, LookChanges>();
  for (const change of impact.looks) looks.set(change.cue, [...(looks.get(change.cue) ?? []), change]);
  const stored = new Set(impact.storedCues);
  const cues = list.cues
    .map((cue) => cue.number)
    .concat(impact.storedCues.filter((number) => !list.cues.some((cue) => cue.number === number)));
  return [...numberLines(steps), ...cues.flatMap((cue) => linesOf(cue))];

  function linesOf(cue: string): ImpactLine[] {
    const changes = looks.get(cue);
    if (changes) return [{ cue, text: lookWords(changes, list), quiet: false }];
    if (!stored.has(cue)) return [];
    return [{ cue, text: storedWords(steps.filter((step) => isCueData(step) && step.cue === cue)), quiet: true }];
  }
}

/** Cues that take another number: "becomes 12.5". */
function numberLines(steps: readonly Step[]): ImpactLine[] {
  return steps.flatMap((step) =>
    step.at === "renumber" ? step.cues.map(({ from, to }): ImpactLine => ({ cue: from, text: `becomes ${to}`, quiet: true })) : [],
  );
}

/** What a cue stores anew while its look stays: "gets 2 moves, looks as before". */
function storedWords(steps: readonly Step[]): string {
  const moves = steps.filter((step) => step.at === "move");
  const count = (some: readonly Step[], verb: string): string[] =>
    some.length === 0 ? [] : [`${verb} ${some.length} ${some.length === 1 ? "move" : "moves"}`];
  const words = [
    ...count(
      moves.filter((step) => !step.before),
      "gets",
    ),
    ...count(
      moves.filter((step) => !step.after),
      "loses",
    ),
    ...count(
      moves.filter((step) => step.before && step.after),
      "changes",
    ),
    ...(steps.some((step) => step.at === "part") ? ["its times change"] : []),
  ];
  return `${words.join(", ") || "changes"}; looks as before`;
}

function lookWords(changes: LookChanges, list: ListSheet): string {
  const lights = new Set(changes.map((change) => keyNamed(list.keys, change.key)?.channel));
  const count = lights.size === 1 ? "1 light" : `${lights.size} lights`;
  const levels = changes.filter((change) => keyNamed(list.keys, change.key)?.attribute.family === "intensity");
  if (levels.length === changes.length)
    return `${count} ${span(levels.map((each) => each.before))} to ${span(levels.map((each) => each.after))}`;
  const families = [...new Set(changes.map((change) => keyNamed(list.keys, change.key)?.attribute.family ?? ""))];
  return `${count}: ${families.join(", ")}`;
}

function span(values: readonly (number | null)[]): string {
  const set = values.filter((value) => value !== null);
  if (set.length === 0) return "unset";
  const low = Math.min(...set);
  const high = Math.max(...set);
  const text = low === high ? plain(low) : `${plain(low)}–${plain(high)}`;
  return set.length < values.length ? `${text} or unset` : text;
}

/** A number as people write it: at most one place for values, none where it is whole. */
export function plain(value: number): string {
  return String(Math.round(value * 10) / 10);
}
