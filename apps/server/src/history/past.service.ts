import { BadRequestException, Injectable, NotFoundException } from "@nestjs/common";
import {
  type Show,
  ShowError,
  type ShowSheet,
  type Step,
  identitiesOf,
  invertSteps,
  sameData,
  showAfterInSlices,
  stepsBetween,
} from "@zm/core";
import type { EditEvent, HistoryPage, NamedVersion, SameCues } from "@zm/protocol";
import { Between, DataSource, LessThan } from "typeorm";
import { DatabaseWatch } from "../database/databaseWatch.ts";
import { EditRow, VersionRow } from "../database/entities.ts";
import type { Author } from "../shared/author.ts";
import { inSlices, mapInSlices } from "../shared/slices.ts";
import { readSteps } from "../shows/storedSteps.ts";
import { ShowsService } from "../shows/shows.service.ts";

/** So many edits are listed at once. */
const PAGE = 200;
/** So many edits are read at once on the way back. */
const STRIDE = 250;

/** The past of a show: what was done, which states have names, and the show as it was. */
@Injectable()
export class PastService {
  constructor(
    private readonly database: DataSource,
    private readonly shows: ShowsService,
    private readonly watch: DatabaseWatch,
  ) {}

  /** A page of the history, the newest first; `before` is the revision that the page before ended with. */
  async page(id: number, before?: number): Promise<HistoryPage> {
    await this.shows.show(id);
    this.watch.expect();
    const rows = await this.database.manager.find(EditRow, {
      where: { showId: id, ...(before === undefined ? {} : { revision: LessThan(before) }) },
      order: { revision: "DESC" },
      take: PAGE,
      select: { showId: true, revision: true, kind: true, summary: true, madeAt: true, madeBy: true, person: true },
    });
    const edits = rows.map(({ revision, kind, summary, madeAt, madeBy, person }) => ({
      revision,
      kind,
      summary,
      madeAt: madeAt.toISOString(),
      window: madeBy,
      person,
    }));
    return { edits, versions: await this.versions(id), older: rows.length < PAGE ? null : (rows.at(-1)?.revision ?? null) };
  }

  /** Every state that has a name, the newest first. */
  async versions(id: number): Promise<NamedVersion[]> {
    const rows = await this.database.manager.find(VersionRow, { where: { showId: id }, order: { revision: "DESC" } });
    return rows.map(({ revision, name, madeAt }) => ({ revision, name, madeAt: madeAt.toISOString() }));
  }

  /** Names the state after a revision, or takes its name away. Throws NotFoundException for a revision that the show has not had. */
  async name(id: number, revision: number, name: string): Promise<NamedVersion[]> {
    const show = await this.shows.show(id);
    this.watch.expect();
    refuseFuture(revision, show.revision);
    const plain = name.trim();
    if (plain === "") await this.database.manager.delete(VersionRow, { showId: id, revision });
    // Two that name it at once: the later counts.
    else await this.database.manager.upsert(VersionRow, { showId: id, revision, name: plain, madeAt: new Date() }, ["showId", "revision"]);
    return this.versions(id);
  }

  /** The show as it was after a revision. Throws NotFoundException for one that the show has not had. */
  async showAt(id: number, revision: number): Promise<Show> {
    const { sheet, revision: now } = await this.shows.show(id);
    let show = sheet.show;
    for await (const steps of this.stepsBack(id, now, revision)) show = await inSlices(showAfterInSlices(show, steps));
    return show;
  }

  /** Which cue is which between the state after a revision and that after a later one; left out, the newest. */
  async sameCues(id: number, from: number, later?: number): Promise<SameCues> {
    const { revision: now } = await this.shows.show(id);
    const to = later ?? now;
    refuseFuture(to, now);
    if (from > to) throw new BadRequestException(`State ${from} comes after state ${to}; name the earlier one first`);
    const stretches: Step[][] = [];
    for await (const back of this.stepsBack(id, to, from)) stretches.push(back.filter(({ at }) => at === "renumber" || at === "cue"));
    const lists = [...identitiesOf(invertSteps(stretches.flat()))].map(([list, cues]) => [list, Object.fromEntries(cues)] as const);
    return { from, to, lists: Object.fromEntries(lists) };
  }

  /** Makes the show what it was after a revision, as an edit like any other. */
  async goBack(id: number, revision: number, author: Author): Promise<EditEvent> {
    const { sheet, revision: now } = await this.shows.show(id);
    const stretches: Step[][] = [];
    for await (const some of this.stepsBack(id, now, revision)) stretches.push(some);
    const all = stretches.flat();
    const steps = (await this.shortest(sheet, all)) ?? all;
    const words = `Back to how the show was after edit ${revision}`;
    return this.shows.edit(id, now, [{ op: "steps", steps, words }], author);
  }

  /**
   * What lies between now and a state, without the ways there and back that were made since: an edit that goes back holds no more than what is different, however
   * often it is done. Undefined where that does not lead to the very same show.
   */
  private async shortest(sheet: ShowSheet, back: readonly Step[]): Promise<Step[] | undefined> {
    const then = await inSlices(showAfterInSlices(sheet.show, back));
    const steps = stepsBetween(sheet.show, then, identitiesOf(back));
    if (steps.length === 0) return undefined;
    try {
      const there = await inSlices(showAfterInSlices(sheet.show, steps));
      return sameData(there, then) ? steps : undefined;
    } catch (error) {
      if (error instanceof ShowError) return undefined;
      throw error;
    }
  }

  /** The steps that lead from a revision back to an earlier one, some edits at a time. */
  private async *stepsBack(id: number, now: number, revision: number): AsyncGenerator<Step[]> {
    refuseFuture(revision, now);
    this.watch.expect();
    for (let last = now; last > revision; last -= STRIDE) {
      const rows = await this.database.manager.find(EditRow, {
        where: { showId: id, revision: Between(Math.max(revision, last - STRIDE) + 1, last) },
        order: { revision: "DESC" },
        select: { showId: true, revision: true, kind: true, ofRevision: true, steps: true, pieces: true },
      });
      yield (await mapInSlices(await readSteps(this.database.manager, rows), invertSteps)).flat();
    }
  }
}

function refuseFuture(revision: number, now: number): void {
  if (revision > now) throw new NotFoundException(`The show has had ${now} edits; there is no state after edit ${revision} yet`);
}
