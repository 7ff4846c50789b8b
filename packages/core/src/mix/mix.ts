// Everything that runs, and what comes out (the running rules, sections 7 to 9). One clock in seconds drives it; whoever owns it says what
// time it is. What happens is told to it in the order of time and gives the same numbers wherever it is done: on the server, in every window, headless.
import { marksMadeAt, marksMadeByGoto } from "../marks/marks.ts";
import { ShowError } from "../show/errors.ts";
import type { Action, Cue } from "../show/schema.ts";
import { emptyState, stateAt } from "../sheet/checkpoints.ts";
import type { Key, Keys } from "../sheet/keys.ts";
import { type ShowSheet, cueAt, findRow, rowOf } from "../sheet/sheet.ts";
import { type Transition, durationOf } from "../time/transition.ts";
import { trackedActions } from "./actions.ts";
import { curveCode } from "./curveCodes.ts";
import { type RunReport, awaitMark, moveInDark, secondsToWake, wakeMarks } from "./darkMoves.ts";
import { FiringGuard } from "./firingGuard.ts";
import { followOf, nextRow, previousRow } from "./follows.ts";
import { Layers } from "./layers.ts";
import { type ListRun, idleRun, momentOf, runTime, turnClock, waveTime } from "./listRun.ts";
import { type LookRun, idleLook, isHighest, lowerLook, raiseLook } from "./lookRun.ts";
import { rampAt, rampTo } from "./ramp.ts";
import { stepAfter, stepAt } from "./steps.ts";
import { atRate, transitionNext, transitionTo } from "./transitions.ts";
import type { Waiting } from "./waiting.ts";
import { waitingWaves, wavesAt } from "./waveChanges.ts";
import { runningWave } from "./waves.ts";

/** Two moments that differ by less are the same: clocks that run at rates cannot be told apart more finely. Seconds. */
const SLACK = 1e-9;
const DEFAULT_PRIORITY = 50;
/** Back takes this long: quick, and no jump. Seconds. */
const BACK_TIME = 1;
const LINEAR = curveCode("linear");

/** A cue that was fired, for whoever keeps a log. */
export interface FiredCue {
  readonly at: number;
  readonly list: string;
  readonly cue: string;
  readonly by: "press" | "follow" | "action" | "standby";
}

/** How a cue is fired: in its order, or out of it, then in a time of its own for every key where one is said. */
interface Fire {
  readonly how: "next" | "goto";
  readonly time?: number | undefined;
}

/** All lists and held looks of a show while they run. It is changed in place, in the order of time; `now` never goes back. */
export class Mix {
  readonly keys: Keys;
  readonly lists: ReadonlyMap<string, ListRun>;
  readonly looks: ReadonlyMap<string, LookRun>;
  /** What is chosen to go together with one press. */
  standby: readonly { readonly list: string; readonly cue: string }[] = [];
  /** What the run has had to say, and the cues that were fired, since somebody last asked. */
  reports: RunReport[] = [];
  log: FiredCue[] = [];
  private readonly layers: Layers;
  private readonly tempos: Map<string, number>;
  private turn = 0;
  private moment = Number.NaN;
  private readonly guard = new FiringGuard();
  private now = 0;

  constructor(sheet: ShowSheet) {
    this.keys = sheet.keys;
    const lists = [...sheet.lists.values()];
    const looks = sheet.show.heldLooks ?? [];
    this.lists = new Map(lists.map((list, source) => [list.id, idleRun(source, list)]));
    this.looks = new Map(looks.map((look, index) => [look.id, idleLook(lists.length + index, look, sheet)]));
    this.layers = new Layers(sheet.keys.all, [
      ...lists.map(({ list }) => ({ priority: list.priority ?? DEFAULT_PRIORITY, highest: list.levels === "highest" })),
      ...looks.map((look) => ({ priority: look.priority ?? DEFAULT_PRIORITY, highest: isHighest(look) })),
    ]);
    this.tempos = new Map((sheet.show.tempos ?? []).map(({ id, perMinute }) => [id, perMinute]));
  }

