// How what runs goes on by itself (docs/running.md, Sources to Actions).
import { marksMadeAt, marksMadeByGoto } from "../marks/marks.ts";
import { ShowError } from "../show/errors.ts";
import type { Cue, Show } from "../show/schema.ts";
import { emptyState, stateAt } from "../sheet/checkpoints.ts";
import type { Keys } from "../sheet/keys.ts";
import { type ShowSheet, cueAt, findRow } from "../sheet/sheet.ts";
import { durationOf } from "../time/transition.ts";
import { awaitTransition } from "./awaiting.ts";
import { type ActionTarget, doAction, followActions } from "./cueActions.ts";
import { curveCode } from "./curveCodes.ts";
import { type RunReport, awaitMark, moveInDark, secondsToWake, wakeMarks } from "./darkMoves.ts";
import type { Fire, FiredCue } from "./fired.ts";
import { FiringGuard } from "./firingGuard.ts";
import { followOf, nextRow } from "./follows.ts";
import { type LayerTable, emptyTable } from "./layerTable.ts";
import { Layers } from "./layers.ts";
import { type Grand, WHOLE } from "./grand.ts";
import { type ListRun, idleRun, momentOf, runTime, holdClock, waveTime } from "./listRun.ts";
import { type LookRun, idleLook, isHighest, lowerLook, raiseLook } from "./lookRun.ts";
import { Owners } from "./owners.ts";
import { rampAt, rampTo } from "./ramp.ts";
import { stepAfter, stepAt } from "./steps.ts";
import { atRate, transitionNext, transitionTo } from "./transitions.ts";
import type { ScheduledChange } from "./scheduledChange.ts";
import { waitingWaves, wavesAt } from "./waveChanges.ts";
import { runningWave } from "./waves.ts";
import { TIME_EPSILON } from "./timeEpsilon.ts";
import { thereIsNo } from "../show/thereIsNo.ts";

const DEFAULT_PRIORITY = 50;
const LINEAR = curveCode("linear");

/** What fires by itself next. */
interface Due {
  what: "nothing" | "action" | "mark" | "follow" | "look";
  at: number;
  run: ListRun | null;
  look: LookRun | null;
}

/**
 * The lists and held looks of a show in the order of time: what falls due, what is fired, what takes hold. What is pressed on them is in `Mix`, what
 * cues do besides in `cueActions`.
 * `processUntil` brings it to a moment and applies everything that falls due before, each at its own moment and in its order.
 */
export class Scheduler implements ActionTarget {
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
  /** What lies over everything that comes out. */
  grand: Grand = WHOLE;
  /** The layers of all keys, the order in which things were asked for, and how far the run has come: what a snapshot or a copy of the run is made of. */
  readonly table: LayerTable;
  sequence = 0;
  now = 0;
  show: Show;
  readonly layers: Layers;
  readonly runs: readonly ListRun[];
  readonly lookRuns: readonly LookRun[];
  /** What fires by itself next, and the list of which something takes hold next: found anew each time, in the same place. */
  private readonly due: Due = { what: "nothing", at: Number.POSITIVE_INFINITY, run: null, look: null };
  private holder: ListRun | null = null;
  private moment = Number.NaN;
  private readonly guard = new FiringGuard();
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

  readonly nextSequence = (): number => (this.sequence += 1);

  listAt(id: string, now: number): ListRun {
    this.processUntil(now, false);
    return this.listNamed(id);
  }

  listNamed(id: string): ListRun {
    const run = this.lists.get(id);
    if (run) return run;
    throw new ShowError(thereIsNo("list", id, this.lists.keys()));
  }

  lookNamed(id: string): LookRun {
    const look = this.looks.get(id);
    if (look) return look;
    throw new ShowError(thereIsNo("held look", id, this.looks.keys()));
  }

  /** Forgets what was computed for a moment, after the run was changed. */
  forget(): void {
    this.moment = Number.NaN;
  }

