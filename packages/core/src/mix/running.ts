// How what runs goes on by itself (docs/running.md, Sources to Actions).
import { marksMadeAt, marksMadeByGoto } from "../marks/marks.ts";
import { ShowError } from "../show/errors.ts";
import type { Action, Cue, Show } from "../show/schema.ts";
import { emptyState, stateAt } from "../sheet/checkpoints.ts";
import type { Keys } from "../sheet/keys.ts";
import { type ShowSheet, cueAt, findRow } from "../sheet/sheet.ts";
import { durationOf } from "../time/transition.ts";
import { type TrackedActions, trackedActions } from "./actions.ts";
import { awaitTransition } from "./awaiting.ts";
import { curveCode } from "./curveCodes.ts";
import { type RunReport, awaitMark, moveInDark, secondsToWake, wakeMarks } from "./darkMoves.ts";
import { FiringGuard } from "./firingGuard.ts";
import { followOf, nextRow, previousRow } from "./follows.ts";
import { type LayerTable, emptyTable } from "./layerTable.ts";
import { Layers } from "./layers.ts";
import { type ListRun, idleRun, momentOf, ownMaster, runTime, turnClock, waveTime } from "./listRun.ts";
import { type LookRun, idleLook, isHighest, lowerLook, raiseLook } from "./lookRun.ts";
import { type OwnedAspect, Owners } from "./owners.ts";
import { rampAt, rampTo } from "./ramp.ts";
import { stepAfter, stepAt } from "./steps.ts";
import { atRate, transitionNext, transitionTo } from "./transitions.ts";
import type { Waiting } from "./waiting.ts";
import { waitingWaves, wavesAt } from "./waveChanges.ts";
import { runningWave } from "./waves.ts";
import { TIME_EPSILON } from "./timeEpsilon.ts";
import { thereIsNo } from "../show/thereIsNo.ts";

const DEFAULT_PRIORITY = 50;
/** Back takes this long: quick, and no jump. Seconds. */
export const BACK_TIME = 1;
const LINEAR = curveCode("linear");

/**
 * A cue that was fired, for whoever keeps a log.
 * `at` is seconds of the run's clock.
 */
export interface FiredCue {
  readonly at: number;
  readonly list: string;
  readonly cue: string;
  readonly by: "press" | "follow" | "action" | "standby";
  /** True for a step that a list makes by itself. */
  readonly isStep?: boolean;
}

/** How a cue is fired: in its order, or out of it, then in a time of its own for every key where one is said. */
interface Fire {
  readonly how: "next" | "goto";
  readonly time?: number | undefined;
}

/** What fires by itself next. */
interface Due {
  what: "nothing" | "action" | "mark" | "follow" | "look";
  at: number;
  run: ListRun | null;
  look: LookRun | null;
}

/**
 * The lists and held looks of a show in the order of time: what falls due, what is fired, what takes hold. What is pressed on them is in
 * `Mix`.
 * `advance` brings it to a moment and makes everything happen that falls due before, each at its own moment and in its order.
 */
export class Running {
  readonly keys: Keys;
  readonly lists: ReadonlyMap<string, ListRun>;
  readonly looks: ReadonlyMap<string, LookRun>;
  /** What is chosen to go together with one press. */
  standby: readonly { readonly list: string; readonly cue: string }[] = [];
  /** What the run has had to say, and the cues that were fired, since somebody last asked. */
  reports: RunReport[] = [];
  log: FiredCue[] = [];
  /** By tempo, as it goes now. */
  readonly tempos: Map<string, number>;
  /** The layers of all keys, the order in which things were asked for, and how far the run has come: what a snapshot or a copy of the run is made of. */
  readonly table: LayerTable;
  turn = 0;
  now = 0;
  protected show: Show;
  protected readonly layers: Layers;
  protected readonly runs: readonly ListRun[];
  protected readonly lookRuns: readonly LookRun[];
  /** What fires by itself next, and the list of which something takes hold next: found anew each time, in the same place. */
  protected readonly due: Due = { what: "nothing", at: Number.POSITIVE_INFINITY, run: null, look: null };
  protected holder: ListRun | null = null;
  protected moment = Number.NaN;
  protected readonly guard = new FiringGuard();
  /** What actions of cues have set. */
  readonly owners = new Owners();

