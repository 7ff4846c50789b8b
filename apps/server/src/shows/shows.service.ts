import {
  ConflictException,
  HttpException,
  Injectable,
  Logger,
  NotFoundException,
  type OnModuleDestroy,
  ServiceUnavailableException,
} from "@nestjs/common";
import {
  type AppliedSteps,
  type EditInput,
  type Show,
  ShowError,
  type ShowSheet,
  type Step,
  advanceThroughSteps,
  appliedInSlices,
  applyInSlices,
  describeEdits,
  invertInSlices,
  readEdits,
  sheetInSlices,
  applyStepsInSlices,
} from "@zm/core";
import { setTimeout as wait } from "node:timers/promises";
import type { EditEvent, ShowSummary } from "@zm/protocol";
import { Subject, Subscription } from "rxjs";
import { Between, DataSource, type EntityManager, MoreThan } from "typeorm";
import type { RunMove } from "../database/columnTypes.ts";
import { DatabaseWatch } from "../database/databaseWatch.ts";
import { EditRow, ShowRow } from "../database/entities.ts";
import { DatabaseAway, isLost } from "../shared/lost.ts";
import { type EditStep, History } from "./history.ts";
import { Lease } from "../lease/lease.ts";
import { Settings } from "../settings.ts";
import type { Author } from "../shared/author.ts";
import { now } from "../shared/clock.ts";
import { LoadingCache } from "../shared/loadingCache.ts";
import { inSlices, mapInSlices } from "../shared/slices.ts";
import { errorMessage } from "../shared/errorMessage.ts";
import { type OpenShow, type Places, TouchedSince, findConflict, placesOf } from "./openShow.ts";
import { insertPieces, readSteps, readStepsOf, stepTexts } from "./storedSteps.ts";
import { importInThread } from "./importWorker.ts";
import { readShowRows } from "./readRows.ts";
import type { Progress } from "./showRows.ts";
import { writeSteps } from "./stepRows.ts";
import { authorOfRow, conflictAt, eventOf } from "./events.ts";
import { KeptCues } from "./keptCues.ts";

/** What is stored together with an edit, in the same transaction. */
export interface Alongside {
  /** Called last before the edit is confirmed; what it throws takes everything back. */
  readonly write?: (manager: EntityManager) => Promise<void>;
  readonly run?: RunMove;
}

/** An edit that is to be stored: its steps and their outcome. */
interface Change extends Pick<EditRow, "kind" | "ofRevision" | "summary"> {
  readonly steps: readonly Step[];
  /** The number of pieces in which the edit that is taken back or made again keeps its steps; null where it keeps none, and for a new edit. */
  readonly ofPieces: number | null;
  readonly outcome: Outcome;
  readonly author: Author;
}

/** What an edit comes to, computed when it is first asked for. Both throw ShowError where the show is not as its steps expect. */
interface Outcome {
  /** The document after it. */
  readonly show: () => Promise<Show>;
  /** The sheet after it, which is needed only once it is stored. */
  readonly sheet: () => Promise<ShowSheet>;
}

/** An edit that is stored, and what the run has to do with it. */
export interface StoredEdit {
  readonly event: EditEvent;
  readonly steps: readonly Step[];
  /** The bytes of the steps as texts, in pieces, where they are many, for one who takes them away; else empty. */
  readonly pieces: readonly Uint8Array<ArrayBuffer>[];
  readonly run: RunMove | null;
}

/** So many edits are read from the history at once. */
const HISTORY_PAGE = 500;
/** A window that has missed more edits than this opens the show anew, which is quicker. */
const MOST_MISSED = 500;
/** The steps of the edit made last are kept in memory where they are no more than this. */
const MOST_KEPT = 100_000;
/** So many edits since are held against one at a time. */
const CONFLICT_PAGE = 50;
/** So many of the newest requests are known by their names. */
const MOST_REQUESTS = 500;
/** So long somebody waits for work on the database that was under way when it went; milliseconds. */
const LONGEST_STORING = 10_000;

