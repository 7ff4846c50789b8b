// The impact as people read it. The looks come from `impact.ts`; what else can surprise somebody is found here: cues that come, go or take
// another number, follows that count from another cue now, and how long cues and chains last.
import { writeSeconds } from "../../time/timeWords.ts";
import { placeChangeWords } from "../../marks/placeChanges.ts";
import { intAt } from "../../show/at.ts";
import { count, shortened } from "../../show/words.ts";
import { groupBy } from "../../show/groupBy.ts";
import { cueOrder } from "../../show/cueNumber.ts";
import type { CueHead } from "../../show/schema.ts";
import { sameData } from "../../show/sameData.ts";
import { type ListSheet, type ShowSheet, findRow } from "../../sheet/sheet.ts";
import { chainFrom } from "../../time/chain.ts";
import { chainClock } from "../../time/chainClock.ts";
import { cueDuration } from "../../time/durations.ts";
import { type Impact, type LookChange, identityIn, rowPairs, stepsInList } from "./impact.ts";
import { type CueIdentity, turnedIdentity } from "../steps/identity.ts";
import { lookWords } from "./lookWords.ts";
import { movedRows, movedWords } from "./movedWords.ts";
import { swayWords } from "./swayWords.ts";
import { renamedMark } from "../plan/renumberSteps.ts";
import { type PartStep, type Step, isCueData } from "../steps/step.ts";

/**
 * What an edit does to one cue, in words.
 * One row of the list that stands beside an edit before it is made.
 */
export interface ImpactLine {
  readonly list: string;
  /** The label of the list where it is not the one that is worked on. */
  readonly listLabel: string | undefined;
  /** The cue by the number that it had before; one that comes, by its new number. */
  readonly cue: string;
  /** The number that it has afterwards; undefined for a cue that goes. */
  readonly after: string | undefined;
  /** What happens to it: "6 lights 15 to 25", "lasts 6 → 9 s". Computed when asked for, since hundreds may never be read. */
  readonly words: () => string;
  /** True where only what is stored changes, and nothing looks or runs otherwise. */
  readonly quiet: boolean;
  /** The weightiest of what happens to it. */
  readonly kind: ImpactKind;
}

/**
 * What happens to a cue, the weightiest first: it goes, comes, takes another number, looks, runs or only stores otherwise.
 * Lines are sorted by cue; the kind picks their mark and their weight in the summary.
 */
export type ImpactKind = "goes" | "comes" | "renumbered" | "looks" | "runs" | "stores";

/**
 * What edits do, cue by cue, and in one sentence.
 * The summary fits one line: "14 looks change in cues 12 to 20". Without lines it says that nothing changes.
 */
export interface ImpactReport {
  readonly lines: readonly ImpactLine[];
  readonly summary: string;
}

/** Everything that is told of one cue of a list, gathered as it is found; the weightiest kind decides how the line looks. */
interface CueImpact {
  cue: string;
  after: string | undefined;
  words: (() => string)[];
  kind: ImpactKind;
}

/** How many cues go, come, move, take another number, look different, follow otherwise, and last longer or shorter. */
interface Counts {
  gone: number;
  come: number;
  moved: number;
  renumbered: number;
  look: number;
  follow: number;
  time: number;
}

/** What steps have come to: the show after them, and the looks that they change. */
interface Changed {
  readonly sheet: ShowSheet;
  readonly steps: readonly Step[];
  readonly impact: Impact;
}

/**
 * Tells what edits do to every cue, those included that come, go, or only follow or last otherwise. `worked` is the list that is
 * worked on. Timing cues takes by far the longest on a large show; `times: false` leaves out what follows and lasts otherwise, for a
 * first answer that the whole one replaces.
 * Lines stand in the order of the cues, the list that is worked on first.
 * `times: false` costs what the looks cost alone; ask again without it when the hand has stopped typing.
 */
export function reportImpact(
  before: ShowSheet,
  { sheet: after, steps, impact }: Changed,
  worked: string,
  { times = true }: { times?: boolean } = {},
): ImpactReport {
  const [first] = after.lists.keys();
  const looks = groupBy(impact.looks, (look) => look.list ?? first ?? "");
  const counts: Counts = { gone: 0, come: 0, moved: 0, renumbered: 0, look: 0, follow: 0, time: 0 };
  const lines: ImpactLine[] = [];
  const elsewhere = new Set<string>();
  for (const id of new Set([...before.lists.keys(), ...after.lists.keys()])) {
    const [was, is] = [before.lists.get(id), after.lists.get(id)];
    if (was === is) continue;
    const listLabel = id === worked ? undefined : (is ?? was)?.list.label || id;
    const cues =
      was && is
        ? tellList({ was, is, sheet: after }, stepsInList(steps, id), looks.get(id) ?? [], counts, times)
        : tellWholeList(was, is, counts);
    if (cues.length > 0 && listLabel !== undefined) elsewhere.add(listLabel);
    lines.push(
      ...cues.map((each) => ({
        list: id,
        listLabel,
        cue: each.cue,
        after: each.after,
        words: () => each.words.map((word) => word()).join("; "),
        quiet: each.kind === "stores",
        kind: each.kind,
      })),
    );
  }
  return { lines, summary: summaryOf(counts, elsewhere) };
}