  constructor(sheet: ShowSheet) {
    this.show = sheet.show;
    this.keys = sheet.keys;
    const lists = [...sheet.lists.values()];
    const looks = sheet.show.heldLooks ?? [];
    this.lists = new Map(lists.map((list, source) => [list.id, idleRun(source, list)]));
    this.looks = new Map(looks.map((look, index) => [look.id, idleLook(lists.length + index, look, sheet)]));
    this.runs = [...this.lists.values()];
    this.lookRuns = [...this.looks.values()];
    const ranks = [
      ...lists.map(({ list }) => ({ priority: list.priority ?? DEFAULT_PRIORITY, highest: list.levels === "highest" })),
      ...looks.map((look) => ({ priority: look.priority ?? DEFAULT_PRIORITY, highest: isHighest(look) })),
    ];
    this.table = emptyTable(sheet.keys.all, ranks);
    this.layers = new Layers(this.table);
    this.tempos = new Map((sheet.show.tempos ?? []).map(({ id, perMinute }) => [id, perMinute]));
  }

  protected readonly nextTurn = (): number => (this.turn += 1);

  protected press(id: string, now: number): ListRun {
    this.run(now, false);
    return this.listNamed(id);
  }

  protected listNamed(id: string): ListRun {
    const run = this.lists.get(id);
    if (run) return run;
    throw new ShowError(thereIsNo("list", id, this.lists.keys()));
  }

  protected lookNamed(id: string): LookRun {
    const look = this.looks.get(id);
    if (look) return look;
    throw new ShowError(thereIsNo("held look", id, this.looks.keys()));
  }

  /** Forgets what was worked out for a moment, after the run was changed. */
  forget(): void {
    this.moment = Number.NaN;
  }

  protected setTempo(id: string, perMinute: number): void {
    this.tempos.set(id, perMinute);
    for (const run of this.runs) if (run.list.list.steps?.tempo === id) run.follow = followOf(run, (each) => this.tempos.get(each));
  }

  protected setRate(run: ListRun, rate: number, now: number): void {
    run.waveClock = { at: now, seconds: waveTime(run, now), held: run.waveClock.held };
    run.rate = rate;
    this.forget();
  }

  protected turnClock(run: ListRun, now: number, held: boolean): void {
    run.waveClock = { at: now, seconds: waveTime(run, now), held };
    run.clock = turnClock(run.clock, now, held);
    this.forget();
  }

  /** Brings clocks, masters and faders to a moment, so that layers can be read at it. */
  protected look(now: number): void {
    if (now === this.moment) return;
    this.moment = now;
    for (const run of this.runs) {
      const { source, clock, master, size } = run;
      this.table.times[source] = runTime(clock, now);
      this.table.waveTimes[source] = waveTime(run, now);
      this.table.scales[source] = rampAt(master, now) / 100;
      this.table.sizes[source] = rampAt(size, now) / 100;
    }
    for (const { source, look, level } of this.lookRuns) {
      const fader = rampAt(level, now) / 100;
      this.table.times[source] = now;
      this.table.scales[source] = isHighest(look) ? fader : 1;
      this.table.weights[source] = isHighest(look) ? 1 : fader;
    }
  }

  /**
   * Lets happen what is due by a moment, in the order of time. At one moment what fires comes before what takes hold; `holds` false stops before
   * what takes hold at the moment itself, since a press at that moment fires first. Allocates nothing while nothing is due.
   */
  protected run(until: number, holds: boolean): void {
    for (;;) {
      const fires = this.findFiring();
      const hold = this.findWaiting();
      if (fires <= until + TIME_EPSILON && fires <= hold + TIME_EPSILON) {
        this.now = Math.max(this.now, Math.min(fires, until));
        this.fireDue(this.now);
        continue;
      }
      const waiting = this.holder?.waiting.first;
      if (!this.holder || !waiting || hold > until + TIME_EPSILON || (!holds && hold > until - TIME_EPSILON)) break;
      this.now = Math.max(this.now, Math.min(hold, until));
      this.look(this.now);
      this.holder.waiting.shift();
      this.happen(this.holder, waiting, this.now);
    }
    this.now = Math.max(this.now, until);
  }

