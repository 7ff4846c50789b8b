import { type Curve, type EditInput, FAMILIES, type Family } from "@zm/core";
import { useState } from "react";
import { type Lens, useChoice } from "../choice/choice.ts";
import { CurveSelect } from "../shared/CurveSelect.tsx";
import { placeRef } from "../shared/focusPlaces.ts";
import { readFactor } from "../shared/readNumber.ts";
import { readSpread } from "../shared/readSpread.ts";
import { useShow } from "../show/useShow.ts";

interface OwnTimesProps {
  list: string;
  cues: { from: string; to: string };
  channels: readonly number[];
  /** The attributes chosen of an opened light; undefined: all. */
  attributes: readonly string[] | undefined;
  lens: Lens;
}

/** Own times for the moves stored in the chosen cells: seconds, fans of them, a curve, or a stored pace; its impact stands below before it is made. */
export function OwnTimes({ list, cues, channels, attributes, lens }: OwnTimesProps) {
  const { sheet } = useShow();
  const [fade, setFade] = useState("");
  const [delay, setDelay] = useState("");
  const [curve, setCurve] = useState<Curve | null>(null);
  const [factor, setFactor] = useState("");
  const [family, setFamily] = useState<Family | undefined>(lens === "times" ? undefined : lens);
  const part = attributes ? { attributes: [...attributes] } : family ? { families: [family] } : {};
  const keys = { channels: [...channels], ...part };
  const consider = (wish: { fade: null; delay: null; curve: null } | { scale: number } | null): void =>
    useChoice.setState({
      operation: null,
      draft: wish && { from: "cells", edits: [{ op: "setMoveTimes", list, ...cues, keys, ...wish }] },
    });
  const takeFactor = (text: string): void => {
    setFactor(text);
    const scale = readFactor(text);
    consider(scale === undefined ? null : { scale });
  };
  const think = (wish: { fade?: string; delay?: string; curve?: Curve | null } | { pace: string }): void => {
    const edit = timesEdit({ list, ...cues, keys: "pace" in wish ? { channels: [...channels] } : keys }, wish);
    useChoice.setState({ operation: null, draft: edit && { from: "cells", edits: [edit] } });
  };
  return (
    <details className="border-t border-rule pt-2" open={lens === "times"}>
      <summary className="cursor-default text-quiet hover:text-base-content">Own times of stored moves</summary>
      {!attributes && (
        <select
          aria-label="family of the moves"
          className="select select-sm mt-2 w-full bg-base-100"
          value={family ?? ""}
          onChange={(event) => {
            setFamily(FAMILIES.find((each) => each === event.target.value));
            useChoice.setState({ draft: null });
          }}
        >
          <option value="">every family</option>
          {FAMILIES.map((each) => (
            <option key={each}>{each}</option>
          ))}
        </select>
      )}
      <div className="mt-2 flex gap-1.5">
        {(
          [
            ["fade", fade, setFade],
            ["delay", delay, setDelay],
          ] as const
        ).map(([name, text, set]) => (
          <input
            key={name}
            ref={lens === "times" && name === "fade" ? placeRef("range value") : undefined}
            aria-label={`own ${name} of the moves, seconds`}
            placeholder={name}
            title={
              readSpread(text) === undefined
                ? `"${text}" is no time; write seconds such as 3 or 1:30, or a fan such as 0~3.5`
                : "Seconds, or a fan over the chosen lights: 0~3.5, 4~1~4"
            }
            autoComplete="off"
            aria-invalid={readSpread(text) === undefined}
            className="input input-sm figures w-[66px] bg-base-100 px-2 aria-invalid:border-error aria-invalid:text-error"
            value={text}
            onChange={(event) => {
              set(event.target.value);
              think({ fade, delay, curve, [name]: event.target.value });
            }}
          />
        ))}
        <CurveSelect
          label="own curve of the moves"
          value={curve}
          onTake={(next) => {
            setCurve(next);
            think({ fade, delay, curve: next });
          }}
        />
      </div>
      <div className="mt-1.5 flex items-center gap-1.5">
        <button
          type="button"
          className="btn btn-xs border-neutral font-normal"
          title="The moves run in the times of their part again"
          onClick={() => consider({ fade: null, delay: null, curve: null })}
        >
          Clear own times
        </button>
        <label className="flex items-center gap-1 text-quiet">
          ×
          <input
            aria-label="own times of the moves by a factor"
            className="input input-xs figures w-12 bg-base-100 px-1.5"
            placeholder="1.2"
            value={factor}
            onChange={(event) => takeFactor(event.target.value)}
          />
        </label>
      </div>
      <div className="mt-1.5 flex flex-wrap gap-1" role="group" aria-label="Paces for these moves">
        {sheet.show.paces.map((pace) => (
          <button key={pace.id} type="button" className="btn btn-xs border-neutral font-normal" onClick={() => think({ pace: pace.id })}>
            {pace.label || pace.id}
          </button>
        ))}
      </div>
    </details>
  );
}

type TimesEdit = Extract<EditInput, { op: "setMoveTimes" }>;

/** The edit that the fields say; null while they say nothing that reads. */
function timesEdit(
  range: Omit<TimesEdit, "op">,
  wish: { fade?: string; delay?: string; curve?: Curve | null } | { pace: string },
): TimesEdit | null {
  if ("pace" in wish) return { op: "setMoveTimes", ...range, pace: wish.pace };
  const [fade, delay] = [wish.fade, wish.delay].map((text = "") => readSpread(text));
  if (fade === undefined || delay === undefined || (fade === null && delay === null && !wish.curve)) return null;
  return {
    op: "setMoveTimes",
    ...range,
    ...(fade === null ? {} : { fade }),
    ...(delay === null ? {} : { delay }),
    ...(wish.curve ? { curve: wish.curve } : {}),
  };
}
