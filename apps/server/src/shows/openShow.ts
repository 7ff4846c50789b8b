import type { ShowSheet, Step } from "@zm/core";

/** A show held in memory while it is worked on. */
export interface OpenShow {
  readonly id: number;
  sheet: ShowSheet;
  revision: number;
  /** Revisions that can be taken back, the newest last. */
  done: number[];
  /** Revisions that were taken back and can be made again, the newest last. */
  undone: number[];
  /** The work under way; each piece waits for the one before it. */
  queue: Promise<unknown>;
}

/** One change of a show as every window hears of it. */
export interface EditNews {
  readonly show: number;
  readonly revision: number;
  readonly kind: "edit" | "undo" | "redo";
  readonly summary: string;
  readonly steps: readonly Step[];
  readonly canUndo: string | null;
  readonly canRedo: string | null;
}

/**
 * The first cue at which two sets of changes get in each other's way, or null: they touch the same thing, or one of them
 * brings or takes a cue that the other touches.
 */
export function clash(mine: readonly Step[], theirs: readonly Step[], addressOf: (step: Step) => string): string | null {
  const touched = new Set(theirs.map(addressOf));
  const cues = new Set(theirs.map(cueOf));
  const comeOrGone = new Set(theirs.filter(comesOrGoes).map(cueOf));
  const hit = mine.find(
    (step) => touched.has(addressOf(step)) || comeOrGone.has(cueOf(step)) || (comesOrGoes(step) && cues.has(cueOf(step))),
  );
  return hit ? hit.cue : null;
}

function cueOf(step: Step): string {
  return `${step.list}/${step.cue}`;
}

function comesOrGoes(step: Step): boolean {
  return step.at === "cue" && (step.before === undefined || step.after === undefined);
}
