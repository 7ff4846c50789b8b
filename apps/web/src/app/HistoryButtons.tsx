import { Redo2, Undo2 } from "lucide-react";
import type { StepSummary } from "@zm/protocol";
import { WINDOW } from "../show/gesture.ts";
import { useHistoryStore } from "../show/historyStore.ts";
import { useHistory } from "../show/useShow.ts";

/** One undo and one redo over show and Hand, in the order of time; each names its step, and whose it is, before it is pressed. */
export function HistoryButtons() {
  const history = useHistory();
  const undo = useHistoryStore((state) => state.undo);
  const redo = useHistoryStore((state) => state.redo);
  return (
    <>
      <button
        type="button"
        className="btn btn-ghost btn-sm gap-1.5"
        disabled={undo === null}
        title={undo ? `Take back: ${stepWords(undo)} (Ctrl Z)` : "Nothing to take back"}
        onClick={() => void history("undo")}
      >
        <Undo2 size={15} className="shrink-0" />{" "}
        <span className="max-[1200px]:sr-only group-data-[tight=true]/bar:max-[1400px]:sr-only">Undo</span>
      </button>
      <button
        type="button"
        className="btn btn-ghost btn-sm btn-square"
        aria-label="Redo"
        disabled={redo === null}
        title={redo ? `Make again: ${stepWords(redo)} (Ctrl Shift Z)` : "Nothing to make again"}
        onClick={() => void history("redo")}
      >
        <Redo2 size={15} />
      </button>
    </>
  );
}

function stepWords({ words, window, person }: StepSummary): string {
  return window === null || window === WINDOW ? words : `${words}, ${person === null ? "from another window" : `by ${person}`}`;
}