const UNCONFIRMED =
  "The database went away before it confirmed this. If it was stored it will appear here by itself when the database is back; look before you make it again.";

/**
 * The one authority over shows: applies edits one after another, stores the rows they change and the edit itself in one
 * transaction, and only then tells everybody.
 */
@Injectable()
export class ShowsService implements OnModuleDestroy {
  /** Every change that has been stored, in order. */
  readonly changes = new Subject<StoredEdit>();
  /** The number of each show that has been removed. */
  readonly removed = new Subject<number>();
  /** Throws where a show may not be removed now. Set by whoever knows which one is on stage. */
  mayRemove: (id: number) => Promise<void> = () => Promise.resolve();
  private readonly log = new Logger("Shows");
  private readonly open = new LoadingCache<number, OpenShow>();
  private readonly subscription: Subscription;

  constructor(
    private readonly database: DataSource,
    private readonly settings: Settings,
    private readonly watch: DatabaseWatch,
    private readonly kept: KeptCues,
    private readonly lease: Lease,
  ) {
    this.subscription = watch.away.subscribe((away) => {
      if (!away) void this.settleAllDoubts();
    });
  }

  onModuleDestroy(): void {
    this.subscription.unsubscribe();
  }

  async list(): Promise<ShowSummary[]> {
    this.watch.expect();
    const rows = await this.watch.bounded(this.database.manager.find(ShowRow, { order: { id: "ASC" } }));
    return rows.map(({ id, title, revision }) => ({ id, title, revision }));
  }

  /** Reads the document in a file and stores it as a new show, all or nothing; returns its number. `progress` hears how far it is. ShowError comes through for a faulty document. */
  async add(path: string, progress: Progress): Promise<number> {
    this.watch.expect();
    return this.watch.bounded(importInThread(path, this.settings.database, progress));
  }

  /** How a show is called, without opening it; empty for one that is gone. */
  async titleOf(id: number): Promise<string> {
    const open = this.open.get(id);
    if (open) return open.sheet.show.title;
    const row = await this.watch.bounded(this.database.manager.findOneBy(ShowRow, { id }));
    return row?.title ?? "";
  }

  /** Removes a show with its history. Throws NotFoundException where there is none, ConflictException where its name is not the one that is asked for. */
  async remove(id: number, title: string): Promise<void> {
    this.watch.expect();
    await this.mayRemove(id);
    await this.runExclusive(id, async (show) => {
      if (show.sheet.show.title !== title)
        throw new ConflictException(`Show ${id} is called "${show.sheet.show.title}", not "${title}"; nothing was removed`);
      await this.watch.bounded(this.database.manager.delete(ShowRow, { id }));
      this.open.delete(id);
    });
    this.removed.next(id);
  }

  /** The show as it stands now. Throws NotFoundException when there is none with this number. */
  async show(id: number): Promise<OpenShow> {
    const show = await this.open.open(id, () => this.load(id));
    show.asked = now();
    return show;
  }

  /** The shows that are in memory, each with the moment at which it was asked for last, milliseconds. */
  inMemory(): { id: number; asked: number }[] {
    return [...this.open.entries()].map(([id, { asked }]) => ({ id, asked }));
  }

  /** Lets go of a show's memory; it is read again when it is next asked for. One whose newest edit is in doubt stays. */
  release(id: number): void {
    if (this.open.get(id)?.unconfirmed !== false) return;
    this.open.delete(id);
  }

  /** The sheet of a show that is open; undefined for one that is not. */
  openSheet(id: number): ShowSheet | undefined {
    return this.open.get(id)?.sheet;
  }

  /** The revision of a show that is open; 0 for one that is not. */
  revisionOf(id: number): number {
    return this.open.get(id)?.revision ?? 0;
  }

