// Steps made on the document itself. Nothing is changed in place: what a step does not touch is shared with the document before, which is
// why two states of a large show cost little more than one. Each step says what it found; where that is not so, it is refused.
import { groupBy } from "../../show/groupBy.ts";
import { cueOrder } from "../../show/cueNumber.ts";
import { at } from "../../show/at.ts";
import { ShowError } from "../../show/errors.ts";
import { firstNotBelow } from "../../show/search.ts";
import { sameMove } from "../../show/move.ts";
import { sameData } from "../../show/sameData.ts";
import type { Cue, CueHead, CueList, MoveSpec, Part, PartHead, Show } from "../../show/schema.ts";
import { applyEntry } from "./applyEntry.ts";
import { applyScript } from "./applyScript.ts";
import { applyShow } from "./applyShow.ts";
import { STEPS_A_PAUSE } from "./pauses.ts";
import {
  type CueDataStep,
  type CueStep,
  type LineStep,
  type MoveStep,
  type PartStep,
  type PlacedMove,
  type RenumberStep,
  type ScriptStep,
  type Step,
  isCueData,
  isOfScript,
} from "./step.ts";
import { thereIsNo } from "../../show/thereIsNo.ts";

/** Neighbouring steps that are made in one go, and what makes them on a show, with pauses in between. It throws ShowError and changes nothing. */
interface StepGroup {
  readonly steps: readonly Step[];
  /** The same steps where they are on the content of cues. */
  readonly onCues?: readonly CueDataStep[];
  readonly applyInSlices: (show: Show) => Generator<undefined, Show>;
}

/**
 * Steps gathered into groups: those on cues' data together, those on the play together, a renumbering or an entry by itself, in their order. Applying one shares
 * everything it does not touch and holds each step against what is there first: it throws ShowError when that is not what the
 * step expects, and then the show is as it was.
 * Runs of steps on one cue cost one copy of that cue. Gathering pauses too, for a server that has more to do.
 */
export function* stepGroupsInSlices(steps: readonly Step[]): Generator<undefined, StepGroup[]> {
  const found: StepGroup[] = [];
  let together: CueDataStep[] = [];
  let ofScript: (ScriptStep | LineStep)[] = [];
  const close = (): void => {
    const [own, lines] = [together, ofScript];
    if (own.length > 0) found.push({ steps: own, onCues: own, applyInSlices: (show) => onCuesInSlices(show, own) });
    if (lines.length > 0) found.push({ steps: lines, applyInSlices: (show) => atOnce(applyScript(show, lines)) });
    together = [];
    ofScript = [];
  };
  for (const [place, step] of steps.entries()) {
    if (place % STEPS_A_PAUSE === 0) yield;
    if (isCueData(step) ? ofScript.length > 0 : together.length > 0) close();
    if (isCueData(step)) together.push(step);
    else if (isOfScript(step)) ofScript.push(step);
    else {
      close();
      found.push({ steps: [step], applyInSlices: (show) => atOnce(applyAlone(show, step)) });
    }
  }
  close();
  return found;
}

/** A stretch of steps and the document after it: what a sheet is advanced by. */
export interface AppliedSteps {
  readonly steps: readonly Step[];
  readonly show: Show;
}

/**
 * The document after each stretch of exact steps, with pauses in between: the last one's is the show after all. Empty for no steps.
 * Throws ShowError where the show is not as a step found it.
 * Of the document alone; `advanceThroughSteps` takes a sheet along.
 */
export function* appliedInSlices(show: Show, steps: readonly Step[]): Generator<undefined, AppliedSteps[]> {
  const applied: AppliedSteps[] = [];
  let current = show;
  for (const group of yield* stepGroupsInSlices(steps)) {
    current = yield* group.applyInSlices(current);
    applied.push({ steps: group.steps, show: current });
  }
  return applied;
}

/** The document after all of them, as `appliedInSlices`. A caller that has a sheet takes them with `applySteps`. */
export function* showAfterInSlices(show: Show, steps: readonly Step[]): Generator<undefined, Show> {
  return (yield* appliedInSlices(show, steps)).at(-1)?.show ?? show;
}

/** What is computed without a pause. */
// eslint-disable-next-line require-yield
function* atOnce<T>(value: T): Generator<undefined, T> {
  return value;
}

/** A step that is not about the content of cues. */
function applyAlone(show: Show, step: Exclude<Step, CueDataStep | ScriptStep | LineStep>): Show {
  if (step.at === "entry") return applyEntry(show, step);
  return step.at === "show" ? applyShow(show, step) : onNumbers(show, step);
}

