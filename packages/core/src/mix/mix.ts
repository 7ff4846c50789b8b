// Everything that runs, and what comes out (docs/running.md, Sources to Actions). One clock in seconds drives it; a caller that owns it says what
// time it is. What happens is told to it in the order of time and gives the same numbers wherever it is done: on the server, in every window, headless.
import { ShowError } from "../show/errors.ts";
import { checkRange } from "../show/readMoves.ts";
import type { CueList } from "../show/schema.ts";
import { type Key, type Keys, keyNamed } from "../sheet/keys.ts";
import { type ShowSheet, rowOf } from "../sheet/sheet.ts";
import { BACK_TIME } from "./cueActions.ts";
import type { RunReport } from "./darkMoves.ts";
import type { FiredCue } from "./fired.ts";
import { nextRow, previousRow } from "./follows.ts";
import { type Grand, type Soloist, isGrandMoving } from "./grand.ts";
import { isTableUnchanging, outAt, outOf, writeAll } from "./layerReading.ts";
import { type ListRun, runTime } from "./listRun.ts";
import { type LookRun, type LookValue, idleLook, renewLook, sameLookValues } from "./lookRun.ts";
import { rampTo } from "./ramp.ts";
import { Scheduler } from "./scheduler.ts";
import { SETTLING, settleRun } from "./settle.ts";

/**
 * All lists and held looks of a show while they run. It is changed in place, in the order of time; `now` never goes back.
 * Each press takes the moment at which it happens, and everything that falls due before it has happened then.
 * All seconds are those of one clock, chosen by a caller that runs it.
 */
export class Mix {
  /** What goes on by itself, and all that a snapshot or a copy of the run is made of. */
  readonly scheduler: Scheduler;

  constructor(sheet: ShowSheet) {
    this.scheduler = new Scheduler(sheet);
  }

  get keys(): Keys {
    return this.scheduler.keys;
  }

  get lists(): ReadonlyMap<string, ListRun> {
    return this.scheduler.lists;
  }

  get looks(): ReadonlyMap<string, LookRun> {
    return this.scheduler.looks;
  }

  /** By tempo, as it goes now. */
  get tempos(): ReadonlyMap<string, number> {
    return this.scheduler.tempos;
  }

  /** What is chosen to go together with one press. */
  get standby(): readonly { readonly list: string; readonly cue: string }[] {
    return this.scheduler.standby;
  }

  /** What the run has had to say since somebody last took it away. */
  get reports(): RunReport[] {
    return this.scheduler.reports;
  }

  /** The cues that were fired since somebody last took them away. */
  get log(): FiredCue[] {
    return this.scheduler.log;
  }

  /** How far the run has come, seconds. */
  get now(): number {
    return this.scheduler.now;
  }

  /** Lets everything happen that is due by a moment: follows, steps, actions, and what waits for its delay. */
  advance(now: number): void {
    this.scheduler.processUntil(now, true);
  }

  /** Writes what every key puts out at a moment, by key ordinal. Allocates nothing while nothing falls due. */
  frame(now: number, into: Float64Array): void {
    this.advance(now);
    this.scheduler.syncTo(now);
    writeAll(this.scheduler.table, into);
  }

  /** What one key puts out at a moment that everything has been brought to. */
  output(key: Key, now: number): number {
    this.advance(now);
    this.scheduler.syncTo(now);
    return outAt(this.scheduler.table, key.ordinal);
  }

  /** What one key puts out without its waves, by its ordinal, at the moment that was looked at last. */
  withoutWaves(ordinal: number): number {
    return outOf(this.scheduler.table, ordinal, -1);
  }

  /** Go on a list: its next cue; a held list goes on instead. False where there is no next cue. */
  go(id: string, now: number): boolean {
    const run = this.scheduler.listAt(id, now);
    this.scheduler.owners.clear("run", id);
    if (run.clock.held) {
      this.scheduler.holdClock(run, now, false);
      return true;
    }
    return this.scheduler.fireNext(run, now, "press");
  }

