import { Injectable, Logger, type OnModuleDestroy } from "@nestjs/common";
import {
  EMPTY_HAND,
  type Hand,
  type HandDiff,
  type ShowSheet,
  changeHand,
  describeHandChanges,
  diffHands,
  fitHand,
  followHistory,
  giveWay,
  readHand,
  readHandChanges,
  stepHand,
} from "@zm/core";
import type { HandReply, HandState } from "@zm/protocol";
import { Subject, Subscription } from "rxjs";
import { DataSource, type EntityManager } from "typeorm";
import { DatabaseWatch } from "../database/databaseWatch.ts";
import { HandRow } from "../database/entities.ts";
import { RunService } from "../run/run.service.ts";
import type { Author } from "../shared/author.ts";
import { now } from "../shared/clock.ts";
import { LoadingCache } from "../shared/loadingCache.ts";
import { errorMessage } from "../shared/errorMessage.ts";
import { ShowsService } from "../shows/shows.service.ts";

interface Holding {
  version: number;
  hand: Hand;
  damaged: boolean;
  /** The newest write, after which the next one comes; and whether what is in hand is stored. */
  writing: Promise<boolean>;
  stored: boolean;
}

/** The values being held over the running show. They are one thing for a show, whatever window gives them. */
@Injectable()
export class HandService implements OnModuleDestroy {
  /** Every change of what is in hand. */
  readonly changes = new Subject<HandState>();
  private readonly log = new Logger("Hand");
  private readonly holdings = new LoadingCache<number, Holding>();
  private readonly subscriptions = new Subscription();

  constructor(
    private readonly shows: ShowsService,
    private readonly runs: RunService,
    private readonly database: DataSource,
    private readonly watch: DatabaseWatch,
  ) {
    this.subscriptions.add(runs.fired.subscribe((show) => this.follow(show, (hand, sheet) => giveWay(hand, sheet, now()))));
    this.subscriptions.add(
      runs.allOff.subscribe(({ show, seconds }) =>
        this.follow(show, (hand, sheet) => changeHand(hand, { do: "drop", fade: seconds }, sheet, now())),
      ),
    );
    this.subscriptions.add(
      this.shows.changes.subscribe(({ event: { show, kind }, steps, run }) => {
        const recorded = kind === "edit" ? (run?.recorded ?? []) : [];
        if (recorded.length > 0)
          this.follow(show, (hand, sheet) => changeHand(hand, { do: "recorded", keys: [...recorded] }, sheet, now()));
        if (steps.some((step) => step.at === "entry")) this.follow(show, fitHand);
        if (kind !== "edit") this.follow(show, (hand) => followHistory(hand, steps));
      }),
    );
    this.subscriptions.add(this.shows.removed.subscribe((show) => this.holdings.delete(show)));
    this.subscriptions.add(
      watch.away.subscribe((away) => {
        if (!away) for (const [show, holding] of this.holdings.entries()) if (!holding.stored) void this.write(show, holding);
      }),
    );
  }

  onModuleDestroy(): void {
    this.subscriptions.unsubscribe();
  }

  async state(showId: number): Promise<HandState> {
    const holding = await this.holding(showId);
    return this.stateOf(showId, holding);
  }

  /** Makes changes in order, all or none, as one step of undo; told to every window at once, answered when it is stored. ShowError comes through for what the rig does not take. */
  async change(showId: number, raw: readonly unknown[], author: Author): Promise<HandReply> {
    const changes = readHandChanges(raw);
    const holding = await this.holding(showId);
    const { sheet, history } = await this.shows.show(showId);
    const after = changes.reduce((hand, change) => changeHand(hand, change, sheet, now()), holding.hand);
    const diff = diffHands(holding.hand, after);
    const isStep = changes.some((change) => change.do !== "recorded") && Object.keys(diff).length > 0;
    if (isStep) history.addHand(diff, describeHandChanges(changes, diff), author);
    const stored = await this.set(showId, holding, after);
    return { ...(await this.stateOf(showId, holding)), stored };
  }

  /** Takes back or makes again what a step did to the Hand. */
  async step(showId: number, diff: HandDiff, what: "undo" | "redo"): Promise<void> {
    const holding = await this.holding(showId);
    const { sheet } = await this.shows.show(showId);
    void this.set(showId, holding, stepHand(holding.hand, diff, what, sheet, now()));
  }

  /** Makes sure that a show's Hand is in memory, so that what follows needs no database. */
  async ready(showId: number): Promise<void> {
    await this.holding(showId);
  }

