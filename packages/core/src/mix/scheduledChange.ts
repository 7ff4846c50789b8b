import type { Wave } from "../show/schema.ts";

/**
 * What waits to happen to a key of one source when its delay is over. Times are seconds of the source's own clock.
 * `to` in the attribute's own unit; it means nothing where something is let go of.
 */
export interface ScheduledChange {
  readonly due: number;
  /** The order in which it was asked for, among all sources: of what is due at one moment the older comes first. */
  readonly sequence: number;
  readonly key: number;
  /** Take hold; let go; go to where the key rests and let go of it there; move in the dark, unless somebody else lights the lamp; or a wave. */
  readonly what: "take" | "letGo" | "rest" | "mark" | "wave";
  /** The wave that begins; null for one that only ends. */
  readonly wave?: Wave | null;
  readonly to: number;
  readonly fade: number;
  readonly curve: number;
}

/**
 * What waits for one source, by when it is due.
 * Taking the next costs little however much waits. Dropping is by key and by when it would take hold.
 */
export class ScheduleQueue {
  private entries: ScheduledChange[] = [];
  private head = 0;

  /** The one that is due first; undefined where nothing waits. */
  get first(): ScheduledChange | undefined {
    return this.entries[this.head];
  }

  /** Takes the first out. */
  shift(): void {
    this.head += 1;
    if (this.head < 256 || this.head * 2 < this.entries.length) return;
    this.entries = this.entries.slice(this.head);
    this.head = 0;
  }

  /** Lets more wait. */
  add(more: readonly ScheduledChange[]): void {
    if (more.length === 0) return;
    const all = [...this.entries.slice(this.head), ...more];
    all.sort((a, b) => a.due - b.due || a.sequence - b.sequence);
    this.entries = all;
    this.head = 0;
  }

  /** Drops what waits and is not wanted any more. */
  drop(isGone: (waiting: ScheduledChange) => boolean): void {
    const left = this.entries.slice(this.head).filter((each) => !isGone(each));
    this.entries = left;
    this.head = 0;
  }

  /** Forgets all of it. */
  clear(): void {
    this.entries = [];
    this.head = 0;
  }

  /** What waits, the first due first. */
  get all(): readonly ScheduledChange[] {
    return this.entries.slice(this.head);
  }
}