  /** Finds the list of which something takes hold next, and says when; Infinity where nothing waits. */
  protected findWaiting(): number {
    let found = Number.POSITIVE_INFINITY;
    let turn = 0;
    this.holder = null;
    for (const run of this.runs) {
      const waiting = run.waiting.first;
      if (!waiting) continue;
      const at = momentOf(run.clock, waiting.due);
      if (at === Number.POSITIVE_INFINITY || at > found + TIME_EPSILON || (at >= found - TIME_EPSILON && waiting.turn > turn)) continue;
      found = at;
      turn = waiting.turn;
      this.holder = run;
    }
    return found;
  }

  /** Finds what fires by itself next, and says when: an action, a mark that may go on, a follow or a step, a fader that arrives at 0. */
  protected findFiring(): number {
    this.due.what = "nothing";
    this.due.at = Number.POSITIVE_INFINITY;
    for (const run of this.runs) {
      const action = run.actions[0];
      if (action) this.offer(momentOf(run.clock, action.due), "action", run);
      if (run.marks.length > 0) {
        this.look(this.now);
        this.offer(this.now + secondsToWake(this.layers, this.keys, run), "mark", run);
      }
      if (run.follow) this.offer(momentOf(run.clock, run.follow.at), "follow", run);
    }
    for (const look of this.lookRuns)
      if (look.up && look.level.to === 0 && look.level.start + look.level.fade < this.due.at - TIME_EPSILON) {
        this.due.at = look.level.start + look.level.fade;
        this.due.what = "look";
        this.due.look = look;
      }
    return this.due.at;
  }

  protected offer(at: number, what: "action" | "mark" | "follow", run: ListRun): void {
    if (at === Number.POSITIVE_INFINITY || !(at < this.due.at - TIME_EPSILON)) return;
    this.due.at = at;
    this.due.what = what;
    this.due.run = run;
  }

  protected fireDue(now: number): void {
    const { what, run, look } = this.due;
    this.look(now);
    if (what === "look" && look) lowerLook(this.layers, look);
    else if (!run) return;
    else if (what === "action") this.act(run, now);
    else if (what === "mark") wakeMarks(this.layers, this.keys, run);
    else this.follow(run, now);
  }

  protected follow(run: ListRun, now: number): void {
    const { follow } = run;
    run.follow = null;
    const row = follow ? findRow(run.list, follow.cue) : -1;
    if (row >= 0 && row === nextRow(run)) this.fireNext(run, now, "follow");
  }

  protected fireNext(run: ListRun, now: number, by: FiredCue["by"]): boolean {
    const row = nextRow(run);
    if (row < 0) return false;
    const { steps } = run.list.list;
    if (steps) run.step = run.cue === null ? 0 : stepAfter(steps, run.list.cues.length, run.step);
    this.fire(run, row, now, { how: "next" }, by);
    return true;
  }

  /** Fires a row (docs/rules.md, Times to 5 and 7): what waits is dropped or added, and nothing takes hold yet. */
  protected fire(run: ListRun, row: number, now: number, { how, time }: Fire, by: FiredCue["by"]): void {
    if (this.guard.refuses(run, now, this.reports)) return stopSelf(run);
    this.look(now);
    const { list } = run;
    const cue = cueAt(list, row);
    const shown = stateAt(list, row, emptyState(list)).values;
    const planned =
      how === "next"
        ? transitionNext(this.layers, run, row)
        : transitionTo(this.layers, run, row, { shown, time, now: runTime(run.clock, now) });
    const transition = time === undefined ? atRate(planned, run.rate) : planned;
    if (how === "goto" && list.list.steps) run.step = stepAt(list.id, list.list.steps.order, list.cues.length, row, 0);
    const due = runTime(run.clock, now);
    run.marks = [];
    awaitTransition(run, this.keys, { due, transition, shown }, this.nextTurn);
    this.awaitWaves(run, row, due, time);
    run.onStage = shown;
    run.cue = cue.number;
    run.firedAt = due;
    run.duration = durationOf(transition);
    for (const mark of how === "next" ? marksMadeAt(list, row) : marksMadeByGoto(list, row))
      awaitMark(this.layers, this.keys, run, mark, { due, turn: this.nextTurn });
    const isStep = by === "follow" && list.list.steps !== undefined;
    this.log.push({ at: now, list: list.id, cue: cue.number, by, ...(isStep ? { isStep } : {}) });
    run.follow = followOf(run, (tempo) => this.tempos.get(tempo));
    if (how === "goto") this.followActions(run, row, now, time);
    else this.awaitActions(run, cue);
  }