  /** The edits that bring a window from a revision up to now. */
  async editsAfter(id: number, revision: number): Promise<EditEvent[]> {
    const show = await this.show(id);
    if (revision === show.revision) return [];
    if (revision > show.revision) throw new ConflictException("This window knows of edits that the server does not have; reload it");
    if (show.revision - revision > MOST_MISSED)
      throw new ConflictException("This window has missed too many edits to be told of each; it opens the show anew");
    return this.editsSince(show, revision);
  }

  private async editsSince(show: OpenShow, revision: number, last = show.revision): Promise<EditEvent[]> {
    return (await this.storedSince(show, revision, last)).map(({ row, steps }) => eventOf(show, row, steps));
  }

  /** The stored edits behind a revision up to a later one, with their steps. */
  private async storedSince(show: OpenShow, revision: number, last: number): Promise<{ row: EditRow; steps: Step[] }[]> {
    this.watch.expect();
    const rows = await this.watch.bounded(
      this.database.manager.find(EditRow, {
        where: { showId: show.id, revision: Between(revision + 1, last) },
        order: { revision: "ASC" },
      }),
    );
    const steps = await this.watch.bounded(readSteps(this.database.manager, rows));
    return rows.map((row, index) => ({ row, steps: steps[index] ?? [] }));
  }

  /** The edit that a request came to which has been done before; undefined for one that is new. */
  async doneBefore(id: number, request: string | null): Promise<EditEvent | undefined> {
    const show = await this.show(id);
    if (show.unconfirmed) await this.runExclusive(id, (own) => this.reloadStored(own));
    const revision = request === null ? undefined : show.requests.get(request);
    if (revision === undefined) return undefined;
    this.watch.expect();
    const row = await this.watch.bounded(this.database.manager.findOneByOrFail(EditRow, { showId: id, revision }));
    return eventOf(show, row, await this.watch.bounded(readStepsOf(this.database.manager, row)));
  }

  /** True where the request of this name has come to an edit. What was asked for before comes to its end first. Throws DatabaseAway while nobody can know. */
  async isStored(id: number, request: string): Promise<boolean> {
    return this.runExclusive(id, async (show) => {
      this.watch.expect();
      if (show.unconfirmed) await this.reloadStored(show);
      return show.requests.has(request);
    });
  }

  /**
   * Makes edits that were thought out on `base`. Edits by others since then are kept; where they touch the same things
   * this throws ConflictException and nothing is changed. ShowError comes through for edits that cannot be made.
   */
  async edit(id: number, base: number, raw: readonly EditInput[], author: Author, alongside: Alongside = {}): Promise<EditEvent> {
    const edits = readEdits(raw);
    return this.runExclusive(id, async (show) => {
      if (show.unconfirmed) await this.reloadStored(show);
      if (base > show.revision) await this.reloadStored(show);
      const done = await this.doneBefore(id, author.request);
      if (done) return done;
      if (base > show.revision)
        throw new ConflictException("This window knows of edits that the server does not have; reload it and make the edit again");
      const make = async (): Promise<EditEvent> => {
        const { steps, sheet } = await inSlices(applyInSlices(show.sheet, edits));
        if (base < show.revision) await this.refuseConflict(show, base, steps);
        const outcome: Outcome = { show: () => Promise.resolve(sheet.show), sheet: () => Promise.resolve(sheet) };
        const change: Change = { kind: "edit", ofRevision: null, ofPieces: null, summary: describeEdits(edits), steps, outcome, author };
        return this.commit(show, change, alongside);
      };
      try {
        return await make();
      } catch (error) {
        if (!(error instanceof StaleShow)) throw error;
        // Another server has been quicker; its edits have been taken in, and this one is held against them as against any other.
        return await make();
      }
    });
  }

  /** Gives a show another title, as an edit like any other. */
  async rename(id: number, title: string, author: Author): Promise<EditEvent> {
    const { revision } = await this.show(id);
    return this.edit(id, revision, [{ op: "setShow", title }], author);
  }

