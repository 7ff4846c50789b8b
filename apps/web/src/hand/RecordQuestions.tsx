import {
  type Cue,
  FAMILIES,
  type Family,
  type ListSheet,
  type Part,
  type PartTimes,
  type Show,
  type Trigger,
  keyNamed,
  keyOfWave,
  sameData,
} from "@zm/core";
import { useEffect, useMemo, useRef } from "react";
import type { UseFormReturn, UseFormSetValue } from "react-hook-form";
import { useSelection } from "../choice/selection.ts";
import { ActionButton } from "../shared/ActionButton.tsx";
import { SecondsField } from "../shared/SecondsField.tsx";
import { timesInWords } from "../shared/partTimes.ts";
import { Answers, Question } from "../shared/Question.tsx";
import { Toggle } from "../shared/Toggle.tsx";
import { useMergedRefs } from "../shared/useMergedRefs.ts";
import { curveWords, lightWords } from "../shared/words.ts";
import { useHand } from "../show/handStore.ts";
import { useMakeEdits, useShow } from "../show/useShow.ts";
import { type RecordEntry, hasChoices, keepChoices, useKeptChoices, withPlainChoices } from "./recordEntry.ts";
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
export function WhichOfIt({ entry: { changed, onlyChosen, families, attributes, waves, what }, set }: QuestionProps) {
  const chosen = useSelection((choice) => choice.channels);
  const held = useHeldAttributes();
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
      <AttributesOf held={held.names} attributes={attributes} set={set} />
      {held.waves && (
        <Answers
          name=""
          label="values and waves"
          value={waves}
          answers={[
            ["with", "Values and waves"],
            ["without", "No waves"],
            ["alone", "Waves alone"],
          ]}
          onTake={(next) => set("waves", next)}
        />
      )}
      <Answers
        name=""
        label="values or times"
        value={what}
        answers={[
          ["both", "Values and own times"],
          ["values", "Values"],
          ["times", "Own times"],
        ]}
        onTake={(next) => set("what", next)}
      />
    </>
  );
}

/** The attributes of which something is in hand, in the order in which they were taken, and whether a wave is among it. */
function useHeldAttributes(): { names: string[]; waves: boolean } {
  const { sheet } = useShow();
  const hand = useHand((state) => state.hand);
  return useMemo(() => {
    const all = Object.keys(hand.held);
    const names = all.flatMap((name) => (keyNamed(sheet.keys, name) ?? keyOfWave(sheet.keys, name))?.attribute.id ?? []);
    return { names: [...new Set(names)], waves: all.some((name) => keyOfWave(sheet.keys, name) !== undefined) };
  }, [sheet, hand]);
}

/** One attribute or a few of what is in hand, folded away while all are taken. */
function AttributesOf({
  held,
  attributes,
  set,
}: {
  held: readonly string[];
  attributes: readonly string[] | null;
  set: UseFormSetValue<RecordEntry>;
}) {
  if (held.length < 2 && attributes === null) return null;
  const flip = (name: string): void => {
    const others = (attributes ?? []).filter((each) => each !== name);
    const next = attributes?.includes(name) ? others : [...others, name];
    set("attributes", next.length === 0 ? null : next);
  };
  return (
    <details className="pl-[5.5rem]" open={attributes !== null}>
      <summary className="cursor-default text-[13px] text-quiet hover:text-base-content">
        {attributes === null ? "some attributes alone" : `${attributes.join(", ")} alone`}
      </summary>
      <div role="group" aria-label="attributes" className="mt-1 flex flex-wrap gap-1">
        {[...new Set([...held, ...(attributes ?? [])])].map((name) => (
          <Toggle key={name} pressed={attributes?.includes(name) ?? false} onClick={() => flip(name)}>
            {name}
          </Toggle>
        ))}
      </div>
    </details>
  );
}

interface IntoWhatProps {
  form: UseFormReturn<RecordEntry>;
  entry: RecordEntry;
  /** The cue that it goes into, where it is there. */
  known: Cue | undefined;
  /** The scene that the cue belongs to by those before it. */
  within: string | undefined;
  recording: Pick<ReturnType<typeof useRecording>, "next" | "onStage">;
}

/** Which cue and part it goes into, and what becomes of what that stores. */
export function IntoWhat({ form, entry: { cue, mode, label, scene }, known, within, recording: { next, onStage } }: IntoWhatProps) {
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
          value={label ?? known?.label ?? ""}
          onChange={(event) => set("label", event.target.value)}
        />
      </div>
      <div className="flex items-end gap-1.5 pl-[5.5rem]">
        <input
          aria-label="Part"
          placeholder="part"
          inputMode="numeric"
          className="input figures h-8 w-[4.5rem] bg-base-100 px-2 text-[14px]"
          {...form.register("part")}
        />
        <input
          aria-label="Scene that begins with the cue"
          placeholder={within === undefined ? "begins a scene" : `in ${within}; begins a scene`}
          title="The scene that begins with this cue"
          className="input h-8 min-w-0 flex-1 bg-base-100 px-2"
          value={scene ?? known?.scene ?? ""}
          autoComplete="off"
          onChange={(event) => set("scene", event.target.value)}
        />
      </div>
      <Answers
        name=""
        label="into it"
        value={mode}
        answers={[
          ["merge", "Add to it", "Adds to what the cue stores, and overwrites"],
          ["replace", "Exactly this", "The cue stores exactly this afterwards"],
          ["remove", "Take out", "These keys' moves leave the cue"],
        ]}
        onTake={(next) => set("mode", next)}
      />
    </>
  );
}

