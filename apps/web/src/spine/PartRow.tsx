import { type ListSheet, at, count, movesIn } from "@zm/core";
import { useState } from "react";
import { considerEdits } from "../choice/draft.ts";
import { chooseCue, chooseLights, useSelection } from "../choice/selection.ts";
import { timesInWords } from "../shared/partTimes.ts";
import { lightSpans } from "../shared/words.ts";
import { partLights } from "./partLights.ts";

interface PartRowProps {
  readonly list: ListSheet;
  readonly row: number;
  readonly part: number;
  readonly top: number;
  readonly width: number;
  /** Classes that all lines of the spine share. */
  readonly look: string;
}

/** The lights that are being dragged out of a part; a browser shows what is dragged only where it is dropped. */
let dragged: { readonly list: string; readonly cue: string; readonly part: number; readonly lights: readonly number[] } | null = null;

/** A part under its cue: its share of the cue's moves, its name, its lights and its times. Its lights are dragged to another part of the cue. */
export function PartRow({ list, row, part: number, top, width, look }: PartRowProps) {
  const [over, setOver] = useState(false);
  const cue = at(list.cues, row);
  const part = cue.parts.find((each) => each.number === number);
  if (!part) return null;
  const own = movesIn(part.moves);
  const all = cue.parts.reduce((sum, each) => sum + movesIn(each.moves), 0);
  const fits = (): boolean => dragged?.list === list.id && dragged.cue === cue.number && dragged.part !== number;
  const drop = (): void => {
    setOver(false);
    if (!dragged || !fits()) return;
    const edit = { op: "assignPart" as const, list: list.id, cue: cue.number, keys: { channels: [...dragged.lights] }, part: number };
    chooseLights(dragged.lights);
    considerEdits("cells", [edit]);
  };
  return (
    <div
      role="row"
      aria-label={`Part ${number} of cue ${cue.number}`}
      className={`${look} bg-base-200 pr-3 ${over ? "outline-2 -outline-offset-2 outline-secondary" : ""}`}
      style={{ top, width }}
      title={`${count(own, "move")} of ${all}; drag lights here from another part, or chosen cells with Alt`}
      onPointerDown={() => chooseCue(cue.number)}
      onDragOver={(event) => {
        if (!fits()) return;
        event.preventDefault();
        setOver(true);
      }}
      onDragLeave={() => setOver(false)}
      onDrop={drop}
    >
      <span role="rowheader" className="w-[58px] shrink-0 pr-2 text-right text-[13px] text-primary">
        part {number}
      </span>
      <span role="gridcell" className="flex max-w-[244px] min-w-0 shrink-0 items-center gap-2 overflow-hidden">
        <span aria-hidden className="h-2 w-8 shrink-0 border border-neutral">
          <span className="block h-full bg-primary" style={{ width: `${all === 0 ? 0 : (100 * own) / all}%` }} />
        </span>
        {part.label && <span className="truncate">{part.label}</span>}
        <span className="flex shrink-0 gap-1">
          {partLights(part).map((lights) => (
            <LightsHandle
              key={lights[0]}
              lights={lights}
              onDrag={(taken) => (dragged = { list: list.id, cue: cue.number, part: number, lights: taken })}
            />
          ))}
        </span>
      </span>
      <span role="gridcell" className="figures min-w-0 flex-1 truncate text-right text-[13px] text-quiet">
        {timesInWords(part.times ?? {})}
      </span>
    </div>
  );
}

/** Some lights of a part: pressed they are chosen, dragged they go to another part; of those chosen only the chosen ones. */
function LightsHandle({ lights, onDrag }: { lights: readonly number[]; onDrag: (lights: readonly number[]) => void }) {
  const spans = lightSpans(lights);
  const words = spans.length > 9 ? `${count(lights.length, "light")}` : spans;
  return (
    <button
      type="button"
      draggable
      aria-label={`Choose lights ${spans}`}
      title={`Lights ${spans}: press to choose, drag to another part of this cue`}
      className="figures h-6 cursor-grab rounded border border-neutral px-1 text-[13px] hover:bg-base-300"
      onClick={() => chooseLights(lights)}
      onDragStart={(event) => {
        const { channels } = useSelection.getState();
        const chosen = lights.filter((light) => channels.includes(light));
        const taken = chosen.length > 0 ? chosen : lights;
        event.dataTransfer.setData("text/plain", lightSpans(taken));
        event.dataTransfer.effectAllowed = "move";
        onDrag(taken);
      }}
      onDragEnd={() => (dragged = null)}
    >
      {words}
    </button>
  );
}
