import { useEffect } from "react";
import { create } from "zustand";
import { useShow } from "../show/useShow.ts";

/** What has been entered into a form and not been saved yet, and what was stored when it was begun. */
interface FormDraft {
  readonly base: string;
  readonly value: unknown;
}

/** Half-entered forms by show and name; they outlive another choice, another view, another show and edits from elsewhere. */
const useFormDrafts = create<{ drafts: Readonly<Record<string, FormDraft>> }>(() => ({ drafts: {} }));

const placeOf = (show: number, name: string): string => `${show}/${name}`;

/** Tells of the forms of the open show in which something is entered that is not stored. */
export function useEnteredForms(): (name: string) => boolean {
  const { id } = useShow();
  const drafts = useFormDrafts((state) => state.drafts);
  return (name) => drafts[placeOf(id, name)] !== undefined;
}

/** Forgets what was entered into a form. */
function dropFormDraft(name: string): void {
  useFormDrafts.setState(({ drafts }) => ({ drafts: Object.fromEntries(Object.entries(drafts).filter(([each]) => each !== name)) }));
}

interface FormState<T> {
  readonly value: T;
  readonly set: (value: T) => void;
  /** Something is entered that is not stored. */
  readonly entered: boolean;
  /** What is stored has been changed elsewhere since the form was begun. */
  readonly changedElsewhere: boolean;
  readonly drop: () => void;
}

/** The fields of a form over something that is stored: what was entered stays until it is saved or dropped. The stored value is plain data. */
export function useFormDraft<T>(form: string, stored: T): FormState<T> {
  const { id } = useShow();
  const name = placeOf(id, form);
  const draft = useFormDrafts((state) => state.drafts[name]);
  const now = JSON.stringify(stored);
  const entered = draft !== undefined && JSON.stringify(draft.value) !== now;
  useEffect(() => {
    // Saved, or typed back to what is stored.
    if (draft !== undefined && !entered) dropFormDraft(name);
  }, [draft, entered, name]);
  return {
    // What is kept under this name was put there by `set`, as a T.
    value: entered ? (draft.value as T) : stored,
    set: (value) => useFormDrafts.setState(({ drafts }) => ({ drafts: { ...drafts, [name]: { base: drafts[name]?.base ?? now, value } } })),
    entered,
    changedElsewhere: entered && draft.base !== now,
    drop: () => dropFormDraft(name),
  };
}
