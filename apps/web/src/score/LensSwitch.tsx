import type { ListSheet } from "@zm/core";
import { timesScale } from "../cells/cellTimes.ts";
import { type Lens, chooseLens, showTracked, useSheetView } from "../choice/sheetView.ts";
import { toggleMoving } from "./moving.ts";

const LENSES: readonly (readonly [Lens, string])[] = [
  ["intensity", "Intensity"],
  ["position", "Position"],
  ["colour", "Colour"],
  ["beam", "Beam"],
  ["times", "Times"],
];
const LOOK =
  "h-6 rounded px-1.5 text-[13px] text-quiet hover:text-base-content aria-pressed:text-secondary aria-pressed:underline aria-pressed:underline-offset-4";

/** What the cells of the Score show, and whether tracked values are written in them. */
export function LensSwitch({ list }: { list: ListSheet }) {
  const lens = useSheetView((choice) => choice.lens);
  const tracked = useSheetView((choice) => choice.tracked);
  const moving = useSheetView((choice) => choice.moving);
  return (
    <div className="absolute top-1 left-2.5 z-40 flex items-center" role="group" aria-label="Lens">
      {LENSES.map(([each, word]) => (
        <button key={each} type="button" aria-pressed={lens === each} className={LOOK} onClick={() => chooseLens(each)}>
          {word}
        </button>
      ))}
      <span aria-hidden className="mx-1.5 h-4 border-l border-rule" />
      {lens === "times" ? (
        <span
          className="figures px-1.5 text-[13px] text-quiet"
          title="A bar as long as its cell is wide lasts so long; longer ones end in a point"
        >
          {timesScale(list).seconds} s wide
        </span>
      ) : (
        <button
          type="button"
          aria-pressed={tracked}
          title="Write tracked values in every cell (t)"
          className={LOOK}
          onClick={() => showTracked(!tracked)}
        >
          Tracked
        </button>
      )}
      <button
        type="button"
        aria-pressed={moving !== null}
        title={
          moving
            ? `Only lights that move in ${cuesWords(moving)} are shown; press for all (m)`
            : "Show only lights that move in the chosen cues (m)"
        }
        className={LOOK}
        onClick={() => toggleMoving(list)}
      >
        Moving
      </button>
    </div>
  );
}

function cuesWords({ from, to }: { from: string; to: string }): string {
  return from === to ? `cue ${from}` : `cues ${from} to ${to}`;
}
