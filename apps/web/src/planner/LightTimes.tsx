import { type LightMark, type ListSheet, withLightMarks } from "@zm/core";
import { SecondsField } from "../shared/SecondsField.tsx";
import { seconds } from "../shared/words.ts";
import { useMakeEditsInTurn } from "../show/useShow.ts";

/** How slowly one light moves in the dark for a cue, and how much later it begins: its own, before what the cue or the list says. Typed: #14: 61 prepared takes 6 waits 2. */
export function LightTimes({ list, row, channel }: { list: ListSheet; row: number; channel: number }) {
  const makeEdits = useMakeEditsInTurn();
  const cue = list.cues[row];
  if (!cue) return null;
  const own = cue.mark?.channels?.[channel];
  const set = (change: LightMark): void =>
    void makeEdits((now) => {
      const standing = now.lists.get(list.id)?.cues.find(({ number }) => number === cue.number);
      if (!standing) return [];
      const mark = withLightMarks(standing.mark, [[channel, change]]);
      return [{ op: "setCue", list: list.id, from: cue.number, to: cue.number, mark }];
    });
  const fade = cue.mark?.fade ?? list.list.marks?.fade;
  return (
    <div className="flex items-center gap-2" role="group" aria-label={`How ${channel} is prepared`}>
      <span className="w-14 shrink-0 text-quiet">{channel} takes</span>
      <SecondsField
        label={`${channel} takes, seconds`}
        value={own?.fade}
        hint={fade === undefined ? "as fast" : seconds(fade)}
        onTake={(value) => set({ fade: value ?? undefined })}
      />
      <span className="text-quiet">waits</span>
      <SecondsField
        label={`${channel} waits, seconds`}
        value={own?.delay}
        hint={seconds(cue.mark?.delay ?? 0)}
        onTake={(value) => set({ delay: value ?? undefined })}
      />
    </div>
  );
}
