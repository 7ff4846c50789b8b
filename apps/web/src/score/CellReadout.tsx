import { type ListSheet, findRow } from "@zm/core";
import { useSelection } from "../choice/selection.ts";
import { useSheetView } from "../choice/sheetView.ts";
import { cueName } from "../shared/words.ts";
import { cellWords } from "../cells/story.ts";

/** Says the cell that the keyboard stands on to those who do not see the sheet. */
export function CellReadout({ list }: { list: ListSheet }) {
  const cue = useSelection((choice) => choice.cueEnd);
  const channel = useSelection((choice) => choice.channelEnd);
  const lens = useSheetView((choice) => choice.lens);
  const row = cue === null ? -1 : findRow(list, cue);
  return (
    <div id="cell-readout" aria-live="polite" className="sr-only">
      {row >= 0 && `Cue ${cueName(list.cues[row])}. `}
      {row >= 0 && channel !== null && `Light ${channel}: ${cellWords(list, channel, row, lens)}.`}
    </div>
  );
}