  /** Goes to a cue of a list out of its order. Throws ShowError for one that the list does not have. */
  goto(id: string, cue: string, now: number, time?: number): void {
    const run = this.scheduler.listAt(id, now);
    const row = rowOf(run.list, cue);
    this.scheduler.owners.clear("run", id);
    this.scheduler.holdClock(run, now, false);
    this.scheduler.fire(run, row, now, { how: "goto", time }, "press");
  }

  /** Goes back to the cue before, quickly, and starts no chain; a held list goes on. False where there is no cue before. */
  back(id: string, now: number): boolean {
    const run = this.scheduler.listAt(id, now);
    this.scheduler.owners.clear("run", id);
    this.scheduler.holdClock(run, now, false);
    const row = previousRow(run);
    if (row < 0) return false;
    this.scheduler.fire(run, row, now, { how: "goto", time: BACK_TIME }, "press");
    run.follow = null;
    return true;
  }

  /** Holds a list where it is, or lets it go on. */
  hold(id: string, held: boolean, now: number): void {
    this.scheduler.holdClock(this.scheduler.listAt(id, now), now, held);
  }

  /** Lets a list go, in the time said or its own; it stands before its first cue then, and nothing of it waits. */
  release(id: string, now: number, time?: number): void {
    const run = this.scheduler.listAt(id, now);
    this.scheduler.owners.clear("run", id);
    this.scheduler.letGoOf(run, now, time);
  }

  /** Sets a list's master, 0 to 100 %, in a time. */
  master(id: string, level: number, now: number, time = 0): void {
    const run = this.scheduler.listAt(id, now);
    this.scheduler.owners.clear("master", id);
    run.master = rampTo(run.master, level, now, time);
    this.scheduler.forget();
  }

  /**
   * Moves a list's fader, 0 to 100, which does what the list says of it: its levels, its rate (the middle is as usual) or the size of its waves. Raised past
   * where the list starts by it, it starts the list; brought to 0 again it releases it.
   */
  fader(id: string, level: number, now: number, time = 0): void {
    const run = this.scheduler.listAt(id, now);
    const { fader = "levels", startsAt } = run.list.list;
    this.scheduler.owners.clear(fader === "rate" ? "rate" : "master", id);
    if (startsAt !== undefined) this.scheduler.owners.clear("run", id);
    if (fader === "rate") this.scheduler.setRate(run, Math.max(0.01, level / 50), now);
    else if (fader === "size") run.size = rampTo(run.size, level, now, time);
    else run.master = rampTo(run.master, level, now, time);
    this.scheduler.forget();
    if (startsAt === undefined) return;
    if (level > startsAt && run.cue === null) this.scheduler.fireNext(run, now, "press");
    else if (level === 0 && run.cue !== null) this.scheduler.letGoOf(run, now, time === 0 ? undefined : time);
  }

  /** Catches what would fire by itself on a list: it waits for a Go instead. */
  catch(id: string, now: number): void {
    this.scheduler.listAt(id, now).follow = null;
  }

  /** Sets how many times as fast as usual a list runs: what it fires from now on. What it has fired keeps its times. */
  rate(id: string, rate: number, now: number): void {
    const run = this.scheduler.listAt(id, now);
    this.scheduler.owners.clear("rate", id);
    this.scheduler.setRate(run, rate, now);
  }

  /** Moves the fader of a held look, 0 to 100, in a time. Throws ShowError for a look that there is not. */
  setLookLevel(id: string, level: number, now: number, time = 0): void {
    this.scheduler.processUntil(now, false);
    const look = this.scheduler.lookNamed(id);
    this.scheduler.owners.clear("look", id);
    this.scheduler.raise(look, level, now, time);
  }

  /** Sets a tempo; lists that step at it keep in step. */
  tempo(id: string, perMinute: number, now: number): void {
    this.scheduler.processUntil(now, false);
    this.scheduler.owners.clear("tempo", id);
    this.scheduler.setTempo(id, perMinute);
  }

  /** What lies over everything that comes out: the grand master and the blackout. */
  get grand(): Grand {
    return this.scheduler.grand;
  }

  /** Moves the grand master, 0 to 100 %, in a time. */
  setGrandMaster(level: number, now: number, time = 0): void {
    this.scheduler.processUntil(now, false);
    const { grand } = this.scheduler;
    this.scheduler.grand = { ...grand, master: rampTo(grand.master, level, now, time) };
  }

