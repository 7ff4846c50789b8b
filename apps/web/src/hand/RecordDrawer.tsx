import {
  FAMILIES,
  type Family,
  type Outcome,
  type PartTimes,
  type RecordPlan,
  type RecordWish,
  ShowError,
  findRow,
  isCueNumber,
  makeEdits,
  readEdits,
  recordSentence,
  reportImpact,
} from "@zm/core";
import { useEffect, useMemo, useRef, useState } from "react";
import { useForm, useWatch } from "react-hook-form";
import { ImpactList, useAllLines } from "../preview/ImpactList.tsx";
import { linesOf } from "../preview/preview.ts";
import { useChoice } from "../choice/choice.ts";
import { useMergedRefs } from "../shared/useMergedRefs.ts";
import { useSame } from "../shared/useSame.ts";
import { Toggle } from "../shared/Toggle.tsx";
import { ActionButton } from "../shared/ActionButton.tsx";
import { timesInWords } from "../shared/partTimes.ts";
import { lightWords } from "../shared/words.ts";
import { useMakeEdits, useShow } from "../show/useShow.ts";
import { Drawer, DrawerButtons } from "./Drawer.tsx";
import { RecordTimes } from "./RecordTimes.tsx";
import { type RecordEntry, freshEntry } from "./recordEntry.ts";
import { keepRefused, makeFromDrawer, refusedIn } from "./refused.ts";
import { useHand } from "../show/handStore.ts";
import { useRecording } from "./useRecording.ts";

/** A record that has been worked out, or why it cannot be made. */
type Preview = { fault: string } | { planned: RecordPlan; outcome: Outcome; sentence: string };

