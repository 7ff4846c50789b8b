import { groupBy } from "../show/groupBy.ts";
import { cueOrder } from "../show/cueNumber.ts";
import { ShowError } from "../show/errors.ts";
import { sameMove } from "../show/move.ts";
import type { Cue, CueHead, CueList, MoveSpec, Part, PartHead, Show } from "../show/schema.ts";
import { type CueStep, type MoveStep, type PartStep, type PlacedMove, type Step, findList } from "./step.ts";

/**
 * The show with the steps made, sharing everything they do not touch. Each step is held against what is there first:
 * throws ShowError when that is not what the step expects, and then the show is as it was.
 */
export function applySteps(show: Show, steps: readonly Step[]): Show {
  const byList = groupBy(steps, (step) => step.list);
  for (const id of byList.keys()) {
    if (!findList(show, id)) throw new ShowError(`There is no list "${id}"`);
  }
  const lists = show.lists.map((list) => {
    const own = byList.get(list.id);
    return own ? applyToList(list, own) : list;
  });
  return { ...show, lists };
}

function applyToList(list: CueList, steps: readonly Step[]): CueList {
  const cues = new Map(list.cues.map((cue) => [cue.number, cue]));
  let rowsChanged = false;
  for (const [number, own] of groupBy(steps, (step) => step.cue)) {
    const before = cues.get(number);
    const after = new CueDraft(number, before).apply(own);
    rowsChanged ||= (before === undefined) !== (after === undefined);
    if (after) cues.set(number, after);
    else cues.delete(number);
  }
  const ordered = [...cues.values()];
  if (rowsChanged) ordered.sort((a, b) => cueOrder(a.number) - cueOrder(b.number));
  return { ...list, cues: ordered };
}

/** One cue while steps are made on it: what is touched is copied once. */
class CueDraft {
  private head: CueHead | undefined;
  private parts: Map<number, PartDraft>;
  private readonly number: string;

  constructor(number: string, cue: Cue | undefined) {
    this.number = number;
    this.parts = new Map(cue?.parts.map((part) => [part.number, new PartDraft(part)]));
    this.head = cue && headOf(cue);
  }

  apply(steps: readonly Step[]): Cue | undefined {
    for (const step of steps) {
      if (step.at === "cue") this.onCue(step);
      else if (step.at === "part") this.onPart(step);
      else this.onMove(step);
    }
    if (!this.head) return undefined;
    const parts = [...this.parts.values()].map((draft) => draft.part).sort((a, b) => a.number - b.number);
    return { number: this.number, ...this.head, parts };
  }

  private onCue(step: CueStep): void {
    expect(sameData(this.head, step.before), `cue ${this.number}`);
    if (!step.after) expect(this.parts.size === 0, `cue ${this.number}`);
    this.head = step.after;
  }

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

  private placed(step: MoveStep): PlacedMove | undefined {
    for (const [part, draft] of this.parts) {
      const move = draft.part.moves[step.channel]?.[step.attribute];
      if (move !== undefined) return { part, move };
    }
    return undefined;
  }
}

/** One part while steps are made on it. */
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

/** A cue's own fields, without its number and parts. */
export function headOf(cue: Cue): CueHead {
  const { number: _number, parts: _parts, ...head } = cue;
  return head;
}

/** A part's own fields, without its number and moves. */
export function partHeadOf(part: Part): PartHead {
  const { number: _number, moves: _moves, ...head } = part;
  return head;
}

function expect(holds: boolean, place: string): void {
  if (!holds) throw new ShowError(`${place} is no longer as this change found it; something else has changed it since`);
}

function samePlaced(a: PlacedMove | undefined, b: PlacedMove | undefined): boolean {
  return a?.part === b?.part && sameMove(a?.move, b?.move);
}

/** True when two pieces of plain data say the same; an absent field and an undefined one are alike. */
export function sameData(a: unknown, b: unknown): boolean {
  if (a === b) return true;
  if (typeof a !== "object" || typeof b !== "object" || a === null || b === null) return false;
  const names = new Set([...Object.keys(a), ...Object.keys(b)]);
  for (const name of names) {
    if (!sameData(Reflect.get(a, name), Reflect.get(b, name))) return false;
  }
  return true;
}
