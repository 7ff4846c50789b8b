import { FAMILIES, type Family, type PartTimes } from "@zm/core";
import { useEffect, useRef } from "react";
import type { UseFormReturn, UseFormSetValue } from "react-hook-form";
import { useSelection } from "../choice/selection.ts";
import { ActionButton } from "../shared/ActionButton.tsx";
import { timesInWords } from "../shared/partTimes.ts";
import { Toggle } from "../shared/Toggle.tsx";
import { useMergedRefs } from "../shared/useMergedRefs.ts";
import { lightWords } from "../shared/words.ts";
import { useMakeEdits, useShow } from "../show/useShow.ts";
import type { RecordEntry } from "./recordEntry.ts";
import { RecordTimes } from "./RecordTimes.tsx";
import { keepRefused } from "./refused.ts";
import type { useRecording } from "../show/hand/useRecording.ts";

interface QuestionProps {
  entry: RecordEntry;
  set: UseFormSetValue<RecordEntry>;
}

/** Where the values come from. */
export function FromWhat({ entry: { from, running }, set }: QuestionProps) {
  return (
    <Question name="from what">
      <Toggle pressed={from === "hand"} onClick={() => set("from", "hand")} title="The values in hand">
        The Hand
      </Toggle>
      <Toggle
        pressed={from === "stage"}
        onClick={() => set("from", "stage")}
        title="Everything that the running list and the Hand have put on stage"
      >
        The stage
      </Toggle>
      <Toggle
        pressed={running}
        onClick={() => set("running", !running)}
        title="Besides: lists that run beside this one in their cues, held looks at their levels. The cue brings them about, in place of what it does besides now"
      >
        And what runs now
      </Toggle>
    </Question>
  );
}

/** Which of these values are taken. */
export function WhichOfIt({ entry: { changed, onlyChosen, families, what }, set }: QuestionProps) {
  const chosen = useSelection((choice) => choice.channels);
  const flip = (family: Family): void =>
    set(
      "families",
      families.includes(family)
        ? families.filter((each) => each !== family)
        : FAMILIES.filter((each) => each === family || families.includes(each)),
    );
  return (
    <>
      <Question name="which of it">
        <Toggle
          pressed={changed}
          onClick={() => set("changed", !changed)}
          title="From the Hand: changed since the last record. From the stage: not what the cue shows anyway"
        >
          Only what changed
        </Toggle>
        <Toggle
          pressed={onlyChosen}
          disabled={chosen.length === 0}
          onClick={() => set("onlyChosen", !onlyChosen)}
          title={chosen.length === 0 ? "No light is chosen" : lightWords(chosen)}
        >
          Chosen lights
        </Toggle>
      </Question>
      <Question name="" label="families">
        {FAMILIES.map((family) => (
          <Toggle key={family} pressed={families.includes(family)} onClick={() => flip(family)}>
            {family}
          </Toggle>
        ))}
      </Question>
      <Question name="" label="values or times">
        {(
          [
            ["both", "Values and own times"],
            ["values", "Values"],
            ["times", "Own times"],
          ] as const
        ).map(([each, word]) => (
          <Toggle key={each} pressed={what === each} onClick={() => set("what", each)}>
            {word}
          </Toggle>
        ))}
      </Question>
    </>
  );
}

interface IntoWhatProps {
  form: UseFormReturn<RecordEntry>;
  entry: RecordEntry;
  /** The label that the cue has. */
  label: string | undefined;
  recording: Pick<ReturnType<typeof useRecording>, "next" | "onStage">;
}