/**
 * Neighbouring steps on cues in stretches of about so many, each cut where another cue begins: what is done to a cue in one place stays together.
 * For work that pauses between stretches. Empty for no steps.
 */
export function* stretchesOfCues(steps: readonly CueDataStep[], size = STEPS_A_PAUSE): Generator<CueDataStep[], undefined> {
  for (let first = 0; first < steps.length;) {
    let end = Math.min(steps.length, first + size);
    while (end < steps.length && at(steps, end).cue === at(steps, end - 1).cue) end += 1;
    yield steps.slice(first, end);
    first = end;
  }
}

/** Steps about the content of cues, made on stretches of them in their order. */
function* onCuesInSlices(show: Show, steps: readonly CueDataStep[]): Generator<undefined, Show> {
  let current = show;
  for (const stretch of stretchesOfCues(steps)) {
    yield;
    current = onCues(current, stretch);
  }
  return current;
}

/** Steps about the content of cues, list by list, so that a list is copied once however many there are. */
function onCues(show: Show, steps: readonly CueDataStep[]): Show {
  const byList = groupBy(steps, (step) => step.list);
  for (const id of byList.keys()) listAt(show, id);
  return {
    ...show,
    lists: show.lists.map((list) => {
      const own = byList.get(list.id);
      return own ? applyToList(list, own) : list;
    }),
  };
}

/** The list of this id. Throws ShowError naming those there are. */
function listAt(show: Show, id: string): CueList {
  const found = show.lists.find((list) => list.id === id);
  if (!found) throw new ShowError(thereIsNo("list", id, show.lists));
  return found;
}

/** One list with the data of some of its cues changed; cues that come are put in by their number. Throws ShowError. */
function applyToList(list: CueList, steps: readonly CueDataStep[]): CueList {
  const cues: (Cue | undefined)[] = [...list.cues];
  const added: Cue[] = [];
  for (const [number, own] of groupBy(steps, (step) => step.cue)) {
    const row = rowNumbered(list.cues, number);
    const after = new CueDraft(number, list.cues[row]).apply(own);
    if (row >= 0) cues[row] = after;
    else if (after) added.push(after);
  }
  const left = cues.filter((cue) => cue !== undefined);
  return { ...list, cues: added.length > 0 ? inOrder([...left, ...added]) : left };
}

/** The row of a cue in a sorted row of cues, or -1. */
function rowNumbered(cues: readonly Cue[], number: string): number {
  const order = cueOrder(number);
  const row = firstNotBelow(cues.length, (place) => cueOrder(at(cues, place).number), order);
  const found = cues[row];
  return found && cueOrder(found.number) === order ? row : -1;
}

/** Cues by their number, numerically. The number is read once each: comparing does it too often. */
function inOrder(cues: readonly Cue[]): Cue[] {
  return cues
    .map((cue) => ({ cue, order: cueOrder(cue.number) }))
    .sort((a, b) => a.order - b.order)
    .map(({ cue }) => cue);
}

/** Cues under other numbers, all at once, so that two may exchange theirs. Throws ShowError where two would have the same number. */
function onNumbers(show: Show, step: RenumberStep): Show {
  const list = listAt(show, step.list);
  const numbers = new Map(step.cues.map(({ from, to }) => [from, to]));
  for (const from of numbers.keys()) expect(rowNumbered(list.cues, from) >= 0, `list ${list.id}, cue ${from}`);
  const cues = inOrder(list.cues.map((cue) => ({ ...cue, number: numbers.get(cue.number) ?? cue.number })));
  const twice = cues.find((cue, row) => cues[row + 1]?.number === cue.number);
  if (twice) throw new ShowError(`List "${list.id}" would have two cues ${twice.number}`);
  return { ...show, lists: show.lists.map((each) => (each === list ? { ...list, cues } : each)) };
}

/**
 * One cue while steps are made on it: what is touched is copied once, however many steps there are. Undefined heads stand for a cue that is
 * not there, before or after.
 */
class CueDraft {
  private head: CueHead | undefined;
  private parts: Map<number, PartDraft>;
  private readonly number: string;

  constructor(number: string, cue: Cue | undefined) {
    this.number = number;
    this.parts = new Map(cue?.parts.map((part) => [part.number, new PartDraft(part)]));
    this.head = cue && headOf(cue);
  }

