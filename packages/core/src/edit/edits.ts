import { z } from "zod";
import { ShowError } from "../show/errors.ts";
import { faultsOf } from "../show/faults.ts";
import { upgradedNames } from "../show/upgrade.ts";
import type { ShowSheet } from "../sheet/sheet.ts";
import { EDIT_KINDS } from "./kinds/registry.ts";
import type { Plan } from "./plan/plan.ts";

const [firstSchema, ...otherSchemas] = Object.values(EDIT_KINDS).map((kind) => kind.schema);
if (!firstSchema) throw new TypeError("There is no kind of edit");
const editSchema = z.discriminatedUnion("op", [firstSchema, ...otherSchemas]);

/** So many edits are made as one gesture at most: what a line, a window or a request asks for at once. */
export const MOST_EDITS = 10_000;

/** Which lights and attributes an edit speaks of. */
export type { KeySelection } from "./plan/fields.ts";
/** A change of values over cues. */
export type { ChangeEdit } from "./kinds/change.ts";
/** Values recorded into a cue. */
export type { RecordEdit } from "./kinds/record.ts";
/** What becomes of the times of parts. */
export type { TimesPatch } from "./plan/patchedTimes.ts";
/**
 * One edit with its defaults filled in.
 * What plans and words are given. `EditInput` is what people and files write.
 */
export type Edit = z.infer<typeof editSchema>;
/**
 * One edit as it may be written: what has a default may be left out.
 * `readEdits` turns it into an `Edit`, or refuses it.
 */
export type EditInput = z.input<typeof editSchema>;
/**
 * The names of all edits.
 * In the order of the registry; the documentation lists them so.
 */
export const EDIT_OPS: readonly string[] = Object.keys(EDIT_KINDS);

/**
 * What an edit comes to on a show as it stands. Throws ShowError, naming the thing, when it cannot be made.
 * The show is not changed. Empty steps mean that it says already what the edit asks for.
 */
export function planEdit(sheet: ShowSheet, edit: Edit): Plan {
  return EDIT_KINDS[edit.op].plan(sheet, edit);
}

/** An edit that reads as it is, or with the names that edits had before; else what is wrong with it as it is. */
function parseEdit(raw: unknown): ReturnType<typeof editSchema.safeParse> {
  const parsed = editSchema.safeParse(raw);
  // Steps carry parts of the document, which their schema does not look into.
  if (parsed.success && parsed.data.op !== "steps") return parsed;
  const upgraded = editSchema.safeParse(upgradedNames(raw));
  return upgraded.success ? upgraded : parsed;
}

/**
 * Reads edits from plain data, one or an array. Throws ShowError naming the edit and the field that is wrong.
 * The message counts edits from 1. What depends on the show, such as whether a cue exists, is checked when it is planned.
 */
export function readEdits(raw: unknown): Edit[] {
  const all = Array.isArray(raw) ? raw : [raw];
  return all.map((one: unknown, index) => {
    const place = all.length > 1 ? `Edit ${index + 1}` : "The edit";
    const parsed = parseEdit(one);
    if (parsed.success) return parsed.data;
    const op = typeof one === "object" && one !== null && "op" in one ? one.op : undefined;
    if (typeof op === "string" && !EDIT_OPS.includes(op))
      throw new ShowError(`${place}: there is no edit "${op}"; the edits are ${EDIT_OPS.join(", ")}`);
    throw new ShowError(faultsOf(parsed.error, one).map((fault) => `${place}: ${fault.replace("the document: ", "")}`));
  });
}
