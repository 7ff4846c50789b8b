import { randomUUID } from "node:crypto";
import { join } from "node:path";
import { ConflictException, Injectable, Logger, NotFoundException, type OnModuleDestroy } from "@nestjs/common";
import { type LogEntry, groupBy, logEntries, writeLogCsv } from "@zm/core";
import type { ChangeRunRequest, LoggedRunReply, RunEvent, RunSummary, RunsReply } from "@zm/protocol";
import { Subject, Subscription } from "rxjs";
import { DataSource, type EntityManager, In } from "typeorm";
import { DatabaseWatch } from "../database/databaseWatch.ts";
import { LogRow, RunRow, ShowRow } from "../database/entities.ts";
import { isLost } from "../shared/lost.ts";
import { insertRows } from "../database/rows.ts";
import { RunService } from "../run/run.service.ts";
import { Settings } from "../settings.ts";
import { now } from "../shared/clock.ts";
import { errorMessage } from "../shared/errorMessage.ts";
import { ShowsService } from "../shows/shows.service.ts";
import { LogFile, WINDOW, type WaitingEntry, type WaitingItem } from "./logFile.ts";

/** After so long without a cue the next belongs to another run. Milliseconds. */
const LONGEST_PAUSE = 6 * 3_600_000;
/** So many of the newest runs are given for times between cues: ten count, and some have not fired all. */
const NEWEST = 20;
/** What was fired is stored so soon after it, together with what comes at the same time. Milliseconds. */
const SOON = 50;
const MOST_AT_ONCE = 500;
/** Steps of a chase are counted in the log so often; milliseconds. */
const COUNTING = 5000;

/** The newest run of a show. */
interface NewestRun {
  readonly id: number;
  /** Who began it; null where it began by itself. */
  readonly owner: string | null;
  last: number;
  /** The place of its newest entry. */
  place: number;
  fresh: boolean;
  ended: boolean;
}

/** A caller that has said nothing for so long has gone, and its run is over. Milliseconds. */
const CALLER_GONE = 10 * 60_000;

/** Keeps what was fired, when and by whom, as runs. What the database cannot take now waits in a file. */
@Injectable()
export class RunLogService implements OnModuleDestroy {
  /** The number of each show whose log has more in it. */
  readonly changes = new Subject<number>();
  private readonly log = new Logger("RunLog");
  private readonly subscriptions = new Subscription();
  private readonly file: LogFile;
  private waiting: WaitingItem[];
  private storing: Promise<void> | null = null;
  private timer: NodeJS.Timeout | undefined;
  /** By show: where its first list stood after the newest event. */
  private readonly stood = new Map<number, string | null>();
  /** By show and list, its newest entry, and how many steps it has made by itself since: all, and those that were told. */
  private readonly chases = new Map<string, { show: number; id: string; steps: number; written: number }>();
  private counting: NodeJS.Timeout | undefined;

  constructor(
    private readonly database: DataSource,
    private readonly shows: ShowsService,
    private readonly watch: DatabaseWatch,
    private readonly runs: RunService,
    settings: Settings,
  ) {
    this.file = new LogFile(join(settings.runs, "runlog.jsonl"));
    this.waiting = this.file.read();
    this.subscriptions.add(this.runs.changes.subscribe((event) => this.hear(event)));
    this.subscriptions.add(this.watch.away.subscribe((away) => (away ? undefined : this.storeSoon())));
  }

  async onModuleDestroy(): Promise<void> {
    this.subscriptions.unsubscribe();
    clearTimeout(this.counting);
    this.tellCounts();
    clearTimeout(this.timer);
    await this.store().catch(() => undefined);
  }

  /** The runs of a show, the newest first. */
  async all(show: number): Promise<RunsReply> {
    await this.ready(show);
    const rows: SummaryRow[] = await this.database.query(
      `SELECT runs.id, runs.name, runs.began, runs.speed, runs.owner, runs.counts, runs.ended, MAX(run_log.at) AS newest, COUNT(run_log.cue) AS cues
        FROM runs LEFT JOIN run_log ON run_log.run_id = runs.id WHERE runs.show_id = ? GROUP BY runs.id ORDER BY runs.began DESC, runs.id DESC LIMIT 500`,
      [show],
    );
    const runs = rows.map(({ newest, ended, cues, counts, owner, ...row }, index) => ({
      ...row,
      ended: newest ?? row.began,
      cues: Number(cues),
      counts: Boolean(counts),
      begun: begunBy(owner),
      open: index === 0 && owner !== null && ended === null,
    }));
    return { runs, waiting: this.waiting.filter((item) => item.show === show).length };
  }

