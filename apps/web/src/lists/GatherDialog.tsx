import { type GatheredCue, freeId, gatherEdits } from "@zm/core";
import { useMemo, useState } from "react";
import { useForm, useWatch } from "react-hook-form";
import { useOnce } from "../shared/ActionButton.tsx";
import { Modal } from "../shared/Modal.tsx";
import { chooseList } from "../choice/selection.ts";
import { faultOf } from "../preview/preview.ts";
import { Toggle } from "../shared/Toggle.tsx";
import { useMakeEdits, useShow } from "../show/useShow.ts";
import { CuesToGather, GatheredCues } from "./GatheredCues.tsx";

/** Making a list from cues of other lists, in an order of its own: copies of what they store, or their whole looks. */
export function GatherDialog({ onClose }: { onClose: () => void }) {
  const { sheet } = useShow();
  const makeEdits = useMakeEdits();
  const { register, handleSubmit, control } = useForm<{ label: string }>({ defaultValues: { label: "" } });
  const label = useWatch({ control, name: "label" }).trim();
  const [picked, setPicked] = useState<readonly GatheredCue[]>([]);
  const [what, setWhat] = useState<"moves" | "look">("look");
  const edits = useMemo(
    () => gatherEdits(freeId(label || "gathered", sheet.lists.keys()), label, picked, what),
    [sheet, label, picked, what],
  );
  const fault = useMemo(() => (picked.length > 0 ? faultOf(sheet, edits) : undefined), [sheet, edits, picked]);
  const ready = label !== "" && picked.length > 0 && fault === undefined;
  const [make] = useOnce(async (): Promise<void> => {
    if (!ready || !(await makeEdits(edits))) return;
    chooseList(edits[0].list.id);
    onClose();
  });
  return (
    <Modal label="List gathered from cues" onClose={onClose} className="w-[48rem]">
      <form className="flex h-[560px] flex-col gap-3 p-6" onSubmit={(event) => void handleSubmit(make)(event)}>
        <div className="flex items-end gap-3">
          <label className="flex-1 text-[13px] text-quiet">
            name of the new list
            <input className="input input-sm mt-0.5 w-full bg-base-100" {...register("label")} />
          </label>
          <div className="flex gap-1" role="group" aria-label="What is taken of each cue">
            <Toggle pressed={what === "look"} onClick={() => setWhat("look")} title="Each cue looks as it does where it stands now">
              Whole looks
            </Toggle>
            <Toggle
              pressed={what === "moves"}
              onClick={() => setWhat("moves")}
              title="Only what each cue stores; the rest tracks in the new list"
            >
              Stored moves
            </Toggle>
          </div>
        </div>
        <div className="flex min-h-0 flex-1 gap-4">
          <CuesToGather onPick={(cue) => setPicked([...picked, cue])} />
          <GatheredCues picked={picked} onChange={setPicked} />
        </div>
        {fault !== undefined && <p className="text-error">{fault}</p>}
        <div className="flex items-center justify-end gap-2">
          <span className="flex-1 text-quiet">
            {picked.length > 0 && `Makes a list of ${picked.length} ${picked.length === 1 ? "cue" : "cues"}; no other list changes.`}
          </span>
          <button type="button" className="btn btn-sm btn-outline border-neutral" onClick={onClose}>
            Not now
          </button>
          <button type="submit" className="btn btn-sm btn-primary" disabled={!ready}>
            Make the list
          </button>
        </div>
      </form>
    </Modal>
  );
}