  /** Holds all levels at 0 whatever runs beneath, or lets them come back, in a time. */
  setBlackout(on: boolean, now: number, time = 0): void {
    this.scheduler.processUntil(now, false);
    const { grand } = this.scheduler;
    this.scheduler.grand = { ...grand, blackout: rampTo(grand.blackout, on ? 100 : 0, now, time) };
  }

  /** Lets only those lights come out whose level a list or a held look holds; null: all again. Throws ShowError for one that there is not. */
  setSolo(of: Soloist | null, now: number): void {
    this.scheduler.processUntil(now, false);
    if (of && "list" in of) this.scheduler.listNamed(of.list);
    else if (of) this.scheduler.lookNamed(of.look);
    this.scheduler.grand = { ...this.scheduler.grand, solo: of ?? undefined };
  }

  /** True for levels that come out while a list or a held look is seen alone. Nothing does where it is no longer there. */
  heardAlone(of: Soloist): (ordinal: number) => boolean {
    const source = "list" in of ? this.lists.get(of.list)?.source : this.looks.get(of.look)?.source;
    return (ordinal) => source !== undefined && this.scheduler.layers.has(ordinal, source);
  }

  /** Lets lights flash until others, or none, are named. */
  setIdentify(channels: readonly number[], now: number): void {
    this.scheduler.processUntil(now, false);
    this.scheduler.grand = { ...this.scheduler.grand, identify: channels.length > 0 ? [...channels] : undefined };
  }

  /** Keeps keys at values whatever runs; null lets a key run again. Throws ShowError for a key that the rig does not have. */
  setParked(values: Readonly<Record<string, number | null>>, now: number): void {
    this.scheduler.processUntil(now, false);
    const parked = new Map(Object.entries(this.grand.parked ?? {}));
    for (const [name, value] of Object.entries(values)) {
      if (value === null) {
        parked.delete(name);
        continue;
      }
      const key = keyNamed(this.keys, name);
      if (!key) throw new ShowError(`There is no ${name} in the rig to be parked`);
      checkRange(value, key.attribute, `Parked, ${name}`);
      parked.set(name, value);
    }
    this.scheduler.grand = { ...this.scheduler.grand, parked: parked.size > 0 ? Object.fromEntries(parked) : undefined };
  }

  /**
   * Lets go of every list and every held look in a time, but for lights that stay. A look that holds only such lights stays up. Nothing is chosen to
   * go together any more.
   */
  allOff(now: number, time: number): void {
    this.scheduler.processUntil(now, false);
    this.scheduler.standby = [];
    for (const run of this.scheduler.runs) {
      for (const aspect of ["run", "rate", "master"] as const) this.scheduler.owners.clear(aspect, run.list.id);
      this.scheduler.letGoOf(run, now, time, true);
    }
    for (const [id, look] of this.scheduler.looks) {
      this.scheduler.owners.clear("look", id);
      const stays = look.values.every(({ key }) => this.scheduler.keys.all[key]?.house === true);
      if (look.up && !stays) this.scheduler.raise(look, 0, now, time);
    }
    this.scheduler.forget();
  }

  /** Chooses what goes together with one press. Nothing moves. Throws ShowError for a list or a cue that there is not. */
  setStandby(entries: readonly { readonly list: string; readonly cue: string }[]): void {
    for (const { list, cue } of entries) rowOf(this.scheduler.listNamed(list).list, cue);
    this.scheduler.standby = [...entries];
  }

  /** Fires what was chosen, all at one moment, and chooses nothing any more. */
  fireStandby(now: number): void {
    this.scheduler.processUntil(now, false);
    const entries = this.scheduler.standby;
    this.scheduler.standby = [];
    for (const { list, cue } of entries) {
      const run = this.scheduler.listNamed(list);
      const row = rowOf(run.list, cue);
      this.scheduler.owners.clear("run", list);
      this.scheduler.fire(run, row, now, { how: row === nextRow(run) ? "next" : "goto" }, "standby");
    }
  }

