import { ConflictException, Injectable, Logger, type OnModuleDestroy } from "@nestjs/common";
import {
  type Fired,
  type Firing,
  type ListClock,
  type ListSheet,
  type Playback,
  ShowError,
  afterFiring,
  cueAt,
  cueOrder,
  cueNumberAt,
  findRow,
  fireDue,
  holdClock,
  idlePlayback,
  isDone,
  listOf,
  listTime,
  nextRow,
  playbackCheck,
  previousRow,
  renamingOf,
  resumeClock,
  rowOf,
  standAt,
} from "@zm/core";
import type { EditEvent, PressRequest, RunEvent, RunState } from "@zm/protocol";
import { Subject, Subscription } from "rxjs";
import { DataSource, type EntityManager } from "typeorm";
import type { RunMove } from "../database/columnTypes.ts";
import { DatabaseWatch } from "../database/databaseWatch.ts";
import { RunRow } from "../database/entities.ts";
import { isLost } from "../database/lost.ts";
import { now } from "../shared/clock.ts";
import { LoadingCache } from "../shared/loadingCache.ts";
import { wordsOf } from "../shared/wordsOf.ts";
import { ShowsService } from "../shows/shows.service.ts";

interface Running {
  state: RunState;
  /** The revision of the show over which the newest change was computed. */
  revision: number;
  timer: NodeJS.Timeout | undefined;
  /** The newest write of where the list stands, behind which the next one waits; and whether what stands is stored. */
  writing: Promise<void>;
  stored: boolean;
}

/** The running show: what was fired when. Windows compute the picture from it with the same core. */
@Injectable()
export class RunService implements OnModuleDestroy {
  /** Every change of a running list. */
  readonly changes = new Subject<RunEvent>();
  /** The number of each show whose list has gone on to another cue. */
  readonly fired = new Subject<number>();
  private readonly log = new Logger("Run");
  private readonly running = new LoadingCache<string, Running>();
  private readonly subscriptions = new Subscription();

  constructor(
    private readonly shows: ShowsService,
    private readonly database: DataSource,
    watch: DatabaseWatch,
  ) {
    // Behind the edit itself, so that windows have the cues under their new numbers when they hear of the list.
    this.subscriptions.add(this.shows.changes.subscribe((edit) => queueMicrotask(() => this.followNumbers(edit))));
    this.subscriptions.add(this.shows.removed.subscribe((show) => this.release(show)));
    this.subscriptions.add(
      watch.away.subscribe((away) => {
        if (!away) for (const [, run] of this.running.entries()) if (!run.stored) this.remember(run);
      }),
    );
  }

  onModuleDestroy(): void {
    this.subscriptions.unsubscribe();
    for (const [, run] of this.running.entries()) clearTimeout(run.timer);
  }

  /** Where a list stands. */
  async state(showId: number, listId?: string): Promise<RunState> {
    const list = await this.list(showId, listId);
    return (await this.run(showId, list)).state;
  }

  /** Presses something. Throws ConflictException when it cannot be done as things stand; then nothing has happened. */
  async press(showId: number, { press, cue, time, list: listId }: PressRequest): Promise<RunEvent> {
    const list = await this.list(showId, listId);
    const run = await this.run(showId, list);
    const { playback, clock } = run.state;
    const resumed = clock.held ? resumeClock(clock, now()) : clock;
    if (press === "hold") return this.set(run, list, { playback, firings: [] }, clock.held ? resumed : holdClock(clock, now()));
    if (press === "go" && clock.held) return this.set(run, list, { playback, firings: [] }, resumed);
    const at = listTime(resumed, now());
    const due = fireDue(playback, list, at);
    const firing = firingOf(due.playback, list, { press, cue, time }, at);
    const fired = { playback: afterFiring(due.playback, list, firing), firings: [...due.firings, firing] };
    const event = this.set(run, list, fired, resumed);
    this.fired.next(showId);
    return event;
  }

  /** Makes sure that a list's run is in memory, so that what follows needs no database. */
  async ready(showId: number, listId: string): Promise<void> {
    await this.run(showId, await this.list(showId, listId));
  }

  /** Throws ConflictException when a list no longer stands in the cue that a window saw on stage. Only once it is `ready`. */
  expect(showId: number, listId: string, cue: string | null): void {
    const stands = this.running.get(`${showId}/${listId}`)?.state.playback.cue ?? null;
    if (stands !== cue)
      throw new ConflictException(
        `The list has gone on to cue ${stands ?? "none"} meanwhile, and this was meant for ${cue === null ? "the stage before the first cue" : `cue ${cue}`}. Nothing was changed; look at it and do it again.`,
      );
  }

  /** Lets a list stand where an edit has left it: the running fades go on and end in the edited look. A list that has gone on is left alone. */
  async settle(showId: number, { list: listId, before, after }: RunMove): Promise<RunEvent> {
    const list = await this.list(showId, listId);
    const run = await this.run(showId, list);
    const { playback, clock } = run.state;
    const gone = after !== null && findRow(list, after) < 0;
    if (playback.cue !== before || gone) return eventOf(run.state, list, run.revision, []);
    const firing: Firing = { do: "settle", cue: after, at: listTime(clock, now()) };
    return this.set(run, list, { playback: afterFiring(playback, list, firing), firings: [firing] }, clock);
  }

  /** True when no list of a show is on its way: no fade runs, no follow waits, and where it stands is stored. */
  isAtRest(showId: number): boolean {
    return [...this.running.entries()].every(([, { state, stored }]) => state.show !== showId || (stored && isSettled(state)));
  }

  /** Lets go of the memory of a show's lists; where they stand is read again when they are next asked for. */
  release(showId: number): void {
    for (const [name, run] of this.running.entries()) {
      if (run.state.show !== showId) continue;
      clearTimeout(run.timer);
      this.running.delete(name);
    }
  }

