import { zodResolver } from "@hookform/resolvers/zod";
import { useEffect, useEffectEvent, useState } from "react";
import { type FieldValues, type UseFormReturn, useForm, useWatch } from "react-hook-form";
import type { ZodType } from "zod";
import { useShow } from "../show/useShow.ts";
import { type EntryDrafts, draftPlace, dropDraft, keepDraft } from "./entryDrafts.ts";

/** What is entered into a form and not saved, as those who show it want to know it. */
export interface DraftState {
  readonly entered: boolean;
  /** What is stored has been changed elsewhere since the form was begun. */
  readonly changedElsewhere: boolean;
  readonly drop: () => void;
}

interface EntryFormState<Fields extends FieldValues> {
  readonly form: UseFormReturn<Fields>;
  /** What stands in the fields now. */
  readonly values: Fields;
  readonly draft: DraftState;
}

/**
 * The fields of a form over an entry that is stored, checked with the core's schema as they are entered. What was entered stays
 * until it is saved or dropped; a form in which nothing is entered follows what is stored. `stored` is plain data.
 */
export function useEntryForm<Fields extends FieldValues>(
  useDrafts: EntryDrafts<Fields>,
  id: string,
  stored: Fields,
  schema: ZodType<Fields, Fields>,
): EntryFormState<Fields> {
  const show = useShow();
  const place = draftPlace(show.id, id);
  const draft = useDrafts((state) => state.drafts[place]);
  const [first] = useState(draft?.value ?? stored);
  const form = useForm<Fields>({ values: first, resolver: zodResolver(schema), mode: "onChange" });
  const values = useWatch({ control: form.control, compute: (all: Fields) => all });
  const text = JSON.stringify(stored);
  const differs = JSON.stringify(values) !== text;
  const keep = useEffectEvent(() => {
    if (differs) keepDraft(useDrafts, place, values, text);
    else dropDraft(useDrafts, place);
  });
  useEffect(() => keep(), [values]);
  const follow = useEffectEvent(() => {
    // Stored anew: by this form, which then says the same, or by another while nothing was entered here.
    if (!differs) dropDraft(useDrafts, place);
    else if (draft === undefined) form.reset(stored);
  });
  useEffect(() => follow(), [text]);
  const drop = (): void => {
    dropDraft(useDrafts, place);
    form.reset(stored);
  };
  const entered = draft !== undefined && differs;
  return { form, values, draft: { entered, changedElsewhere: entered && draft.base !== text, drop } };
}