  setTempo(id: string, perMinute: number): void {
    this.tempos.set(id, perMinute);
    for (const run of this.runs) if (run.list.list.steps?.tempo === id) run.follow = followOf(run, (each) => this.tempos.get(each));
  }

  setRate(run: ListRun, rate: number, now: number): void {
    run.waveClock = { at: now, seconds: waveTime(run, now), held: run.waveClock.held };
    run.rate = rate;
    this.forget();
  }

  holdClock(run: ListRun, now: number, held: boolean): void {
    run.waveClock = { at: now, seconds: waveTime(run, now), held };
    run.clock = holdClock(run.clock, now, held);
    this.forget();
  }

  /** Brings clocks, masters and faders to a moment, so that layers can be read at it. */
  syncTo(now: number): void {
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
   * Applies what is due by a moment, in the order of time. At one moment what fires comes before what takes hold; `holds` false stops before
   * what takes hold at the moment itself, since a press at that moment fires first. Allocates nothing while nothing is due.
   */
  processUntil(until: number, holds: boolean): void {
    for (;;) {
      const fires = this.findFiring();
      const hold = this.findScheduled();
      if (fires <= until + TIME_EPSILON && fires <= hold + TIME_EPSILON) {
        this.now = Math.max(this.now, Math.min(fires, until));
        this.fireDue(this.now);
        continue;
      }
      const waiting = this.holder?.waiting.first;
      if (!this.holder || !waiting || hold > until + TIME_EPSILON || (!holds && hold > until - TIME_EPSILON)) break;
      this.now = Math.max(this.now, Math.min(hold, until));
      this.syncTo(this.now);
      this.holder.waiting.shift();
      this.applyScheduled(this.holder, waiting, this.now);
    }
    this.now = Math.max(this.now, until);
  }

  /** Finds the list of which something takes hold next, and says when; Infinity where nothing waits. */
  private findScheduled(): number {
    let found = Number.POSITIVE_INFINITY;
    let sequence = 0;
    this.holder = null;
    for (const run of this.runs) {
      const waiting = run.waiting.first;
      if (!waiting) continue;
      const at = momentOf(run.clock, waiting.due);
      if (at === Number.POSITIVE_INFINITY || at > found + TIME_EPSILON || (at >= found - TIME_EPSILON && waiting.sequence > sequence))
        continue;
      found = at;
      sequence = waiting.sequence;
      this.holder = run;
    }
    return found;
  }

  /** Finds what fires by itself next, and says when: an action, a mark that may go on, a follow or a step, a fader that arrives at 0. */
  private findFiring(): number {
    this.due.what = "nothing";
    this.due.at = Number.POSITIVE_INFINITY;
    for (const run of this.runs) {
      const action = run.actions[0];
      if (action) this.offer(momentOf(run.clock, action.due), "action", run);
      if (run.marks.length > 0) {
        this.syncTo(this.now);
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

  private offer(at: number, what: "action" | "mark" | "follow", run: ListRun): void {
    if (at === Number.POSITIVE_INFINITY || !(at < this.due.at - TIME_EPSILON)) return;
    this.due.at = at;
    this.due.what = what;
    this.due.run = run;
  }

  private fireDue(now: number): void {
    const { what, run, look } = this.due;
    this.syncTo(now);
    if (what === "look" && look) lowerLook(this.layers, look);
    else if (!run) return;
    else if (what === "action") this.act(run, now);
    else if (what === "mark") wakeMarks(this.layers, this.keys, run);
    else this.follow(run, now);
  }

  private follow(run: ListRun, now: number): void {
    const { follow } = run;
    run.follow = null;
    const row = follow ? findRow(run.list, follow.cue) : -1;
    if (row >= 0 && row === nextRow(run)) this.fireNext(run, now, "follow");
  }

  fireNext(run: ListRun, now: number, by: FiredCue["by"]): boolean {
    const row = nextRow(run);
    if (row < 0) return false;
    const { steps } = run.list.list;
    if (steps) run.step = run.cue === null ? 0 : stepAfter(steps, run.list.cues.length, run.step);
    this.fire(run, row, now, { how: "next" }, by);
    return true;
  }

  /** Fires a row (docs/rules.md, Times to 5 and 7): what waits is dropped or added, and nothing takes hold yet. */
  fire(run: ListRun, row: number, now: number, { how, time }: Fire, by: FiredCue["by"]): void {
    if (this.guard.refuses(run, now, this.reports)) return stopSelf(run);
    this.syncTo(now);
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
    awaitTransition(run, this.keys, { due, transition, shown }, this.nextSequence);
    this.awaitWaves(run, row, due, time);
    run.onStage = shown;
    run.cue = cue.number;
    run.firedAt = due;
    run.duration = durationOf(transition);
    for (const mark of how === "next" ? marksMadeAt(list, row) : marksMadeByGoto(list, row))
      awaitMark(this.layers, this.keys, run, mark, { due, nextSequence: this.nextSequence });
    const isStep = by === "follow" && list.list.steps !== undefined;
    this.log.push({ at: now, list: list.id, cue: cue.number, by, ...(isStep ? { isStep } : {}) });
    run.follow = followOf(run, (tempo) => this.tempos.get(tempo));
    if (how === "goto") followActions(this, run, row, now, time);
    else this.awaitActions(run, cue);
  }

  /** Lets the waves that a row begins and ends wait for their delay. */
  awaitWaves(run: ListRun, row: number, due: number, time: number | undefined): void {
    const added = waitingWaves(run, row, { due, time }, this.nextSequence);
    run.waves = wavesAt(run.list, row);
    if (added.length === 0) return;
    const first = new Map(added.map((each) => [each.key, each.due]));
    run.waiting.drop((each) => each.what === "wave" && each.due >= (first.get(each.key) ?? Number.POSITIVE_INFINITY) - TIME_EPSILON);
    run.waiting.add(added);
  }

  /** Applies a change whose time has come. */
  private applyScheduled(run: ListRun, { key, what, to, fade, curve, wave }: ScheduledChange, now: number): void {
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

  /** Lets a list go: it stands before its first cue, and nothing of it waits. With `stays`, the keys of lights that stay keep what it gave them. */
  letGoOf(run: ListRun, now: number, time = run.list.list.releaseTime ?? 1, stays = false): void {
    this.holdClock(run, now, false);
    this.syncTo(now);
    run.waiting.clear();
    run.actions = [];
    run.marks = [];
    run.follow = null;
    run.cue = null;
    run.step = 0;
    run.onStage = new Float64Array(this.keys.all.length).fill(Number.NaN);
    run.waves = new Map();
    for (const key of this.layers.wavingKeys(run.source)) this.layers.startWave(key, run.source, null, time, LINEAR);
    for (const { ordinal, house } of this.keys.all) if (!(stays && house)) this.layers.letGo(ordinal, run.source, time, LINEAR);
  }

  raise(look: LookRun, level: number, now: number, time: number): void {
    look.level = rampTo(look.level, level, now, time);
    this.forget();
    this.syncTo(now);
    if (level > 0 || rampAt(look.level, now) > 0) raiseLook(this.layers, look);
  }

  private awaitActions(run: ListRun, cue: Cue): void {
    for (const action of cue.actions ?? []) {
      const complete = action.do === "release" && action.list === undefined ? run.duration : 0;
      run.actions.push({ due: run.firedAt + complete + (action.after ?? 0) / run.rate, sequence: this.nextSequence(), action });
    }
    run.actions.sort((a, b) => a.due - b.due || a.sequence - b.sequence);
  }

  private act(run: ListRun, now: number): void {
    const due = run.actions.shift();
    if (due) doAction(this, due.action, run, now);
  }
}

/** Lets nothing of a list fire by itself any more. What it is fading goes on. */
function stopSelf(run: ListRun): void {
  run.follow = null;
  run.actions = [];
}
