// The way from one state to another, found afterwards: for History, which compares any two points, and for bringing something back.
import { keyName } from "../../show/keyName.ts";
import { cueOrder } from "../../show/cueNumber.ts";
import { sameMove } from "../../show/move.ts";
import { sameData } from "../../show/sameData.ts";
import type { Cue, CueList, MoveSpec, Script, ScriptLine, Show } from "../../show/schema.ts";
import { groupBy } from "../../show/groupBy.ts";
import { headOf, partHeadOf } from "./apply.ts";
import { type CueIdentities, type CueIdentity, pairCues } from "./identity.ts";
import { entriesOf, entryId } from "./applyEntry.ts";
import { scriptHeadOf } from "./applyScript.ts";
import { showHeadOf } from "./applyShow.ts";
import { type CueDataStep, ENTRY_KINDS, type EntryStep, type LineStep, type PlacedMove, type ScriptStep, type Step } from "./step.ts";

/**
 * The exact changes that lie between two states of a show, whoever made them: the show's own fields, entries, then list by list the cues that go,
 * the numbers, and what the cues hold. `identities` says which cue is which; where it is left out, a cue that is gone and one that has come count as the same
 * under another number where they are alike. They tell what is different; where the rig differs they need not apply one by one.
 * Costs a walk over both shows; parts that are the same object in both are passed over at once.
 * Empty where both say the same. For comparing and bringing back.
 */
export function stepsBetween(before: Show, after: Show, identities?: CueIdentities): Step[] {
  const [was, is] = [showHeadOf(before), showHeadOf(after)];
  return [
    ...(sameData(was, is) ? [] : [{ at: "show" as const, before: was, after: is }]),
    ...scriptSteps(before.script, after.script),
    ...entrySteps(before, after),
    ...after.lists.flatMap((list) =>
      stepsOfList(
        before.lists.find(({ id }) => id === list.id),
        list,
        identities && (identities.get(list.id) ?? new Map()),
      ),
    ),
  ];
}

/**
 * The changes between two states of one list: the cues that go, then its numbers, then what each cue holds, by the numbers after. `before` undefined
 * stands for a list that was not there. Empty where both hold the same.
 * Without `identity`, renumberings are found by cues that are alike but for their number.
 */
export function stepsOfList(before: CueList | undefined, after: CueList, identity?: CueIdentity): Step[] {
  const old = before?.cues ?? [];
  const { pairs, goes, comes } = pairCues(old, after.cues, identity ?? likeness(old, after.cues));
  const renumbered = pairs.filter(({ was, is }) => was.number !== is.number);
  const cues = renumbered.map(({ was, is }) => ({ from: was.number, to: is.number }));
  const stays = [...pairs, ...comes.map((is) => ({ was: undefined, is }))]
    .map(({ was, is }) => ({ was, is, order: cueOrder(is.number) }))
    .sort((a, b) => a.order - b.order);
  return [
    ...goes.flatMap((cue) => cueSteps(after.id, cue.number, cue, undefined)),
    ...(cues.length > 0 ? [{ at: "renumber" as const, list: after.id, cues }] : []),
    ...stays.flatMap(({ was, is }) => cueSteps(after.id, is.number, was, is)),
  ];
}

/**
 * The changes that make one cue another: it comes, goes, or holds other moves, times or fields. Undefined stands for a cue that is not there.
 * The order is one in which they can be made: a cue comes before its parts and goes after them.
 * Empty where both are the same. Applied in their order they make `before` into `after`.
 */
export function cueSteps(list: string, number: string, before: Cue | undefined, after: Cue | undefined): CueDataStep[] {
  if (before === after) return [];
  const place = { list, cue: number };
  const [oldHead, newHead] = [before && headOf(before), after && headOf(after)];
  const head: CueDataStep[] = sameData(oldHead, newHead) ? [] : [{ at: "cue", ...place, before: oldHead, after: newHead }];
  const [old, now] = [partsOf(before), partsOf(after)];
  const [comes, goes]: [CueDataStep[], CueDataStep[]] = [[], []];
  for (const part of new Set([...old.keys(), ...now.keys()])) {
    const [was, is] = [old.get(part), now.get(part)];
    if (!sameData(was, is)) (is ? comes : goes).push({ at: "part", ...place, part, before: was, after: is });
  }
  const moves = moveSteps(place, before, after);
  // A cue goes when its parts have, and comes before them.
  return after ? [...head, ...comes, ...moves, ...goes] : [...moves, ...goes, ...head];
}

/** By number, the times and the name of each part of a cue; nothing for a cue that is not there. */
function partsOf(cue: Cue | undefined): Map<number, ReturnType<typeof partHeadOf>> {
  return new Map((cue?.parts ?? []).map((part) => [part.number, partHeadOf(part)]));
}

