import type { Show, Step } from "@zm/core";
import { type EntityManager, MoreThan } from "typeorm";
import { EditRow } from "../database/entities.ts";
import type { RunMove } from "../database/columnTypes.ts";
import { readShowRows } from "./readRows.ts";
import { readSteps } from "./storedSteps.ts";

/** An edit that was stored while nobody took it into the run: what it renumbered, and where it left a running list. */
export interface MissedEdit {
  readonly steps: readonly Step[];
  readonly run: RunMove | null;
}

/** A show as it is stored, and the edits that a run which was written down has not taken in. */
export interface StoredRun {
  readonly show: Show;
  readonly revision: number;
  readonly missed: readonly MissedEdit[];
}

/** More edits than this no run has missed that was written down by this server; the rest is passed over. */
const MOST_MISSED = 500;

/** Reads a show for the engine. `since` is the revision that its run has taken in; undefined where none is known. Null when there is no such show. */
export async function readStoredRun(manager: EntityManager, showId: number, since: number | undefined): Promise<StoredRun | null> {
  const stored = await readShowRows(manager, showId);
  if (!stored) return null;
  if (since === undefined || since >= stored.revision) return { ...stored, missed: [] };
  const rows = await manager.find(EditRow, {
    where: { showId, revision: MoreThan(since) },
    order: { revision: "ASC" },
    take: MOST_MISSED,
  });
  const steps = await readSteps(manager, rows);
  return { ...stored, missed: rows.map(({ run }, index) => ({ steps: steps[index] ?? [], run })) };
}
