import { CARRIES_WORDS, type ListSheet, cueOrder } from "@zm/core";
import { useId } from "react";
import { WordHint } from "../shared/WordHint.tsx";
import { useMakeEdits } from "../show/useShow.ts";

const WAYS = ["track", "cueOnly", "isolated"] as const;
const SHORT = { track: "tracks on", cueOnly: "this cue only", isolated: "isolated" } as const;

/** How the chosen cues carry what they move: tracking on, this cue only, or isolated on both sides. Typed: #12 carries only. */
export function CarriesField({ list, cues }: { list: ListSheet; cues: { from: string; to: string } }) {
  const id = useId();
  const makeEdits = useMakeEdits();
  const inside = list.cues.filter((cue) => cueOrder(cue.number) >= cueOrder(cues.from) && cueOrder(cue.number) <= cueOrder(cues.to));
  const now = new Set(inside.map((cue) => cue.carries ?? "track"));
  const [only] = now;
  const value = now.size === 1 && only !== undefined ? only : "";
  return (
    <>
      <WordHint word="carries" className="mb-1.5" />
      <div className="flex items-center gap-2">
        <label htmlFor={id} className="w-12 shrink-0 text-quiet">
          carries
        </label>
        <select
          id={id}
          title={value === "" ? "The chosen cues differ" : CARRIES_WORDS[value]}
          className="select select-sm min-w-0 flex-1 bg-base-100"
          value={value}
          onChange={(event) => {
            const carries = WAYS.find((way) => way === event.target.value);
            if (carries) void makeEdits([{ op: "setCue", list: list.id, ...cues, carries: carries === "track" ? null : carries }]);
          }}
        >
          {value === "" && <option value="">not all the same</option>}
          {WAYS.map((way) => (
            <option key={way} value={way}>
              {SHORT[way]}
            </option>
          ))}
        </select>
      </div>
    </>
  );
}
