// Which cue is which between two states of a list. A cue has no name but its number, and numbers change, so what was done in between says which cue is the same.
import { sameData } from "../../show/sameData.ts";
import type { Cue, CueHead } from "../../show/schema.ts";
import type { Step } from "./step.ts";

/**
 * Which cue of a list is which between two states: by the number afterwards, the number before; null for a cue that has come since.
 * A number that is not in it is the same cue in both.
 */
export type CueIdentity = ReadonlyMap<string, string | null>;
/** Which cue is which, by list. Lists whose cues have all kept their numbers may be missing. */
export type CueIdentities = ReadonlyMap<string, CueIdentity>;

/** Every cue is the one with its number. */
export const SAME_NUMBERS: CueIdentity = new Map();

/** What is known of one list on the way through the steps. */
interface ListWalk {
  /** By number now: the number at the beginning; null for one that has come since. */
  readonly origin: Map<string, string | null>;
  /** Cues that have gone, by the number that they had then. */
  readonly gone: Map<string, { readonly origin: string | null; readonly head: CueHead | undefined }>;
}

/**
 * Which cue is which after some steps, in their order. Several renumberings behind each other count as one; a cue that goes and comes back as it was, as undo
 * brings it back, is the same cue.
 */
export function identitiesOf(steps: Iterable<Step>): CueIdentities {
  const walks = new Map<string, ListWalk>();
  for (const step of steps) {
    if (step.at !== "renumber" && step.at !== "cue") continue;
    const walk = walks.get(step.list) ?? { origin: new Map(), gone: new Map() };
    walks.set(step.list, walk);
    take(walk, step);
  }
  return new Map([...walks].map(([list, { origin }]) => [list, new Map([...origin].filter(([number, before]) => number !== before))]));
}

function take({ origin, gone }: ListWalk, step: Extract<Step, { at: "renumber" | "cue" }>): void {
  const originOf = (number: string): string | null => origin.get(number) ?? (origin.has(number) ? null : number);
  if (step.at === "renumber") {
    const moved = step.cues.map(({ from, to }) => ({ to, first: originOf(from) }));
    for (const { from } of step.cues) origin.delete(from);
    for (const { to, first } of moved) origin.set(to, first);
  } else if (!step.after) {
    gone.set(step.cue, { origin: originOf(step.cue), head: step.before });
    origin.delete(step.cue);
  } else if (!step.before) {
    const was = gone.get(step.cue);
    origin.set(step.cue, was && sameData(was.head, step.after) ? was.origin : null);
  }
}

/** The same seen from the other end: by the number before, the number afterwards; null for a cue that is gone and whose number another has taken. */
export function turnedIdentity(identity: CueIdentity): CueIdentity {
  const turned = new Map<string, string | null>();
  for (const [after, before] of identity) if (before !== null) turned.set(before, after);
  for (const after of identity.keys()) if (!turned.has(after)) turned.set(after, null);
  return turned;
}

/** A cue of both states, by its number in each. */
export interface CuePair<Of> {
  readonly was: Of;
  readonly is: Of;
}

/** The cues that stand in both states, those that have gone, and those that have come. */
export function pairCues<Of extends Pick<Cue, "number">>(
  before: readonly Of[],
  after: readonly Of[],
  identity: CueIdentity,
): { pairs: CuePair<Of>[]; goes: Of[]; comes: Of[] } {
  const old = new Map(before.map((cue) => [cue.number, cue]));
  const pairs: CuePair<Of>[] = [];
  const comes: Of[] = [];
  for (const is of after) {
    const number = identity.get(is.number);
    const was = number === null ? undefined : old.get(number ?? is.number);
    if (was) {
      pairs.push({ was, is });
      old.delete(was.number);
    } else comes.push(is);
  }
  return { pairs, goes: [...old.values()], comes };
}