  /** Takes an edit back, or makes it again, and lets a list stand where it stood, which it tells; only from within `runExclusive`. */
  async stepEdit(
    show: OpenShow,
    step: EditStep,
    what: "undo" | "redo",
    author: Author,
  ): Promise<{ readonly event: EditEvent; readonly run: RunMove | null }> {
    this.watch.expect();
    if (show.unconfirmed) await this.reloadStored(show);
    const row = await this.watch.bounded(this.database.manager.findOneByOrFail(EditRow, { showId: show.id, revision: step.revision }));
    const made =
      show.newest?.revision === step.revision ? show.newest.steps : await this.watch.bounded(readStepsOf(this.database.manager, row));
    const steps = what === "undo" ? await inSlices(invertInSlices(made)) : made;
    const move = row.run && { list: row.run.list, before: row.run.before, after: row.run.after };
    const run = what === "undo" ? move && { ...move, before: move.after, after: move.before } : move;
    const change: Change = {
      kind: what,
      ofRevision: step.revision,
      ofPieces: row.pieces,
      summary: row.summary,
      steps,
      outcome: outcomeOf(show.sheet, steps),
      author,
    };
    return { event: await this.commit(show, change, run ? { run } : {}), run };
  }

  /** Resolves when everything that was asked of every show so far is done. */
  async settled(): Promise<void> {
    await Promise.all([...this.open.entries()].map(([, show]) => show.queue));
  }

  /** Does work on a show when all that was asked for before it is done. */
  async runExclusive<T>(id: number, work: (show: OpenShow) => Promise<T>): Promise<T> {
    const show = await this.show(id);
    const done = show.queue.then(() => work(show));
    show.queue = done.catch(() => undefined);
    return done;
  }

  private async load(id: number): Promise<OpenShow> {
    this.watch.expect();
    const stored = await this.watch.bounded(readShowRows(this.database.manager, id));
    if (!stored) throw new NotFoundException(`There is no show number ${id}`);
    const requests = new Map<string, number>();
    const history = await this.readHistory(id, requests);
    return {
      id,
      sheet: await inSlices(sheetInSlices(stored.show)),
      revision: stored.revision,
      asked: now(),
      history,
      unconfirmed: false,
      requests,
      touched: new TouchedSince(stored.revision),
      newest: undefined,
      storing: Promise.resolve(),
      queue: Promise.resolve(),
    };
  }

  /** The order of undo, from the names of all edits; read in pages, since a show that is worked on for months has many. */
  private async readHistory(id: number, requests: OpenShow["requests"]): Promise<History> {
    const history = new History(id);
    for (let last = 0; ;) {
      const page = await this.watch.bounded(
        this.database.manager.find(EditRow, {
          where: { showId: id, revision: MoreThan(last) },
          order: { revision: "ASC" },
          take: HISTORY_PAGE,
          select: { showId: true, revision: true, kind: true, ofRevision: true, summary: true, madeBy: true, person: true, request: true },
        }),
      );
      for (const row of page) {
        if (row.kind === "edit") history.addEdit(row.revision, row.summary, authorOfRow(row));
        else history.move(row.kind, authorOfRow(row));
        if (row.request !== null) keepRequest(requests, row.request, row.revision);
      }
      last = page.at(-1)?.revision ?? last;
      if (page.length < HISTORY_PAGE) return history;
    }
  }

  private async refuseConflict(show: OpenShow, base: number, steps: readonly Step[]): Promise<void> {
    const { touched } = show;
    const met = touched.findConflict(steps, Math.max(base, touched.from));
    if (met) {
      const [edit] = await this.editsSince(show, met.revision - 1, met.revision);
      throw conflictAt(met.place, edit);
    }
    // What was edited before the show was opened here is read, a page at a time.
    for (let from = base; from < touched.from; from += CONFLICT_PAGE) {
      const since = await this.storedSince(show, from, Math.min(from + CONFLICT_PAGE, touched.from));
      const place = findConflict(
        steps,
        since.flatMap((edit) => edit.steps),
      );
      if (place !== null) throw conflictAt(place, since.at(-1)?.row);
    }
  }

