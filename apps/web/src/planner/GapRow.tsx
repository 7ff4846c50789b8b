import { tenths } from "@zm/core";
import { memo } from "react";
import { seconds } from "../shared/words.ts";
import { GAPS, SPINE } from "./grid.ts";
import { KNOWN_BRIEFLY } from "./knownWords.ts";
import type { ListPlan } from "./usePlan.ts";

/** How long a time bar can be, pixels; long times are pressed together. */
const LONGEST_BAR = 44;

/** What lies between a cue and the next: how long it is and how that is known, whether it is quiet, how many lights move then. */
export const GapRow = memo(function GapRow({
  plan: { list, until, quiet, moving },
  row,
  top,
}: {
  plan: ListPlan;
  row: number;
  top: number;
}) {
  const time = row + 1 < list.cues.length ? until(row, row + 1) : null;
  const lights = moving[row] ?? 0;
  const known = time === null ? "" : KNOWN_BRIEFLY[time.by];
  const silent = quiet[row] ?? 0;
  return (
    <div className="absolute flex h-7 items-center border-b border-rule/60 text-[13px]" style={{ top, left: SPINE, width: GAPS }}>
      <span
        aria-hidden
        className={`ml-1.5 h-5 w-1.5 shrink-0 ${silent > 0 ? "rounded-l-full border-l-2 border-secondary" : ""}`}
        title={silent > 0 ? `Quiet for ${seconds(silent)} s` : undefined}
      />
      <span className="ml-1 flex w-[142px] shrink-0 items-center gap-1.5">
        {time === null ? (
          <span className="text-quiet">{row + 1 < list.cues.length ? "?" : ""}</span>
        ) : (
          <>
            <span
              aria-hidden
              className="h-2.5 shrink-0 bg-quiet/70"
              style={{ width: Math.min(LONGEST_BAR, 3 + 9 * Math.log2(1 + Math.max(0, time.seconds))) }}
            />
            <span className="figures">{tenths(time.seconds)}</span>
            <span className="whitespace-nowrap text-quiet">{known}</span>
          </>
        )}
        {silent > 0 && <span className="sr-only">, quiet for {seconds(silent)} seconds</span>}
      </span>
      <span className="flex items-center gap-1.5">
        {lights > 0 && (
          <>
            <span aria-hidden className="h-2.5 bg-secondary/60" style={{ width: Math.min(34, 4 * lights) }} />
            <span className="figures">{lights}</span>
          </>
        )}
      </span>
    </div>
  );
});