  /** The newest runs of a show that count, with their entries. */
  async newest(show: number): Promise<LoggedRunReply[]> {
    await this.ready(show);
    const rows = await this.database.manager.find(RunRow, {
      where: { showId: show, speed: 1, counts: true },
      order: { began: "DESC", id: "DESC" },
      take: NEWEST,
    });
    return this.withEntries(rows);
  }

  /** One run with its entries. Throws NotFoundException. */
  async run(show: number, id: number): Promise<LoggedRunReply> {
    await this.ready(show);
    const [found] = await this.withEntries([await this.rowOf(show, id)]);
    if (!found) throw new NotFoundException(`There is no run number ${id}`);
    return found;
  }

  /**
   * Begins a run; what is fired from now on belongs to it, until it is ended. `owner` is the address of a caller. Throws ConflictException where a caller reads the play:
   * its run ends when it leaves.
   */
  async begin(show: number, name: string, speed: number, owner = WINDOW): Promise<RunsReply> {
    await this.shows.show(show);
    if (owner === WINDOW && !this.watch.away.value) await this.refuseWhileCalled(show);
    this.add([{ show, begins: { name: name.trim(), speed, at: now(), owner } }]);
    await this.store();
    this.changes.next(show);
    return this.all(show);
  }

  private async refuseWhileCalled(show: number): Promise<void> {
    await this.store();
    const run = await newestRun(this.database.manager, show);
    if (run && isCalled(run, now()))
      throw new ConflictException("A caller reads the play: what is fired belongs to its run until it leaves. Begin one of your own then");
  }

  /** Ends the run that a caller began; nothing where it has none that is open. Left out, the owner is whichever caller is there. */
  async callerLeft(show: number, owner: string | null = null): Promise<void> {
    this.add([{ show, ends: { owner, at: now() } }]);
    await this.store();
    this.changes.next(show);
  }

  /** Names a run, ends it, or says whether its times count. Throws ConflictException for one that was called at another pace. */
  async change(show: number, id: number, { name, counts, ends }: ChangeRunRequest): Promise<RunsReply> {
    await this.ready(show);
    const row = await this.rowOf(show, id);
    if (counts === true && row.speed !== 1)
      throw new ConflictException(`This run was called ${row.speed} times as fast as the play is spoken, so its times cannot count`);
    const change = {
      // Null says as much as leaving it out.
      ...(typeof name === "string" ? { name: name.trim() } : {}),
      ...(typeof counts === "boolean" ? { counts } : {}),
      ...(ends && row.ended === null ? { ended: now() } : {}),
    };
    if (Object.keys(change).length > 0) await this.database.manager.update(RunRow, { id }, change);
    this.changes.next(show);
    return this.all(show);
  }

  async remove(show: number, id: number): Promise<RunsReply> {
    await this.ready(show);
    await this.rowOf(show, id);
    await this.database.manager.delete(RunRow, { id });
    this.changes.next(show);
    return this.all(show);
  }

  /** All runs of a show, or one, as a table. */
  async csv(show: number, id?: number): Promise<string> {
    await this.ready(show);
    const where = id === undefined ? { showId: show } : { showId: show, id };
    const rows = await this.database.manager.find(RunRow, { where, order: { began: "DESC", id: "DESC" } });
    const { sheet } = await this.shows.show(show);
    return writeLogCsv(sheet, await this.withEntries(rows), (at) => new Date(at).toISOString());
  }

  /** Makes sure that the show is there and that what was fired is in the database. */
  private async ready(show: number): Promise<void> {
    await this.shows.show(show);
    this.watch.expect();
    await this.store();
  }

  private async rowOf(show: number, id: number): Promise<RunRow> {
    const row = await this.database.manager.findOneBy(RunRow, { id, showId: show });
    if (!row) throw new NotFoundException(`There is no run number ${id} of this show`);
    return row;
  }