/** Whether later cues follow. */
export function ForHowLong({ entry: { scope }, set }: QuestionProps) {
  return (
    <Answers
      name="for how long"
      value={scope}
      answers={[
        ["track", "Later cues change too", "It tracks on until a later cue moves it"],
        ["cueOnly", "This cue only", "Every later cue keeps its look; a new last cue keeps to itself"],
        ["isolated", "Nothing in, nothing out", "Isolated: nothing tracks into the cue, and nothing out of it"],
      ]}
      onTake={(next) => set("scope", next)}
    />
  );
}

interface FiresProps extends QuestionProps {
  /** What fires the cue as it stands. */
  stored: Trigger | undefined;
  /** The cue before it, whose Go or end a follow counts from. */
  before: string | undefined;
}

/** What fires the cue: a press, or the cue before it. */
export function Fires({ entry: { trigger = undefined }, set, stored, before }: FiresProps) {
  const now = trigger === undefined ? stored : trigger;
  const after = now?.type === "follow" ? now.after : 0;
  const kind = now?.type === "follow" ? now.from : null;
  return (
    <Question name="fires">
      <Toggle pressed={kind === null} onClick={() => set("trigger", null)}>
        On Go
      </Toggle>
      {(["go", "complete"] as const).map((from) => (
        <Toggle
          key={from}
          pressed={kind === from}
          disabled={before === undefined}
          title={before === undefined ? "No cue stands before it" : undefined}
          onClick={() => set("trigger", { type: "follow", from, after })}
        >
          {from === "go" ? `After ${before ?? "the"} Go` : `After ${before ?? "the"} end`}
        </Toggle>
      ))}
      {kind !== null && (
        <span className="w-14">
          <SecondsField
            label="follow wait, seconds"
            value={after}
            onTake={(value) => set("trigger", { type: "follow", from: kind, after: value ?? 0 })}
          />
        </span>
      )}
    </Question>
  );
}

/** The note of the cue. */
export function NoteOf({ entry: { note }, set, stored }: QuestionProps & { stored: string | undefined }) {
  return (
    <label className="flex items-center gap-2">
      <span className="w-20 shrink-0 text-[13px] text-quiet">note</span>
      <input
        className="input h-8 min-w-0 flex-1 bg-base-100 px-2"
        placeholder="for whoever runs the show"
        value={note ?? stored ?? ""}
        autoComplete="off"
        onChange={(event) => set("note", event.target.value)}
      />
    </label>
  );
}

/** Lets the sheet open with the choices that stand here, or with the plain ones again. */
export function KeptChoices({ form, entry }: { form: UseFormReturn<RecordEntry>; entry: RecordEntry }) {
  const kept = useKeptChoices((state) => state.kept);
  const hasKept = hasChoices(entry, kept);
  if (hasKept && kept === null) return null;
  return (
    <div className="flex min-h-7 items-center gap-2 text-[13px] text-quiet">
      <span className="min-w-0 flex-1">{kept ? "The sheet opens with choices that were kept" : "These choices hold for this record"}</span>
      {!hasKept && (
        <button type="button" className="btn btn-xs border-neutral font-normal" onClick={() => keepChoices(entry)}>
          Keep these choices
        </button>
      )}
      {kept && (
        <button type="button" className="btn btn-xs border-neutral font-normal" onClick={() => form.reset(withPlainChoices(entry))}>
          Plain choices again
        </button>
      )}
    </div>
  );
}

interface HowFastProps {
  entry: Pick<RecordEntry, "curve">;
  set: UseFormSetValue<RecordEntry>;
  times: PartTimes;
  /** The part that is recorded into, where it is there. */
  stored: Part | undefined;
  /** What new cues of this show start with. */
  start: Show["newCue"];
  list: ListSheet;
  /** The row of the cue, or where it will stand. */
  row: number;
}

/** The times of the cue, and what new cues start with: said plainly, and kept from the times that stand here. */
export function HowFast({ entry: { curve }, set, times, stored, start, list, row }: HowFastProps) {
  const { sheet } = useShow();
  const makeEdits = useMakeEdits();
  const wanted = { times, ...(curve === undefined ? {} : { curve }) };
  const starts = Object.keys(times).length > 0 || curve !== undefined;
  const startWords = start && [timesInWords(start.times), ...(start.curve ? [curveWords(start.curve)] : [])].filter(Boolean).join(", ");
  return (
    <>
      <RecordTimes
        times={times}
        stored={stored?.times}
        onChange={(own) => set("times", own)}
        curve={curve}
        storedCurve={stored?.curve ?? start?.curve}
        onCurve={(own) => set("curve", own)}
        paces={sheet.show.paces}
        list={list}
        row={row}
      />
      <div className="flex min-h-7 items-center gap-2 text-[13px] text-quiet">
        <span className="min-w-0 flex-1">
          {startWords ? `New cues of this show start with ${startWords}` : "New cues of this show start with no times: they snap"}
        </span>
        {!sameData(wanted, start ?? { times: {} }) && (
          <ActionButton
            className="btn btn-xs border-neutral font-normal"
            onAct={() => makeEdits([{ op: "setShow", newCue: starts ? wanted : null }])}
          >
            Start with these
          </ActionButton>
        )}
      </div>
    </>
  );
}