  private async commit(show: OpenShow, change: Change, alongside: Alongside): Promise<EditEvent> {
    if (change.steps.length === 0) throw new ConflictException("This changes nothing: the show already is like that");
    this.watch.expect();
    this.kept.expectFree(show.id, change.steps, change.author);
    // What is stored, told and remembered of the edit is made ready while the database writes what it changes.
    const ready = prepare(show, change, alongside);
    await this.store(show, change, ready, alongside);
    const { row, sheet, told } = await ready;
    return this.taken(show, row, told, sheet, change.author);
  }

  /** Takes a stored edit into memory and tells everybody; nothing here can fail. */
  private async taken(
    show: OpenShow,
    row: EditRow,
    { steps, places, pieces }: ReadyToTell,
    sheet: OpenShow["sheet"],
    author: Author,
  ): Promise<EditEvent> {
    const { revision, kind, summary, run, request } = row;
    await show.touched.add(revision, places);
    show.sheet = sheet;
    show.revision = revision;
    if (kind === "edit") show.history.addEdit(revision, summary, author);
    else show.history.move(kind, author);
    if (request !== null) keepRequest(show.requests, request, revision);
    const event = eventOf(show, row, steps);
    show.newest = steps.length > MOST_KEPT ? undefined : { revision, steps };
    this.changes.next({ event, steps, pieces, run });
    return event;
  }

  private async store(show: OpenShow, { steps, outcome }: Change, ready: Promise<Prepared>, alongside: Alongside): Promise<void> {
    // What goes wrong in it is told where it is waited for; the transaction may have failed before.
    ready.catch(() => undefined);
    let confirming = false;
    let isGivenUp = false;
    const work = this.database.transaction(async (manager: EntityManager) => {
      const { revision } = show;
      const moved = await manager.update(ShowRow, { id: show.id, revision }, { revision: revision + 1 });
      if (moved.affected !== 1) throw new StaleShow();
      await writeSteps(manager, show.id, steps, show.sheet.show, outcome.show);
      const { row, pieces } = await ready;
      await manager.insert(EditRow, row);
      await insertPieces(manager, row, pieces);
      await alongside.write?.(manager);
      await this.lease.fence(manager);
      // A database that hung and wakes must not store what was refused meanwhile.
      if (isGivenUp) throw new DatabaseAway();
      confirming = true;
    });
    show.storing = work.catch(() => undefined);
    try {
      await this.watch.bounded(work, () => (isGivenUp = true));
    } catch (error) {
      if (error instanceof StaleShow) {
        await this.reloadStored(show);
        throw error;
      }
      if (!isLost(error)) throw refusalOf(error, this.log);
      this.watch.tellAway();
      if (!confirming) throw new DatabaseAway(undefined, error);
      show.unconfirmed = true;
      throw new DatabaseAway(UNCONFIRMED, error);
    }
  }

  private async settleAllDoubts(): Promise<void> {
    for (const [, show] of this.open.entries()) {
      if (!show.unconfirmed) continue;
      await this.runExclusive(show.id, async (own) => (own.unconfirmed ? this.reloadStored(own) : undefined)).catch((error: unknown) =>
        this.log.warn(errorMessage(error)),
      );
    }
  }