  private async withEntries(rows: readonly RunRow[]): Promise<LoggedRunReply[]> {
    if (rows.length === 0) return [];
    const entries = await this.database.manager.find(LogRow, {
      where: { runId: In(rows.map(({ id }) => id)) },
      order: { at: "ASC", place: "ASC" },
    });
    const byRun = groupBy(entries, ({ runId }) => runId);
    return rows.map(({ id, name, began, speed, owner, counts }) => ({
      id,
      name,
      began,
      speed,
      begun: begunBy(owner),
      counts,
      entries: (byRun.get(id) ?? []).map(({ at, list, cue, how, by, who, steps }) => ({
        at,
        list,
        cue,
        how,
        by,
        who,
        ...(steps === null ? {} : { steps }),
      })),
    }));
  }

  private hear(event: RunEvent): void {
    const [first = ""] = Object.keys(event.cues);
    const before = this.stood.get(event.show);
    this.stood.set(event.show, event.cues[first] ?? null);
    const entries = this.withoutSteps(event.show, logEntries(event, first));
    // What a chase has counted belongs to the entry before the one that comes now.
    if (entries.some(({ list }) => this.chases.has(`${event.show} ${list}`))) this.tellCounts();
    let opens = before === null;
    this.add(
      entries.map((entry) => {
        const begins = opens && entry.list === first && entry.how === "next";
        if (begins) opens = false;
        const id = randomUUID();
        this.chases.set(`${event.show} ${entry.list}`, { show: event.show, id, steps: 0, written: 0 });
        return { show: event.show, id, entry: { ...entry, who: entry.who.slice(0, 64) }, opens: begins };
      }),
    );
  }

  /** The entries without the steps that lists have made by themselves: these are counted with the entry before them, however many there are. */
  private withoutSteps(show: number, entries: readonly LogEntry[]): LogEntry[] {
    return entries.filter(({ list, isStep = false }) => {
      const chase = isStep ? this.chases.get(`${show} ${list}`) : undefined;
      if (!chase) return true;
      chase.steps += 1;
      this.counting ??= setTimeout(() => this.tellCounts(), COUNTING);
      return false;
    });
  }

  private tellCounts(): void {
    clearTimeout(this.counting);
    this.counting = undefined;
    const counted: WaitingItem[] = [];
    for (const chase of this.chases.values()) {
      if (chase.steps === chase.written) continue;
      chase.written = chase.steps;
      counted.push({ show: chase.show, counted: { id: chase.id, steps: chase.steps } });
    }
    this.add(counted);
  }

  private add(items: readonly WaitingItem[]): void {
    if (items.length === 0) return;
    this.waiting = [...this.waiting, ...items];
    try {
      this.file.add(items);
    } catch (error) {
      this.log.warn(`What was fired could not be written down: ${errorMessage(error)}`);
    }
    this.storeSoon();
  }

  private storeSoon(): void {
    clearTimeout(this.timer);
    this.timer = setTimeout(() => {
      // Where the database is away it says so itself, and is told when it is back.
      this.store().catch((error: unknown) =>
        isLost(error) ? undefined : this.log.warn(`The run log could not be stored: ${errorMessage(error)}`),
      );
    }, SOON);
  }

  /** Stores what waits, in its order. */
  private async store(): Promise<void> {
    while (this.storing) await this.storing;
    if (this.waiting.length === 0 || this.watch.away.value) return;
    this.storing = this.storeWaiting().finally(() => (this.storing = null));
    await this.storing;
  }

  private async storeWaiting(): Promise<void> {
    while (this.waiting.length > 0) {
      const items = this.waiting.slice(0, MOST_AT_ONCE);
      await this.database.transaction((manager) => storeItems(manager, items));
      this.waiting = this.waiting.slice(items.length);
      try {
        this.file.keep(this.waiting);
      } catch (error) {
        this.log.warn(`What was stored of the run log is still written down: ${errorMessage(error)}`);
      }
      for (const show of new Set(items.map((item) => item.show))) this.changes.next(show);
    }
  }
}

