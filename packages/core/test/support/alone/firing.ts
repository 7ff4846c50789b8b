import { ShowError } from "../../../src/show/errors.ts";
import { type ListSheet, findRow } from "../../../src/sheet/sheet.ts";
import { type Playback, fireGoto, fireNext, goBack, nextRow } from "./playback.ts";

/**
 * One thing that happens to a running list, as plain data: a caller that has the playback before it and the same sheet computes the
 * playback after it. Times are seconds of the list's own clock; `cue` null is before the first.
 */
export type Firing =
  | { readonly do: "next" | "back"; readonly cue: string; readonly at: number }
  | { readonly do: "goto"; readonly cue: string; readonly at: number; readonly time?: number | undefined }
  /** The cue on stage, and the one that waits, have taken other numbers; or a follow waits for nothing any more. */
  | { readonly do: "name"; readonly cue: string | null; readonly follow: string | null };

/** The playback after a firing. Throws ShowError for a cue that the list does not have. */
export function afterFiring(playback: Playback, list: ListSheet, firing: Firing): Playback {
  if (firing.do === "name") {
    const { follow } = playback;
    return { ...playback, cue: firing.cue, follow: follow && firing.follow !== null ? { ...follow, cue: firing.follow } : null };
  }
  const row = firing.cue === null ? -1 : findRow(list, firing.cue);
  if (firing.cue !== null && row < 0) throw new ShowError(`List "${list.id}" has no cue ${firing.cue} to fire`);
  switch (firing.do) {
    case "next":
      return fireNext(playback, list, row, firing.at);
    case "goto":
      return fireGoto(playback, list, row, firing.at, firing.time);
    case "back":
      return goBack(playback, list, firing.at) ?? playback;
  }
}

/** A playback with the firings that brought it about. */
export interface Fired {
  readonly playback: Playback;
  readonly firings: readonly Firing[];
}

/** Fires every follow that is due by `now`, each at its own moment. A follow whose cue is no longer the next one fires nothing. */
export function fireDue(playback: Playback, list: ListSheet, now: number): Fired {
  let state = playback;
  const firings: Firing[] = [];
  while (state.follow && state.follow.at <= now) {
    const { cue, at } = state.follow;
    const isNext = findRow(list, cue) >= 0 && findRow(list, cue) === nextRow(state, list);
    const firing: Firing = isNext ? { do: "next", cue, at } : { do: "name", cue: state.cue, follow: null };
    state = afterFiring(state, list, firing);
    firings.push(firing);
  }
  return { playback: state, firings };
}

/** The playback when every follow that is due by `now` has fired. */
export function advance(playback: Playback, list: ListSheet, now: number): Playback {
  return fireDue(playback, list, now).playback;
}