  /** Takes in the edits that are stored and not known here: one that was never confirmed, or those that another server has made. */
  private async reloadStored(show: OpenShow): Promise<void> {
    this.watch.expect();
    // What was under way when the database went comes to its end first, so that nothing is stored behind this look.
    await Promise.race([show.storing, wait(LONGEST_STORING, undefined, { ref: false })]);
    const rows = await this.watch.bounded(
      this.database.manager.find(EditRow, {
        where: { showId: show.id, revision: MoreThan(show.revision) },
        order: { revision: "ASC" },
      }),
    );
    const all = await this.watch.bounded(readSteps(this.database.manager, rows));
    for (const [index, row] of rows.entries()) {
      const steps = all[index] ?? [];
      const { pieces } = await stepTexts(steps);
      const sheet = await inSlices(applyStepsInSlices(show.sheet, steps));
      await this.taken(show, row, await readyToTell(steps, pieces), sheet, authorOfRow(row));
    }
    show.unconfirmed = false;
  }
}

/** An edit as it is stored, told and remembered. */
interface Prepared {
  readonly row: EditRow;
  /** The pieces in which its steps are stored, where they are many and no other edit keeps them. */
  readonly pieces: readonly string[];
  readonly told: ReadyToTell;
  readonly sheet: ShowSheet;
}

async function prepare(show: OpenShow, change: Change, alongside: Alongside): Promise<Prepared> {
  const { kind, ofRevision, ofPieces, summary, steps, outcome, author } = change;
  const revision = show.revision + 1;
  // First of all, since where the show is not as the steps expect nothing must be stored.
  await outcome.show();
  const texts = await stepTexts(steps);
  // Pieces that the edit keeps which is taken back or made again are not stored once more.
  const stored = ofPieces === null ? texts : { steps: "[]", pieces: [] };
  const ownPieces = stored.pieces.length > 0 ? stored.pieces.length : null;
  const row: EditRow = {
    showId: show.id,
    revision,
    kind,
    ofRevision,
    summary: summary.slice(0, 400),
    steps: stored.steps,
    madeAt: new Date(),
    madeBy: author.window,
    person: author.person,
    run: alongside.run ?? null,
    request: author.request,
    pieces: ofPieces === null ? ownPieces : -ofPieces,
  };
  const told = await readyToTell(steps, texts.pieces);
  return { row, pieces: stored.pieces, told, sheet: await outcome.sheet() };
}

/** What exact steps come to on a sheet. */
function outcomeOf(sheet: ShowSheet, steps: readonly Step[]): Outcome {
  let applying: Promise<AppliedSteps[]> | undefined;
  const applied = (): Promise<AppliedSteps[]> => (applying ??= inSlices(appliedInSlices(sheet.show, steps)));
  return {
    show: async () => (await applied()).at(-1)?.show ?? sheet.show,
    sheet: async () => inSlices(advanceThroughSteps(sheet, await applied())),
  };
}

/** What is told and remembered of an edit that is stored. */
interface ReadyToTell extends Pick<StoredEdit, "steps" | "pieces"> {
  readonly places: Places | null;
}

async function readyToTell(steps: readonly Step[], pieces: readonly string[]): Promise<ReadyToTell> {
  return { steps, places: await placesOf(steps), pieces: await mapInSlices(pieces, (piece) => new TextEncoder().encode(piece)) };
}

/** Keeps the name of a request, and forgets the oldest ones. */
function keepRequest(requests: OpenShow["requests"], request: string, revision: number): void {
  requests.set(request, revision);
  for (const old of requests.keys()) {
    if (requests.size <= MOST_REQUESTS) return;
    requests.delete(old);
  }
}

/** Another server has changed the show; its edits have been taken in since. Nothing was changed here. */
class StaleShow extends ConflictException {
  constructor() {
    super("The show has been changed elsewhere meanwhile. Nothing was changed here; look at it and do it again.");
  }
}

/** What refuses an edit by itself goes through; anything else is the database not taking it. */
function refusalOf(error: unknown, log: Logger): Error {
  if (error instanceof HttpException || error instanceof ShowError) return error;
  log.error(errorMessage(error));
  return new ServiceUnavailableException("The database did not take the edit. Nothing was changed; try again.");
}