/** Stores entries in their order, each in its run. What was stored before, and what belongs to a show that is gone, is left out. */
async function storeItems(manager: EntityManager, items: readonly WaitingItem[]): Promise<void> {
  const ids = items.flatMap((item) => ("id" in item ? [item.id] : []));
  const known = new Set((await manager.find(LogRow, { select: { id: true }, where: { id: In(ids) } })).map(({ id }) => id));
  const shows = new Set(
    (await manager.find(ShowRow, { select: { id: true }, where: { id: In([...new Set(items.map(({ show }) => show))]) } })).map(
      ({ id }) => id,
    ),
  );
  const open = new Map<number, NewestRun>();
  const rows: LogRow[] = [];
  for (const item of items) {
    if (!shows.has(item.show)) continue;
    if ("begins" in item) {
      const { name, speed, at, owner } = item.begins;
      const before = open.get(item.show) ?? (await newestRun(manager, item.show));
      // Where two read at once, what is fired belongs to neither alone.
      const isAlone = !before || owner === before.owner || !isCalled(before, at);
      if (before && !before.ended) await manager.update(RunRow, { id: before.id }, { ended: at });
      open.set(item.show, await newRun(manager, { showId: item.show, began: at, name, speed, owner, counts: speed === 1 && isAlone }));
      continue;
    }
    if ("ends" in item) {
      const run = open.get(item.show) ?? (await newestRun(manager, item.show));
      if (!run || run.ended || begunBy(run.owner) !== "caller" || (item.ends.owner ?? run.owner) !== run.owner) continue;
      await manager.update(RunRow, { id: run.id }, { ended: item.ends.at });
      open.set(item.show, { ...run, ended: true });
      continue;
    }
    if ("counted" in item) {
      await insertRows(manager, LogRow, rows.splice(0));
      await manager.update(LogRow, { id: item.counted.id }, { steps: item.counted.steps });
      continue;
    }
    if (known.has(item.id)) continue;
    const { at } = item.entry;
    const now = open.get(item.show) ?? (await newestRun(manager, item.show));
    const run =
      !now || beginsAnother(now, item)
        ? await newRun(manager, { showId: item.show, began: at, name: "", speed: 1, owner: null, counts: false })
        : now;
    run.last = at;
    run.fresh = false;
    run.place += 1;
    open.set(item.show, run);
    rows.push({ id: item.id, runId: run.id, place: run.place, ...item.entry, steps: null });
  }
  await insertRows(manager, LogRow, rows);
}

/**
 * True for a cue that begins a run of its own: a run that somebody began goes on until it is ended, whatever is let go of between; one by itself, until the list
 * begins from nothing.
 */
function beginsAnother(now: NewestRun, { entry, opens }: WaitingEntry): boolean {
  // What nobody pressed is of the run of whoever pressed before it, even where that has just been ended.
  if (entry.cue === null || entry.by === "follow" || entry.by === "action") return false;
  return now.ended || (now.owner === null && opens && !now.fresh) || entry.at - now.last > LONGEST_PAUSE;
}

async function newRun(manager: EntityManager, run: Omit<RunRow, "id" | "ended">): Promise<NewestRun> {
  const { id, owner, began } = await manager.save(manager.create(RunRow, { ...run, ended: null }));
  return { id, owner, last: began, place: 0, fresh: true, ended: false };
}

/** What the query for all runs gives of one. */
interface SummaryRow extends Pick<RunSummary, "id" | "name" | "began" | "speed"> {
  readonly owner: string | null;
  readonly counts: number;
  readonly ended: number | null;
  readonly newest: number | null;
  readonly cues: number | string;
}

function begunBy(owner: string | null): RunSummary["begun"] {
  if (owner === null) return "itself";
  return owner === WINDOW ? "window" : "caller";
}

/** True for the run of a caller that reads on: it has not ended it, and something was fired lately. */
function isCalled(run: NewestRun, at: number): boolean {
  return begunBy(run.owner) === "caller" && !run.ended && at - run.last < CALLER_GONE;
}

/** The run of a show that was begun last; `fresh` where nothing was fired in it yet. */
async function newestRun(manager: EntityManager, showId: number): Promise<NewestRun | undefined> {
  const row = await manager.findOne(RunRow, { where: { showId }, order: { began: "DESC", id: "DESC" } });
  if (!row) return undefined;
  const newest = await manager.findOne(LogRow, { where: { runId: row.id }, order: { at: "DESC" } });
  const place = (await manager.maximum(LogRow, "place", { runId: row.id })) ?? 0;
  return { id: row.id, owner: row.owner, last: newest?.at ?? row.began, place, fresh: newest === null, ended: row.ended !== null };
}
