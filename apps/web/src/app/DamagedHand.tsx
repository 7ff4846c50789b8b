import { serverUrl } from "../shared/serverAddress.ts";
import { tellTrouble } from "../shared/notices.ts";
import { receiveHand, useHand } from "../show/handStore.ts";
import { api } from "../show/api.ts";
import { useShow } from "../show/useShow.ts";

/** Says that what was in hand before a restart could not be read, and offers it as it was found. */
export function DamagedHand() {
  const { id } = useShow();
  const damaged = useHand((state) => state.damaged);
  if (!damaged) return null;
  return (
    <div role="alert" className="flex shrink-0 items-center gap-3 border-b border-error bg-base-300 px-4 py-1.5">
      <span className="min-w-0 flex-1">
        What was in hand could not be read after a restart. It is kept as it was found; the Hand begins empty.
      </span>
      <a className="btn btn-sm border-neutral" href={serverUrl(`/api/shows/${id}/hand/damaged`)} download>
        Save it as a file
      </a>
      <button
        type="button"
        className="btn btn-sm border-neutral"
        onClick={() => void api.forgetDamagedHand(id).then(receiveHand, tellTrouble)}
      >
        Throw it away
      </button>
    </div>
  );
}
