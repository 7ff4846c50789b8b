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
  type EditInput,
  type Show,
  ShowError,
  type ShowSheet,
  type Step,
  applyEdits,
  describeEdits,
  invertSteps,
  readEdits,
  sheetInSteps,
  takeSteps,
} from "@zm/core";
import type { EditEvent, ShowSummary } from "@zm/protocol";
import { Subject, Subscription } from "rxjs";
import { DataSource, type EntityManager, MoreThan } from "typeorm";
import type { RunMove } from "../database/columnTypes.ts";
import { DatabaseWatch } from "../database/databaseWatch.ts";
import { EditRow, ShowRow } from "../database/entities.ts";
import { DatabaseAway, isLost } from "../database/lost.ts";
import { type EditStep, History } from "./history.ts";
import { Settings } from "../settings.ts";
import type { Author } from "../shared/author.ts";
import { now } from "../shared/clock.ts";
import { LoadingCache } from "../shared/loadingCache.ts";
import { inSlices } from "../shared/slices.ts";
import { wordsOf } from "../shared/wordsOf.ts";
import { type OpenShow, clash } from "./openShow.ts";
import { readSteps } from "./storedSteps.ts";
import { importInThread } from "./importWorker.ts";
import { readShowRows } from "./readRows.ts";
import type { Progress } from "./showRows.ts";
import { writeSteps } from "./stepRows.ts";

/** What is stored together with an edit, in the same transaction. */
export interface Alongside {
  /** Called last before the edit is confirmed; what it throws takes everything back. */
  readonly write?: (manager: EntityManager) => Promise<void>;
  readonly run?: RunMove;
}

type Change = Pick<EditRow, "kind" | "ofRevision" | "summary"> & { steps: readonly Step[]; sheet: ShowSheet; author: Author };

/** So many edits are read from the history at once. */
const HISTORY_PAGE = 500;
/** A window that has missed more edits than this opens the show anew, which is quicker. */
const MOST_MISSED = 500;

const UNCONFIRMED =
  "The database went away before it confirmed this. If it was stored it will appear here by itself when the database is back; look before you make it again.";

/**
 * The one authority over shows: applies edits one after another, stores the rows they change and the edit itself in one
 * transaction, and only then tells everybody.
 */
@Injectable()
export class ShowsService implements OnModuleDestroy {
  /** Every change that has been stored, in order. */
  readonly changes = new Subject<EditEvent>();
  /** The number of each show that has been removed. */
  readonly removed = new Subject<number>();
  private readonly log = new Logger("Shows");
  private readonly open = new LoadingCache<number, OpenShow>();
  private readonly subscription: Subscription;

  constructor(
    private readonly database: DataSource,
    private readonly settings: Settings,
    private readonly watch: DatabaseWatch,
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
    const rows = await this.database.manager.find(ShowRow, { order: { id: "ASC" } });
    return rows.map(({ id, title, revision }) => ({ id, title, revision }));
  }

  /** Reads a document and stores it as a new show, all or nothing; gives back its number. `progress` hears how far it is. ShowError comes through for a faulty document. */
  async add(document: Uint8Array, progress: Progress): Promise<number> {
    this.watch.expect();
    return importInThread(document, this.settings.database, progress);
  }

