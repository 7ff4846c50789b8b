import { type EditInput, listOf } from "@zm/core";
import { useMemo, useState } from "react";
import type { UseFormRegisterReturn } from "react-hook-form";
import { ImpactList, useAllLines } from "../preview/ImpactList.tsx";
import { faultOf, previewOf } from "../preview/preview.ts";
import { useSame } from "../shared/useSame.ts";
import { useOnce } from "../shared/ActionButton.tsx";
import { useMakeEdits, useShow } from "../show/useShow.ts";
import { InUse } from "./InUse.tsx";
import type { DraftState } from "./useEntryForm.ts";

interface EntryFormProps {
  label: string;
  /** The edits that make the entry what the form says; null while it says nothing new. */
  edits: readonly EditInput[] | null;
  /** Ways to take the entry away, the first refusing where something uses it. */
  removals: readonly { word: string; edit: EditInput }[];
  /** What is entered and not saved, if anything is. */
  draft: DraftState;
  children: React.ReactNode;
}

/** The form of one thing beside the cues: what saving it does to the looks stands under it before it is saved; taking it away says what uses it and asks. */
export function EntryForm({ label, edits, removals, draft, children }: EntryFormProps) {
  const { sheet } = useShow();
  const makeEdits = useMakeEdits();
  const [save, saving] = useOnce(() => edits && makeEdits(edits));
  const [removing, setRemoving] = useState<string | null>(null);
  const [unread, setUnread] = useState<string | null>(null);
  const { all, onAll, mostLines } = useAllLines();
  const list = listOf(sheet).id;
  const entered = useSame(edits);
  const result = useMemo(
    () => entered && previewOf(sheet, { edits: entered, list, mostLines, window: null }),
    [sheet, entered, list, mostLines],
  );
  const preview = result && "lines" in result && !result.changesNothing ? result : null;
  const good = preview !== null;
  const [first, ...others] = removals;
  const remove = async (edit: EditInput): Promise<void> => {
    const fault = faultOf(sheet, [edit]);
    if (fault !== undefined) return setRemoving(fault);
    setRemoving(null);
    await makeEdits([edit]);
  };
  return (
    <form
      aria-label={label}
      className="flex max-w-3xl flex-col gap-4"
      onChange={() => setUnread(null)}
      onSubmit={(event) => {
        event.preventDefault();
        const refused = refusedField(event.currentTarget);
        setUnread(refused?.getAttribute("aria-label") ?? null);
        if (refused) refused.focus();
        else if (good) save();
      }}
    >
      {draft.changedElsewhere && (
        <p role="alert" className="flex items-center gap-3 rounded border border-error px-3 py-1.5">
          <span className="min-w-0 flex-1">This was changed elsewhere while you were at it. Saving puts what stands here over it.</span>
          <button type="button" className="btn btn-xs border-neutral" onClick={draft.drop}>
            Take what is stored
          </button>
        </p>
      )}
      {children}
      <div className="flex items-center gap-3">
        <button type="submit" className="btn btn-primary btn-sm" disabled={!good} aria-busy={saving}>
          Save
        </button>
        {draft.entered && (
          <button type="button" className="btn btn-ghost btn-sm" onClick={draft.drop}>
            Drop what is entered
          </button>
        )}
        <span className="flex-1" />
        {first && (
          <button type="button" className="btn btn-outline btn-sm border-neutral" onClick={() => void remove(first.edit)}>
            {first.word}
          </button>
        )}
      </div>
      {unread !== null && (
        <p role="alert" className="text-error">
          {unread}: what stands there cannot be read, and nothing was saved. Mend it, or drop it with Esc.
        </p>
      )}
      <p role="status" className={result && "fault" in result ? "text-error" : "text-quiet"}>
        {result && "fault" in result ? result.fault : preview ? `Saving it: ${preview.summary}.` : ""}
      </p>
      {preview && preview.count > 0 && (
        <ImpactList label="Impact of saving" lines={preview.lines} count={preview.count} all={all} onAll={onAll} className="max-w-md" />
      )}
      {removing && (
        <InUse said={removing} onLeave={() => setRemoving(null)}>
          {others.map(({ word, edit }) => (
            <button key={word} type="button" className="btn btn-sm border-neutral" onClick={() => void remove(edit)}>
              {word}
            </button>
          ))}
        </InUse>
      )}
    </form>
  );
}

/** The first field of a form that holds a text which cannot be taken. Saving the rest would drop it in silence. */
function refusedField(form: HTMLFormElement): HTMLElement | null {
  return form.querySelector<HTMLElement>('[aria-invalid="true"]');
}

interface NamedFieldProps extends UseFormRegisterReturn {
  /** The words above it. */
  words: string;
  fault?: string | undefined;
  width?: string;
  figures?: boolean;
  placeholder?: string;
}

/** A field of a form with its name above it, and under it what is wrong with what stands in it. */
export function NamedField({ words, fault, width = "w-60", figures = false, ...field }: NamedFieldProps) {
  return (
    <label className="text-[13px] text-quiet">
      {words}
      <input
        {...field}
        aria-invalid={fault !== undefined}
        className={`input input-sm mt-0.5 block bg-base-200 px-2 text-base-content aria-invalid:border-error ${width} ${figures ? "figures" : ""}`}
        autoComplete="off"
      />
      {fault !== undefined && <span className="text-error">{fault}</span>}
    </label>
  );
}
