import { ConflictException, Injectable, Logger, NotFoundException, ServiceUnavailableException } from "@nestjs/common";
import { type EditInput, type Show, type Step, describeEdits, invertSteps, makeEdits, readEdits, sheetOf, takeSteps } from "@zm/core";
import { Subject } from "rxjs";
import { DataSource, type EntityManager, MoreThan } from "typeorm";
import { EditRow, ShowRow } from "../database/entities.ts";
import { type EditNews, type OpenShow, clash } from "./openShow.ts";
import { insertShow, readShowRows } from "./showRows.ts";
import { writeSteps } from "./stepRows.ts";

/** A show in the list of shows. */
export interface ShowEntry {
  id: number;
  title: string;
  revision: number;
}

/**
 * The one authority over shows: applies edits one after another, stores the rows they change and the edit itself in one
 * transaction, and only then tells everybody.
 */
@Injectable()
export class ShowsService {
  /** Every change that has been stored, in order. */
  readonly news = new Subject<EditNews>();
  private readonly log = new Logger("Shows");
  private readonly open = new Map<number, Promise<OpenShow>>();

  constructor(private readonly database: DataSource) {}

  async list(): Promise<ShowEntry[]> {
    const rows = await this.database.manager.find(ShowRow, { order: { id: "ASC" } });
    return rows.map(({ id, title, revision }) => ({ id, title, revision }));
  }

  /** Stores a new show, all or nothing, and gives back its number. */
  async add(show: Show): Promise<number> {
    return this.database.transaction((manager) => insertShow(manager, show));
  }

  /** The show as it stands now. Throws NotFoundException when there is none with this number. */
  async show(id: number): Promise<OpenShow> {
    const opening = this.open.get(id) ?? this.load(id);
    this.open.set(id, opening);
    return opening.catch((error: unknown) => {
      this.open.delete(id);
      throw error;
    });
  }

  /** The news that bring a window from a revision up to now. */
  async newsAfter(id: number, revision: number): Promise<EditNews[]> {
    const show = await this.show(id);
    const rows = await this.database.manager.find(EditRow, {
      where: { showId: id, revision: MoreThan(revision) },
      order: { revision: "ASC" },
    });
    const ends = await this.ends(show);
    return rows.map((row) => ({ show: id, revision: row.revision, kind: row.kind, summary: row.summary, steps: readSteps(row), ...ends }));
  }

  /** What undo and redo would do now, in words. */
  async ends(show: OpenShow): Promise<Pick<EditNews, "canUndo" | "canRedo">> {
    const words = async (revision: number | undefined): Promise<string | null> => {
      if (revision === undefined) return null;
      const row = await this.database.manager.findOneBy(EditRow, { showId: show.id, revision });
      return row?.summary ?? null;
    };
    return { canUndo: await words(show.done.at(-1)), canRedo: await words(show.undone.at(-1)) };
  }

  /**
   * Makes edits that were thought out on `base`. Edits by others since then are kept; where they touch the same things
   * this throws ConflictException and nothing is changed. ShowError comes through for edits that cannot be made.
   */
  async edit(id: number, base: number, raw: readonly EditInput[]): Promise<EditNews> {
    const edits = readEdits(raw);
    return this.inTurn(id, async (show) => {
      const { steps } = makeEdits(show.sheet, edits);
      if (base < show.revision) await this.refuseClash(show, base, steps);
      return this.commit(show, { kind: "edit", ofRevision: null, summary: describeEdits(edits), steps });
    });
  }

  /** Takes back the newest edit that stands. */
  async undo(id: number): Promise<EditNews> {
    return this.inTurn(id, async (show) => {
      const of = show.done.at(-1);
      if (of === undefined) throw new ConflictException("There is nothing to take back");
      const row = await this.entry(id, of);
      return this.commit(show, { kind: "undo", ofRevision: of, summary: row.summary, steps: invertSteps(readSteps(row)) });
    });
  }

  /** Makes again the edit that was taken back last. */
  async redo(id: number): Promise<EditNews> {
    return this.inTurn(id, async (show) => {
      const of = show.undone.at(-1);
      if (of === undefined) throw new ConflictException("There is nothing to make again");
      const row = await this.entry(id, of);
      return this.commit(show, { kind: "redo", ofRevision: of, summary: row.summary, steps: readSteps(row) });
    });
  }