  /** Lets everything happen that is due by a moment: follows, steps, actions, and what waits for its delay. */
  advance(now: number): void {
    this.run(now, true);
  }

  /** Writes what every key puts out at a moment, by key ordinal. Allocates nothing while nothing falls due. */
  frame(now: number, into: Float64Array): void {
    this.advance(now);
    this.look(now);
    this.layers.write(into);
    for (let key = 0; key < into.length; key += 1) into[key] = this.clipped(key, into[key] ?? 0);
  }

  /** What one key puts out at a moment that everything has been brought to. */
  output(key: Key, now: number): number {
    this.advance(now);
    this.look(now);
    return this.clipped(key.ordinal, this.layers.out(key.ordinal));
  }

  /** Go on a list: its next cue; a held list goes on instead. False where there is no next cue. */
  go(id: string, now: number): boolean {
    const run = this.press(id, now);
    if (run.clock.held) {
      this.turnClock(run, now, false);
      return true;
    }
    return this.fireNext(run, now, "press");
  }

  /** Goes to a cue of a list out of its order. Throws ShowError for one that the list does not have. */
  goto(id: string, cue: string, now: number, time?: number): void {
    const run = this.press(id, now);
    const row = rowOf(run.list, cue);
    this.turnClock(run, now, false);
    this.fire(run, row, now, { how: "goto", time }, "press");
  }

  /** Goes back to the cue before, quickly, and starts no chain; a held list goes on. False where there is no cue before. */
  back(id: string, now: number): boolean {
    const run = this.press(id, now);
    this.turnClock(run, now, false);
    const row = previousRow(run);
    if (row < 0) return false;
    this.fire(run, row, now, { how: "goto", time: BACK_TIME }, "press");
    run.follow = null;
    return true;
  }

  /** Holds a list where it is, or lets it go on. */
  hold(id: string, held: boolean, now: number): void {
    this.turnClock(this.press(id, now), now, held);
  }

  /** Lets a list go, in the time said or its own; it stands before its first cue then, and nothing of it waits. */
  release(id: string, now: number, time?: number): void {
    this.letGoOf(this.press(id, now), now, time);
  }

  /** Sets a list's master, 0 to 100 %, in a time. */
  master(id: string, level: number, now: number, time = 0): void {
    const run = this.press(id, now);
    run.master = rampTo(run.master, level, now, time);
    this.forgetMoment();
  }

  /** Sets how many times as fast as usual a list runs: what it fires from now on. What it has fired keeps its times. */
  rate(id: string, rate: number, now: number): void {
    this.setRate(this.press(id, now), rate, now);
  }

  /** Moves the fader of a held look, 0 to 100, in a time. Throws ShowError for a look that there is not. */
  look100(id: string, level: number, now: number, time = 0): void {
    this.run(now, false);
    this.raise(this.lookNamed(id), level, now, time);
  }

  /** Sets a tempo; lists that step at it keep in step. */
  tempo(id: string, perMinute: number, now: number): void {
    this.run(now, false);
    this.tempos.set(id, perMinute);
    for (const run of this.lists.values())
      if (run.list.list.steps?.tempo === id) run.follow = followOf(run, (each) => this.tempos.get(each));
  }

  /** Chooses what goes together with one press. Nothing moves. Throws ShowError for a list or a cue that there is not. */
  setStandby(entries: readonly { readonly list: string; readonly cue: string }[]): void {
    for (const { list, cue } of entries) rowOf(this.listNamed(list).list, cue);
    this.standby = [...entries];
  }

  /** Fires what was chosen, all at one moment, and chooses nothing any more. */
  fireStandby(now: number): void {
    this.run(now, false);
    const entries = this.standby;
    this.standby = [];
    for (const { list, cue } of entries) {
      const run = this.listNamed(list);
      const row = rowOf(run.list, cue);
      this.fire(run, row, now, { how: row === nextRow(run) ? "next" : "goto" }, "standby");
    }
  }

  // What follows is how it is done.

  private press(id: string, now: number): ListRun {
    this.run(now, false);
    return this.listNamed(id);
  }