  /** Lets the waves that a row begins and ends wait for their delay. */
  protected awaitWaves(run: ListRun, row: number, due: number, time: number | undefined): void {
    const added = waitingWaves(run, row, { due, time }, this.nextTurn);
    run.waves = wavesAt(run.list, row);
    if (added.length === 0) return;
    const first = new Map(added.map((each) => [each.key, each.due]));
    run.waiting.drop((each) => each.what === "wave" && each.due >= (first.get(each.key) ?? Number.POSITIVE_INFINITY) - TIME_EPSILON);
    run.waiting.add(added);
  }

  /** What waited has its turn. */
  protected happen(run: ListRun, { key, what, to, fade, curve, wave }: Waiting, now: number): void {
    switch (what) {
      case "wave":
        this.layers.startWave(
          key,
          run.source,
          wave ? { ...runningWave(wave, (tempo) => this.tempos.get(tempo)), to, fade, curve } : null,
          fade,
          curve,
        );
        break;
      case "take":
        this.layers.takeHold(key, run.source, { to, fade, curve });
        break;
      case "letGo":
        this.layers.letGo(key, run.source, fade, curve);
        break;
      case "rest":
        if (!this.layers.isOthers(key, run.source)) this.layers.takeHold(key, run.source, { to, fade, curve });
        this.layers.letGo(key, run.source, fade, curve);
        break;
      case "mark":
        this.reports.push(...moveInDark(this.layers, this.keys, run, { key, to, fade }, now));
    }
  }

  protected letGoOf(run: ListRun, now: number, time = run.list.list.releaseTime ?? 1): void {
    this.turnClock(run, now, false);
    this.look(now);
    run.waiting.clear();
    run.actions = [];
    run.marks = [];
    run.follow = null;
    run.cue = null;
    run.step = 0;
    run.onStage = new Float64Array(this.keys.all.length).fill(Number.NaN);
    run.waves = new Map();
    for (const key of this.layers.wavingKeys(run.source)) this.layers.startWave(key, run.source, null, time, LINEAR);
    for (const { ordinal } of this.keys.all) this.layers.letGo(ordinal, run.source, time, LINEAR);
  }

  protected raise(look: LookRun, level: number, now: number, time: number): void {
    look.level = rampTo(look.level, level, now, time);
    this.forget();
    this.look(now);
    if (level > 0 || rampAt(look.level, now) > 0) raiseLook(this.layers, look);
  }

  protected awaitActions(run: ListRun, cue: Cue): void {
    for (const action of cue.actions ?? []) {
      const complete = action.do === "release" && action.list === undefined ? run.duration : 0;
      run.actions.push({ due: run.firedAt + complete + (action.after ?? 0) / run.rate, turn: (this.turn += 1), action });
    }
    run.actions.sort((a, b) => a.due - b.due || a.turn - b.turn);
  }

  protected act(run: ListRun, now: number): void {
    const due = run.actions.shift();
    if (due) this.doAction(due.action, run, now);
  }

  /** Does what an action says; what speaks of a list, a look or a cue that is gone does nothing. */
  protected doAction(action: Action, own: ListRun, now: number): void {
    if (action.do === "look") {
      const look = this.looks.get(action.look);
      if (look) this.raise(look, action.level, now, action.time ?? 0);
      return this.own(own, "look", action.look);
    }
    if (action.do === "tempo") {
      this.setTempo(action.tempo, action.perMinute);
      return this.own(own, "tempo", action.tempo);
    }
    const run = action.list === undefined ? own : this.lists.get(action.list);
    if (!run) return;
    if (action.do === "rate" || action.do === "master") this.own(own, action.do, run.list.id);
    else if (run !== own) this.own(own, "run", run.list.id);
    switch (action.do) {
      case "start":
        if (run.cue === null) this.startAt(run, action.cue, now);
        return;
      case "go":
        this.fireNext(run, now, "action");
        return;
      case "goto":
        this.gotoNamed(run, action.cue, now, action.time);
        return;
      case "back": {
        const row = previousRow(run);
        if (row >= 0) this.fire(run, row, now, { how: "goto", time: BACK_TIME }, "action");
        return;
      }
      case "hold":
      case "resume":
        this.turnClock(run, now, action.do === "hold");
        return;
      case "release":
        this.letGoOf(run, now, action.time);
        return;
      case "rate":
        this.setRate(run, action.rate, now);
        return;
      case "master":
        run.master = rampTo(run.master, action.level, now, action.time ?? 0);
        this.forget();
    }
  }

