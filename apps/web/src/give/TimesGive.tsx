import { type Family, delaysWithin, heldKeys, heldValue, moveTiming } from "@zm/core";
import { useState } from "react";
import { useKeeping } from "../show/hand/useKeeping.ts";
import { useHandChange } from "../show/hand/useHandChange.ts";
import { useHand } from "../show/handStore.ts";
import { FanField } from "../shared/FanField.tsx";
import { CurveSelect } from "../shared/CurveSelect.tsx";
import { readSpread } from "../shared/readSpread.ts";
import { useShow } from "../show/useShow.ts";
import { notify } from "../shared/notices.ts";
import { readSeconds } from "../shared/readSeconds.ts";
import { seconds } from "../shared/words.ts";
import { spreadWords } from "./chosenKeys.ts";

/** Own times of the chosen lights' values in hand: seconds or fans of them, a curve, and stored paces. */
export function TimesGive({ channels, family }: { channels: readonly number[]; family: Family }) {
  const { sheet } = useShow();
  const { time, applyPace } = useHandChange();
  const hand = useHand((state) => state.hand);
  const { keepPace } = useKeeping();
  const [naming, setNaming] = useState(false);
  const selection = { channels: [...channels], families: [family] };
  const keys = heldKeys(sheet, hand, selection);
  const timings = keys.map((key) => moveTiming(heldValue(hand, key)?.move ?? 0));
  const pacesFor = sheet.show.paces.filter((pace) => pace[family] !== undefined);
  const words = (name: "fade" | "delay"): string => {
    const known = timings.map((each) => each[name]);
    return known.every((each) => each === undefined) ? "" : spreadWords(known.map((each) => each ?? 0));
  };
  const curve = timings.every((each) => each.curve === timings[0]?.curve) ? (timings[0]?.curve ?? null) : null;
  const stagger = (total: number): void => {
    const [fade = 0, ...others] = new Set(timings.map((each) => each.fade ?? 0));
    const delay = others.length === 0 ? delaysWithin(fade, total) : undefined;
    if (delay !== undefined) return void time(selection, { delay });
    const differ = others.length > 0;
    notify(
      differ ? "Their fades differ; give them one first" : `A fade of ${seconds(fade)} s does not fit into ${seconds(total)} s`,
      "trouble",
    );
  };
  const keep = async (label: string): Promise<void> => {
    setNaming(false);
    await keepPace(label, channels);
  };
  return (
    <fieldset aria-label="Own times in hand" className="flex flex-col gap-1.5 border-t border-rule pt-2" disabled={keys.length === 0}>
      <p className="text-[13px] text-quiet">
        {keys.length === 0 ? `own times: no ${family} of these is in hand yet` : `own times of this ${family}`}
      </p>
      <div className="grid grid-cols-3 gap-1.5 *:min-w-0">
        {(["fade", "delay"] as const).map((name) => (
          <FanField
            key={name}
            label={`own ${name}, seconds`}
            placeholder={name}
            title="Seconds, or a fan over the lights: 0~3.5, 4~1~4"
            words={words(name)}
            read={readSpread}
            width="w-full"
            onTake={(value) => time(selection, { [name]: value })}
          />
        ))}
        <FanField
          label="all of it within, seconds"
          placeholder="all in"
          title="The fades end one behind the other, the last after so many seconds: the delays are worked out. Typed: fade 5 over 8"
          words=""
          read={readSeconds}
          width="w-full"
          onTake={(total) => total !== null && stagger(Number(total))}
        />
      </div>
      <CurveSelect label="curve" value={curve} onTake={(next) => time(selection, { curve: next })} />
      <div className="flex flex-wrap gap-1" role="group" aria-label="Paces">
        {pacesFor.map((pace) => (
          <button
            key={pace.id}
            type="button"
            className="btn btn-xs border-neutral px-1.5 font-normal"
            title="Lays this pace on the chosen lights"
            onClick={() => applyPace({ channels: [...channels] }, pace.id)}
          >
            {pace.label || pace.id}
          </button>
        ))}
        {!naming && (
          <button type="button" className="btn btn-ghost btn-xs px-1.5 font-normal text-secondary" onClick={() => setNaming(true)}>
            Keep as pace …
          </button>
        )}
        {naming && <NameField label="Name of the pace" onDone={(name) => (name ? void keep(name) : setNaming(false))} />}
      </div>
    </fieldset>
  );
}

/** A field for a name, where a button stood: Enter takes it, Escape drops it. */
export function NameField({ label, onDone }: { label: string; onDone: (name: string | null) => void }) {
  return (
    <input
      aria-label={label}
      placeholder="name, then Enter"
      autoFocus
      className="input input-xs w-[130px] bg-base-100 px-1.5"
      onBlur={() => onDone(null)}
      onKeyDown={(event) => {
        if (event.key === "Enter") onDone(event.currentTarget.value.trim() || null);
        if (event.key !== "Escape") return;
        event.stopPropagation();
        onDone(null);
      }}
    />
  );
}