/** The impact in one sentence, the weightiest first. It always says whether any look changes: that is what people fear. */
function summaryOf({ gone, come, moved, renumbered, look, follow, time }: Counts, elsewhere: ReadonlySet<string>): string {
  const plural = (number: number, one: string, many: string): string[] =>
    number === 0 ? [] : [number === 1 ? one : many.replace("#", String(number))];
  const words = [
    ...(gone === 0 ? [] : [`removes ${count(gone, "cue")}`]),
    ...(come === 0 ? [] : [`adds ${count(come, "cue")}`]),
    ...(moved === 0 ? [] : [`moves ${count(moved, "cue")}`]),
    ...plural(renumbered, "1 cue changes its number", "# cues change their numbers"),
    ...(look === 0 ? ["no cue looks different"] : plural(look, "1 cue looks different", "# cues look different")),
    ...plural(follow, "1 follow changes", "# follows change"),
    ...plural(time, "1 cue or chain lasts otherwise", "# cues or chains last otherwise"),
  ];
  const where = elsewhere.size === 0 ? "" : ` (in ${[...elsewhere].join(", ")})`;
  return `${words.join(", ")}${where}`;
}

/** A list that comes or goes, cue by cue. */
function tellWholeList(was: ListSheet | undefined, is: ListSheet | undefined, counts: Counts): CueImpact[] {
  const list = is ?? was;
  if (!list) return [];
  if (is) counts.come += list.cues.length;
  else counts.gone += list.cues.length;
  return list.cues.map(({ number }) => ({
    cue: number,
    after: is ? number : undefined,
    words: [() => (is ? "comes, in a new list" : "goes, with its list")],
    kind: is ? "comes" : "goes",
  }));
}

/** Everything that is different in one list, each cue once, in the order of the numbers that the cues had. Counts into `counts`. */
function tellList(
  { was, is, sheet }: { was: ListSheet; is: ListSheet; sheet: ShowSheet },
  steps: readonly Step[],
  looks: readonly LookChange[],
  counts: Counts,
  times: boolean,
): CueImpact[] {
  const gathered = new Map<string, CueImpact>();
  const identity = identityIn(steps, is.id);
  const pairs = rowPairs(was, is, identity);
  const come = new Set(is.cues.filter((_, row) => pairs[row] === -1).map(({ number }) => number));
  const tell: Tell = (cue, after, kind, words) => {
    // A cue that comes may have the number of one that goes.
    const name = after !== undefined && come.has(after) ? `comes ${cue}` : cue;
    const known = gathered.get(name) ?? { cue, after, words: [], kind };
    known.words.push(words);
    if (KIND_ORDER.indexOf(kind) < KIND_ORDER.indexOf(known.kind)) known.kind = kind;
    gathered.set(name, known);
  };
  const numberBefore = (row: number): string => was.cues[intAt(pairs, row)]?.number ?? is.cues[row]?.number ?? "";
  const kept = new Set(pairs);
  const moved = movedRows(pairs);
  was.cues.forEach((cue, row) => {
    if (kept.has(row)) return;
    counts.gone += 1;
    tell(cue.number, undefined, "goes", () => "goes");
  });
  is.cues.forEach((cue, row) => {
    if (pairs[row] === -1) {
      counts.come += 1;
      tell(cue.number, cue.number, "comes", () => "comes");
    } else if (numberBefore(row) !== cue.number) {
      if (moved[row]) counts.moved += 1;
      else counts.renumbered += 1;
      tell(numberBefore(row), cue.number, "renumbered", () =>
        moved[row] ? [`moves to ${cue.number}`, ...movedWords(sheet, is, row)].join("; ") : `becomes ${cue.number}`,
      );
    }
  });
  const byCue = groupBy(looks, (look) => look.cue);
  const changed = new Set<number>();
  for (const [cue, own] of byCue) {
    const row = findRow(is, cue);
    changed.add(row);
    counts.look += 1;
    tell(numberBefore(row), cue, "looks", () => lookWords(own, was, intAt(pairs, row), is, row));
  }
  const swaying = swayWords(was, is, pairs, steps);
  for (const [row, words] of swaying) {
    if (!changed.has(row)) counts.look += 1;
    changed.add(row);
    tell(numberBefore(row), is.cues[row]?.number, "looks", () => words);
  }
  const stored = groupBy(steps.filter(isCueData), (step) => step.cue);
  const names = turnedIdentity(identity);
  for (const [cue, own] of stored) {
    const row = findRow(is, cue);
    if (row < 0) continue;
    changed.add(row);
    if (!byCue.has(cue) && !swaying.has(row) && pairs[row] !== -1) {
      const kept = own.slice(1 + own.findLastIndex((step) => step.at === "cue" && !step.after));
      const words = storedWords(kept, names, () => placeChangeWords(was, findRow(was, numberBefore(row)), is, row));
      if (words !== "") tell(numberBefore(row), cue, "stores", () => words);
    }
  }
  if (times) tellTimes(was, is, pairs, changed, numberBefore, tell, counts);
  return [...gathered.values()]
    .map((line) => ({ line, order: cueOrder(line.cue) }))
    .sort((a, b) => a.order - b.order)
    .map(({ line }) => line);
}

