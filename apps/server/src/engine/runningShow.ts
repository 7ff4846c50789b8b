import {
  type FiredCue,
  type Hand,
  type MixSnapshot,
  type RunChange,
  Mix,
  type Press,
  type PressedBy,
  type ShowSheet,
  type Step,
  applyRunChange,
  runChangeOf,
  listOf,
  mixCheck,
  mixFrom,
  snapshotOf,
  snapshotRenamed,
} from "@zm/core";
import type { RunEvent, RunState } from "@zm/protocol";
import type { RunMove } from "../database/columnTypes.ts";
import { now } from "../shared/clock.ts";
import type { MissedEdit } from "../shows/storedRun.ts";
import { PlayedRun } from "./playedRun.ts";
import type { WrittenRun } from "./runFile.ts";

/** Presses by their ids are known for so long, so that the same one twice is done once. */
export const MOST_KNOWN = 64;
/** So many cues are told in one event at most. */
const MOST_FIRED = 500;
/** A bump is held for so long after somebody has said that it is pressed; milliseconds. */
const BUMPING = 1500;
/** A run is brought up to now in steps of so many seconds where it was away for long. */
const STRIDE = 1;
/** A run that lags behind so many seconds is brought up to now step by step, between the frames of others. */
const LAGGING = 5;

/** No run was away for longer than this; a clock of the machine that says so has jumped. Milliseconds. */
const LONGEST_AWAY = 24 * 3_600_000;

/** One show that runs: its sheet, what runs of it, and the clock that it runs by. */
export class RunningShow extends PlayedRun {
  /** What is in hand, for what goes out to lights. */
  hand: Hand | null = null;
  protected mix: Mix;
  private version: number;
  /** The newest presses by their ids, each with what came of it; null where that was before a restart. */
  private readonly known = new Map<string, RunEvent | null>();
  private newest: RunEvent | undefined;
  /** By held look: a bump that is pressed, where the fader goes back to, and until when somebody has said that it is. Milliseconds. */
  private readonly bumps = new Map<string, { back: number; until: number }>();
  protected origin: number;

  /** A show that begins to run, or goes on from what was written down: fades that are over are at their ends, the others where they would be. */
  constructor(
    readonly show: number,
    public sheet: ShowSheet,
    public revision: number,
    written: WrittenRun | undefined,
    missed: readonly MissedEdit[] = [],
  ) {
    super();
    if (!written) {
      this.mix = new Mix(sheet);
      this.version = Math.floor(now());
      this.origin = now();
      return;
    }
    const away = Math.min(Math.max(0, Date.now() - written.takenAt), LONGEST_AWAY);
    this.mix = mixFrom(sheet, renamedIn(written.mix, missed));
    for (const id of written.done) this.known.set(id, null);
    // Whoever held a bump must say so again; after a restart nobody has.
    for (const [look, back] of Object.entries(written.bumps)) this.bumps.set(look, { back, until: 0 });
    this.version = Math.max(written.version + 1, Math.floor(now()));
    this.origin = now() - written.mix.now * 1000 - away;
    for (const { run } of missed) if (run) this.applyRunMove(run, this.mix.now);
  }

  /** Brings a run that was away up to now, a step at a time, with a pause where others have their turn. */
  *catchUp(): Generator<undefined, void> {
    while (this.mix.now + STRIDE < this.time) {
      this.mix.advance(this.mix.now + STRIDE);
      yield;
    }
  }

  /** True where it lies so far behind that bringing it up to now at once would hold up everybody's frames. */
  get isLagging(): boolean {
    return this.mix.now + LAGGING < this.time;
  }

  private get first(): string {
    return listOf(this.sheet).id;
  }

  state(): RunState {
    const { show, version, revision, origin } = this;
    return { show, version, revision, origin, mix: snapshotOf(this.mix) };
  }

  written(): WrittenRun {
    this.mix.advance(this.time);
    const { show, version, revision } = this;
    return {
      show,
      version,
      revision,
      takenAt: Date.now(),
      done: [...this.known.keys()],
      bumps: this.heldBumps(),
      mix: snapshotOf(this.mix),
    };
  }

  /** True while something is on its way. */
  isMoving(): boolean {
    return this.mix.isMoving(this.time);
  }

  /** True where nothing is on: no list stands in a cue, no look is up, nothing moves. */
  isIdle(): boolean {
    const isOn = [...this.mix.lists.values()].some(({ cue }) => cue !== null) || [...this.mix.looks.values()].some(({ up }) => up);
    return !isOn && !this.isMoving();
  }