/** Which cue and part it goes into, and what becomes of what that stores. */
export function IntoWhat({ form, entry: { cue, mode, label }, label: known, recording: { next, onStage } }: IntoWhatProps) {
  const { id } = useShow();
  const set = form.setValue;
  const number = useRef<HTMLInputElement | null>(null);
  const cueField = form.register("cue");
  const numberRef = useMergedRefs(number, cueField.ref);
  useEffect(() => {
    keepRefused(id, { record: null });
    // At once, so that a drawer which comes back can give the keyboard back to where it was.
    number.current?.focus();
    number.current?.select();
  }, [id]);
  return (
    <>
      <Question name="into what">
        {next !== undefined && <Toggle pressed={cue === next} onClick={() => set("cue", next)}>{`New: ${next}`}</Toggle>}
        {onStage !== null && <Toggle pressed={cue === onStage} onClick={() => set("cue", onStage)}>{`On stage: ${onStage}`}</Toggle>}
      </Question>
      <div className="flex items-end gap-1.5 pl-[5.5rem]">
        <input
          {...cueField}
          ref={numberRef}
          aria-label="Cue number"
          title="The number of the cue"
          className="input figures h-9 w-[4.5rem] bg-base-100 px-2 text-[17px]"
          value={cue}
          autoComplete="off"
          onChange={(event) => set("cue", event.target.value.trim())}
        />
        <input
          aria-label="Label of the cue"
          placeholder="label"
          className="input h-9 min-w-0 flex-1 bg-base-100 px-2"
          value={label ?? known ?? ""}
          onChange={(event) => set("label", event.target.value)}
        />
        <input
          aria-label="Part"
          placeholder="part"
          inputMode="numeric"
          className="input figures h-9 w-14 bg-base-100 px-2"
          {...form.register("part")}
        />
      </div>
      <Question name="" label="into it">
        {(
          [
            ["merge", "Add to it", "Adds to what the cue stores, and overwrites"],
            ["replace", "Exactly this", "The cue stores exactly this afterwards"],
            ["remove", "Take out", "These keys' moves leave the cue"],
          ] as const
        ).map(([each, word, title]) => (
          <Toggle key={each} pressed={mode === each} title={title} onClick={() => set("mode", each)}>
            {word}
          </Toggle>
        ))}
      </Question>
    </>
  );
}

/** Whether later cues follow. */
export function ForHowLong({ entry: { scope }, set }: QuestionProps) {
  return (
    <Question name="for how long">
      <Toggle pressed={scope === "track"} onClick={() => set("scope", "track")} title="It tracks on until a later cue moves it">
        Later cues change too
      </Toggle>
      <Toggle
        pressed={scope === "cueOnly"}
        onClick={() => set("scope", "cueOnly")}
        title="Every later cue keeps its look; a new last cue keeps to itself"
      >
        This cue only
      </Toggle>
    </Question>
  );
}

interface HowFastProps {
  times: PartTimes;
  stored: PartTimes | undefined;
  start: PartTimes | undefined;
  onChange: (times: PartTimes) => void;
}

/** The times of the cue, and what new cues start with: said plainly, and kept from the times that stand here. */
export function HowFast({ times, stored, start, onChange }: HowFastProps) {
  const makeEdits = useMakeEdits();
  const same = JSON.stringify(times) === JSON.stringify(start ?? {});
  return (
    <>
      <RecordTimes times={times} stored={stored} onChange={onChange} />
      <div className="flex min-h-7 items-center gap-2 text-[13px] text-quiet">
        <span className="min-w-0 flex-1">
          {start ? `New cues of this show start with ${timesInWords(start)}` : "New cues of this show start with no times: they snap"}
        </span>
        {!same && (
          <ActionButton
            className="btn btn-xs border-neutral font-normal"
            onAct={() => makeEdits([{ op: "setShow", newCue: Object.keys(times).length > 0 ? { times } : null }])}
          >
            Start with these
          </ActionButton>
        )}
      </div>
    </>
  );
}

/** One question of the sheet with its answers; `label` names a row that has no words in front of it. */
function Question({ name, label, children }: { name: string; label?: string; children: React.ReactNode }) {
  return (
    <div className="flex gap-2" role="group" aria-label={label ?? name}>
      <span className="w-20 shrink-0 pt-0.5 text-[13px] text-quiet">{name}</span>
      <div className="flex flex-wrap gap-1">{children}</div>
    </div>
  );
}