/** The moves of a cue that come, go or change, those that only go to another part included. */
function moveSteps(place: { list: string; cue: string }, before: Cue | undefined, after: Cue | undefined): CueDataStep[] {
  const [was, is] = [movesByKey(before), movesByKey(after)];
  return [...new Set([...was.keys(), ...is.keys()])].flatMap((name): CueDataStep[] => {
    const [old, now] = [was.get(name), is.get(name)];
    if (old?.part === now?.part && sameMove(old?.move, now?.move)) return [];
    const split = name.indexOf(".");
    const key = { channel: Number(name.slice(0, split)), attribute: name.slice(split + 1) };
    return [{ at: "move", ...place, ...key, before: old, after: now }];
  });
}

/** By key name, each stored move with its part. */
function movesByKey(cue: Cue | undefined): Map<string, PlacedMove> {
  const found = new Map<string, PlacedMove>();
  for (const part of cue?.parts ?? [])
    for (const [channel, attributes] of Object.entries(part.moves))
      for (const [attribute, move] of Object.entries<MoveSpec>(attributes))
        found.set(keyName(channel, attribute), { part: part.number, move });
  return found;
}

/**
 * Which cue is which where nothing is known of what was done in between: those with the same number are the same; of the others those that hold the same, and behind
 * that those with the same label, in their order.
 */
function likeness(before: readonly Cue[], after: readonly Cue[]): CueIdentity {
  const [old, now] = [new Set(before.map(({ number }) => number)), new Set(after.map(({ number }) => number))];
  const gone = before.filter(({ number }) => !now.has(number));
  const come = after.filter(({ number }) => !old.has(number));
  const found = new Map<string, string | null>();
  const taken = new Set<Cue>();
  const pair = (sameAs: (cue: Cue) => string): void => {
    const byLikeness = groupBy(
      come.filter((cue) => !taken.has(cue)),
      sameAs,
    );
    for (const cue of gone.filter((each) => !taken.has(each))) {
      const like = byLikeness.get(sameAs(cue))?.find((each) => !taken.has(each));
      if (!like || sameAs(cue) === "") continue;
      for (const each of [cue, like]) taken.add(each);
      found.set(like.number, cue.number);
    }
  };
  pair(({ number: _number, ...rest }) => JSON.stringify(rest));
  pair(({ label = "" }) => label);
  return found;
}

/**
 * The changes that make one play another: its settings, and every line that comes, goes, changes or stands elsewhere. Undefined stands for a show without a play.
 * Lines are the same by their ids. Applied in their order they make `before` into `after`; empty where both say the same.
 */
export function scriptSteps(before: Script | undefined, after: Script | undefined): (ScriptStep | LineStep)[] {
  if (before === after) return [];
  const [oldHead, newHead] = [scriptHeadOf(before), scriptHeadOf(after)];
  const head: ScriptStep[] = sameData(oldHead, newHead) ? [] : [{ at: "script", before: oldHead, after: newHead }];
  const lines = lineSteps(before?.lines ?? [], after?.lines ?? []);
  return newHead ? [...head, ...lines] : [...lines, ...head];
}

/** The lines that come, go, change or stand elsewhere; those that go first, so that each that comes finds the line that it stands behind. */
function lineSteps(before: readonly ScriptLine[], after: readonly ScriptLine[]): LineStep[] {
  const stays = new Set(after.map(({ id }) => id));
  const goes: LineStep[] = [];
  const row: ScriptLine[] = [...before];
  // From the end, so that a line that is put back by the inverse finds the one before it.
  for (const line of before.toReversed()) {
    if (stays.has(line.id)) continue;
    const place = row.indexOf(line);
    goes.push({ at: "line", line: line.id, before: { behind: row[place - 1]?.id ?? null, line } });
    row.splice(place, 1);
  }
  const comes: LineStep[] = [];
  for (const [index, line] of after.entries()) {
    const behind = after[index - 1]?.id ?? null;
    const place = row[index]?.id === line.id ? index : row.findIndex(({ id }) => id === line.id);
    const old = row[place];
    const was = old && { behind: row[place - 1]?.id ?? null, line: old };
    if (old) row.splice(place, 1);
    row.splice(index, 0, line);
    const is = { behind, line };
    if (!sameData(was, is)) comes.push({ at: "line", line: line.id, before: was, after: is });
  }
  return [...goes, ...comes];
}

/** What stands beside the cues and is different: what comes, goes or changes. */
function entrySteps(before: Show, after: Show): EntryStep[] {
  return ENTRY_KINDS.flatMap((of) => {
    const placed = (show: Show) => new Map(entriesOf(show, of).map((entry, index) => [entryId(entry), { index, entry }]));
    const [was, is] = [placed(before), placed(after)];
    return [...new Set([...was.keys(), ...is.keys()])].flatMap((id): EntryStep[] => {
      const [old, now] = [was.get(id), is.get(id)];
      return sameData(old?.entry, now?.entry) ? [] : [{ at: "entry", of, id, before: old, after: now }];
    });
  });
}