  protected startAt(run: ListRun, cue: string | undefined, now: number): void {
    if (cue === undefined) {
      this.fireNext(run, now, "action");
      return;
    }
    const row = findRow(run.list, cue);
    if (row < 0) return;
    if (run.list.list.steps) run.step = stepAt(run.list.id, run.list.list.steps.order, run.list.cues.length, row, 0);
    this.fire(run, row, now, { how: "next" }, "action");
  }

  protected gotoNamed(run: ListRun, cue: string, now: number, time: number | undefined): void {
    const row = findRow(run.list, cue);
    if (row >= 0) this.fire(run, row, now, { how: "goto", time }, "action");
  }

  private own(run: ListRun, aspect: OwnedAspect, id: string): void {
    this.owners.set({ aspect, id, owner: run.list.id });
  }

  /**
   * After a go-to the lists, looks and tempos that the cues up to there speak of stand as if those cues had been fired in order; what actions of the list have
   * set besides is as before the first cue. What was set by hand since is left alone.
   */
  protected followActions(run: ListRun, row: number, now: number, time: number | undefined): void {
    run.actions = [];
    const tracked = trackedActions(run.list, row, (id) => this.lists.get(id)?.list);
    this.setBack(run, tracked, now, time);
    for (const [id, { cue, rate, master }] of tracked.lists) {
      const other = this.lists.get(id);
      if (!other) continue;
      if (rate !== undefined) {
        this.setRate(other, rate, now);
        this.own(run, "rate", id);
      }
      if (master !== undefined) {
        other.master = rampTo(other.master, master, now, time ?? 0);
        this.own(run, "master", id);
      }
      if (cue === undefined || other === run) continue;
      this.own(run, "run", id);
      if (cue === null && other.cue !== null) this.letGoOf(other, now, time);
      if (cue === null || other.cue === cue) continue;
      if (other.cue !== null && other.list.list.steps) continue;
      this.gotoNamed(other, cue, now, time);
    }
    for (const [id, level] of tracked.looks) {
      const look = this.looks.get(id);
      if (look) this.raise(look, level, now, time ?? 0);
      this.own(run, "look", id);
    }
    for (const [id, perMinute] of tracked.tempos) {
      this.setTempo(id, perMinute);
      this.own(run, "tempo", id);
    }
    this.forget();
  }

  /** Sets back what actions of a list have set and the cues up to where it goes do not speak of: as the show has it, lists let go of in their release time. */
  private setBack(run: ListRun, tracked: TrackedActions, now: number, time: number | undefined): void {
    for (const { aspect, id, owner } of this.owners.all) {
      if (owner !== run.list.id || isSpokenOf(tracked, aspect, id)) continue;
      this.owners.clear(aspect, id);
      const [other, look] = [this.lists.get(id), this.looks.get(id)];
      if (aspect === "look" && look) this.raise(look, 0, now, time ?? 0);
      else if (aspect === "tempo")
        this.setTempo(id, this.show.tempos?.find((tempo) => tempo.id === id)?.perMinute ?? this.tempos.get(id) ?? 60);
      else if (aspect === "rate" && other) this.setRate(other, 1, now);
      else if (aspect === "master" && other) other.master = rampTo(other.master, ownMaster(other.list), now, time ?? 0);
      else if (aspect === "run" && other && other.cue !== null) this.letGoOf(other, now);
    }
  }
}

/** True where the cues up to somewhere say of a thing what it is to be. */
function isSpokenOf({ lists, looks, tempos }: TrackedActions, aspect: OwnedAspect, id: string): boolean {
  if (aspect === "look") return looks.has(id);
  if (aspect === "tempo") return tempos.has(id);
  const list = lists.get(id);
  return (aspect === "run" ? list?.cue : list?.[aspect]) !== undefined;
}

/** Lets nothing of a list fire by itself any more. What it is fading goes on. */
function stopSelf(run: ListRun): void {
  run.follow = null;
  run.actions = [];
}
