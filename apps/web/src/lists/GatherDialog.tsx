import { type GatheredCue, freeId, gatherEdits } from "@zm/core";
import { ArrowDown, ArrowUp, X } from "lucide-react";
import { useMemo, useState } from "react";
import { useForm, useWatch } from "react-hook-form";
import { useOnce } from "../shared/ActionButton.tsx";
import { Modal } from "../shared/Modal.tsx";
import { chooseList } from "../choice/choice.ts";
import { faultOf } from "../preview/preview.ts";
import { Toggle } from "../shared/Toggle.tsx";
import { cueName } from "../shared/words.ts";
import { useMakeEdits, useShow } from "../show/useShow.ts";

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
  const move = (index: number, by: -1 | 1): void => {
    const one = picked[index];
    if (one) setPicked(picked.toSpliced(index, 1).toSpliced(index + by, 0, one));
  };
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
          <div className="flex-1 overflow-y-auto rounded border border-rule p-1" tabIndex={0} role="group" aria-label="Cues to take">
            {[...sheet.lists.values()].map((list) => (
              <div key={list.id}>
                <p className="px-1.5 pt-1 text-[13px] text-primary">{list.list.label || list.id}</p>
                {list.cues.map((cue) => (
                  <button
                    key={cue.number}
                    type="button"
                    className="block w-full truncate rounded px-1.5 text-left hover:bg-base-300"
                    onClick={() => setPicked([...picked, { list: list.id, cue: cue.number }])}
                  >
                    <span className="figures inline-block w-12 text-right">{cue.number}</span> {cue.label}
                  </button>
                ))}
              </div>
            ))}
          </div>
          <ol className="flex-1 overflow-y-auto rounded border border-rule p-1" tabIndex={0} aria-label="The new list">
            {picked.length === 0 && <li className="px-1.5 text-quiet">Click cues at the left in the order in which they are to stand.</li>}
            {picked.map((each, index) => (
              <li key={index} className="flex items-center gap-1">
                <span className="figures w-8 text-right text-secondary">{index + 1}</span>
                <span className="min-w-0 flex-1 truncate">
                  {cueName(sheet.lists.get(each.list)?.cues.find((cue) => cue.number === each.cue))}
                </span>
                <IconButton label={`Cue ${index + 1} up`} disabled={index === 0} onClick={() => move(index, -1)}>
                  <ArrowUp size={12} />
                </IconButton>
                <IconButton label={`Cue ${index + 1} down`} disabled={index === picked.length - 1} onClick={() => move(index, 1)}>
                  <ArrowDown size={12} />
                </IconButton>
                <IconButton label={`Leave cue ${index + 1} out`} onClick={() => setPicked(picked.toSpliced(index, 1))}>
                  <X size={12} />
                </IconButton>
              </li>
            ))}
          </ol>
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

function IconButton({
  label,
  disabled = false,
  onClick,
  children,
}: {
  label: string;
  disabled?: boolean;
  onClick: () => void;
  children: React.ReactNode;
}) {
  return (
    <button type="button" className="btn btn-ghost btn-xs btn-square" aria-label={label} disabled={disabled} onClick={onClick}>
      {children}
    </button>
  );
}
