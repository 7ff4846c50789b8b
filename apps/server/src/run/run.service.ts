import { ConflictException, Injectable, Logger, type OnModuleDestroy } from "@nestjs/common";
import {
  type ListClock,
  type ListSheet,
  type Playback,
  ShowError,
  advance,
  cueAt,
  cueOrder,
  cueNumberAt,
  findRow,
  fireNext,
  goBack,
  goTo,
  holdClock,
  idlePlayback,
  listOf,
  listTime,
  nextRow,
  resumeClock,
  rowOf,
  standAt,
} from "@zm/core";
import { Subject } from "rxjs";
import { DataSource } from "typeorm";
import { RunRow } from "../database/entities.ts";
import { ShowsService } from "../shows/shows.service.ts";
import type { PressDto } from "./run.dto.ts";

/** A running list as every window sees it. */
export interface RunState {
  readonly show: number;
  readonly playback: Playback;
  readonly clock: ListClock;
}

interface Running {
  state: RunState;
  timer: NodeJS.Timeout | undefined;
}

/** The running show: what was fired when. Windows compute the picture from it with the same core. */
@Injectable()
export class RunService implements OnModuleDestroy {
  /** Every change of a running list. */
  readonly news = new Subject<RunState>();
  /** The number of each show whose list has gone on to another cue. */
  readonly went = new Subject<number>();
  private readonly log = new Logger("Run");
  private readonly running = new Map<string, Promise<Running>>();

  constructor(
    private readonly shows: ShowsService,
    private readonly database: DataSource,
  ) {}

  async onModuleDestroy(): Promise<void> {
    for (const opening of this.running.values()) clearTimeout((await opening).timer);
  }

  /** Where a list stands. */
  async state(showId: number, listId?: string): Promise<RunState> {
    const list = await this.list(showId, listId);
    return (await this.run(showId, list)).state;
  }

  /** Presses something. Throws ConflictException when it cannot be done as things stand; then nothing has happened. */
  async press(showId: number, { press, cue, time, list: listId }: PressDto): Promise<RunState> {
    const list = await this.list(showId, listId);
    const run = await this.run(showId, list);
    if (press === "hold")
      return this.set(
        run,
        list,
        run.state.playback,
        run.state.clock.held ? resumeClock(run.state.clock, now()) : holdClock(run.state.clock, now()),
      );
    const clock = run.state.clock.held ? resumeClock(run.state.clock, now()) : run.state.clock;
    if (press === "go" && run.state.clock.held) return this.set(run, list, run.state.playback, clock);
    const at = listTime(clock, now());
    const playback = fire(advance(run.state.playback, list, at), list, { press, cue, time }, at);
    const state = this.set(run, list, playback, clock);
    if (press !== "stand") this.went.next(showId);
    return state;
  }

  private async list(showId: number, listId?: string): Promise<ListSheet> {
    return listOf((await this.shows.show(showId)).sheet, listId);
  }

  private run(showId: number, list: ListSheet): Promise<Running> {
    const name = `${showId}/${list.id}`;
    const known = this.running.get(name) ?? this.begin(showId, list);
    this.running.set(name, known);
    return known;
  }

  /** After a restart the stage stands where it stood, and waits for a Go. */
  private async begin(showId: number, list: ListSheet): Promise<Running> {
    const stored = await this.database.manager.findOneBy(RunRow, { showId, listId: list.id });
    const row = stored?.cue === null || stored?.cue === undefined ? -1 : findRow(list, cueNumberAt(stored.cue));
    const idle = idlePlayback(list.id);
    const playback = row < 0 ? idle : standAt(idle, list, row, 0);
    return { state: { show: showId, playback, clock: { at: now(), seconds: 0, held: false } }, timer: undefined };
  }

  private set(run: Running, list: ListSheet, playback: Playback, clock: ListClock): RunState {
    const before = run.state;
    run.state = { show: before.show, playback, clock };
    clearTimeout(run.timer);
    this.awaitFollow(run, list.id);
    if (playback.cue !== before.playback.cue) this.remember(before.show, playback);
    this.news.next(run.state);
    return run.state;
  }

  private awaitFollow(run: Running, listId: string): void {
    const { playback, clock, show } = run.state;
    if (!playback.follow || clock.held) return;
    const wait = Math.max(0, playback.follow.at - listTime(clock, now())) * 1000;
    run.timer = setTimeout(() => {
      this.follow(run, show, listId).catch((error: unknown) => this.log.error(error instanceof Error ? error.message : String(error)));
    }, wait);
  }

  private async follow(run: Running, showId: number, listId: string): Promise<void> {
    const list = await this.list(showId, listId);
    if (run.state.clock.held) return;
    this.set(run, list, advance(run.state.playback, list, listTime(run.state.clock, now())), run.state.clock);
    this.went.next(showId);
  }

  /** Stored beside the show; the stage does not wait for the database. */
  private remember(showId: number, playback: Playback): void {
    const cue = playback.cue === null ? null : cueOrder(playback.cue);
    this.database.manager.upsert(RunRow, { showId, listId: playback.list, cue }, ["showId", "listId"]).catch((error: unknown) => {
      this.log.warn(`Where the list stands could not be stored: ${error instanceof Error ? error.message : String(error)}`);
    });
  }
}

function fire(playback: Playback, list: ListSheet, { press, cue, time }: Pick<PressDto, "press" | "cue" | "time">, at: number): Playback {
  if (press === "goto") {
    if (cue === undefined) throw new ShowError("Go to which cue? Give its number");
    return goTo(playback, list, cue, at, time);
  }
  if (press === "stand") {
    if (cue === undefined) throw new ShowError("Stand at which cue? Give its number");
    return standAt(playback, list, rowOf(list, cue), at);
  }
  if (press === "back") {
    const back = goBack(playback, list, at);
    if (!back) throw new ConflictException("There is no cue before this one");
    return back;
  }
  const row = nextRow(playback, list);
  if (row < 0) throw new ConflictException("This is the last cue; there is none to go to");
  const next = cueAt(list, row).number;
  if (cue !== undefined && cue !== next) throw new ConflictException(`Cue ${cue} has already gone; the next is ${next}`);
  return fireNext(playback, list, row, at);
}

/** Milliseconds of the server's clock, which never goes backwards. */
export function now(): number {
  return performance.timeOrigin + performance.now();
}
