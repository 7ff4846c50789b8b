import { type Curve, type ListSheet, type Pace, type PartTimes, TIMED_FAMILIES, patchedTimes } from "@zm/core";
import { Fragment } from "react";
import { TIMED, timeIn, timePatch } from "../shared/partTimes.ts";
import { ReadySelect } from "../shared/ReadySelect.tsx";
import { SecondsField } from "../shared/SecondsField.tsx";
import { curveWords, seconds } from "../shared/words.ts";
import { CurveSelect } from "../shared/CurveSelect.tsx";

interface RecordTimesProps {
  times: PartTimes;
  /** What the part that is recorded into has now. */
  stored: PartTimes | undefined;
  onChange: (times: PartTimes) => void;
  /** The curve that is given to the part; undefined: it keeps its own. */
  curve: Curve | undefined;
  storedCurve: Curve | undefined;
  onCurve: (curve: Curve | undefined) => void;
  /** The paces of the show, and the row behind whose cues the recorded one stands. */
  paces: readonly Pace[];
  list: ListSheet;
  row: number;
}

/** The times that a record gives its part: up, down and the families across, their delays below. An empty field gives none. */
export function RecordTimes({ times, stored, onChange, curve, storedCurve, onCurve, paces, list, row }: RecordTimesProps) {
  return (
    <div role="group" aria-label="Times of the cue" className="grid grid-cols-[4.2rem_repeat(5,1fr)] items-center gap-x-1.5 gap-y-1">
      <ReadySelect
        label="ready times"
        paces={paces}
        list={list}
        row={row}
        onTake={({ set, curve: ready }) => {
          onChange(patchedTimes(times, set));
          if (ready !== undefined) onCurve(ready ?? undefined);
        }}
      />
      {TIMED.map((of) => (
        <span key={of} className="text-[13px] text-quiet">
          {of}
        </span>
      ))}
      {(["time", "delay"] as const).map((what) => (
        <Fragment key={what}>
          <span className="text-[13px] text-quiet">{what}</span>
          {TIMED.map((of) => {
            const held = timeIn(stored, of, what);
            return (
              <SecondsField
                key={of}
                label={what === "time" ? `${of}, seconds` : `${of} delay, seconds`}
                value={timeIn(times, of, what)}
                hint={held === undefined ? undefined : seconds(held)}
                delayed={what === "time"}
                onTake={(value, delay) => onChange(patchedTimes(times, timePatch(of, what, value, delay)))}
              />
            );
          })}
        </Fragment>
      ))}
      <span className="text-[13px] text-quiet">curve</span>
      <span className="col-span-2 flex">
        <CurveSelect
          label="curve of the cue"
          none={curveWords(storedCurve ?? "linear")}
          value={curve ?? null}
          onTake={(next) => onCurve(next ?? undefined)}
        />
      </span>
      {TIMED_FAMILIES.map((family) => (
        <CurveSelect
          key={family}
          label={`${family} curve`}
          none={stored?.[family]?.curve ? curveWords(stored[family].curve) : "same"}
          value={times[family]?.curve ?? null}
          onTake={(next) => onChange(patchedTimes(times, { [family]: { curve: next } }))}
        />
      ))}
    </div>
  );
}