  private async load(id: number): Promise<OpenShow> {
    const stored = await readShowRows(this.database.manager, id);
    if (!stored) throw new NotFoundException(`There is no show number ${id}`);
    const history = await this.database.manager.find(EditRow, {
      where: { showId: id },
      order: { revision: "ASC" },
      select: { showId: true, revision: true, kind: true, ofRevision: true },
    });
    const show: OpenShow = { id, sheet: sheetOf(stored.show), revision: stored.revision, done: [], undone: [], queue: Promise.resolve() };
    for (const entry of history) remember(show, entry.kind, entry.revision, entry.ofRevision);
    return show;
  }

  private async inTurn<T>(id: number, work: (show: OpenShow) => Promise<T>): Promise<T> {
    const show = await this.show(id);
    const turn = show.queue.then(() => work(show));
    show.queue = turn.catch(() => undefined);
    return turn;
  }

  private async refuseClash(show: OpenShow, base: number, steps: readonly Step[]): Promise<void> {
    const since = await this.newsAfter(show.id, base);
    const place = clash(
      steps,
      since.flatMap((news) => news.steps),
    );
    if (place === null) return;
    throw new ConflictException(
      `${place} has just been changed in another window (${since.at(-1)?.summary ?? ""}). Nothing was changed here; look at it and make the edit again.`,
    );
  }

  private async entry(id: number, revision: number): Promise<EditRow> {
    return this.database.manager.findOneByOrFail(EditRow, { showId: id, revision });
  }

  private async commit(
    show: OpenShow,
    change: Pick<EditRow, "kind" | "ofRevision" | "summary"> & { steps: readonly Step[] },
  ): Promise<EditNews> {
    const { kind, ofRevision, summary, steps } = change;
    if (steps.length === 0) throw new ConflictException("This changes nothing: the show already is like that");
    const sheet = takeSteps(show.sheet, steps);
    const revision = show.revision + 1;
    const row = {
      showId: show.id,
      revision,
      kind,
      ofRevision,
      summary: summary.slice(0, 400),
      steps: JSON.stringify(steps),
      madeAt: new Date(),
    };
    await this.store(show, row, steps, sheet.show);
    show.sheet = sheet;
    show.revision = revision;
    remember(show, kind, revision, ofRevision);
    const news: EditNews = { show: show.id, revision, kind, summary: row.summary, steps, ...(await this.ends(show)) };
    this.news.next(news);
    return news;
  }

  private async store(show: OpenShow, row: EditRow, steps: readonly Step[], after: Show): Promise<void> {
    try {
      await this.database.transaction(async (manager: EntityManager) => {
        const moved = await manager.update(ShowRow, { id: show.id, revision: show.revision }, { revision: row.revision });
        if (moved.affected !== 1) throw new StaleShow();
        await writeSteps(manager, show.id, steps, show.sheet.show, after);
        await manager.insert(EditRow, row);
      });
    } catch (error) {
      if (error instanceof StaleShow) {
        this.open.delete(show.id);
        throw new ConflictException("The show has been changed elsewhere. Nothing was changed here; reload and make the edit again.");
      }
      this.log.error(error instanceof Error ? error.message : String(error));
      throw new ServiceUnavailableException("The database did not take the edit. Nothing was changed; try again.");
    }
  }
}

class StaleShow extends Error {}

/** Keeps the two ends of the history: what can be taken back and what can be made again. */
function remember(show: OpenShow, kind: EditRow["kind"], revision: number, of: number | null): void {
  if (kind === "edit") {
    show.done.push(revision);
    show.undone = [];
    return;
  }
  const [from, to] = kind === "undo" ? [show.done, show.undone] : [show.undone, show.done];
  from.pop();
  if (of !== null) to.push(of);
}

function readSteps(row: EditRow): Step[] {
  const [edit] = readEdits({ op: "steps", steps: JSON.parse(row.steps) as unknown });
  return edit?.op === "steps" ? edit.steps : [];
}
