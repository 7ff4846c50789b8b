import type { ListSheet } from "@zm/core";
import { ChevronLeft, ChevronRight } from "lucide-react";
import { Modal } from "../shared/Modal.tsx";
import { ModalHead } from "../shared/ModalHead.tsx";
import { cueName } from "../shared/words.ts";
import { useStandby, useStandbySet } from "../show/run/useStandby.ts";
import { useShow } from "../show/useShow.ts";

/** Which cue of which list goes when the set is fired: any cue of any list, by its number and name. Nothing moves by choosing. Typed: standby tower #3, main #12. */
export function StandbyDialog({ onClose }: { onClose: () => void }) {
  const { sheet } = useShow();
  const set = useStandbySet();
  const { empty, fire } = useStandby();
  return (
    <Modal label="Standby set" onClose={onClose} className="w-[560px]">
      <div className="flex flex-col gap-3 p-4">
        <ModalHead name="Standby set" />
        <p className="text-quiet">What is chosen here goes together with one press, and only that. Nothing moves before.</p>
        <div className="flex max-h-[50vh] flex-col gap-1.5 overflow-y-auto">
          {[...sheet.lists.values()].map((list) => (
            <ListChoice key={list.id} list={list} cue={set.find((each) => each.list === list.id)?.cue} />
          ))}
        </div>
        <div className="flex gap-2 border-t border-rule pt-3">
          <button type="button" className="btn btn-primary flex-1" disabled={set.length === 0} onClick={fire}>
            {set.length === 0 ? "Nothing is chosen" : `Fire ${set.length === 1 ? "it" : `these ${set.length} together`}`}
          </button>
          <button type="button" className="btn btn-outline border-neutral" disabled={set.length === 0} onClick={empty}>
            Choose none
          </button>
        </div>
      </div>
    </Modal>
  );
}

function ListChoice({ list, cue }: { list: ListSheet; cue: string | undefined }) {
  const { choose, step } = useStandby();
  const name = list.list.label || list.id;
  const row = list.cues.findIndex(({ number }) => number === cue);
  return (
    <div role="group" aria-label={name} className="flex items-center gap-2">
      <span className="w-32 shrink-0 truncate" title={name}>
        {name}
      </span>
      <select
        aria-label={`cue of ${name} in the set`}
        className="select select-sm min-w-0 flex-1 bg-base-100"
        value={cue ?? ""}
        disabled={list.cues.length === 0}
        onChange={(event) => choose(list.id, event.target.value === "" ? null : event.target.value)}
      >
        <option value="">{list.cues.length === 0 ? "has no cue yet" : "not in the set"}</option>
        {list.cues.map((each) => (
          <option key={each.number} value={each.number}>
            {cueName(each)}
          </option>
        ))}
      </select>
      {([-1, 1] as const).map((by) => (
        <button
          key={by}
          type="button"
          className="btn btn-xs btn-square h-7 w-7 border-neutral"
          aria-label={by < 0 ? `the cue before, of ${name}` : `the cue behind, of ${name}`}
          disabled={row < 0 || list.cues[row + by] === undefined}
          onClick={() => step(list.id, by)}
        >
          {by < 0 ? <ChevronLeft size={15} /> : <ChevronRight size={15} />}
        </button>
      ))}
    </div>
  );
}