  private listNamed(id: string): ListRun {
    const run = this.lists.get(id);
    if (run) return run;
    throw new ShowError(`There is no list "${id}"; the lists are ${[...this.lists.keys()].join(", ")}`);
  }

  private lookNamed(id: string): LookRun {
    const look = this.looks.get(id);
    if (look) return look;
    throw new ShowError(`There is no held look "${id}"; the held looks are ${[...this.looks.keys()].join(", ") || "none yet"}`);
  }

  private clipped(key: number, value: number): number {
    const attribute = this.keys.all[key]?.attribute;
    if (!attribute) return value;
    return value < attribute.min ? attribute.min : value > attribute.max ? attribute.max : value;
  }

  private setRate(run: ListRun, rate: number, now: number): void {
    run.waveClock = { at: now, seconds: waveTime(run, now), held: run.waveClock.held };
    run.rate = rate;
    this.forgetMoment();
  }

  private turnClock(run: ListRun, now: number, held: boolean): void {
    run.waveClock = { at: now, seconds: waveTime(run, now), held };
    run.clock = turnClock(run.clock, now, held);
    this.forgetMoment();
  }

  private forgetMoment(): void {
    this.moment = Number.NaN;
  }

  /** Brings clocks, masters and faders to a moment, so that layers can be read at it. */
  private look(now: number): void {
    if (now === this.moment) return;
    this.moment = now;
    for (const run of this.lists.values()) {
      const { source, clock, master } = run;
      this.layers.times[source] = runTime(clock, now);
      this.layers.waveTimes[source] = waveTime(run, now);
      this.layers.scales[source] = rampAt(master, now) / 100;
    }
    for (const { source, look, level } of this.looks.values()) {
      const fader = rampAt(level, now) / 100;
      this.layers.times[source] = now;
      this.layers.scales[source] = isHighest(look) ? fader : 1;
      this.layers.weights[source] = isHighest(look) ? 1 : fader;
    }
  }

  /**
   * Lets happen what is due by a moment, in the order of time. At one moment what fires comes before what takes hold; `holds` false stops before
   * what takes hold at the moment itself, since a press at that moment fires first.
   */
  private run(until: number, holds: boolean): void {
    for (;;) {
      const firing = this.firstFiring();
      const hold = this.firstWaiting();
      const fires = firing !== undefined && firing.at <= until + SLACK && firing.at <= (hold?.at ?? Number.POSITIVE_INFINITY) + SLACK;
      if (fires) {
        this.now = Math.max(this.now, Math.min(firing.at, until));
        firing.happen(this.now);
        continue;
      }
      if (!hold || hold.at > until + SLACK || (!holds && hold.at > until - SLACK)) break;
      this.now = Math.max(this.now, Math.min(hold.at, until));
      this.look(this.now);
      hold.run.waiting.shift();
      this.happen(hold.run, hold.waiting, this.now);
    }
    this.now = Math.max(this.now, until);
  }

  private firstWaiting(): { at: number; run: ListRun; waiting: Waiting } | undefined {
    let found: { at: number; run: ListRun; waiting: Waiting } | undefined;
    for (const run of this.lists.values()) {
      const waiting = run.waiting.first;
      if (!waiting) continue;
      const at = momentOf(run.clock, waiting.due);
      if (at === Number.POSITIVE_INFINITY) continue;
      const earlier = !found || at < found.at - SLACK || (at <= found.at + SLACK && waiting.turn < found.waiting.turn);
      if (earlier) found = { at, run, waiting };
    }
    return found;
  }

  /** The next thing that fires by itself: a follow or a step, an action, a fader that arrives at 0. */
  private firstFiring(): { at: number; happen: (now: number) => void } | undefined {
    let found: { at: number; happen: (now: number) => void } | undefined;
    const offer = (at: number, happen: (now: number) => void): void => {
      if (at !== Number.POSITIVE_INFINITY && (!found || at < found.at - SLACK)) found = { at, happen };
    };
    for (const run of this.lists.values()) {
      const [action] = run.actions;
      if (action) offer(momentOf(run.clock, action.due), (now) => this.act(run, now));
      if (run.marks.length > 0) {
        this.look(this.now);
        offer(this.now + secondsToWake(this.layers, this.keys, run), (now) => {
          this.look(now);
          wakeMarks(this.layers, this.keys, run);
        });
      }
      if (run.follow) offer(momentOf(run.clock, run.follow.at), (now) => this.follow(run, now));
    }
    for (const look of this.looks.values())
      if (look.up && look.level.to === 0)
        offer(look.level.start + look.level.fade, (now) => {
          this.look(now);
          lowerLook(this.layers, look);
        });
    return found;
  }

