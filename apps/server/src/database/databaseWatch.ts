import { Injectable, type OnApplicationShutdown, type OnModuleDestroy } from "@nestjs/common";
import { BehaviorSubject, Subject, firstValueFrom } from "rxjs";
import { DataSource } from "typeorm";
import { DatabaseAway } from "../shared/lost.ts";
import { Lease } from "../lease/lease.ts";

/** How often the database is asked whether it is there, and how long it may take to answer; milliseconds. */
const EVERY = 1000;
const PATIENCE = 3000;

/** Knows whether the database answers, so that what needs it is refused at once and in words while it does not. */
@Injectable()
export class DatabaseWatch implements OnModuleDestroy, OnApplicationShutdown {
  /** True while the database does not answer. */
  readonly away = new BehaviorSubject(false);
  private timer: NodeJS.Timeout;
  private ended = false;
  /** The question that is still not answered, so that a database that hangs is not asked more and more. */
  private asking: Promise<boolean> | undefined;

  constructor(
    private readonly database: DataSource,
    private readonly lock: Lease,
  ) {
    this.timer = setTimeout(() => void this.look(), EVERY);
  }

  onModuleDestroy(): void {
    this.ended = true;
    clearTimeout(this.timer);
    this.away.complete();
  }

  async onApplicationShutdown(): Promise<void> {
    await this.lock.end();
  }

  /** Throws DatabaseAway while the database does not answer. */
  expect(): void {
    if (this.away.value) throw new DatabaseAway();
  }

  /**
   * Work on the database, given up as soon as the database is known not to answer: then throws DatabaseAway, and calls `abandoned` first. The work itself may
   * still come to an end when the database wakes.
   */
  async bounded<T>(work: Promise<T>, abandoned: () => void = () => undefined): Promise<T> {
    const given = new Subject<never>();
    const away = this.away.subscribe((isAway) => {
      if (!isAway) return;
      abandoned();
      given.error(new DatabaseAway());
    });
    work.catch(() => undefined);
    try {
      return await Promise.race([work, firstValueFrom(given)]);
    } finally {
      away.unsubscribe();
    }
  }

  /** Says that a query has just found the database gone. */
  tellAway(): void {
    if (!this.away.value && !this.ended) this.away.next(true);
  }

  private async look(): Promise<void> {
    const answers = await this.answers();
    if (this.ended) return;
    if (this.away.value === answers) this.away.next(!answers);
    this.timer = setTimeout(() => void this.look(), EVERY);
  }

  private async answers(): Promise<boolean> {
    let patience: NodeJS.Timeout | undefined;
    const late = new Promise<boolean>((resolve) => (patience = setTimeout(() => resolve(false), PATIENCE)));
    this.asking ??= this.ask().finally(() => (this.asking = undefined));
    const asked = this.asking;
    const answers = await Promise.race([asked, late]);
    clearTimeout(patience);
    return answers;
  }

  private async ask(): Promise<boolean> {
    const reached = this.database.query("SELECT 1").then(
      () => true,
      () => false,
    );
    const [answers, holds] = await Promise.all([reached, this.lock.holds()]);
    return answers && holds;
  }
}