  /** True when nothing is in hand for a show, and that is stored. */
  isAtRest(showId: number): boolean {
    const holding = this.holdings.get(showId);
    return !holding || (holding.stored && Object.keys(holding.hand.held).length === 0);
  }

  /** Lets go of the memory of a show's Hand; it is read again when it is next asked for. */
  release(showId: number): void {
    this.holdings.delete(showId);
  }

  /** Says that values in hand were recorded; only once the Hand is `ready`. */
  async recorded(showId: number, keys: readonly string[]): Promise<void> {
    const holding = await this.holding(showId);
    void this.set(showId, holding, await this.asRecorded(showId, keys));
  }

  /** Writes the Hand as it will be when values count as recorded, in the transaction of the edit that recorded them. */
  async writeRecorded(manager: EntityManager, showId: number, keys: readonly string[]): Promise<void> {
    await upsertHand(manager, showId, await this.asRecorded(showId, keys));
  }

  private async asRecorded(showId: number, keys: readonly string[]): Promise<Hand> {
    const { hand } = await this.holding(showId);
    const { sheet } = await this.shows.show(showId);
    return changeHand(hand, { do: "recorded", keys: [...keys] }, sheet, now());
  }

  /** The text of a Hand that could not be read any more; undefined where there is none. */
  async damaged(showId: number): Promise<string | undefined> {
    await this.holding(showId);
    const row = await this.watch.bounded(this.database.manager.findOneBy(HandRow, { showId }));
    return row?.damaged ?? undefined;
  }

  /** Throws away a Hand that could not be read any more. */
  async forgetDamaged(showId: number): Promise<HandState> {
    const holding = await this.holding(showId);
    await this.database.manager.update(HandRow, { showId }, { damaged: null });
    holding.damaged = false;
    holding.version += 1;
    const state = await this.stateOf(showId, holding);
    this.changes.next(state);
    return state;
  }

  /** Lets the Hand of a show that is open follow what happens elsewhere; one that nobody has asked for fits itself when it is read. */
  private follow(showId: number, change: (hand: Hand, sheet: ShowSheet) => Hand): void {
    const holding = this.holdings.get(showId);
    if (!holding) return;
    const work = async (): Promise<void> => {
      const { sheet } = await this.shows.show(showId);
      const after = change(holding.hand, sheet);
      if (after !== holding.hand) await this.set(showId, holding, after);
    };
    work().catch((error: unknown) => this.log.error(errorMessage(error)));
  }

  private async set(showId: number, holding: Holding, hand: Hand): Promise<boolean> {
    holding.version += 1;
    holding.hand = hand;
    this.changes.next(await this.stateOf(showId, holding));
    this.runs.hold(showId, hand);
    return this.write(showId, holding);
  }

  private async stateOf(show: number, { version, hand, damaged }: Holding): Promise<HandState> {
    const { history } = await this.shows.show(show);
    return { show, version, hand, damaged, history: history.state() };
  }

  private write(showId: number, holding: Holding): Promise<boolean> {
    const { hand, version } = holding;
    holding.stored = false;
    holding.writing = holding.writing.then(async () => {
      try {
        await this.watch.bounded(upsertHand(this.database.manager, showId, hand));
        holding.stored = holding.version === version;
        return true;
      } catch (error) {
        this.log.warn(`What is in hand could not be stored: ${errorMessage(error)}`);
        return false;
      }
    });
    return holding.writing;
  }

  private holding(showId: number): Promise<Holding> {
    return this.holdings.open(showId, () => this.load(showId));
  }

  private async load(showId: number): Promise<Holding> {
    const { sheet } = await this.shows.show(showId);
    const row = await this.watch.bounded(this.database.manager.findOneBy(HandRow, { showId }));
    const read = row ? readHand(row.hand) : EMPTY_HAND;
    if (row && !read) {
      this.log.warn(`What is in hand of show ${showId} could not be read; it is kept as it was found`);
      await this.database.manager.update(HandRow, { showId }, { damaged: row.hand, hand: JSON.stringify(EMPTY_HAND) });
    }
    const damaged = (row?.damaged ?? null) !== null || (row !== null && !read);
    const hand = read ? fitHand(read, sheet) : EMPTY_HAND;
    this.runs.hold(showId, hand);
    return { version: Math.floor(now()), hand, damaged, writing: Promise.resolve(true), stored: true };
  }
}

async function upsertHand(manager: EntityManager, showId: number, hand: Hand): Promise<void> {
  await manager.upsert(HandRow, { showId, hand: JSON.stringify({ ...hand, leaving: {} }) }, ["showId"]);
}
