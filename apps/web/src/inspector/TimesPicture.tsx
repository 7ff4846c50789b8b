import { type ListSheet, cueDuration, timeBars } from "@zm/core";
import { useMemo, useState } from "react";
import { toggleUnder, useSheetView } from "../choice/sheetView.ts";
import { TimesChart } from "../times/TimesChart.tsx";
import { barName } from "../times/barEdits.ts";
import { useTimesDraft } from "../times/useTimesDraft.ts";

const WIDTH = 240;

/** The cue over time, from its Go: every bar can be dragged. Its chain, and wider, under the Score. */
export function TimesPicture({ list, row }: { list: ListSheet; row: number }) {
  const drawn = useSheetView((choice) => choice.under === "times");
  const draft = useTimesDraft(list);
  const [picked, setPicked] = useState<string | null>(null);
  const links = useMemo(() => [{ row, start: 0, duration: cueDuration(draft.shown, row), pressed: true }], [draft.shown, row]);
  const bars = useMemo(() => timeBars(draft.shown, links), [draft.shown, links]);
  return (
    <section aria-label="The cue over time">
      <button
        type="button"
        className="btn btn-xs border-neutral font-normal"
        aria-pressed={drawn}
        title="The chosen cues over time, with what follows by itself, under the Score (d)"
        onClick={() => toggleUnder("times")}
      >
        {drawn ? "Drawn under the Score" : "Draw under the Score"}
      </button>
      {!drawn && bars.length > 0 && (
        <TimesChart
          list={draft.shown}
          links={links}
          bars={bars}
          width={WIDTH}
          namesWidth={88}
          picked={picked}
          onPick={(bar) => setPicked(barName(bar))}
          onWish={draft.wish}
          onMake={draft.make}
          onDrop={draft.drop}
        />
      )}
    </section>
  );
}
