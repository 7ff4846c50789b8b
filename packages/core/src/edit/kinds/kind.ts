// How an edit is defined: a schema, a plan, and words. The registry holds one entry of this shape for each name.
import type { z } from "zod";
import { type ListSheet, type ShowSheet, listOf } from "../../sheet/sheet.ts";
import type { Plan } from "../plan/plan.ts";
import type { Step } from "../steps/step.ts";

/** The schema of an edit: an object whose `op` is the name of its kind; everything else is the kind's own. */
type EditSchema = z.ZodObject<{ readonly op: z.ZodLiteral<string> }, z.core.$ZodObjectConfig>;
/** An edit of any kind; each kind knows its own by the name. */
type AnyEdit = { readonly op: string };

/** What is told of one kind of edit where it is defined. */
interface KindParts<Edit> {
  /** Its outcome on a show as it stands. Throws ShowError, naming the thing, when it cannot be made. */
  readonly plan: (sheet: ShowSheet, edit: Edit) => Plan | readonly Step[];
  /** What it does, as a short sentence for the history and the read-back. */
  readonly words: (edit: Edit) => string;
  /** The same of several edits of this kind at once; left out where each is told by itself. */
  readonly manyWords?: (edits: readonly Edit[]) => string;
}

/**
 * One kind of edit as the registry holds it: how it is written, its outcome, and its words.
 * The registry holds one for each name. `manyWords` tells several edits of one kind in a row as one sentence.
 */
export interface EditKind<Schema extends EditSchema> {
  readonly schema: Schema;
  readonly plan: (sheet: ShowSheet, edit: AnyEdit) => Plan;
  readonly words: (edit: AnyEdit) => string;
  /** Undefined where some are of another kind, or each is told by itself. */
  readonly manyWords: (edits: readonly AnyEdit[]) => string | undefined;
}

/**
 * Defines a kind of edit. The functions of the registry take any edit and throw TypeError for one of another kind.
 * The schema's `op` is the name. Planning an edit twice on the same show gives the same steps.
 */
export function defineEdit<Schema extends EditSchema>(schema: Schema, parts: KindParts<z.output<Schema>>): EditKind<Schema> {
  const name = schema.shape.op.value;
  const isOwn = (edit: AnyEdit): edit is z.output<Schema> & AnyEdit => edit.op === name;
  const own = (edit: AnyEdit): z.output<Schema> => {
    if (isOwn(edit)) return edit;
    throw new TypeError(`"${edit.op}" is no edit of the kind "${name}"`);
  };
  return {
    schema,
    plan: (sheet, edit) => {
      const planned = parts.plan(sheet, own(edit));
      return "steps" in planned ? planned : { steps: planned };
    },
    words: (edit) => parts.words(own(edit)),
    manyWords: (edits) => (edits.every(isOwn) ? parts.manyWords?.(edits) : undefined),
  };
}

/**
 * The list that an edit names, or the show's first. Throws ShowError for one that is not there.
 * Every edit about cues may leave its list out (FORMAT).
 */
export function listFor(sheet: ShowSheet, { list }: { readonly list?: string | undefined }): ListSheet {
  return listOf(sheet, list);
}