  /** Removes a show with its history. Throws NotFoundException where there is none, ConflictException where its name is not the one that is asked for. */
  async remove(id: number, title: string): Promise<void> {
    this.watch.expect();
    await this.runExclusive(id, async (show) => {
      if (show.sheet.show.title !== title)
        throw new ConflictException(`Show ${id} is called "${show.sheet.show.title}", not "${title}"; nothing was removed`);
      await this.database.manager.delete(ShowRow, { id });
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
    if (this.open.get(id)?.doubtful !== false) return;
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

  private async editsSince(show: OpenShow, revision: number): Promise<EditEvent[]> {
    this.watch.expect();
    const rows = await this.database.manager.find(EditRow, {
      where: { showId: show.id, revision: MoreThan(revision) },
      order: { revision: "ASC" },
    });
    const history = show.history.state();
    return rows.map((row) => ({
      show: show.id,
      revision: row.revision,
      kind: row.kind,
      summary: row.summary,
      steps: readSteps(row),
      history,
    }));
  }

  /**
   * Makes edits that were thought out on `base`. Edits by others since then are kept; where they touch the same things
   * this throws ConflictException and nothing is changed. ShowError comes through for edits that cannot be made.
   */
  async edit(id: number, base: number, raw: readonly EditInput[], author: Author, alongside: Alongside = {}): Promise<EditEvent> {
    const edits = readEdits(raw);
    return this.runExclusive(id, async (show) => {
      if (show.doubtful) await this.takeStored(show);
      if (base > show.revision) await this.takeStored(show);
      if (base > show.revision)
        throw new ConflictException("This window knows of edits that the server does not have; reload it and make the edit again");
      const make = async (): Promise<EditEvent> => {
        const { steps, sheet } = applyEdits(show.sheet, edits);
        if (base < show.revision) await this.refuseClash(show, base, steps);
        return this.commit(show, { kind: "edit", ofRevision: null, summary: describeEdits(edits), steps, sheet, author }, alongside);
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

  /** Takes an edit back, or makes it again; only from within `runExclusive`. Tells where the run stood with it. */
  async stepEdit(
    show: OpenShow,
    step: EditStep,
    what: "undo" | "redo",
    author: Author,
  ): Promise<{ event: EditEvent; run: RunMove | null }> {
    this.watch.expect();
    if (show.doubtful) await this.takeStored(show);
    const row = await this.database.manager.findOneByOrFail(EditRow, { showId: show.id, revision: step.revision });
    const steps = what === "undo" ? invertSteps(readSteps(row)) : readSteps(row);
    const event = await this.commit(
      show,
      { kind: what, ofRevision: step.revision, summary: row.summary, steps, sheet: takeSteps(show.sheet, steps), author },
      {},
    );
    return { event, run: row.run };
  }

  /** Does work on a show when all that was asked for before it is done. */
  async runExclusive<T>(id: number, work: (show: OpenShow) => Promise<T>): Promise<T> {
    const show = await this.show(id);
    const turn = show.queue.then(() => work(show));
    show.queue = turn.catch(() => undefined);
    return turn;
  }

  private async load(id: number): Promise<OpenShow> {
    this.watch.expect();
    const stored = await readShowRows(this.database.manager, id);
    if (!stored) throw new NotFoundException(`There is no show number ${id}`);
    const history = await this.readHistory(id);
    return {
      id,
      sheet: await inSlices(sheetInSteps(stored.show)),
      revision: stored.revision,
      asked: now(),
      history,
      doubtful: false,
      queue: Promise.resolve(),
    };
  }

  /** The order of undo, from the names of all edits; read in pages, since a show that is worked on for months has many. */
  private async readHistory(id: number): Promise<History> {
    const history = new History(id);
    for (let last = 0; ;) {
      const page = await this.database.manager.find(EditRow, {
        where: { showId: id, revision: MoreThan(last) },
        order: { revision: "ASC" },
        take: HISTORY_PAGE,
        select: { showId: true, revision: true, kind: true, ofRevision: true, summary: true, madeBy: true },
      });
      for (const row of page) {
        if (row.kind === "edit") history.addEdit(row.revision, row.summary, { window: row.madeBy, gesture: null });
        else history.move(row.kind, row.madeBy);
      }
      last = page.at(-1)?.revision ?? last;
      if (page.length < HISTORY_PAGE) return history;
    }
  }

  private async refuseClash(show: OpenShow, base: number, steps: readonly Step[]): Promise<void> {
    const since = await this.editsSince(show, base);
    const place = clash(
      steps,
      since.flatMap((event) => event.steps),
    );
    if (place === null) return;
    throw new ConflictException(
      `${place} has just been changed in another window (${since.at(-1)?.summary ?? ""}). Nothing was changed here; look at it and make the edit again.`,
    );
  }

  private async commit(show: OpenShow, change: Change, alongside: Alongside): Promise<EditEvent> {
    const { kind, ofRevision, summary, steps, sheet, author } = change;
    if (steps.length === 0) throw new ConflictException("This changes nothing: the show already is like that");
    this.watch.expect();
    const row: EditRow = {
      showId: show.id,
      revision: show.revision + 1,
      kind,
      ofRevision,
      summary: summary.slice(0, 400),
      steps: JSON.stringify(steps),
      madeAt: new Date(),
      madeBy: author.window,
      run: alongside.run ?? null,
    };
    await this.store(show, row, steps, sheet.show, alongside);
    return this.taken(show, row, steps, sheet, author);
  }

  /** Takes a stored edit into memory and tells everybody; nothing here can fail. */
  private taken(
    show: OpenShow,
    { revision, kind, summary }: EditRow,
    steps: readonly Step[],
    sheet: OpenShow["sheet"],
    author: Author,
  ): EditEvent {
    show.sheet = sheet;
    show.revision = revision;
    if (kind === "edit") show.history.addEdit(revision, summary, author);
    else show.history.move(kind, author.window);
    const event: EditEvent = { show: show.id, revision, kind, summary, steps, history: show.history.state() };
    this.changes.next(event);
    return event;
  }

  private async store(show: OpenShow, row: EditRow, steps: readonly Step[], after: Show, alongside: Alongside): Promise<void> {
    let confirming = false;
    try {
      await this.database.transaction(async (manager: EntityManager) => {
        const moved = await manager.update(ShowRow, { id: show.id, revision: show.revision }, { revision: row.revision });
        if (moved.affected !== 1) throw new StaleShow();
        await writeSteps(manager, show.id, steps, show.sheet.show, after);
        await manager.insert(EditRow, row);
        await alongside.write?.(manager);
        confirming = true;
      });
    } catch (error) {
      if (error instanceof StaleShow) {
        await this.takeStored(show);
        throw error;
      }
      if (!isLost(error)) throw refusalOf(error, this.log);
      this.watch.tellAway();
      if (!confirming) throw new DatabaseAway(undefined, error);
      show.doubtful = true;
      throw new DatabaseAway(UNCONFIRMED, error);
    }
  }

  private async settleAllDoubts(): Promise<void> {
    for (const [, show] of this.open.entries()) {
      if (!show.doubtful) continue;
      await this.runExclusive(show.id, async (own) => (own.doubtful ? this.takeStored(own) : undefined)).catch((error: unknown) =>
        this.log.warn(wordsOf(error)),
      );
    }
  }

  /** Takes in the edits that are stored and not known here: one that was never confirmed, or those that another server has made. */
  private async takeStored(show: OpenShow): Promise<void> {
    this.watch.expect();
    const rows = await this.database.manager.find(EditRow, {
      where: { showId: show.id, revision: MoreThan(show.revision) },
      order: { revision: "ASC" },
    });
    for (const row of rows) {
      const steps = readSteps(row);
      this.taken(show, row, steps, takeSteps(show.sheet, steps), { window: row.madeBy, gesture: null });
    }
    show.doubtful = false;
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
  log.error(wordsOf(error));
  return new ServiceUnavailableException("The database did not take the edit. Nothing was changed; try again.");
}
