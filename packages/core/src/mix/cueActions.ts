// What cues do besides their moves (docs/running.md, Actions): to lists, looks and tempos, and what stands of it after a go-to.
import type { Action, Show } from "../show/schema.ts";
import { findRow } from "../sheet/sheet.ts";
import { type TrackedActions, trackedActions } from "./actions.ts";
import type { Fire, FiredCue } from "./fired.ts";
import { previousRow } from "./follows.ts";
import { type ListRun, ownMaster } from "./listRun.ts";
import type { LookRun } from "./lookRun.ts";
import type { OwnedAspect, Owners } from "./owners.ts";
import { rampTo } from "./ramp.ts";
import { stepAt } from "./steps.ts";

/** Back takes this long: quick, and no jump. Seconds. */
export const BACK_TIME = 1;

/** What actions are done to. */
export interface ActionTarget {
  readonly show: Show;
  readonly lists: ReadonlyMap<string, ListRun>;
  readonly looks: ReadonlyMap<string, LookRun>;
  readonly tempos: ReadonlyMap<string, number>;
  readonly owners: Owners;
  fire(run: ListRun, row: number, now: number, fire: Fire, by: FiredCue["by"]): void;
  fireNext(run: ListRun, now: number, by: FiredCue["by"]): boolean;
  letGoOf(run: ListRun, now: number, time?: number): void;
  raise(look: LookRun, level: number, now: number, time: number): void;
  setRate(run: ListRun, rate: number, now: number): void;
  setTempo(id: string, perMinute: number): void;
  holdClock(run: ListRun, now: number, held: boolean): void;
  forget(): void;
}

/** Does what an action says; what speaks of a list, a look or a cue that is gone does nothing. */
export function doAction(target: ActionTarget, action: Action, from: ListRun, now: number): void {
  if (action.do === "look") {
    const look = target.looks.get(action.look);
    if (look) target.raise(look, action.level, now, action.time ?? 0);
    return own(target, from, "look", action.look);
  }
  if (action.do === "tempo") {
    target.setTempo(action.tempo, action.perMinute);
    return own(target, from, "tempo", action.tempo);
  }
  const run = action.list === undefined ? from : target.lists.get(action.list);
  if (!run) return;
  if (action.do === "rate" || action.do === "master") own(target, from, action.do, run.list.id);
  else if (run !== from) own(target, from, "run", run.list.id);
  switch (action.do) {
    case "start":
      if (run.cue === null) startAt(target, run, action.cue, now);
      return;
    case "go":
      target.fireNext(run, now, "action");
      return;
    case "goto":
      gotoNamed(target, run, action.cue, now, action.time);
      return;
    case "back": {
      const row = previousRow(run);
      if (row >= 0) target.fire(run, row, now, { how: "goto", time: BACK_TIME }, "action");
      return;
    }
    case "hold":
    case "resume":
      target.holdClock(run, now, action.do === "hold");
      return;
    case "release":
      target.letGoOf(run, now, action.time);
      return;
    case "rate":
      target.setRate(run, action.rate, now);
      return;
    case "master":
      run.master = rampTo(run.master, action.level, now, action.time ?? 0);
      target.forget();
  }
}

function startAt(target: ActionTarget, run: ListRun, cue: string | undefined, now: number): void {
  if (cue === undefined) {
    target.fireNext(run, now, "action");
    return;
  }
  const row = findRow(run.list, cue);
  if (row < 0) return;
  if (run.list.list.steps) run.step = stepAt(run.list.id, run.list.list.steps.order, run.list.cues.length, row, 0);
  target.fire(run, row, now, { how: "next" }, "action");
}

function gotoNamed(target: ActionTarget, run: ListRun, cue: string, now: number, time: number | undefined): void {
  const row = findRow(run.list, cue);
  if (row >= 0) target.fire(run, row, now, { how: "goto", time }, "action");
}

function own(target: ActionTarget, run: ListRun, aspect: OwnedAspect, id: string): void {
  target.owners.set({ aspect, id, owner: run.list.id });
}

/**
 * After a go-to the lists, looks and tempos that the cues up to there speak of stand as if those cues had been fired in order; what actions of the list have
 * set besides is as before the first cue. What was set by hand since is left alone.
 */
export function followActions(target: ActionTarget, run: ListRun, row: number, now: number, time: number | undefined): void {
  run.actions = [];
  const tracked = trackedActions(run.list, row, (id) => target.lists.get(id)?.list);
  setBack(target, run, tracked, now, time);
  for (const [id, { cue, rate, master }] of tracked.lists) {
    const other = target.lists.get(id);
    if (!other) continue;
    if (rate !== undefined) {
      target.setRate(other, rate, now);
      own(target, run, "rate", id);
    }
    if (master !== undefined) {
      other.master = rampTo(other.master, master, now, time ?? 0);
      own(target, run, "master", id);
    }
    if (cue === undefined || other === run) continue;
    own(target, run, "run", id);
    if (cue === null && other.cue !== null) target.letGoOf(other, now, time);
    if (cue === null || other.cue === cue) continue;
    if (other.cue !== null && other.list.list.steps) continue;
    gotoNamed(target, other, cue, now, time);
  }
  for (const [id, level] of tracked.looks) {
    const look = target.looks.get(id);
    if (look) target.raise(look, level, now, time ?? 0);
    own(target, run, "look", id);
  }
  for (const [id, perMinute] of tracked.tempos) {
    target.setTempo(id, perMinute);
    own(target, run, "tempo", id);
  }
  target.forget();
}

/** Sets back what actions of a list have set and the cues up to where it goes do not speak of: as the show has it, lists let go of in their release time. */
function setBack(target: ActionTarget, run: ListRun, tracked: TrackedActions, now: number, time: number | undefined): void {
  for (const { aspect, id, owner } of target.owners.all) {
    if (owner !== run.list.id || isSpokenOf(tracked, aspect, id)) continue;
    target.owners.clear(aspect, id);
    const [other, look] = [target.lists.get(id), target.looks.get(id)];
    if (aspect === "look" && look) target.raise(look, 0, now, time ?? 0);
    else if (aspect === "tempo")
      target.setTempo(id, target.show.tempos?.find((tempo) => tempo.id === id)?.perMinute ?? target.tempos.get(id) ?? 60);
    else if (aspect === "rate" && other) target.setRate(other, 1, now);
    else if (aspect === "master" && other) other.master = rampTo(other.master, ownMaster(other.list), now, time ?? 0);
    else if (aspect === "run" && other && other.cue !== null) target.letGoOf(other, now);
  }
}

/** True where the cues up to somewhere say of a thing what it is to be. */
function isSpokenOf({ lists, looks, tempos }: TrackedActions, aspect: OwnedAspect, id: string): boolean {
  if (aspect === "look") return looks.has(id);
  if (aspect === "tempo") return tempos.has(id);
  const list = lists.get(id);
  return (aspect === "run" ? list?.cue : list?.[aspect]) !== undefined;
}
