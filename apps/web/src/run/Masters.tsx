import { ALL_OFF_TIME, type ListRun, type ListSheet } from "@zm/core";
import { useState } from "react";
import { RATES } from "../shared/bounds.ts";
import { NumberField } from "../shared/NumberField.tsx";
import { SecondsField } from "../shared/SecondsField.tsx";
import { AllOffButton, BlackoutButton } from "../show/run/OffButtons.tsx";
import { shownAt } from "../show/run/shownAt.ts";
import { useEverythingOff } from "../show/run/useEverythingOff.ts";
import { useGrand } from "../show/run/useGrand.ts";
import { usePress } from "../show/run/usePress.ts";
import { useRunTime } from "../show/run/useRunTime.ts";

/** What lies over everything, and over the list that runs: grand master, blackout, all off; its master, its rate, its release. */
export function Masters({ list, run }: { list: ListSheet; run: ListRun | undefined }) {
  const now = useRunTime();
  const press = usePress();
  const { level } = useGrand();
  const { grand } = useEverythingOff();
  const [time, setTime] = useState(ALL_OFF_TIME);
  const master = run ? shownAt(run.master, now) : 100;
  return (
    <div
      role="group"
      aria-label="Masters"
      className="flex h-9 shrink-0 items-center gap-3 border-t border-rule bg-base-200 px-5 text-[14px]"
    >
      <Slider label="grand master" value={level} onMove={grand} />
      <BlackoutButton />
      <span className="flex items-center gap-1.5">
        <AllOffButton time={time} />
        <span className="text-quiet">in</span>
        <span className="w-14">
          <SecondsField label="all off in, seconds" value={time} onTake={(value) => setTime(value ?? ALL_OFF_TIME)} />
        </span>
      </span>
      <span className="flex-1" />
      <Slider
        label={`${list.list.label || list.id} master`}
        value={master}
        onMove={(to) => void press({ press: "master", list: list.id, level: to })}
      />
      <span className="flex items-center gap-1.5 text-quiet">
        rate
        <span className="w-16">
          <NumberField
            label="rate of the list"
            value={run?.rate ?? 1}
            {...RATES}
            onTake={(rate) => void press({ press: "rate", list: list.id, rate: rate ?? 1 })}
          />
        </span>
      </span>
      <button
        type="button"
        className="btn btn-xs h-7 border-neutral"
        disabled={run?.cue == null}
        title="Lets go of this list alone; it stands before its first cue then"
        onClick={() => void press({ press: "release", list: list.id })}
      >
        Release
      </button>
    </div>
  );
}

function Slider({ label, value, onMove }: { label: string; value: number; onMove: (to: number) => void }) {
  return (
    <label className="flex min-w-0 items-center gap-2 text-quiet">
      <span className="max-w-36 truncate whitespace-nowrap">{label}</span>
      <input
        type="range"
        min={0}
        max={100}
        value={Math.round(value)}
        className="range range-xs w-24"
        onChange={(event) => onMove(Number(event.target.value))}
      />
      <span className="figures w-12 text-base-content">{Math.round(value)} %</span>
    </label>
  );
}
