import { type Step, append, groupBy } from "@zm/core";
import { type EntityManager, In } from "typeorm";
import { chunksOf } from "../database/chunks.ts";
import { EditPieceRow, EditRow } from "../database/entities.ts";
import { loadRows } from "../database/rows.ts";
import { eachInSlices, mapInSlices } from "../shared/slices.ts";
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

/** The exact steps of stored edits of one show, in the order of the rows, read in slices. Throws ShowError where they do not read. */
export async function readSteps(
  manager: EntityManager,
  rows: readonly Pick<EditRow, "showId" | "revision" | "steps" | "pieces">[],
): Promise<Step[][]> {
  const large = rows.filter(({ pieces }) => pieces !== null);
  const [showId] = large.map((row) => row.showId);
  const kept =
    showId === undefined
      ? []
      : await manager.find(EditPieceRow, {
          where: { showId, revision: In(large.map(({ revision }) => revision)) },
          order: { revision: "ASC", piece: "ASC" },
        });
  const piecesOf = groupBy(kept, ({ revision }) => revision);
  const all: Step[][] = [];
  for (const { revision, steps, pieces } of rows) {
    const texts = pieces === null ? [steps] : (piecesOf.get(revision) ?? []).map((piece) => piece.steps);
    if (pieces !== null && texts.length !== pieces)
      throw new Error(`Edit ${revision} is stored in ${pieces} pieces, and ${texts.length} are there`);
    const own: Step[] = [];
    await eachInSlices(texts, (text) => append(own, stepsIn(text)), 1);
    all.push(own);
  }
  return all;
}

/** The exact steps of one stored edit. */
export async function readStepsOf(manager: EntityManager, row: Pick<EditRow, "showId" | "revision" | "steps" | "pieces">): Promise<Step[]> {
  const [steps = []] = await readSteps(manager, [row]);
  return steps;
}
