import { ConflictException, Injectable, Logger, type OnModuleDestroy } from "@nestjs/common";
import {
  EMPTY_HAND,
  type Hand,
  type ShowSheet,
  changeHand,
  fitHand,
  followHistory,
  giveWay,
  readHand,
  readHandChanges,
  stepBack,
} from "@zm/core";
import { Subject, Subscription } from "rxjs";
import { DataSource } from "typeorm";
import { HandRow } from "../database/entities.ts";
import { RunService, now } from "../run/run.service.ts";
import { ShowsService } from "../shows/shows.service.ts";

/** What is in hand for a show, as every window sees it; `turn` rises with every change. */
export interface HandNews {
  readonly show: number;
  readonly turn: number;
  readonly hand: Hand;
}
/** The answer to a change; not stored means that the database is away, and a restart would lose it. */
export interface HandReply extends HandNews {
  readonly stored: boolean;
}

/** Changes that follow one another as quickly as this, as in a drag, are one step; milliseconds. */
const ONE_STEP = 700;
const STEPS_KEPT = 50;

interface Holding {
  turn: number;
  hand: Hand;
  /** The Hand before each step, the newest last, and when the newest change came. */
  past: Hand[];
  changed: number;
  /** The newest write, after which the next one comes. */
  writing: Promise<boolean>;
}

/** The values being held over the running show. They are one thing for a show, whatever window gives them. */
@Injectable()
export class HandService implements OnModuleDestroy {
  /** Every change of what is in hand. */
  readonly news = new Subject<HandNews>();
  private readonly log = new Logger("Hand");
  private readonly holdings = new Map<number, Promise<Holding>>();
  private readonly subscriptions = new Subscription();

  constructor(
    private readonly shows: ShowsService,
    runs: RunService,
    private readonly database: DataSource,
  ) {
    this.subscriptions.add(runs.went.subscribe((show) => this.quietly(show, (hand, sheet) => giveWay(hand, sheet, now()))));
    this.subscriptions.add(
      this.shows.news.subscribe(({ show, kind, steps }) => {
        if (steps.some((step) => step.at === "entry")) this.quietly(show, fitHand);
        if (kind !== "edit") this.quietly(show, (hand) => followHistory(hand, steps));
      }),
    );
  }

  onModuleDestroy(): void {
    this.subscriptions.unsubscribe();
  }

  async state(showId: number): Promise<HandNews> {
    const { turn, hand } = await this.holding(showId);
    return { show: showId, turn, hand };
  }

  /** Makes changes in order, all or none; told to every window at once, answered when it is stored. ShowError comes through for what the rig does not take. */
  async change(showId: number, raw: readonly unknown[]): Promise<HandReply> {
    const changes = readHandChanges(raw);
    const holding = await this.holding(showId);
    const { sheet } = await this.shows.show(showId);
    const after = changes.reduce((hand, change) => changeHand(hand, change, sheet, now()), holding.hand);
    const at = now();
    if (at - holding.changed > ONE_STEP) holding.past = [...holding.past, holding.hand].slice(-STEPS_KEPT);
    holding.changed = at;
    const stored = await this.set(showId, holding, after);
    return { show: showId, turn: holding.turn, hand: holding.hand, stored };
  }

  /** Gives the Hand as it was before the last step. Throws ConflictException when there is none to go back to. */
  async back(showId: number): Promise<HandReply> {
    const holding = await this.holding(showId);
    const { sheet } = await this.shows.show(showId);
    const before = holding.past.pop();
    if (!before) throw new ConflictException("The Hand has no step to go back to");
    holding.changed = 0;
    const stored = await this.set(showId, holding, fitHand(stepBack(holding.hand, before, sheet, now()), sheet));
    return { show: showId, turn: holding.turn, hand: holding.hand, stored };
  }

  private quietly(showId: number, change: (hand: Hand, sheet: ShowSheet) => Hand): void {
    const work = async (): Promise<void> => {
      const holding = await this.holding(showId);
      const { sheet } = await this.shows.show(showId);
      const after = change(holding.hand, sheet);
      if (after !== holding.hand) await this.set(showId, holding, after);
    };
    work().catch((error: unknown) => this.log.error(error instanceof Error ? error.message : String(error)));
  }

  private set(showId: number, holding: Holding, hand: Hand): Promise<boolean> {
    holding.turn += 1;
    holding.hand = hand;
    this.news.next({ show: showId, turn: holding.turn, hand });
    holding.writing = holding.writing.then(() => this.store(showId, hand));
    return holding.writing;
  }

  private async store(showId: number, hand: Hand): Promise<boolean> {
    try {
      await this.database.manager.upsert(HandRow, { showId, hand: JSON.stringify({ ...hand, leaving: {} }) }, ["showId"]);
      return true;
    } catch (error) {
      this.log.warn(`What is in hand could not be stored: ${error instanceof Error ? error.message : String(error)}`);
      return false;
    }
  }

  private holding(showId: number): Promise<Holding> {
    const known = this.holdings.get(showId) ?? this.load(showId);
    this.holdings.set(showId, known);
    return known.catch((error: unknown) => {
      this.holdings.delete(showId);
      throw error;
    });
  }

  private async load(showId: number): Promise<Holding> {
    const { sheet } = await this.shows.show(showId);
    const row = await this.database.manager.findOneBy(HandRow, { showId });
    const hand = row ? fitHand(readHand(row.hand), sheet) : EMPTY_HAND;
    return { turn: 0, hand, past: [], changed: 0, writing: Promise.resolve(true) };
  }
}
