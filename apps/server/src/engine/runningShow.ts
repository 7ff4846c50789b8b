import {
  type FiredCue,
  type Hand,
  type Happening,
  Mix,
  type PressedBy,
  type ShowSheet,
  type Step,
  happenTo,
  listOf,
  mixCheck,
  mixFrom,
  snapshotOf,
  takeSteps,
} from "@zm/core";
import type { PressRequest, RunEvent, RunState } from "@zm/protocol";
import { now } from "../shared/clock.ts";
import { happeningOf } from "./pressed.ts";
import type { WrittenRun } from "./runFile.ts";

/** No run was away for longer than this; a clock of the machine that says so has jumped. Milliseconds. */
const LONGEST_AWAY = 24 * 3_600_000;

/** One show that runs: its sheet, what runs of it, and the clock that it runs by. */
export class RunningShow {
  /** What is in hand, for what goes out to lights. */
  hand: Hand | null = null;
  private mix: Mix;
  private turn: number;
  /** Milliseconds of the server's clock at which the run's clock read 0. */
  private origin: number;

  /** A show that begins to run, or goes on from what was written down: fades that are over are at their ends, the others where they would be. */
  constructor(
    readonly show: number,
    public sheet: ShowSheet,
    public revision: number,
    written: WrittenRun | undefined,
  ) {
    if (!written) {
      this.mix = new Mix(sheet);
      this.turn = Math.floor(now());
      this.origin = now();
      return;
    }
    const away = Math.min(Math.max(0, Date.now() - written.takenAt), LONGEST_AWAY);
    this.mix = mixFrom(sheet, written.mix);
    this.turn = Math.max(written.turn + 1, Math.floor(now()));
    this.origin = now() - written.mix.now * 1000 - away;
  }

  /** The run's own time now. Seconds. */
  private get time(): number {
    return Math.max(this.mix.now, (now() - this.origin) / 1000);
  }

  private get first(): string {
    return listOf(this.sheet).id;
  }

  state(): RunState {
    const { show, turn, revision, origin } = this;
    return { show, turn, revision, origin, mix: snapshotOf(this.mix) };
  }

  written(): WrittenRun {
    this.mix.advance(this.time);
    return { version: 1, show: this.show, turn: this.turn, takenAt: Date.now(), mix: snapshotOf(this.mix) };
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

  /** Presses something. CannotNow and ShowError come through; then nothing has happened. */
  press(press: PressRequest, from: PressedBy): RunEvent {
    const t = this.time;
    this.mix.advance(t);
    return this.happen(happeningOf(this.mix, press, t, this.first), from);
  }

  /** Lets a list stand where an edit has left it; null where it has gone on meanwhile, or the cue is gone. */
  settle(list: string, before: string | null, after: string | null): RunEvent | null {
    const run = this.mix.lists.get(list);
    if (!run || run.cue !== before) return null;
    if (after !== null && !run.list.cues.some(({ number }) => number === after)) return null;
    return this.happen({ t: this.time, list, settle: after });
  }

  /** Takes an edit of the show: what runs goes on as it was told. */
  edit(revision: number, steps: readonly Step[]): RunEvent | null {
    if (revision <= this.revision) return null;
    this.sheet = takeSteps(this.sheet, steps);
    this.revision = revision;
    const edited = steps.flatMap((step) =>
      step.at === "renumber" ? step.cues.map(({ from, to }) => ({ list: step.list, from, to })) : [],
    );
    return this.happen({ t: this.time, edited });
  }

  /** Lets time pass up to now; tells what has fired by itself, or undefined where nothing has. */
  pass(): RunEvent | undefined {
    const t = this.time;
    this.mix.advance(t);
    return this.mix.log.length > 0 || this.mix.reports.length > 0 ? this.happen({ t, passed: true }) : undefined;
  }

  /** Writes what every key puts out now into `into`. */
  frame(into: Float64Array): void {
    this.mix.frame(this.time, into);
  }

  /** What a key puts out without its waves, in the frame written last. */
  readonly still = (ordinal: number): number => this.mix.still(ordinal);

  /** The beats a minute of each tempo as it goes now. */
  get tempos(): ReadonlyMap<string, number> {
    return this.mix.tempos;
  }

  private happen(happening: Happening, from: PressedBy | null = null): RunEvent {
    this.mix = happenTo(this.mix, happening, this.sheet, this.first);
    this.turn += 1;
    const fired: FiredCue[] = this.mix.log.splice(0);
    const reports = this.mix.reports.splice(0);
    const cues = Object.fromEntries([...this.mix.lists].map(([id, { cue }]) => [id, cue]));
    const { show, turn, revision, origin } = this;
    return { show, turn, revision, happening, cues, fired, reports, check: mixCheck(this.mix), origin, from };
  }
}
