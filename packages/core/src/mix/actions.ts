import type { Action } from "../show/schema.ts";
import { cueOrder } from "../show/cueNumber.ts";
import { type ListSheet, firstRowFrom } from "../sheet/sheet.ts";

/**
 * Where the actions of a list's cues leave another list: in a cue, let go of (null), or not spoken of so (undefined).
 * Absent rate and master mean that no cue up to there says anything of them.
 */
export interface TrackedList {
  readonly cue?: string | null;
  readonly rate?: number;
  readonly master?: number;
}

/**
 * What the cues of a list, fired in order up to one of them, leave of the lists and looks that they speak of (docs/running.md,
 * Actions).
 * What a go-to brings about, so that it ends as running in order would have.
 */
export interface TrackedActions {
  readonly lists: ReadonlyMap<string, TrackedList>;
  /** By held look: its last level, 0 to 100. */
  readonly looks: ReadonlyMap<string, number>;
  /** By tempo: its last beats a minute. */
  readonly tempos: ReadonlyMap<string, number>;
}

/**
 * What actions leave when the cues of rows 0 to `row` have been fired in order. `listOf` gives the lists that they speak of; one that is
 * gone is left out.
 * A `go` since the last start counts one step on. Times of actions are passed over: all of it has come about.
 * Costs a walk over the rows that have actions.
 */
export function trackedActions(list: ListSheet, row: number, listOf: (id: string) => ListSheet | undefined): TrackedActions {
  const lists = new Map<string, TrackedList>();
  const looks = new Map<string, number>();
  const tempos = new Map<string, number>();
  for (const cue of list.cues.slice(0, row + 1)) {
    for (const action of cue.actions ?? []) {
      if (action.do === "look") looks.set(action.look, action.level);
      if (action.do === "tempo") tempos.set(action.tempo, action.perMinute);
      applyAction(lists, action, listOf);
    }
  }
  return { lists, looks, tempos };
}

/**
 * What one action leaves of the list that it speaks of, written into `lists`.
 * Nothing for looks, tempos, the cue's own list, and a list that is gone.
 */
export function applyAction(lists: Map<string, TrackedList>, action: Action, listOf: (id: string) => ListSheet | undefined): void {
  if (action.do === "look" || action.do === "tempo" || action.list === undefined) return;
  const other = listOf(action.list);
  if (!other) return;
  const known = lists.get(action.list) ?? {};
  switch (action.do) {
    case "start":
      lists.set(action.list, { ...known, cue: known.cue ?? action.cue ?? numberAt(other, 0) });
      break;
    case "goto":
      lists.set(action.list, { ...known, cue: action.cue });
      break;
    case "go":
      lists.set(action.list, { ...known, cue: neighbour(other, known.cue ?? null, 1) });
      break;
    case "back":
      lists.set(action.list, { ...known, cue: neighbour(other, known.cue ?? null, -1) });
      break;
    case "release":
      lists.set(action.list, { ...known, cue: null });
      break;
    case "rate":
      lists.set(action.list, { ...known, rate: action.rate });
      break;
    case "master":
      lists.set(action.list, { ...known, master: action.level });
  }
}

/** The cue one step on or back from another; the same at the ends of the list, the first from none. */
function neighbour(list: ListSheet, cue: string | null, by: 1 | -1): string | null {
  if (cue === null) return by === 1 ? numberAt(list, 0) : null;
  const order = cueOrder(cue);
  const row = by === 1 ? firstRowFrom(list, order + 1) : firstRowFrom(list, order) - 1;
  return list.cues[row]?.number ?? cue;
}

function numberAt(list: ListSheet, row: number): string | null {
  return list.cues[row]?.number ?? null;
}
