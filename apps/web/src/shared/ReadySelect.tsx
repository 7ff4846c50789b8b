import { type ListSheet, type Pace, type ReadyTimes, timesOfPace, timesOfPart } from "@zm/core";
import { cueName } from "./words.ts";

interface ReadySelectProps {
  label: string;
  /** The paces of the show. */
  paces: readonly Pace[];
  list: ListSheet;
  /** The row whose neighbours are offered; their times are what is most often wanted again. */
  row: number;
  onTake: (times: ReadyTimes) => void;
}

/** So many cues before are offered with their times. */
const CUES = 6;

/** Ready times to pick: those of paces, and those of the cues before. */
export function ReadySelect({ label, paces: all, list, row, onTake }: ReadySelectProps) {
  const paces = all.filter((pace) => timesOfPace(pace) !== undefined);
  const cues = list.cues.slice(Math.max(0, row - CUES), Math.max(0, row)).reverse();
  if (paces.length + cues.length === 0) return null;
  return (
    <select
      aria-label={label}
      title="Times of a pace, or of a cue before; typed: #12: times as slow-sweep, #12: times as #8"
      className="select select-xs select-narrow w-full min-w-0 bg-base-100 text-[13px]"
      value=""
      onChange={(event) => {
        const [kind, id] = [event.target.value.slice(0, 1), event.target.value.slice(1)];
        const pace = paces.find((each) => kind === "p" && each.id === id);
        const cue = cues.find((each) => kind === "c" && each.number === id);
        const ready = pace ? timesOfPace(pace) : cue?.parts[0] && timesOfPart(cue.parts[0]);
        if (ready) onTake(ready);
      }}
    >
      <option value="">ready</option>
      {paces.map(({ id, label: name }) => (
        <option key={id} value={`p${id}`}>
          {name || id}
        </option>
      ))}
      {cues.map((cue) => (
        <option key={cue.number} value={`c${cue.number}`}>
          as {cueName(cue)}
        </option>
      ))}
    </select>
  );
}