  private follow(run: ListRun, now: number): void {
    const { follow } = run;
    run.follow = null;
    const row = follow ? findRow(run.list, follow.cue) : -1;
    if (row >= 0 && row === nextRow(run)) this.fireNext(run, now, "follow");
  }

  private fireNext(run: ListRun, now: number, by: FiredCue["by"]): boolean {
    const row = nextRow(run);
    if (row < 0) return false;
    const { steps } = run.list.list;
    if (steps) run.step = run.cue === null ? 0 : stepAfter(steps, run.list.cues.length, run.step);
    this.fire(run, row, now, { how: "next" }, by);
    return true;
  }

  /** Fires a row (sections 3 to 5 and 7): what waits is dropped or added, and nothing takes hold yet. */
  private fire(run: ListRun, row: number, now: number, { how, time }: Fire, by: FiredCue["by"]): void {
    if (this.guard.refuses(run, now, this.reports)) return;
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
    this.await(run, due, transition, shown);
    this.awaitWaves(run, row, due, time);
    run.onStage = shown;
    run.cue = cue.number;
    run.firedAt = due;
    run.duration = durationOf(transition);
    for (const mark of how === "next" ? marksMadeAt(list, row) : marksMadeByGoto(list, row))
      awaitMark(this.layers, this.keys, run, mark, { due, turn: () => (this.turn += 1) });
    this.log.push({ at: now, list: list.id, cue: cue.number, by });
    run.follow = followOf(run, (tempo) => this.tempos.get(tempo));
    if (how === "goto") this.followActions(run, row, now, time);
    else this.awaitActions(run, cue);
  }

  /** Lets what a transition tells wait for its delay, and drops what waits for the same keys with it or later. */
  private await(run: ListRun, due: number, { runs, letGo }: Transition, shown: Float64Array): void {
    const added: Waiting[] = [];
    const last = new Map<number, { due: number; same: boolean }>();
    const put = (key: number, delay: number, what: Waiting["what"], to: number, fade: number, curve: number): void => {
      const at = due + delay;
      last.set(key, { due: at, same: what !== "letGo" || this.keys.all[key]?.attribute.family === "intensity" });
      added.push({ due: at, turn: (this.turn += 1), key, what, to, fade, curve });
    };
    for (const { key, to, delay, fade, curve } of runs) {
      const isSet = !Number.isNaN(shown[key.ordinal] ?? Number.NaN);
      const what = isSet ? "take" : key.attribute.family === "intensity" ? "letGo" : "rest";
      put(key.ordinal, delay, what, to, fade, curveCode(curve));
    }
    for (const { key, delay, fade } of letGo) put(key.ordinal, delay, "letGo", 0, fade, LINEAR);
    // What an older cue was to let go of, and the look holds where it stands, is held on.
    const stale = new Map(run.waiting.all.filter(({ what }) => what !== "wave").map((each) => [each.key, each]));
    for (const [key, { what }] of stale)
      if (what !== "letGo" || this.keys.all[key]?.attribute.family === "intensity" || Number.isNaN(shown[key] ?? Number.NaN))
        stale.delete(key);
    run.waiting.drop((each) => {
      const newer = each.what === "wave" ? undefined : last.get(each.key);
      if (!newer) return each === stale.get(each.key);
      return newer.same ? each.due >= newer.due - SLACK : each.due > newer.due + SLACK;
    });
    run.waiting.add(added);
  }

