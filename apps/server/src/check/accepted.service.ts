import { Injectable } from "@nestjs/common";
import type { AcceptedFinding } from "@zm/protocol";
import { DataSource, In } from "typeorm";
import { DatabaseWatch } from "../database/databaseWatch.ts";
import { AcceptedRow } from "../database/entities.ts";
import { upsertRows } from "../database/rows.ts";
import { ShowsService } from "../shows/shows.service.ts";

/** The findings of a show that somebody has accepted, each with a note. */
@Injectable()
export class AcceptedService {
  constructor(
    private readonly database: DataSource,
    private readonly shows: ShowsService,
    private readonly watch: DatabaseWatch,
  ) {}

  /** Every accepted finding, the newest first. Throws NotFoundException where there is no such show. */
  async all(id: number): Promise<AcceptedFinding[]> {
    await this.shows.show(id);
    this.watch.expect();
    const rows = await this.database.manager.find(AcceptedRow, { where: { showId: id }, order: { madeAt: "DESC", finding: "ASC" } });
    return rows.map(({ finding, note, madeAt }) => ({ finding, note, madeAt: madeAt.toISOString() }));
  }

  /** Accepts findings with a note; a note of null shows them again. */
  async accept(id: number, findings: readonly string[], note: string | null): Promise<AcceptedFinding[]> {
    await this.shows.show(id);
    this.watch.expect();
    if (note === null) await this.database.manager.delete(AcceptedRow, { showId: id, finding: In([...findings]) });
    else {
      const rows = findings.map((finding) => ({ showId: id, finding, note: note.trim(), madeAt: new Date() }));
      await upsertRows(this.database.manager, AcceptedRow, rows);
    }
    return this.all(id);
  }
}