/** Recording: what is taken, where it goes and how, and in one sentence what will happen before it does. */
export function RecordDrawer() {
  const { id, sheet } = useShow();
  const { plan, make, warningFor, list, onStage, next, startTimes } = useRecording();
  const keepStart = useMakeEdits();
  const hand = useHand((state) => state.hand);
  const chosen = useChoice((choice) => choice.channels);
  const [first] = useState(() => refusedIn(id).record ?? freshEntry(next ?? ""));
  const { control, setValue, register } = useForm<RecordEntry>({ values: first });
  const entry = useWatch({ control, compute: (all: RecordEntry) => all });
  const { cue, from, what, changed, onlyChosen, families, mode, scope, running, part, label, times: typedTimes } = entry;
  const number = useRef<HTMLInputElement | null>(null);
  const cueField = register("cue");
  const numberRef = useMergedRefs(number, cueField.ref);
  useEffect(() => {
    keepRefused(id, { record: null });
    // At once, so that a drawer which comes back can give the keyboard back to where it was.
    number.current?.focus();
    number.current?.select();
  }, [id]);

  const row = isCueNumber(cue) ? findRow(list, cue) : -1;
  const known = list.cues[row];
  const times = typedTimes ?? (known ? {} : (startTimes ?? {}));
  const wish = useSame<RecordWish>({
    cue,
    from,
    what,
    changed,
    mode,
    scope,
    ...(running ? { running } : {}),
    ...(onlyChosen ? { channels: chosen } : {}),
    ...(families.length < FAMILIES.length ? { families } : {}),
    ...(/^\d+$/.test(part.trim()) ? { part: Number(part) } : {}),
    ...(label === null || (label === "" && !known?.label) ? {} : { label }),
    times,
  });
  const preview = useMemo((): Preview => {
    if (!isCueNumber(cue))
      return {
        fault: cue.trim() === "" ? "Which cue? Type its number" : `${cue} is not a cue number; it has at most three decimal places`,
      };
    if (part.trim() !== "" && !/^[1-9]\d?$/.test(part.trim())) return { fault: `"${part}" is not a part; parts count from 1 to 99` };
    try {
      const planned = plan(wish, hand);
      const outcome = makeEdits(sheet, readEdits([...planned.edits]));
      return { planned, outcome, sentence: recordSentence(list, planned, outcome) };
    } catch (error) {
      if (error instanceof ShowError) return { fault: error.faults[0] ?? error.message };
      throw error;
    }
  }, [wish, cue, part, plan, hand, sheet, list]);
  const warning = isCueNumber(cue) ? warningFor(cue) : undefined;
  const { all, onAll, mostLines } = useAllLines();
  const report = useMemo(() => {
    if (!("outcome" in preview)) return null;
    const others = reportImpact(sheet, preview.outcome, list.id).lines.filter((line) => line.cue !== cue);
    return { count: others.length, lines: linesOf(others, list, preview.outcome, mostLines) };
  }, [preview, sheet, list, cue, mostLines]);
  const ready = "planned" in preview && preview.outcome.steps.length > 0;
  const flip = (family: Family): void =>
    setValue(
      "families",
      families.includes(family)
        ? families.filter((each) => each !== family)
        : FAMILIES.filter((each) => each === family || families.includes(each)),
    );

  return (
    <Drawer
      label="Record"
      aside={
        <div className="flex flex-wrap gap-1">
          {next !== undefined && <Toggle pressed={cue === next} onClick={() => setValue("cue", next)}>{`New: ${next}`}</Toggle>}
          {onStage !== null && <Toggle pressed={cue === onStage} onClick={() => setValue("cue", onStage)}>{`On stage: ${onStage}`}</Toggle>}
        </div>
      }
      onSubmit={() => ready && makeFromDrawer(id, "record", { record: entry }, () => make(preview.planned))}
    >
      <p
        role="status"
        data-testid="record-sentence"
        className={`rounded border px-3 py-1.5 ${"fault" in preview ? "border-error text-error" : "border-secondary"}`}
      >
        {"fault" in preview ? preview.fault : `${preview.sentence}.`}
      </p>
      {warning && (
        <p role="alert" className="rounded border border-error px-3 py-1 text-[13px] text-error">
          {warning}.
        </p>
      )}
      <div className="flex items-end gap-2">
        <Labelled name="cue">
          <input
            {...cueField}
            ref={numberRef}
            aria-label="Cue number"
            className="input figures h-9 w-20 bg-base-100 px-2 text-[17px]"
            value={cue}
            autoComplete="off"
            onChange={(event) => setValue("cue", event.target.value.trim())}
          />
        </Labelled>
        <Labelled name="label" grow>
          <input
            aria-label="Label of the cue"
            className="input h-9 w-full bg-base-100 px-2"
            value={label ?? known?.label ?? ""}
            onChange={(event) => setValue("label", event.target.value)}
          />
        </Labelled>
        <Labelled name="part">
          <input
            aria-label="Part"
            placeholder="1"
            inputMode="numeric"
            className="input figures h-9 w-12 bg-base-100 px-2"
            {...register("part")}
          />
        </Labelled>
      </div>
      <RecordTimes
        times={times}
        stored={known?.parts.find((each) => each.number === Number(part || 1))?.times}
        onChange={(times) => setValue("times", times)}
      />
      <StartTimes times={times} start={startTimes} onKeep={(start) => keepStart([{ op: "setShow", newCue: start && { times: start } }])} />
      <Choices name="takes">
        <Toggle pressed={from === "hand"} onClick={() => setValue("from", "hand")} title="The values in hand">
          What is in hand
        </Toggle>
        <Toggle
          pressed={from === "stage"}
          onClick={() => setValue("from", "stage")}
          title="Everything that the running list and the Hand have put on stage"
        >
          What is on stage
        </Toggle>
        <Toggle
          pressed={changed}
          onClick={() => setValue("changed", !changed)}
          title="From the Hand: changed since the last record. From the stage: not what the cue shows anyway"
        >
          Only what changed
        </Toggle>
        <Toggle
          pressed={onlyChosen}
          disabled={chosen.length === 0}
          onClick={() => setValue("onlyChosen", !onlyChosen)}
          title={chosen.length === 0 ? "No light is chosen" : lightWords(chosen)}
        >
          Chosen lights only
        </Toggle>
        <Toggle
          pressed={running}
          onClick={() => setValue("running", !running)}
          title="Lists that run beside this one in their cues, held looks at their levels: the cue brings them about, in place of what it does besides now"
        >
          What runs now
        </Toggle>
      </Choices>
      <Choices name="of">
        {FAMILIES.map((family) => (
          <Toggle key={family} pressed={families.includes(family)} onClick={() => flip(family)}>
            {family}
          </Toggle>
        ))}
      </Choices>
      <Choices name="">
        {(
          [
            ["both", "Values and own times"],
            ["values", "Values"],
            ["times", "Own times"],
          ] as const
        ).map(([each, word]) => (
          <Toggle key={each} pressed={what === each} onClick={() => setValue("what", each)}>
            {word}
          </Toggle>
        ))}
      </Choices>
      <Choices name="into it">
        {(
          [
            ["merge", "Merge", "Adds to what the cue stores, and overwrites"],
            ["replace", "Replace", "The cue stores exactly this"],
            ["remove", "Take out", "These keys' moves leave the cue"],
          ] as const
        ).map(([each, word, title]) => (
          <Toggle key={each} pressed={mode === each} title={title} onClick={() => setValue("mode", each)}>
            {word}
          </Toggle>
        ))}
      </Choices>
      <Choices name="after it">
        <Toggle pressed={scope === "track"} onClick={() => setValue("scope", "track")} title="Later cues follow until their next move">
          Everything after follows
        </Toggle>
        <Toggle
          pressed={scope === "cueOnly"}
          onClick={() => setValue("scope", "cueOnly")}
          title="Every later cue keeps its look; a new last cue keeps to itself"
        >
          This cue only
        </Toggle>
      </Choices>
      {report && report.count > 0 && (
        <ImpactList
          label="Other cues"
          lines={report.lines}
          count={report.count}
          all={all}
          onAll={onAll}
          className="border-t border-rule pt-2"
        />
      )}
      <DrawerButtons word="Record" ready={ready} />
    </Drawer>
  );
}

/** What new cues start with: said plainly, and kept from the times that stand in the drawer. */
function StartTimes({
  times,
  start,
  onKeep,
}: {
  times: PartTimes;
  start: PartTimes | undefined;
  onKeep: (start: PartTimes | null) => unknown;
}) {
  const same = JSON.stringify(times) === JSON.stringify(start ?? {});
  return (
    <div className="flex min-h-7 items-center gap-2 text-[13px] text-quiet">
      <span className="min-w-0 flex-1">
        {start ? `New cues of this show start with ${timesInWords(start)}` : "New cues of this show start with no times: they snap"}
      </span>
      {!same && (
        <ActionButton className="btn btn-xs border-neutral font-normal" onAct={() => onKeep(Object.keys(times).length > 0 ? times : null)}>
          Start with these
        </ActionButton>
      )}
    </div>
  );
}

function Labelled({ name, grow = false, children }: { name: string; grow?: boolean; children: React.ReactNode }) {
  return (
    <div className={grow ? "min-w-0 flex-1" : ""}>
      <span className="block text-[13px] text-quiet">{name}</span>
      {children}
    </div>
  );
}

function Choices({ name, children }: { name: string; children: React.ReactNode }) {
  return (
    <div className="flex gap-2" role="group" aria-label={name || "values or times"}>
      <span className="w-12 shrink-0 pt-0.5 text-[13px] text-quiet">{name}</span>
      <div className="flex flex-wrap gap-1">{children}</div>
    </div>
  );
}
