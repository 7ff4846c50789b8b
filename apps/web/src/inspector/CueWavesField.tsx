import { type Cue, type ListSheet, wavesOf } from "@zm/core";
import { useId } from "react";
import { useMakeEdits } from "../show/useShow.ts";

const WAYS = {
  track: "track as values do",
  stop: "stop here: none tracks past",
  pass: "pass its wall, but for levels",
} as const;

/** What a cue does to waves alone. Only where the list has any, or the cue says something of them. Typed: #12: waves stop. */
export function CueWavesField({ list, cue }: { list: ListSheet; cue: Cue }) {
  const id = useId();
  const makeEdits = useMakeEdits();
  if (cue.waves === undefined && wavesOf(list).size === 0) return null;
  return (
    <div className="flex items-center gap-2">
      <label htmlFor={id} className="w-12 shrink-0 text-quiet">
        waves
      </label>
      <select
        id={id}
        className="select select-sm min-w-0 flex-1 bg-base-100"
        value={cue.waves ?? "track"}
        onChange={(event) => {
          const { value } = event.target;
          const waves = value === "stop" || value === "pass" ? value : null;
          void makeEdits([{ op: "setCue", list: list.id, from: cue.number, to: cue.number, waves }]);
        }}
      >
        {Object.entries(WAYS).map(([way, words]) => (
          <option key={way} value={way}>
            {words}
          </option>
        ))}
      </select>
    </div>
  );
}