  /** Presses something; the same press twice, by its id, is done once. PressRefusedError and ShowError come through; then nothing has happened. */
  press(press: Press, from: PressedBy): RunEvent {
    const { id } = press;
    const known = id === undefined ? undefined : this.known.get(id);
    if (known) return known;
    const t = this.time;
    this.mix.advance(t);
    // What came of a press before a restart is in the run already.
    if (known === null) return this.publish({ t, passed: true }, from, id);
    const event = press.press === "bump" ? this.bump(press, t, from) : this.publish(runChangeOf(this.mix, press, t, this.first), from, id);
    if (press.press === "look") this.bumps.delete(press.look);
    if (id !== undefined) this.known.set(id, event);
    for (const old of [...this.known.keys()].slice(0, -MOST_KNOWN)) this.known.delete(old);
    return event;
  }

  /** A bump is held: the fader is full while somebody says that it is pressed, and goes back when nobody does any more. */
  private bump(press: Extract<Press, { press: "bump" }>, t: number, from: PressedBy): RunEvent {
    const { look } = press;
    const known = this.bumps.get(look);
    const wanted = runChangeOf(this.mix, press, t, this.first);
    if (press.held !== false) {
      const back = known?.back ?? this.mix.looks.get(look)?.level.to ?? 0;
      this.bumps.set(look, { back, until: now() + BUMPING });
      return known ? this.again() : this.publish(wanted, from, press.id);
    }
    if (!known) return this.again();
    this.bumps.delete(look);
    return this.publish({ t, look, level: known.back, time: 0 }, from, press.id);
  }

  /** Lets bumps go back of which nobody says any more that they are pressed. */
  private endBumps(t: number): RunEvent[] {
    const over = [...this.bumps].filter(([, { until }]) => until < now());
    return over.flatMap(([look, { back }]) => {
      this.bumps.delete(look);
      return this.mix.looks.has(look) ? [this.publish({ t, look, level: back, time: 0 })] : [];
    });
  }

  /** By held look of which a bump is pressed, where its fader goes back to. */
  heldBumps(): Record<string, number> {
    return Object.fromEntries([...this.bumps].map(([look, { back }]) => [look, back]));
  }

  /** Takes the sheet that an edit of the show leaves: what runs goes on as it was told, and a list that it leaves elsewhere stands there. Returns what has happened. */
  edit(revision: number, sheet: ShowSheet, steps: readonly Step[], run: RunMove | null): RunEvent[] {
    this.sheet = sheet;
    this.revision = revision;
    const edited = renumbered(steps).flatMap(({ list, numbers }) => [...numbers].map(([from, to]) => ({ list, from, to })));
    const events = [this.publish({ t: this.time, edited })];
    if (run && this.mayTake(run))
      events.push(this.publish({ t: this.time, list: run.list, settle: run.after, ...(run.time === undefined ? {} : { time: run.time }) }));
    return events;
  }

  /** False where the list has gone on meanwhile, or the cue is gone. */
  private mayTake({ list, before, after }: RunMove): boolean {
    const run = this.mix.lists.get(list);
    if (!run || run.cue !== before) return false;
    return after === null || run.list.cues.some(({ number }) => number === after);
  }

  private applyRunMove(move: RunMove, t: number): void {
    if (this.mayTake(move)) this.mix.settle(move.list, move.after, t, move.time);
  }

  /** Lets time pass up to now; tells what has come about by itself. */
  pass(): RunEvent[] {
    const t = this.time;
    this.mix.advance(t);
    const passed = this.mix.log.length > 0 || this.mix.reports.length > 0 ? [this.publish({ t, passed: true })] : [];
    return this.bumps.size === 0 ? passed : [...passed, ...this.endBumps(t)];
  }

  /** The newest event once more, for a press that changes nothing. */
  private again(): RunEvent {
    return this.newest ?? this.publish({ t: this.time, passed: true });
  }

  private publish(change: RunChange, from: PressedBy | null = null, press: string | null = null): RunEvent {
    this.mix = applyRunChange(this.mix, change, this.sheet, this.first);
    this.version += 1;
    // After a long sleep a chase has made steps by the ten thousand: the newest are told.
    const fired: FiredCue[] = this.mix.log.splice(0).slice(-MOST_FIRED);
    const reports = this.mix.reports.splice(0);
    const cues = Object.fromEntries([...this.mix.lists].map(([id, { cue }]) => [id, cue]));
    const { show, version, revision, origin } = this;
    const event: RunEvent = { show, version, revision, change, cues, fired, reports, check: mixCheck(this.mix), origin, from, press };
    this.newest = event;
    return event;
  }
}

/** The numbers that steps give to cues, list by list, the new one by the old one. */
function renumbered(steps: readonly Step[]): { list: string; numbers: ReadonlyMap<string, string> }[] {
  return steps.flatMap((step) =>
    step.at === "renumber" ? [{ list: step.list, numbers: new Map(step.cues.map(({ from, to }) => [from, to])) }] : [],
  );
}

/** What runs, with the numbers that edits which it has not taken in have given to cues. */
export function renamedIn(mix: MixSnapshot, missed: readonly MissedEdit[]): MixSnapshot {
  return missed.flatMap(({ steps }) => renumbered(steps)).reduce((run, { list, numbers }) => snapshotRenamed(run, list, numbers), mix);
}
