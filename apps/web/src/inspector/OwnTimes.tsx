import { FAMILIES } from "@zm/core";
import { useState } from "react";
import { CurveSelect } from "../shared/CurveSelect.tsx";
import { placeRef } from "../shared/focusPlaces.ts";
import { readSeconds } from "../shared/readSeconds.ts";
import { readSpread } from "../shared/readSpread.ts";
import { useShow } from "../show/useShow.ts";
import { type OwnTimesCells, useOwnTimes } from "./useOwnTimes.ts";

/** Own times for the moves stored in the chosen cells: seconds, fans of them, a curve, or a stored pace; its impact stands below before it is made. */
export function OwnTimes(cells: OwnTimesCells) {
  const { attributes, lens } = cells;
  const { sheet } = useShow();
  const times = useOwnTimes(cells);
  return (
    <details className="border-t border-rule pt-2" open={lens === "times"}>
      <summary className="cursor-default text-quiet hover:text-base-content">Own times of stored moves</summary>
      {!attributes && (
        <select
          aria-label="family of the moves"
          className="select select-sm mt-2 w-full bg-base-100"
          value={times.family ?? ""}
          onChange={(event) => times.pickFamily(FAMILIES.find((each) => each === event.target.value))}
        >
          <option value="">every family</option>
          {FAMILIES.map((each) => (
            <option key={each}>{each}</option>
          ))}
        </select>
      )}
      <div className="mt-2 flex gap-1.5">
        {(["fade", "delay"] as const).map((name) => (
          <OwnTimeField
            key={name}
            name={name}
            text={times.wish[name]}
            isFirst={lens === "times" && name === "fade"}
            onType={(text) => times.change({ [name]: text })}
          />
        ))}
        <CurveSelect label="own curve of the moves" value={times.wish.curve} onTake={(curve) => times.change({ curve })} />
      </div>
      <div className="mt-1.5 flex items-center gap-1.5">
        <button
          type="button"
          className="btn btn-xs border-neutral font-normal"
          title="The moves run in the times of their part again"
          onClick={times.clear}
        >
          Clear own times
        </button>
        <WithinField onTake={times.within} />
        <label className="flex items-center gap-1 text-quiet">
          ×
          <input
            aria-label="own times of the moves by a factor"
            className="input input-xs figures w-12 bg-base-100 px-1.5"
            placeholder="1.2"
            value={times.factor}
            onChange={(event) => times.scale(event.target.value)}
          />
        </label>
      </div>
      <div className="mt-1.5 flex flex-wrap gap-1" role="group" aria-label="Paces for these moves">
        {sheet.show.paces.map((pace) => (
          <button key={pace.id} type="button" className="btn btn-xs border-neutral font-normal" onClick={() => times.pace(pace.id)}>
            {pace.label || pace.id}
          </button>
        ))}
      </div>
    </details>
  );
}

/** How long all the lights take together: their delays are worked out from the fade that stands there. */
function WithinField({ onTake }: { onTake: (total: number) => boolean }) {
  const [text, setText] = useState("");
  const [wrong, setWrong] = useState(false);
  return (
    <input
      aria-label="all these moves within, seconds"
      title={
        wrong
          ? "It needs one fade that is not longer than that"
          : "The fades end one light behind the other, the last after so many seconds; typed: fade 5 over 8"
      }
      placeholder="all in"
      autoComplete="off"
      aria-invalid={wrong}
      className="input input-xs figures w-14 bg-base-100 px-1.5 aria-invalid:border-error aria-invalid:text-error"
      value={text}
      onChange={(event) => {
        setText(event.target.value);
        const total = readSeconds(event.target.value);
        setWrong(total !== null && (total === undefined || !onTake(total)));
      }}
    />
  );
}

interface OwnTimeFieldProps {
  readonly name: "fade" | "delay";
  readonly text: string;
  /** Typing goes here first. */
  readonly isFirst: boolean;
  readonly onType: (text: string) => void;
}

function OwnTimeField({ name, text, isFirst, onType }: OwnTimeFieldProps) {
  const isNonsense = readSpread(text) === undefined;
  return (
    <input
      ref={isFirst ? placeRef("range value") : undefined}
      aria-label={`own ${name} of the moves, seconds`}
      placeholder={name}
      title={
        isNonsense
          ? `"${text}" is no time; write seconds such as 3 or 1:30, or a fan such as 0~3.5`
          : "Seconds, or a fan over the chosen lights: 0~3.5, 4~1~4"
      }
      autoComplete="off"
      aria-invalid={isNonsense}
      className="input input-sm figures w-[66px] bg-base-100 px-2 aria-invalid:border-error aria-invalid:text-error"
      value={text}
      onChange={(event) => onType(event.target.value)}
    />
  );
}
