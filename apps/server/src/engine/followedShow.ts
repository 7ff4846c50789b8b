import { type Hand, type Mix, type ShowSheet, applyRunChange, listOf, mixCheck, mixFrom, renewedCopy, snapshotOf } from "@zm/core";
import type { RunEvent } from "@zm/protocol";
import { now } from "../shared/clock.ts";
import type { FollowedRun } from "./orders.ts";
import type { MissedEdit } from "../shows/storedRun.ts";
import type { WrittenRun } from "./runFile.ts";
import { PlayedRun } from "./playedRun.ts";
import { MOST_KNOWN, renamedIn } from "./runningShow.ts";

/** A show that another server runs, as a spare follows it: told what happens, it computes the same run, and its frames go on in between. */
export class FollowedShow extends PlayedRun {
  readonly show: number;
  hand: Hand | null;
  revision: number;
  /** Stands where the newest event left it. */
  private base: Mix;
  /** A copy of it, which goes on with time. */
  protected mix: Mix;
  private version: number;
  protected readonly origin: number;
  private done: readonly string[];
  /** Edits of which it is not told yet what they do to the run: what was pressed before them comes first. */
  private coming: { readonly revision: number; readonly sheet: ShowSheet }[] = [];
  private bumps: Readonly<Record<string, number>>;

  constructor(
    public sheet: ShowSheet,
    revision: number,
    { written, origin, hand }: FollowedRun,
    missed: readonly MissedEdit[] = [],
  ) {
    super();
    this.show = written.show;
    this.revision = revision;
    this.version = written.version;
    this.origin = origin;
    this.hand = hand;
    this.done = written.done;
    this.bumps = written.bumps;
    this.base = mixFrom(sheet, renamedIn(written.mix, missed));
    this.mix = renewedCopy(this.base, sheet, undefined);
  }

  /** Takes what has happened. False where it cannot be computed from what is known here: then all that runs has to be told anew. */
  take({ version, revision, change, check, press }: RunEvent, bumps: Readonly<Record<string, number>>): boolean {
    if (version <= this.version) return true;
    this.adoptEdits(revision);
    // What was pressed before an edit that is known here already is computed over the show with it; the number of the result says whether that is right.
    if (version !== this.version + 1 || revision > this.revision) return false;
    this.base = applyRunChange(this.base, change, this.sheet, listOf(this.sheet).id);
    // The leader tells what has fired, and keeps the log.
    this.base.log.length = 0;
    this.base.reports.length = 0;
    if (mixCheck(this.base) !== check) return false;
    this.version = version;
    this.bumps = bumps;
    if (press !== null) this.done = [...this.done, press].slice(-MOST_KNOWN);
    this.mix = renewedCopy(this.base, this.sheet, this.mix);
    return true;
  }

  /** The show with every edit that is known of. */
  get newest(): { readonly revision: number; readonly sheet: ShowSheet } {
    return this.coming.at(-1) ?? { revision: this.revision, sheet: this.sheet };
  }

  /** The show was edited; what that does to the run is told later. */
  edit(revision: number, sheet: ShowSheet): void {
    this.coming.push({ revision, sheet });
  }

  private adoptEdits(revision: number): void {
    for (let [next] = this.coming; next && next.revision <= revision; [next] = this.coming) {
      this.sheet = next.sheet;
      this.revision = next.revision;
      this.coming.shift();
    }
  }

  /** The sheet over which the run stands, which an edit of the rig leaves behind until it is told what that does. */
  get shown(): ShowSheet {
    return this.sheet.keys === this.mix.keys ? this.sheet : { ...this.sheet, keys: this.mix.keys };
  }

  /** The run as a server that leads takes it up: where the newest event left it, and as long ago as that was. */
  written(): WrittenRun {
    const { show, version, revision, done, bumps } = this;
    const away = now() - this.origin - this.base.now * 1000;
    return { show, version, revision, done, bumps, takenAt: Date.now() - away, mix: snapshotOf(this.base) };
  }
}
