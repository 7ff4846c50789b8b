import { type EditInput, type ListSheet, type ShowSheet, findRow, stageAtRest } from "@zm/core";
import { X } from "lucide-react";
import { useDeferredValue, useMemo } from "react";
import { useDraft } from "../choice/draft.ts";
import { useSelection } from "../choice/selection.ts";
import { closeUnder, useSheetView } from "../choice/sheetView.ts";
import { cueName } from "../shared/words.ts";
import { useShow } from "../show/useShow.ts";
import { sheetAfter } from "../preview/preview.ts";
import { waitingFor } from "./waiting.ts";
import { PicturePair, type StageState } from "./PicturePair.tsx";

/** The cue in sight, or with `chosen` the chosen one, as a picture, before and after what is considered; where nothing is considered, beside the cue before it. */
export function PicturesDrawer({ list, chosen = false }: { list: ListSheet; chosen?: boolean }) {
  const { sheet } = useShow();
  // The pictures follow what is typed; they never hold it up.
  const draft = useDeferredValue(useDraft((choice) => choice.draft));
  const cueEnd = useSelection((choice) => choice.cueEnd);
  const looked = useSheetView((choice) => choice.lookedAt);
  const after = useMemo(() => (draft ? listAfter(sheet, list, draft.edits) : null), [sheet, list, draft]);
  const number = chosen && cueEnd !== null ? cueEnd : ((draft && looked?.list === list.id ? looked.cue : null) ?? cueEnd);
  const row = number === null ? -1 : findRow(list, number);
  const later = after && number !== null ? findRow(after.list, number) : -1;
  const pair = useMemo((): readonly [StageState, StageState] | null => {
    const was = (at: number): StageState => stateIn({ sheet, list }, at);
    if (!after) return row < 0 ? null : [was(row - 1), was(row)];
    if (later < 0 && row < 0) return null;
    // A cue that comes is held against the cue it comes behind; one that goes, against what stands in its place.
    return [was(row < 0 ? later - 1 : row), stateIn(after, later < 0 ? row - 1 : later)];
  }, [sheet, list, after, row, later]);
  const cue = (after && later >= 0 ? after.list.cues[later] : list.cues[row]) ?? undefined;
  return (
    <section aria-label="Stage pictures" className="flex h-[280px] shrink-0 flex-col border-t border-primary bg-base-200">
      <div className="flex h-9 shrink-0 items-center gap-3 px-4">
        <h2 className="font-bold">{cue ? `Cue ${cueName(cue)}` : "Stage pictures"}</h2>
        <span className="truncate text-quiet">
          {draft
            ? chosen
              ? "what is considered prepares this; choose a cue at the left"
              : "what is considered does this; the arrow keys walk its impact (i)"
            : "beside the cue before it; nothing is considered"}
        </span>
        <span className="flex-1" />
        <button
          type="button"
          className="btn btn-ghost btn-sm btn-square"
          aria-label="Put the pictures away"
          title="Put the pictures away (v)"
          onClick={() => closeUnder()}
        >
          <X size={15} />
        </button>
      </div>
      <div className="min-h-0 flex-1">
        {pair ? (
          <PicturePair before={pair[0]} after={pair[1]} names={draft ? ["as it is", "afterwards"] : ["the cue before", "this cue"]} />
        ) : (
          <p className="px-4 text-quiet">Choose a cue: its picture stands here, beside what an edit would make of it.</p>
        )}
      </div>
    </section>
  );
}

/** The stage at rest in a row of a list, with the lights that wait there. */
function stateIn({ sheet, list }: { readonly sheet: ShowSheet; readonly list: ListSheet }, row: number): StageState {
  return { sheet, outputs: stageAtRest(list, row), waits: waitingFor(list, row) };
}

/** The show and the list as edits would leave them; null for edits that cannot be made. */
function listAfter(
  sheet: ShowSheet,
  { id }: ListSheet,
  edits: readonly EditInput[],
): { readonly sheet: ShowSheet; readonly list: ListSheet } | null {
  const made = sheetAfter(sheet, edits);
  const list = made?.lists.get(id);
  return made && list ? { sheet: made, list } : null;
}