  /**
   * Lets a list stand in a cue without firing it, after what is on stage was recorded or updated: a fade that runs ends in the new look, what waits
   * still waits, nothing jumps that has time: what was at rest goes there in `fade` seconds. `cue` null stands before the first. Throws ShowError for a cue that the list does not have.
   */
  settle(id: string, cue: string | null, now: number, fade = SETTLING): void {
    const run = this.scheduler.listAt(id, now);
    const row = cue === null ? -1 : rowOf(run.list, cue);
    this.scheduler.syncTo(now);
    settleRun(this.scheduler.layers, this.scheduler.keys, run, {
      row,
      due: runTime(run.clock, now),
      fade,
      nextSequence: this.scheduler.nextSequence,
    });
    if (row >= 0) this.scheduler.awaitWaves(run, row, runTime(run.clock, now), fade);
    const next = run.list.cues[nextRow(run)];
    if (run.follow && (next?.number !== run.follow.cue || next.trigger?.type !== "follow")) run.follow = null;
  }

  /** Cues of a list have taken other numbers: it stands in the same one, waits for the same one, and the same ones are chosen to go. */
  rename(id: string, numbers: ReadonlyMap<string, string>): void {
    const named = (cue: string): string => numbers.get(cue) ?? cue;
    const run = this.scheduler.listNamed(id);
    if (run.cue !== null) run.cue = named(run.cue);
    if (run.follow) run.follow = { ...run.follow, cue: named(run.follow.cue) };
    this.scheduler.standby = this.scheduler.standby.map(({ list, cue }) => ({ list, cue: list === id ? named(cue) : cue }));
  }

  /** True while something is on its way: a fade, a wave, a delay, a follow, a fader, an action. */
  isMoving(now: number): boolean {
    this.advance(now);
    const waits = this.scheduler.runs.some(
      ({ waiting, follow, actions, clock }) => clock.held || waiting.first || follow || actions.length > 0,
    );
    const ramps = [...this.scheduler.runs.map(({ master }) => master), ...this.scheduler.lookRuns.map(({ level }) => level)];
    this.scheduler.syncTo(now);
    writeAll(this.scheduler.table, this.scheduler.table.unchangingOut);
    return (
      waits ||
      isGrandMoving(this.grand, now) ||
      ramps.some(({ start, fade }) => now < start + fade) ||
      !isTableUnchanging(this.scheduler.table)
    );
  }

  /** Lets the looks that are up become what an edit has made of them; `before` is the run that this one goes on from. */
  renewLooks(before: Mix, now: number): void {
    this.scheduler.syncTo(now);
    for (const [id, look] of this.scheduler.looks) {
      const old = before.looks.get(id);
      if (!old?.up || !look.up) continue;
      const values = old.values.flatMap((value): [number, LookValue][] => {
        const key = keyNamed(this.scheduler.keys, before.keys.all[value.key]?.name ?? "");
        return key ? [[key.ordinal, value]] : [];
      });
      renewLook(this.scheduler.layers, look, new Map(values));
    }
    this.scheduler.forget();
  }

  /** Takes the lists of an edited show whose rig, lists and looks are what they were; false where they are not, and nothing is taken. */
  replaceSheet(sheet: ShowSheet): boolean {
    const { show } = sheet;
    const isSame =
      sheet.keys === this.scheduler.keys &&
      show.heldLooks === this.scheduler.show.heldLooks &&
      show.tempos === this.scheduler.show.tempos &&
      sheet.lists.size === this.scheduler.runs.length &&
      this.scheduler.runs.every((run) => sameRank(sheet.lists.get(run.list.id)?.list, run.list.list)) &&
      this.scheduler.lookRuns.every(({ source, look, values }) => sameLookValues(values, idleLook(source, look, sheet).values));
    if (!isSame) return false;
    this.scheduler.show = show;
    for (const run of this.scheduler.runs) run.list = sheet.lists.get(run.list.id) ?? run.list;
    return true;
  }
}

/** True where a list stands to others as it did before it was edited. */
function sameRank(after: CueList | undefined, before: CueList): boolean {
  return after !== undefined && after.priority === before.priority && after.levels === before.levels;
}
