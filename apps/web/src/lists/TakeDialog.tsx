import type { WantedCues } from "../shared/dialogs.ts";
import { Modal } from "../shared/Modal.tsx";
import { errorMessage } from "../shared/errorMessage.ts";
import { useList } from "../show/useShow.ts";
import { CueChoice } from "./CueChoice.tsx";
import { useCueImport } from "./useCueImport.ts";

/** Cues of another show of the database, taken into the list that is worked on: chosen here, and seen with their impact before they are made. */
export function TakeDialog({ wanted, onClose }: { wanted: WantedCues; onClose: () => void }) {
  const list = useList();
  const taking = useCueImport(wanted, onClose);
  const { others, named, show, other, from, cues, start, taken } = taking;
  return (
    <Modal label="Cues of another show" onClose={onClose} className="w-[40rem]">
      <form
        className="flex h-[520px] flex-col gap-3 p-6"
        onSubmit={(event) => {
          event.preventDefault();
          taking.consider();
        }}
      >
        <h2 className="text-[17px] font-bold">Cues of another show, into {list.list.label || list.id}</h2>
        {others && wanted.from !== undefined && !named && (
          <p role="alert" className="text-error">
            No other show in this database is called “{wanted.from}”; choose one here.
          </p>
        )}
        {others?.length === 0 && <p className="text-quiet">There is no other show in this database yet.</p>}
        <div className="flex items-end gap-3">
          <label className="flex-1 text-[13px] text-quiet">
            show
            <select
              className="select select-sm mt-0.5 w-full bg-base-100"
              value={show ?? ""}
              onChange={(event) => taking.pickShow(Number(event.target.value))}
            >
              {others?.map((each) => (
                <option key={each.id} value={each.id}>
                  {each.title} (no. {each.id})
                </option>
              ))}
            </select>
          </label>
          <label className="w-40 text-[13px] text-quiet">
            list
            <select
              className="select select-sm mt-0.5 w-full bg-base-100"
              value={from?.id ?? ""}
              onChange={(event) => taking.pickList(event.target.value)}
            >
              {[...(other.data?.lists.values() ?? [])].map((each) => (
                <option key={each.id} value={each.id}>
                  {each.list.label || each.id}
                </option>
              ))}
            </select>
          </label>
          <label className="w-28 text-[13px] text-quiet">
            first becomes
            <input
              className="input input-sm figures mt-0.5 w-full bg-base-100"
              placeholder={cues?.first ?? ""}
              value={start}
              onChange={(event) => taking.setStart(event.target.value)}
            />
          </label>
        </div>
        {other.isFetching && (
          <p role="status" className="text-quiet">
            Reading the other show …
          </p>
        )}
        {other.error && (
          <p role="alert" className="text-error">
            {errorMessage(other.error)}
          </p>
        )}
        {from && <CueChoice list={from} cues={cues} onChoose={taking.setCues} />}
        {taken && "fault" in taken && (
          <p role="alert" className="text-error">
            {taken.fault}
          </p>
        )}
        <div className="flex items-center justify-end gap-2">
          <span className="flex-1 text-quiet">
            {taken && "edits" in taken && `${taken.edits.length} cues; their palettes become numbers where this show has none such.`}
          </span>
          <button type="button" className="btn btn-sm btn-outline border-neutral" onClick={onClose}>
            Not now
          </button>
          <button type="submit" className="btn btn-sm btn-primary" disabled={!taken || "fault" in taken}>
            Show what that does
          </button>
        </div>
      </form>
    </Modal>
  );
}
