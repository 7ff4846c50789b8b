import { type Step, append, groupBy, invertInSlices } from "@zm/core";
import { type EntityManager, In } from "typeorm";
import { chunksOf } from "../database/chunks.ts";
import { EditPieceRow, EditRow } from "../database/entities.ts";
import { loadRows } from "../database/rows.ts";
import { eachInSlices, inSlices, mapInSlices } from "../shared/slices.ts";
import { stepsIn } from "./stepsIn.ts";

/** Steps of more than so many are kept in pieces, each in a row of its own: no row is larger than the database takes, and reading one does not hold the server up. */
const STEPS_A_PIECE = 400;
/** Text longer than this is kept in pieces of its own, whatever number of steps it is; characters. */
const LARGEST_TEXT = 500_000;

/** What is stored of an edit's steps: in its own row, or in pieces beside it. */
export interface StepTexts {
  readonly steps: string;
  readonly pieces: readonly string[];
}

/** The steps of an edit as they are stored, made in slices. */
export async function stepTexts(steps: readonly Step[]): Promise<StepTexts> {
  if (steps.length <= STEPS_A_PIECE) {
    const text = JSON.stringify(steps);
    if (text.length <= LARGEST_TEXT) return { steps: text, pieces: [] };
  }
  return { steps: "[]", pieces: await mapInSlices(chunksOf(steps, STEPS_A_PIECE), (piece) => JSON.stringify(piece)) };
}

/** Stores the pieces of a large edit, behind its row. */
export async function insertPieces(
  manager: EntityManager,
  { showId, revision }: Pick<EditRow, "showId" | "revision">,
  pieces: readonly string[],
): Promise<void> {
  if (pieces.length === 0) return;
  await loadRows(
    manager,
    "edit_pieces",
    ["show_id", "revision", "piece", "steps"],
    pieces.map((steps, piece) => [showId, revision, piece, steps]),
  );
}

/** What is read of an edit's row to have its steps. */
export type StepsRow = Pick<EditRow, "showId" | "revision" | "kind" | "ofRevision" | "steps" | "pieces">;

/** The exact steps of stored edits of one show, in the order of the rows, read in slices. Throws ShowError where they do not read. */
export async function readSteps(manager: EntityManager, rows: readonly StepsRow[]): Promise<Step[][]> {
  const piecesOf = await keptPieces(
    manager,
    rows.filter(({ pieces }) => pieces !== null),
  );
  const all: Step[][] = [];
  for (const row of rows) {
    const { revision, steps, pieces } = row;
    const keeper = keeperOf(row);
    const texts = pieces === null ? [steps] : (piecesOf.get(keeper) ?? []).map((piece) => piece.steps);
    if (pieces !== null && !isWhole(pieces, texts.length))
      throw new Error(`Edit ${revision} is stored in ${Math.abs(pieces)} pieces, and ${texts.length} are there`);
    const own: Step[] = [];
    await eachInSlices(texts, (text) => append(own, stepsIn(text)), 1);
    all.push(keeper !== revision && row.kind === "undo" ? await inSlices(invertInSlices(own)) : own);
  }
  return all;
}

/** True when all pieces of an edit are there. 0 stands in rows that were written before the number of another edit's pieces was kept. */
function isWhole(pieces: number, there: number): boolean {
  return pieces === 0 ? there > 0 : there === Math.abs(pieces);
}

/** The revision under which the pieces of an edit are kept: a number of them that is not above 0 means those of the edit that it is of. */
function keeperOf({ revision, ofRevision, pieces }: StepsRow): number {
  return pieces !== null && pieces <= 0 && ofRevision !== null ? ofRevision : revision;
}

/** The pieces of large edits by the revision that keeps them, in their order. */
async function keptPieces(manager: EntityManager, rows: readonly StepsRow[]): Promise<Map<number, EditPieceRow[]>> {
  const [first] = rows;
  if (!first) return new Map();
  const kept = await manager.find(EditPieceRow, {
    where: { showId: first.showId, revision: In([...new Set(rows.map(keeperOf))]) },
    order: { revision: "ASC", piece: "ASC" },
  });
  return groupBy(kept, ({ revision }) => revision);
}

/** The exact steps of one stored edit. */
export async function readStepsOf(manager: EntityManager, row: StepsRow): Promise<Step[]> {
  const [steps = []] = await readSteps(manager, [row]);
  return steps;
}
