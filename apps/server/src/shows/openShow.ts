import type { History } from "./history.ts";
import { eachInSlices } from "../shared/slices.ts";
import { ENTRY_WORDS, type ShowSheet, type Step, addressOf, capital, isCueData } from "@zm/core";

/** A show held in memory while it is worked on. */
export interface OpenShow {
  readonly id: number;
  sheet: ShowSheet;
  revision: number;
  /** When it was asked for last; milliseconds. */
  asked: number;
  readonly history: History;
  /** True while it is not known whether the database took the newest edit: it went away before it confirmed it. */
  unconfirmed: boolean;
  /** What the edits since the show was opened have touched. */
  readonly touched: TouchedSince;
  /** The newest requests for edits by their names, and the revision that each came to. */
  readonly requests: Map<string, number>;
  /** The steps of the edit made last, which is the one that is taken back most often; undefined before one was made, and for a very large one. */
  newest: { readonly revision: number; readonly steps: readonly Step[] } | undefined;
  /** The end of the newest work on the database, for which a reader of the newest state waits. */
  storing: Promise<unknown>;
  /** The work under way; each piece waits for the one before it. */
  queue: Promise<unknown>;
}

/**
 * The first place at which two sets of changes get in each other's way, or null: they touch the same thing, one of them
 * brings or takes a cue that the other touches, or gives cues of a list other numbers while the other works in it.
 */
export function findConflict(mine: readonly Step[], theirs: readonly Step[]): string | null {
  const touched = new Set(theirs.flatMap(touchedAddresses));
  const worked = new Set(theirs.flatMap(placesWorkedIn));
  const hit = mine.find(
    (step) =>
      touchedAddresses(step).some((claim) => touched.has(claim) || worked.has(claim)) ||
      placesWorkedIn(step).some((place) => touched.has(place)),
  );
  return hit ? placeWords(hit) : null;
}

/** The places that an edit touches: those that it needs for itself, and those that it works in. */
export interface Places {
  readonly claimed: readonly string[];
  readonly worked: ReadonlySet<string>;
}

/** An edit of more steps than this is not remembered by its places: who has not heard of it yet is held against its stored steps. */
const MOST_STEPS = 5000;

/** The places that steps touch; null where they are too many to remember each. */
export async function placesOf(steps: readonly Step[]): Promise<Places | null> {
  if (steps.length > MOST_STEPS) return null;
  const claimed: string[] = [];
  const worked = new Set<string>();
  await eachInSlices(steps, (step) => {
    claimed.push(...touchedAddresses(step));
    for (const place of placesWorkedIn(step)) worked.add(place);
  });
  return { claimed, worked };
}

/** So many places are remembered; beyond that it begins anew. */
const MOST_PLACES = 300_000;

/** Which edit was the last to touch each place, since a revision: so that an edit thought out long ago is held against all since without reading them. */
export class TouchedSince {
  private readonly claimed = new Map<string, number>();
  private readonly worked = new Map<string, number>();

  /** Edits up to `from` are not known here. */
  constructor(public from: number) {}

  /** An edit has been made, which touches these places; called, and waited for, before it is told. */
  async add(revision: number, places: Places | null): Promise<void> {
    if (!places || this.claimed.size + this.worked.size > MOST_PLACES) {
      this.claimed.clear();
      this.worked.clear();
      this.from = revision;
      return;
    }
    await eachInSlices(places.claimed, (claim) => this.claimed.set(claim, revision));
    await eachInSlices(places.worked, (place) => this.worked.set(place, revision));
  }

  /** The first place at which steps get in the way of an edit behind `base`, which is not before `from`, with the revision of that edit; null where they do not. */
  findConflict(mine: readonly Step[], base: number): { readonly place: string; readonly revision: number } | null {
    for (const step of mine) {
      const own = touchedAddresses(step);
      const met = [
        ...own.map((claim) => this.claimed.get(claim)),
        ...own.map((claim) => this.worked.get(claim)),
        ...placesWorkedIn(step).map((place) => this.claimed.get(place)),
      ];
      const revision = Math.max(0, ...met.map((each) => each ?? 0));
      if (revision > base) return { place: placeWords(step), revision };
    }
    return null;
  }
}

/** What a step needs for itself: the thing it changes, and a whole cue or list where it brings, takes or renumbers. */
function touchedAddresses(step: Step): string[] {
  if (step.at === "renumber") return [`list ${step.list}`];
  if (step.at === "cue" && (step.before === undefined || step.after === undefined))
    return [addressOf(step), `cue ${step.list}/${step.cue}`];
  return [addressOf(step)];
}

function placesWorkedIn(step: Step): string[] {
  if (step.at === "renumber") return [`list ${step.list}`];
  return isCueData(step) ? [`cue ${step.list}/${step.cue}`, `list ${step.list}`] : [];
}

function placeWords(step: Step): string {
  if (step.at === "show") return "The show's own settings";
  if (step.at === "renumber") return `Cue ${step.cues[0]?.from ?? ""}`;
  if (step.at === "script") return "The settings of the script";
  if (step.at === "line") return `Line ${step.line} of the script`;
  if (step.at !== "entry") return `Cue ${step.cue}`;
  return `${capital(ENTRY_WORDS[step.of])} ${step.id}`;
}