/** What a cue stores anew while its look stays: "gets 2 moves". Empty where only its parts come or go with it. */
function storedWords(steps: readonly Step[], names: CueIdentity, places: () => string): string {
  const moves = steps.filter((step) => step.at === "move");
  const say = (some: readonly Step[], verb: string): string[] => (some.length === 0 ? [] : [`${verb} ${count(some.length, "move")}`]);
  const words = [
    ...say(
      moves.filter((step) => !step.before),
      "gets",
    ),
    ...say(
      moves.filter((step) => !step.after),
      "loses",
    ),
    ...say(
      moves.filter((step) => step.before && step.after),
      "changes",
    ),
    ...(steps.some((step) => step.at === "part" && !onlyWaves(step)) ? ["its times change"] : []),
    ...(steps.some((step) => step.at === "part" && !sameData(step.before?.waves, step.after?.waves)) ? ["its waves change"] : []),
  ];
  const settings = settingsWords(steps, names, places);
  return words.length > 0 ? `${words.join(", ")}; looks as before` : settings;
}

/** What the own fields of a cue are that change, in words; those that are not named here are told together. */
const SETTING_WORDS: Readonly<Partial<Record<keyof CueHead, string>>> = {
  mark: "what it says of the preparing of its lights changes; each is prepared where it was",
  actions: "does otherwise besides",
  call: "is called elsewhere",
};

/** So many letters of an old and of a new text are told. */
const TOLD_LETTERS = 40;

/** A text of a cue as it was and as it is: "label “Storm” → “Storm breaks”". */
function textWords(name: string, before: unknown, after: unknown): string {
  const said = (text: unknown): string =>
    typeof text === "string" && text !== "" ? `“${shortened(text.replace(/\s+/g, " "), TOLD_LETTERS)}”` : "none";
  return `${name} ${said(before)} → ${said(after)}`;
}

const TEXTS = ["label", "note", "scene"];

/** Which of its own fields a cue changes, in words; empty where it changes none. A mark that goes on naming the same cue under its new number is none. */
function settingsWords(steps: readonly Step[], names: CueIdentity, places: () => string): string {
  const words = new Set<string>();
  for (const step of steps) {
    if (step.at !== "cue" || !step.before || !step.after) continue;
    const { after } = step;
    const before = step.before.mark ? { ...step.before, mark: renamedMark(step.before.mark, (cue) => names.get(cue) ?? cue) } : step.before;
    const fields = [...new Set([...Object.keys(before), ...Object.keys(after)])];
    for (const name of fields)
      if (!sameData(Reflect.get(before, name), Reflect.get(after, name)))
        words.add(
          TEXTS.includes(name)
            ? textWords(name, Reflect.get(before, name), Reflect.get(after, name))
            : (name === "mark" ? places() : "") ||
                (Object.entries(SETTING_WORDS).find(([each]) => each === name)?.[1] ?? "its own settings change"),
        );
  }
  return [...words].join(", ");
}

/** True for a change of a part that concerns its waves alone. */
function onlyWaves({ before, after }: PartStep): boolean {
  const [{ waves: _was, ...old }, { waves: _is, ...now }] = [before ?? { times: {} }, after ?? { times: {} }];
  return before !== undefined && after !== undefined && sameData(old, now);
}

/** The kinds from the weightiest to the lightest. */
const KIND_ORDER: readonly ImpactKind[] = ["goes", "comes", "renumbered", "looks", "runs", "stores"];

/** Takes down what happens to a cue, by its number before and after. */
type Tell = (cue: string, after: string | undefined, kind: ImpactKind, words: () => string) => void;

