/** What an action can set and a go-to can set back: whether a list runs, its rate, its master, the level of a held look, the beats of a tempo. */
export type OwnedAspect = "run" | "rate" | "master" | "look" | "tempo";

/** One thing that was set, and the list whose action did. */
export interface Owned {
  readonly aspect: OwnedAspect;
  /** The list, held look or tempo. */
  readonly id: string;
  /** The list of which a cue set it last. */
  readonly owner: string;
}

/**
 * Whose actions have set what, so that a go-to sets back what the cues up to there do not speak of (docs/running.md, Actions). What is set by hand
 * belongs to nobody, and is left alone.
 */
export class Owners {
  private readonly owned = new Map<string, Owned>();

  /** An action of a list has set something. */
  set(owned: Owned): void {
    this.owned.set(`${owned.aspect} ${owned.id}`, owned);
  }

  /** Somebody has set it by hand, or it is as the show has it again. */
  clear(aspect: OwnedAspect, id: string): void {
    this.owned.delete(`${aspect} ${id}`);
  }

  /** All that is set by actions, the one set first first. */
  get all(): readonly Owned[] {
    return [...this.owned.values()];
  }

  /** Becomes what another is, or what was written down of one. */
  take(all: readonly Owned[]): void {
    this.owned.clear();
    for (const owned of all) this.set(owned);
  }
}
