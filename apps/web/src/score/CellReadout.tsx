import { type ListSheet, findRow } from "@zm/core";
import { useChoice } from "../choice/choice.ts";
import { cueName } from "../shared/words.ts";
import { lensKeys } from "./cells.ts";
import { cellStory } from "./story.ts";

/** Says the cell that the keyboard stands on to those who do not see the sheet. */
export function CellReadout({ list }: { list: ListSheet }) {
  const cue = useChoice((choice) => choice.cueEnd);
  const channel = useChoice((choice) => choice.channelEnd);
  const lens = useChoice((choice) => choice.lens);
  const row = cue === null ? -1 : findRow(list, cue);
  const key = channel === null ? undefined : lensKeys(list, channel, lens)[0];
  const story = key && row >= 0 ? cellStory(list, key, row) : null;
  return (
    <div id="cell-readout" aria-live="polite" className="sr-only">
      {row >= 0 && `Cue ${cueName(list.cues[row])}. `}
      {story && `Light ${channel}: ${story.value}, ${story.from}${story.until ? `, ${story.until}` : ""}.`}
    </div>
  );
}