  /** Writes where a list will stand, in the transaction of the edit that it belongs to. */
  async writePlace(manager: EntityManager, showId: number, { list, after }: RunMove): Promise<void> {
    await upsertPlace(manager, showId, list, after);
  }

  private async list(showId: number, listId?: string): Promise<ListSheet> {
    return listOf((await this.shows.show(showId)).sheet, listId);
  }

  private run(showId: number, list: ListSheet): Promise<Running> {
    return this.running.open(`${showId}/${list.id}`, () => this.begin(showId, list));
  }

  /** After a restart the stage stands where it stood, and waits for a Go. With the database away it begins before the first cue. */
  private async begin(showId: number, list: ListSheet): Promise<Running> {
    const stored = await this.database.manager.findOneBy(RunRow, { showId, listId: list.id }).catch((error: unknown) => {
      if (!isLost(error)) throw error;
      this.log.warn("The database is away, so where the list stood is not known; it begins before its first cue");
      return null;
    });
    const row = stored?.cue === null || stored?.cue === undefined ? -1 : findRow(list, cueNumberAt(stored.cue));
    const idle = idlePlayback(list.id);
    const playback = row < 0 ? idle : standAt(idle, list, row, 0);
    return {
      state: { show: showId, turn: Math.floor(now()), playback, clock: { at: now(), seconds: 0, held: false } },
      revision: 0,
      timer: undefined,
      writing: Promise.resolve(),
      stored: true,
    };
  }

  private set(run: Running, list: ListSheet, { playback, firings }: Fired, clock: ListClock): RunEvent {
    const before = run.state;
    run.state = { show: before.show, turn: before.turn + 1, playback, clock };
    run.revision = this.shows.revisionOf(before.show);
    clearTimeout(run.timer);
    this.awaitFollow(run, list.id);
    if (playback.cue !== before.playback.cue) this.remember(run);
    const event = eventOf(run.state, list, run.revision, firings);
    this.changes.next(event);
    return event;
  }

  private awaitFollow(run: Running, listId: string): void {
    const { playback, clock, show } = run.state;
    if (!playback.follow || clock.held) return;
    const wait = Math.max(0, playback.follow.at - listTime(clock, now())) * 1000;
    run.timer = setTimeout(() => {
      this.follow(run, show, listId).catch((error: unknown) => this.log.error(wordsOf(error)));
    }, wait);
  }

  private async follow(run: Running, showId: number, listId: string): Promise<void> {
    const list = await this.list(showId, listId);
    if (run.state.clock.held) return;
    this.set(run, list, fireDue(run.state.playback, list, listTime(run.state.clock, now())), run.state.clock);
    this.fired.next(showId);
  }

  /** Cues that take other numbers stay the cues that they are: the list stands in the same one and waits for the same one. */
  private followNumbers({ show, steps }: EditEvent): void {
    for (const step of steps) {
      if (step.at !== "renumber") continue;
      const run = this.running.get(`${show}/${step.list}`);
      const list = this.shows.openSheet(show)?.lists.get(step.list);
      const firing = run && renamingOf(run.state.playback, new Map(step.cues.map(({ from, to }) => [from, to])));
      if (!run || !list || !firing) continue;
      this.set(run, list, { playback: afterFiring(run.state.playback, list, firing), firings: [firing] }, run.state.clock);
    }
  }

  /** Stored beside the show, one write behind the other; the stage does not wait for the database. */
  private remember(run: Running): void {
    run.stored = false;
    run.writing = run.writing.then(async () => {
      if (run.stored) return;
      const { playback, show } = run.state;
      try {
        await upsertPlace(this.database.manager, show, playback.list, playback.cue);
        run.stored = run.state.playback.cue === playback.cue;
      } catch (error) {
        this.log.warn(`Where the list stands could not be stored: ${wordsOf(error)}`);
      }
    });
  }
}

/** True when every key has reached what it was told, and nothing fires by itself. */
function isSettled({ playback, clock }: RunState): boolean {
  if (playback.follow || clock.held) return false;
  const time = listTime(clock, now());
  return Object.values(playback.tracks).every((track) => isDone(track, time));
}

async function upsertPlace(manager: EntityManager, showId: number, listId: string, cue: string | null): Promise<void> {
  await manager.upsert(RunRow, { showId, listId, cue: cue === null ? null : cueOrder(cue) }, ["showId", "listId"]);
}

/** What a press fires as things stand. Throws ConflictException where it cannot be done. */
function firingOf(
  playback: Playback,
  list: ListSheet,
  { press, cue, time }: Pick<PressRequest, "press" | "cue" | "time">,
  at: number,
): Firing {
  if (press === "goto") {
    if (cue === undefined) throw new ShowError("Go to which cue? Give its number");
    return { do: "goto", cue: cueAt(list, rowOf(list, cue)).number, at, time };
  }
  if (press === "back") {
    const back = previousRow(playback, list);
    if (back < 0) throw new ConflictException("There is no cue before this one");
    return { do: "back", cue: cueAt(list, back).number, at };
  }
  const row = nextRow(playback, list);
  if (row < 0) throw new ConflictException("This is the last cue; there is none to go to");
  const next = cueAt(list, row).number;
  if (cue !== undefined && cue !== next) throw new ConflictException(`Cue ${cue} has already gone; the next is ${next}`);
  return { do: "next", cue: next, at };
}

function eventOf({ show, turn, playback, clock }: RunState, list: ListSheet, revision: number, firings: readonly Firing[]): RunEvent {
  const { cue, follow } = playback;
  return { show, list: list.id, turn, revision, firings: [...firings], clock, cue, follow, check: playbackCheck(playback, list.keys) };
}