  /** Lets the waves that a row begins and ends wait for their delay. */
  private awaitWaves(run: ListRun, row: number, due: number, time: number | undefined): void {
    const added = waitingWaves(run, row, { due, time }, () => (this.turn += 1));
    run.waves = wavesAt(run.list, row);
    if (added.length === 0) return;
    const first = new Map(added.map((each) => [each.key, each.due]));
    run.waiting.drop((each) => each.what === "wave" && each.due >= (first.get(each.key) ?? Number.POSITIVE_INFINITY) - SLACK);
    run.waiting.add(added);
  }

  /** What waited has its turn. */
  private happen(run: ListRun, { key, what, to, fade, curve, wave }: Waiting, now: number): void {
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
        if (!this.layers.heldByOthers(key, run.source)) this.layers.takeHold(key, run.source, { to, fade, curve });
        this.layers.letGo(key, run.source, fade, curve);
        break;
      case "mark":
        this.reports.push(...moveInDark(this.layers, this.keys, run, { key, to, fade }, now));
    }
  }

  private letGoOf(run: ListRun, now: number, time = run.list.list.releaseTime ?? 1): void {
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

  private raise(look: LookRun, level: number, now: number, time: number): void {
    look.level = rampTo(look.level, level, now, time);
    this.forgetMoment();
    this.look(now);
    if (level > 0 || rampAt(look.level, now) > 0) raiseLook(this.layers, look);
  }

  private awaitActions(run: ListRun, cue: Cue): void {
    for (const action of cue.actions ?? []) {
      const complete = action.do === "release" && action.list === undefined ? run.duration : 0;
      run.actions.push({ due: run.firedAt + complete + (action.after ?? 0) / run.rate, turn: (this.turn += 1), action });
    }
    run.actions.sort((a, b) => a.due - b.due || a.turn - b.turn);
  }

  private act(run: ListRun, now: number): void {
    const due = run.actions.shift();
    if (due) this.doAction(due.action, run, now);
  }

  /** Does what an action says; what speaks of a list, a look or a cue that is gone does nothing. */
  private doAction(action: Action, own: ListRun, now: number): void {
    if (action.do === "look") {
      const look = this.looks.get(action.look);
      if (look) this.raise(look, action.level, now, action.time ?? 0);
      return;
    }
    if (action.do === "tempo") return this.tempo(action.tempo, action.perMinute, now);
    const run = action.list === undefined ? own : this.lists.get(action.list);
    if (!run) return;
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
        this.forgetMoment();
    }
  }

  private startAt(run: ListRun, cue: string | undefined, now: number): void {
    if (cue === undefined) {
      this.fireNext(run, now, "action");
      return;
    }
    const row = findRow(run.list, cue);
    if (row < 0) return;
    if (run.list.list.steps) run.step = stepAt(run.list.id, run.list.list.steps.order, run.list.cues.length, row, 0);
    this.fire(run, row, now, { how: "next" }, "action");
  }

  private gotoNamed(run: ListRun, cue: string, now: number, time: number | undefined): void {
    const row = findRow(run.list, cue);
    if (row >= 0) this.fire(run, row, now, { how: "goto", time }, "action");
  }

  /** After a go-to the lists and looks that the cues up to there speak of stand as if those cues had been fired in order. */
  private followActions(run: ListRun, row: number, now: number, time: number | undefined): void {
    run.actions = [];
    const tracked = trackedActions(run.list, row, (id) => this.lists.get(id)?.list);
    for (const [id, { cue, rate, master }] of tracked.lists) {
      const other = this.lists.get(id);
      if (!other || other === run) continue;
      if (rate !== undefined) this.setRate(other, rate, now);
      if (master !== undefined) other.master = rampTo(other.master, master, now, time ?? 0);
      if (cue === null && other.cue !== null) this.letGoOf(other, now, time);
      if (cue === null || cue === undefined || other.cue === cue) continue;
      if (other.cue !== null && other.list.list.steps) continue;
      this.gotoNamed(other, cue, now, time);
    }
    for (const [id, level] of tracked.looks) {
      const look = this.looks.get(id);
      if (look) this.raise(look, level, now, time ?? 0);
    }
    this.forgetMoment();
  }
}
