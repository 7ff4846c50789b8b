import { type EditInput, type ListSheet, cueOrder, findRow, firstRowFrom, rangeLength } from "@zm/core";
import { useEffect, useRef, useState } from "react";
import { type Draft, considerEdits, dropDraft, makeConsidered, useDraft } from "../choice/draft.ts";
import { faultOf } from "../preview/preview.ts";
import { focusOn } from "../shared/focusPlaces.ts";
import { readFactor } from "../shared/readNumber.ts";
import { readSeconds } from "../shared/readSeconds.ts";
import { seconds } from "../shared/words.ts";
import { useMakeEdits, useShow } from "../show/useShow.ts";

interface RangeTimesProps {
  list: ListSheet;
  cues: { from: string; to: string };
}

/** The times of the chosen cues all at once: how long they last together, or every time by a factor. Typed: #10..14: last 90, #10..14: times * 1.2. */
export function RangeTimes({ list, cues }: RangeTimesProps) {
  const { sheet } = useShow();
  const [last, setLast] = useState("");
  const [factor, setFactor] = useState("");
  const range = { list: list.id, ...cues };
  const makeEdits = useMakeEdits();
  const own = useRef<Draft | null>(null);
  const think = (edits: EditInput[] | null): void => {
    own.current = considerEdits("cells", edits);
  };
  useEffect(() => {
    // What was made or dropped elsewhere, and what was thought about these cues and not about others, does not stay.
    const end = useDraft.subscribe((now, before) => {
      if (!own.current || before.draft !== own.current || now.draft === own.current) return;
      own.current = null;
      setLast("");
      setFactor("");
    });
    return () => {
      end();
      if (own.current && useDraft.getState().draft === own.current) dropDraft();
    };
  }, []);
  const keys = (event: React.KeyboardEvent, again: () => void): void => {
    const { draft } = useDraft.getState();
    if (event.key === "Escape" && draft === own.current) dropDraft();
    if (event.key !== "Enter" || event.repeat || !draft || draft !== own.current || faultOf(sheet, draft.edits) !== undefined) return;
    focusOn("score");
    void makeConsidered(draft, makeEdits, again);
  };
  const considerLast = (text: string): void => {
    setLast(text);
    setFactor("");
    const time = readSeconds(text);
    think(typeof time === "number" ? [{ op: "stretch", ...range, seconds: time }] : null);
  };
  const considerFactor = (text: string): void => {
    setFactor(text);
    setLast("");
    const scale = readFactor(text);
    think(scale === undefined ? null : [{ op: "setTimes", ...range, scale }]);
  };
  const lasts = lengthOf(list, cues);
  return (
    <section aria-label="Times of these cues" className="border-t border-rule pt-2">
      <p className="text-quiet">
        {lasts === null ? "A Go lies between them, so how long they last is not known." : `They last ${seconds(lasts)} s in all.`}
      </p>
      <div className="mt-1.5 flex items-center gap-2">
        <label className="flex items-center gap-1.5 text-quiet">
          last
          <input
            aria-label="these cues last, seconds in all"
            className="input input-sm figures w-16 bg-base-100 px-2"
            placeholder={lasts === null ? "" : seconds(lasts)}
            disabled={lasts === null}
            value={last}
            onKeyDown={(event) => keys(event, () => considerLast(last))}
            onChange={(event) => considerLast(event.target.value)}
          />
        </label>
        <label className="flex items-center gap-1.5 text-quiet">
          or times ×
          <input
            aria-label="all times of these cues by a factor"
            className="input input-sm figures w-14 bg-base-100 px-2"
            placeholder="1.2"
            value={factor}
            onKeyDown={(event) => keys(event, () => considerFactor(factor))}
            onChange={(event) => considerFactor(event.target.value)}
          />
        </label>
      </div>
    </section>
  );
}

/** How long a range lasts in all, seconds; null where a Go lies inside. */
function lengthOf(list: ListSheet, cues: { from: string; to: string }): number | null {
  const first = findRow(list, cues.from);
  if (first < 0) return null;
  const length = rangeLength(list, first, firstRowFrom(list, cueOrder(cues.to) + 1) - 1);
  return "seconds" in length ? length.seconds : null;
}