/** Follows that count from another cue or otherwise, cues that last longer or shorter, and the chains that they make. Seconds. */
function tellTimes(
  was: ListSheet,
  is: ListSheet,
  pairs: Int32Array,
  changed: ReadonlySet<number>,
  numberBefore: (row: number) => string,
  tell: Tell,
  counts: Counts,
): void {
  const affected = affectedRows(was, is, pairs, changed);
  const { presses } = chainClock(is);
  // A cue with another one behind it than before may have begun a chain, or ended one.
  const chains = new Set(is.cues.flatMap((_, row) => (hasNewNeighbour(was, pairs, row) ? [presses[row] ?? row] : [])));
  for (const row of affected) {
    const cue = is.cues[row];
    const old = intAt(pairs, row);
    if (!cue) continue;
    const follow = followWords(was, is, pairs, row);
    if (follow !== undefined) {
      counts.follow += 1;
      tell(numberBefore(row), cue.number, "runs", () => follow);
    }
    if (old < 0) {
      chains.add(presses[row] ?? row);
      continue;
    }
    const [before, after] = [cueDuration(was, old), cueDuration(is, row)];
    const longer = Math.abs(before - after) > 1e-6;
    if (longer) {
      counts.time += 1;
      tell(numberBefore(row), cue.number, "runs", () => `lasts ${writeSeconds(before)} → ${writeSeconds(after)} s`);
    }
    if (longer || follow !== undefined) chains.add(presses[row] ?? row);
  }
  for (const row of chains) tellChain(was, is, pairs, row, numberBefore, tell, counts);
}

/** True for a cue that has another cue behind it than before, or none. */
function hasNewNeighbour(was: ListSheet, pairs: Int32Array, row: number): boolean {
  const old = intAt(pairs, row);
  if (old < 0) return false;
  const next = row + 1 < pairs.length ? (pairs[row + 1] ?? -1) : was.cues.length;
  return next !== old + 1;
}

/**
 * The rows whose follow or duration can be another: those that changed, those right behind them (their transition begins elsewhere),
 * and those with another cue before them. All rows where marks or palettes have changed.
 */
function affectedRows(was: ListSheet, is: ListSheet, pairs: Int32Array, changed: ReadonlySet<number>): number[] {
  const all = !sameData(was.list.marks, is.list.marks) || was.palettes !== is.palettes;
  return is.cues.flatMap((_, row) => {
    const neighbour = row > 0 && pairs[row - 1] !== intAt(pairs, row) - 1;
    const first = row === 0 && pairs[0] !== 0;
    return all || changed.has(row) || changed.has(row - 1) || neighbour || first ? [row] : [];
  });
}

/** How the follow of a row is another, or undefined where it is not. The cue that it counts from matters as much as the time. */
function followWords(was: ListSheet, is: ListSheet, pairs: Int32Array, row: number): string | undefined {
  const old = intAt(pairs, row);
  if (old < 0) return undefined;
  const [before, after] = [was.cues[old]?.trigger, is.cues[row]?.trigger];
  const follows = after?.type === "follow";
  if (!follows) return before?.type === "follow" ? "waits for a Go now" : undefined;
  const source = is.cues[row - 1]?.number;
  const same = row > 0 && old > 0 && pairs[row - 1] === old - 1;
  if (same && sameData(before, after)) return undefined;
  if (source === undefined) return "follows nothing now: it is the first cue";
  const from = after.from === "go" ? "the Go" : "the end";
  return `now follows ${source}: ${writeSeconds(after.after)} s after ${from} of it`;
}

/** A chain of follows that lasts longer or shorter, or begins here now. Told at the cue whose Go starts it. Seconds. */
function tellChain(
  was: ListSheet,
  is: ListSheet,
  pairs: Int32Array,
  row: number,
  numberBefore: (row: number) => string,
  tell: Tell,
  counts: Counts,
): void {
  const old = intAt(pairs, row);
  const after = chainFrom(is, row);
  const before = old < 0 ? [] : chainFrom(was, old);
  if (after.length < 2 && before.length < 2) return;
  const lasts = (links: typeof after): number => links.reduce((end, link) => Math.max(end, link.start + link.duration), 0);
  const [long, longBefore] = [lasts(after), lasts(before)];
  if (Math.abs(long - longBefore) <= 1e-6) return;
  counts.time += 1;
  const words =
    old < 0
      ? `starts a chain of ${writeSeconds(long)} s`
      : `the chain from here lasts ${writeSeconds(long)} instead of ${writeSeconds(longBefore)} s`;
  tell(numberBefore(row), is.cues[row]?.number, "runs", () => words);
}
