import {
  ShowError,
  addressesOf,
  bulkEdits,
  count,
  makeEdits as makeEditsOn,
  newPatchFaults,
  nextFreeNumber,
  nextFreePatch,
  patchWords,
  readEdits,
  readPatch,
} from "@zm/core";
import { useOnce } from "../shared/ActionButton.tsx";
import { type UseFormRegisterReturn, useForm, useWatch } from "react-hook-form";
import { useMergedRefs } from "../shared/useMergedRefs.ts";
import { withoutSent } from "../shared/withoutSent.ts";
import { placeRef } from "../shared/focusPlaces.ts";
import { chooseLights } from "../choice/selection.ts";
import { useMakeEdits, useShow } from "../show/useShow.ts";

interface BulkFields {
  from: string;
  to: string;
  type: string;
  patch: string;
  label: string;
}

const NOTHING: BulkFields = { from: "", to: "", type: "", patch: "", label: "" };

/** What the row would add. */
type Preview = { edits: ReturnType<typeof bulkEdits>; words: string; clashes: string[] } | { fault: string };

/** Adding a row of lights at once, or patching one anew: "1 to 12, LED wash, from 1.1". It says what will be there before it is. */
export function BulkForm() {
  const { sheet } = useShow();
  const { show } = sheet;
  const makeEdits = useMakeEdits();
  const { control, register, handleSubmit, getValues, reset, setValue } = useForm<BulkFields>({ defaultValues: NOTHING });
  const { from, to, type, patch, label } = useWatch({ control, compute: (all: BulkFields) => all });
  const kind = show.fixtureTypes.some((each) => each.id === type) ? type : (show.fixtureTypes[0]?.id ?? "");
  const preview = previewOf();
  // What would come next stands faint in the empty fields, and is taken as it stands by one press.
  const nextNumber = nextFreeNumber(show, kind);
  const wantedLights = Math.max(1, Number(to.trim() || from) - Number(from) + 1 || 1);
  const nextPatch = patchWords(nextFreePatch(show, kind, wantedLights));

  function previewOf(): Preview | null {
    if (from.trim() === "") return null;
    const at = readPatch(patch);
    if (patch.trim() !== "" && !at) return { fault: `"${patch}" is not a patch; write universe and address such as 1.101` };
    const [first, last] = [Number(from), Number(to.trim() === "" ? from : to)];
    try {
      const edits = bulkEdits(show, { from: first, to: last, type: kind, label: label.trim() || undefined, ...(at ? { patch: at } : {}) });
      const known = show.channels.filter(({ number }) => number >= first && number <= last).length;
      const what = [
        known < edits.length ? `adds ${count(edits.length - known, "light")}` : "",
        known > 0 ? `changes ${count(known, "light")}` : "",
      ]
        .filter(Boolean)
        .join(", ");
      return {
        edits,
        clashes: newPatchFaults(sheet, makeEditsOn(sheet, readEdits(edits)).sheet),
        words: at ? `${what}, ${addressesOf(show, kind)} ${addressesOf(show, kind) === 1 ? "address" : "addresses"} each` : what,
      };
    } catch (error) {
      if (error instanceof ShowError) return { fault: error.message };
      throw error;
    }
  }
  const [make, busy] = useOnce(async (): Promise<void> => {
    const sent = getValues();
    if (!preview || "fault" in preview || !(await makeEdits(preview.edits))) return;
    chooseLights(preview.edits.flatMap((edit) => (edit.op === "setChannel" ? [edit.channel.number] : [])));
    reset(withoutSent(getValues(), sent, { ...NOTHING, type: sent.type }));
  });
  const first = register("from");
  const firstRef = useMergedRefs<HTMLInputElement>(first.ref, placeRef("first light"));
  return (
    <form
      aria-label="Add lights"
      className="flex shrink-0 flex-wrap items-center gap-2 px-4 py-2"
      onSubmit={(event) => void handleSubmit(make)(event)}
    >
      <Field label="First light" placeholder={String(nextNumber)} width="w-14" {...first} ref={firstRef} />
      <span className="text-quiet">to</span>
      <Field label="Last light" placeholder="12" width="w-14" {...register("to")} />
      <select aria-label="Type of the lights" className="select select-sm w-36 shrink-0 bg-base-200" {...register("type")} value={kind}>
        {show.fixtureTypes.length === 0 && <option value="">no type yet</option>}
        {show.fixtureTypes.map((each) => (
          <option key={each.id} value={each.id}>
            {each.name || each.id}
          </option>
        ))}
      </select>
      <span className="text-quiet">from</span>
      <Field label="First patch" placeholder={nextPatch} width="w-18" {...register("patch")} />
      <NextFree
        words={`${from.trim() || nextNumber} from ${nextPatch}`}
        onTake={() => {
          if (from.trim() === "") setValue("from", String(nextNumber));
          setValue("patch", nextPatch);
        }}
      />
      <span className="text-quiet">called</span>
      <Field label="Called" placeholder="Front" width="w-24" plain {...register("label")} />
      <button type="submit" className="btn btn-sm btn-primary" disabled={!preview || "fault" in preview} aria-busy={busy}>
        Add
      </button>
      <WhatItAdds preview={preview} />
    </form>
  );
}

/** What the row would add, and what it would clash with; or why it cannot. */
function WhatItAdds({ preview }: { preview: Preview | null }) {
  const clashes = preview && "clashes" in preview ? preview.clashes : [];
  return (
    <span
      role="status"
      className={`flex-1 text-[13px] leading-tight ${preview ? "min-w-56" : "min-w-0"} ${preview && "fault" in preview ? "text-error" : "text-quiet"}`}
    >
      {preview ? ("fault" in preview ? preview.fault : preview.words) : ""}
      {clashes.length > 0 && (
        <span className="block text-error" title={clashes.join("\n")}>
          {clashes[0]}
          {clashes.length > 1 ? `, and ${clashes.length - 1} more` : ""}
        </span>
      )}
    </span>
  );
}

/** Fills in the next free number and address. */
function NextFree({ words, onTake }: { words: string; onTake: () => void }) {
  return (
    <button
      type="button"
      className="btn btn-xs h-7 border-neutral font-normal"
      title={`The next free number and address: ${words}`}
      onClick={onTake}
    >
      Next free
    </button>
  );
}

interface FieldProps extends UseFormRegisterReturn {
  label: string;
  placeholder: string;
  width: string;
  plain?: boolean;
}

function Field({ label, width, plain = false, ...field }: FieldProps) {
  return (
    <input
      {...field}
      aria-label={label}
      autoComplete="off"
      className={`input input-sm bg-base-200 px-2 ${width} ${plain ? "" : "figures"}`}
    />
  );
}
