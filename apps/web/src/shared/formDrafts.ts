import { useEffect } from "react";
import { create } from "zustand";

/** What has been entered into a form and not been saved yet, and what was stored when it was begun. */
interface FormDraft {
  readonly base: string;
  readonly value: unknown;
}

/** Half-entered forms by name; they outlive another choice, another view and edits from elsewhere. */
export const useFormDrafts = create<{ drafts: Readonly<Record<string, FormDraft>> }>(() => ({ drafts: {} }));

/** Forgets what was entered into a form. */
export function dropFormDraft(name: string): void {
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
export function useFormDraft<T>(name: string, stored: T): FormState<T> {
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