  /** The cue with the steps made; undefined for one that goes. Throws ShowError where a step does not find what it expects. */
  apply(steps: readonly CueDataStep[]): Cue | undefined {
    for (const step of steps) {
      if (step.at === "cue") this.onCue(step);
      else if (step.at === "part") this.onPart(step);
      else this.onMove(step);
    }
    if (!this.head) return undefined;
    if (!this.parts.has(1)) throw new ShowError(`Cue ${this.number} would be left without a part 1`);
    const parts = [...this.parts.values()].map((draft) => draft.part).sort((a, b) => a.number - b.number);
    return { number: this.number, ...this.head, parts };
  }

  /** The cue comes, goes or changes its own fields. It goes only when its parts have gone before. */
  private onCue(step: CueStep): void {
    expect(sameData(this.head, step.before), `cue ${this.number}`);
    if (!step.after) expect(this.parts.size === 0, `cue ${this.number}`);
    this.head = step.after;
  }

  /** A part comes, goes or changes its times and name. It goes only when it holds no move any more. */
  private onPart(step: PartStep): void {
    const place = `cue ${this.number}, part ${step.part}`;
    const draft = this.parts.get(step.part);
    expect(sameData(draft && partHeadOf(draft.part), step.before), place);
    if (step.after && draft) draft.setHead(step.after);
    else if (step.after) this.parts.set(step.part, new PartDraft({ number: step.part, ...step.after, moves: {} }));
    else {
      expect(draft !== undefined && Object.keys(draft.part.moves).length === 0, place);
      this.parts.delete(step.part);
    }
  }

  /** A move comes, goes, changes, or goes to another part, where it must stand after this step. */
  private onMove(step: MoveStep): void {
    const { before, after } = step;
    const place = `cue ${this.number}, ${step.channel}.${step.attribute}`;
    expect(samePlaced(this.placed(step), before), place);
    if (before && before.part !== after?.part) this.parts.get(before.part)?.set(step.channel, step.attribute, undefined);
    if (!after) return;
    const draft = this.parts.get(after.part);
    if (!draft) throw new ShowError(`Cue ${this.number} has no part ${after.part}; its parts are ${[...this.parts.keys()].join(" and ")}`);
    draft.set(step.channel, step.attribute, after.move);
  }

  /** The move that the cue stores now for the key of a step, and its part; undefined where it stores none. */
  private placed(step: MoveStep): PlacedMove | undefined {
    for (const [part, draft] of this.parts) {
      const move = draft.part.moves[step.channel]?.[step.attribute];
      if (move !== undefined) return { part, move };
    }
    return undefined;
  }
}

/** One part while steps are made on it. Its moves are copied at the first change, and those of a channel at that channel's first. */
class PartDraft {
  part: Part;
  private readonly owned = new Set<number>();
  private ownsMoves = false;

  constructor(part: Part) {
    this.part = part;
  }

  setHead(head: PartHead): void {
    this.part = { number: this.part.number, ...head, moves: this.part.moves };
  }

  set(channel: number, attribute: string, move: MoveSpec | undefined): void {
    if (!this.ownsMoves) {
      this.part = { ...this.part, moves: { ...this.part.moves } };
      this.ownsMoves = true;
    }
    const moves = this.part.moves;
    const own = this.owned.has(channel) ? (moves[channel] ?? {}) : { ...moves[channel] };
    this.owned.add(channel);
    moves[channel] = own;
    if (move !== undefined) own[attribute] = move;
    else delete own[attribute];
    if (Object.keys(own).length === 0) delete moves[channel];
  }
}

/**
 * A cue's own fields, without its number and parts.
 * Fields that a cue does not have are absent, not undefined, so that heads compare by content.
 */
export function headOf(cue: Cue): CueHead {
  const { number: _number, parts: _parts, ...head } = cue;
  return head;
}

/**
 * A part's own fields, without its number and moves.
 * Label, times, curve and waves; absent fields stay absent.
 */
export function partHeadOf(part: Part): PartHead {
  const { number: _number, moves: _moves, ...head } = part;
  return head;
}

/** Throws ShowError, naming the place, where the show is not as a step found it: somebody else was there first. */
function expect(holds: boolean, place: string): void {
  if (!holds) throw new ShowError(`${place} is no longer as this change found it; something else has changed it since`);
}

/** True for the same move in the same part, and where there is none on both sides. */
function samePlaced(a: PlacedMove | undefined, b: PlacedMove | undefined): boolean {
  return a?.part === b?.part && sameMove(a?.move, b?.move);
}
