import { type HandDiff, squashDiffs } from "@zm/core";
import type { HistoryState, StepSummary } from "@zm/protocol";
import type { Author } from "../shared/author.ts";
import { now } from "../shared/clock.ts";

/** One step that can be taken back or made again: an edit of the show, or what one gesture did to the Hand. */
export type HistoryStep = EditStep | HandStep;
interface StepBase {
  readonly id: string;
  /** The window that made it, or took it back last. */
  window: string | null;
  /** Who that was, where people have accounts. */
  person: string | null;
  readonly gesture: string | null;
  /** What it did, in words. */
  words: string;
}
/** An edit of the show, by the revision that it was made as, with what the same gesture did to the Hand. */
export interface EditStep extends StepBase {
  readonly of: "edit";
  readonly revision: number;
  hand: HandDiff | undefined;
}
export interface HandStep extends StepBase {
  readonly of: "hand";
  diff: HandDiff;
}

/** Steps of the Hand are not stored; so many are kept. */
const MOST_HAND_STEPS = 200;
/** So many steps can be taken back one by one; what is older is reached through the history of the show. */
const MOST_STEPS = 5000;

/** One order in time over the show and the Hand: what can be taken back, and what was and can be made again. */
export class History {
  readonly done: HistoryStep[] = [];
  undone: HistoryStep[] = [];
  private version = Math.floor(now());
  private handSteps = 0;

  constructor(private readonly show: number) {}

  /** An edit that was stored. */
  addEdit(revision: number, words: string, author: Author): void {
    const { window, gesture, person } = author;
    this.done.push({ of: "edit", id: `e${revision}`, revision, words, hand: undefined, window, person, gesture });
    if (this.done.length > MOST_STEPS) this.done.shift();
    this.undone = [];
    this.version += 1;
  }

  /** A change of the Hand; one that belongs to the gesture of the newest step becomes part of it. */
  addHand(diff: HandDiff, words: string, author: Author): void {
    const newest = this.done.at(-1);
    const same = author.gesture !== null && newest?.gesture === author.gesture && newest.window === author.window;
    if (same && newest.of === "hand") {
      newest.diff = squashDiffs(newest.diff, diff);
      newest.words = words;
      if (Object.keys(newest.diff).length === 0) this.done.pop();
    } else if (same && newest.of === "edit") newest.hand = squashDiffs(newest.hand ?? {}, diff);
    else {
      this.handSteps += 1;
      this.done.push({
        of: "hand",
        id: `h${this.handSteps}-${Math.floor(now())}`,
        diff,
        words,
        window: author.window,
        person: author.person,
        gesture: author.gesture,
      });
      this.trimHandSteps();
    }
    this.undone = [];
    this.version += 1;
  }

  /** Says that the newest step was taken back, or the last one taken back made again; it is then the step of whoever did that. */
  move(what: "undo" | "redo", { window, person }: Pick<Author, "window" | "person">): void {
    const [from, to] = what === "undo" ? [this.done, this.undone] : [this.undone, this.done];
    const step = from.pop();
    if (step) {
      step.window = window;
      step.person = person;
      to.push(step);
    }
    this.version += 1;
  }

  /** What undo and redo would do next. */
  state(): HistoryState {
    return { show: this.show, version: this.version, undo: summaryOf(this.done.at(-1)), redo: summaryOf(this.undone.at(-1)) };
  }

  private trimHandSteps(): void {
    const hands = this.done.filter((step) => step.of === "hand").length;
    if (hands <= MOST_HAND_STEPS) return;
    const oldest = this.done.findIndex((step) => step.of === "hand");
    this.done.splice(oldest, 1);
  }
}

function summaryOf(step: HistoryStep | undefined): StepSummary | null {
  return step ? { id: step.id, of: step.of, words: step.words, window: step.window, person: step.person } : null;
}
