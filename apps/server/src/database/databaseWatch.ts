import { Injectable, type OnModuleDestroy } from "@nestjs/common";
import { BehaviorSubject } from "rxjs";
import { DataSource } from "typeorm";
import { DatabaseAway } from "./lost.ts";

/** How often the database is asked whether it is there, and how long it may take to answer; milliseconds. */
const EVERY = 1000;
const PATIENCE = 3000;

/** Knows whether the database answers, so that what needs it is refused at once and in words while it does not. */
@Injectable()
export class DatabaseWatch implements OnModuleDestroy {
  /** True while the database does not answer. */
  readonly away = new BehaviorSubject(false);
  private timer: NodeJS.Timeout;
  private ended = false;

  constructor(private readonly database: DataSource) {
    this.timer = setTimeout(() => void this.look(), EVERY);
  }

  onModuleDestroy(): void {
    this.ended = true;
    clearTimeout(this.timer);
    this.away.complete();
  }

  /** Throws DatabaseAway while the database does not answer. */
  expect(): void {
    if (this.away.value) throw new DatabaseAway();
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
    const asked = this.database.query("SELECT 1").then(
      () => true,
      () => false,
    );
    const answers = await Promise.race([asked, late]);
    clearTimeout(patience);
    return answers;
  }
}
