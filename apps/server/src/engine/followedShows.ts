import { setTimeout as wait } from "node:timers/promises";
import { type Hand, applyStepsInSlices, sheetInSlices } from "@zm/core";
import { inSlices } from "../shared/slices.ts";
import type { StoredRun } from "../shows/storedRun.ts";
import { FollowedShow } from "./followedShow.ts";
import type { FollowedRun, Order } from "./orders.ts";
import type { WrittenRun } from "./runFile.ts";

/** A database that is a copy may know of an edit a little later; it is asked so often, and so many times. Milliseconds. */
const AGAIN = 100;
const TRIES = 20;

/** The shows that another server runs and this one follows, each told what happens in its order. Every answer says whether a show has lost its place. */
export class FollowedShows {
  private readonly shows = new Map<number, FollowedShow>();
  private readonly queues = new Map<number, Promise<unknown>>();

  constructor(private readonly read: (show: number, since: number) => Promise<StoredRun | null>) {}

  get(show: number): FollowedShow | undefined {
    return this.shows.get(show);
  }

  /** Takes all that runs of a show. */
  begin(run: FollowedRun): Promise<boolean> {
    const { show, revision } = run.written;
    return this.inTurn(show, async () => {
      const stored = await this.readAt(show, revision ?? 0);
      if (!stored || stored.revision < (revision ?? 0)) return true;
      // Edits that the run has not taken in yet, since they come all the while, are in the show that was read.
      this.shows.set(show, new FollowedShow(await inSlices(sheetInSlices(stored.show)), stored.revision, run, stored.missed));
      return false;
    });
  }

  take({ event, bumps }: Extract<Order, { kind: "followEvent" }>): Promise<boolean> {
    return this.inTurn(event.show, () => Promise.resolve(!(this.shows.get(event.show)?.take(event, bumps) ?? false)));
  }

  /** Takes an edit; one of which no steps are told is read. */
  edit({ show, revision, steps }: Extract<Order, { kind: "edit" }>): Promise<boolean> {
    return this.inTurn(show, async () => {
      const followed = this.shows.get(show);
      if (!followed) return true;
      const { newest } = followed;
      if (revision <= newest.revision) return false;
      if (revision !== newest.revision + 1) return true;
      if (steps.length > 0) {
        followed.edit(revision, await inSlices(applyStepsInSlices(newest.sheet, steps)));
        return false;
      }
      const stored = await this.readAt(show, revision);
      if (stored?.revision !== revision) return true;
      followed.edit(revision, await inSlices(sheetInSlices(stored.show)));
      return false;
    });
  }

  hold(show: number, hand: Hand): Promise<boolean> {
    return this.inTurn(show, () => {
      const followed = this.shows.get(show);
      if (followed) followed.hand = hand;
      return Promise.resolve(!followed);
    });
  }

  forget(show: number): void {
    this.shows.delete(show);
  }

  clear(): void {
    this.shows.clear();
  }

  /** All that is followed, as a server that leads takes it up; when what has been told is done. */
  async taken(): Promise<{ readonly written: WrittenRun; readonly followed: FollowedShow }[]> {
    await Promise.all(this.queues.values());
    return [...this.shows.values()].map((followed) => ({ written: followed.written(), followed }));
  }

  private inTurn(show: number, work: () => Promise<boolean>): Promise<boolean> {
    const done = (this.queues.get(show) ?? Promise.resolve()).then(work);
    this.queues.set(
      show,
      done.catch(() => undefined),
    );
    return done;
  }

  private async readAt(show: number, revision: number): Promise<StoredRun | null> {
    for (let tries = 0; ; tries += 1) {
      const stored = await this.read(show, revision);
      if (!stored || stored.revision >= revision || tries === TRIES) return stored;
      await wait(AGAIN, undefined, { ref: false });
    }
  }
}
