import { useCueDrag } from "./useCueDrag.ts";
import {
  type Cue,
  type ListSheet,
  type Script,
  SPEAKING_PACES,
  callWords,
  count,
  learntPace,
  timesInRuns,
  cueCalls,
  expectedTimes,
  findRow,
  knownTimes,
  linesBetweenCues,
  lineTimes,
  placeOfCall,
  playSeconds,
  quietSeconds,
  SPEAKING_PACE,
  STANDBY_SECONDS,
  tenths,
  clockWords,
} from "@zm/core";
import { Suspense, useMemo } from "react";
import { Link } from "react-router";
import { useShallow } from "zustand/react/shallow";
import { chooseCue, chosenCues, useSelection } from "../choice/selection.ts";
import { ActionButton } from "../shared/ActionButton.tsx";
import { Fact } from "../shared/Fact.tsx";
import { lazyPart } from "../shared/lazyPart.ts";
import { NumberField } from "../shared/NumberField.tsx";
import { SecondsField } from "../shared/SecondsField.tsx";
import { TakenField } from "../shared/TakenField.tsx";
import { Toggle } from "../shared/Toggle.tsx";
import { cueName } from "../shared/words.ts";
import { KNOWN_BRIEFLY } from "../planner/knownWords.ts";
import { CueMarkLines } from "../planner/CueMarkLines.tsx";
import { CallerPart } from "../show/run/CallerPart.tsx";
import { useCaller } from "../show/caller.ts";
import { useMeasured, useNewestRuns } from "../show/runLog.ts";
import { useList, useMakeEdits, useShow } from "../show/useShow.ts";
import { chosenLines, useBook } from "./book.ts";
import { useQuietLines } from "./useQuietLines.ts";
import { callEdit } from "./callWords.ts";

const RunsChart = lazyPart(async () => (await import("./RunsChart.tsx")).RunsChart);

/** Beside the play: the chosen cue with its call and its times, the chosen lines, and the play as a whole. */
export function BookPanel() {
  const { sheet } = useShow();
  const list = useList();
  const { script } = sheet.show;
  const choice = useSelection(useShallow(({ cue, cueEnd }) => ({ cue, cueEnd })));
  const book = useBook(useShallow(({ at, until }) => ({ at, until })));
  const called = useCaller((caller) => caller.running);
  const cues = chosenCues(choice);
  const row = choice.cueEnd === null ? -1 : findRow(list, choice.cueEnd);
  const cue = list.cues[row];
  if (!script) return <p className="text-quiet">The chosen cue's call, and the times between cues, stand here once there is a play.</p>;
  const lines = chosenLines(script, book);
  return (
    <>
      {called && <CallerPart />}
      {cues && cues.from !== cues.to ? (
        <Between list={list} script={script} from={cues.from} to={cues.to} />
      ) : cue ? (
        <CalledCue list={list} script={script} row={row} cue={cue} />
      ) : (
        <p className="text-quiet">
          Choose a cue for where it is called and how long it is to the next; choose several for the time between the first and the last.
        </p>
      )}
      {lines.length > 0 && <ChosenLines script={script} lines={lines} />}
      <ThePlay list={list} script={script} />
      {!called && <CallerPart />}
    </>
  );
}

/** Where a cue is called, when that is expected, and what stands around it. */
function CalledCue({ list, script, row, cue }: { list: ListSheet; script: Script; row: number; cue: Cue }) {
  const makeEdits = useMakeEdits();
  const { call } = cue;
  const measured = useMeasured(list);
  const known = knownTimes(list, script, measured);
  const expected = expectedTimes(list, script)[row] ?? null;
  const calls = cueCalls(list, script).find((each) => each.row === row);
  const follows = row > 0 && cue.trigger?.type === "follow";
  const line = script.lines.find(({ id }) => id === call?.line);
  const adrift = line && call?.word !== undefined && placeOfCall(line.text, call) < 0;
  const set = (kind: "on" | "after"): void => {
    if (call) void makeEdits([callEdit(list, row, { ...call, kind })]);
  };
  return (
    <section aria-label="Call" className="flex flex-col gap-2">
      <div>
        <h2 className="text-[17px] font-bold">Cue {cue.number}</h2>
        <p className="text-quiet">{cue.label}</p>
      </div>
      {follows ? (
        <p>Follows by itself: nobody calls it.</p>
      ) : (
        <>
          <dl>
            <Fact name="called" value={call ? callWords(call) : "nowhere yet"} bad={adrift || (call !== undefined && !line)} />
            {call && line && <Fact name="line" value={`${line.who ?? "direction"}, ${line.id}`} />}
            {calls && <Fact name="standby" value={`${tenths(calls.call - calls.standby)} s before`} />}
          </dl>
          {adrift && <p className="text-error">The line does not say “{call.word}”: it is called at the beginning of the line.</p>}
          {call && !line && <p className="text-error">The script has no line {call.line}: nobody will call this cue. Drag it to a word.</p>}
          {call && (
            <span role="group" aria-label="How it is called" className="flex flex-wrap gap-1.5">
              <Toggle pressed={call.kind !== "after"} onClick={() => set("on")}>
                on the word
              </Toggle>
              <Toggle pressed={call.kind === "after"} onClick={() => set("after")}>
                after it
              </Toggle>
              <button
                type="button"
                className="btn btn-xs border-neutral font-normal"
                onClick={() => void makeEdits([callEdit(list, row, null)])}
              >
                Call nowhere
              </button>
            </span>
          )}
          {!call && <p className="text-quiet">Choose its word in the play and press c, or Ctrl click on the word.</p>}
        </>
      )}
      <dl className="border-t border-rule pt-2">
        {expected !== null && <Fact name="expected at" value={clockWords(expected)} />}
        {row > 0 && <TimeFact name={`since ${list.cues[row - 1]?.number ?? ""}`} time={known(row - 1, row)} />}
        {row + 1 < list.cues.length && <TimeFact name={`until ${list.cues[row + 1]?.number ?? ""}`} time={known(row, row + 1)} />}
      </dl>
      {row > 0 && <RunByRun list={list} from={row - 1} to={row} />}
      <CueMarkLines list={list} row={row} />
    </section>
  );
}

/** From one cue to another: how long, how that is known, how much of it is quiet. */
function Between({ list, script, from, to }: { list: ListSheet; script: Script; from: string; to: string }) {
  const makeEdits = useMakeEdits();
  const measured = useMeasured(list);
  const [first, last] = [findRow(list, from), findRow(list, to)];
  const expected = expectedTimes(list, script);
  const [start, end] = [expected[first] ?? null, expected[last] ?? null];
  const lines = first >= 0 && last >= 0 ? linesBetweenCues(list, script, first, last) : [];
  const quiet = start === null || end === null ? 0 : quietSeconds(script, start, end);
  return (
    <section aria-label="Between two cues" className="flex flex-col gap-2">
      <h2 className="text-[17px] font-bold">
        Cue {from} to {to}
      </h2>
      <dl>
        {first >= 0 && last >= 0 && <TimeFact name="time" time={knownTimes(list, script, measured)(first, last)} />}
        {quiet > 0 && <Fact name="of that quiet" value={`${tenths(quiet)} s`} />}
        <Fact name="cues" value={String(Math.max(0, last - first + 1))} />
        {lines.length > 0 && <Fact name="lines" value={String(lines.length)} />}
      </dl>
      {first >= 0 && last > first && <RunByRun list={list} from={first} to={last} />}
      {lines.length > 0 && (
        <span className="flex flex-wrap gap-1.5">
          <button
            type="button"
            className="btn btn-xs border-neutral font-normal"
            onClick={() => void makeEdits([{ op: "setLines", lines, quiet: true }])}
          >
            Quiet lines
          </button>
          <button
            type="button"
            className="btn btn-xs border-neutral font-normal"
            onClick={() => void makeEdits([{ op: "setLines", lines, quiet: false }])}
          >
            Not quiet
          </button>
        </span>
      )}
    </section>
  );
}

/** The chosen lines: how long they take, and what can be said of them. */
function ChosenLines({ script, lines }: { script: Script; lines: readonly string[] }) {
  const makeEdits = useMakeEdits();
  const times = lineTimes(script);
  const all = lines.flatMap((id) => times.get(id) ?? []);
  const [only] = all;
  const same = <T,>(value: (line: (typeof all)[number]["line"]) => T): T | undefined => {
    const values = new Set(all.map(({ line }) => value(line)));
    return values.size === 1 && only ? value(only.line) : undefined;
  };
  const set = (fields: { pace?: number | null; seconds?: number | null; who?: string | null; heading?: boolean }): void =>
    void makeEdits([{ op: "setLines", lines: [...lines], ...fields }]);
  const quiet = all.every(({ line }) => line.quiet);
  const turnQuiet = useQuietLines(script);
  return (
    <section aria-label="Chosen lines" className="flex flex-col gap-2 border-t border-rule pt-3">
      <h2 className="font-bold">{lines.length === 1 ? `Line ${lines[0] ?? ""}` : `${lines.length} lines`}</h2>
      <dl>
        <Fact name="take" value={`${tenths(all.reduce((sum, { seconds: own }) => sum + own, 0))} s`} />
      </dl>
      <span className="flex flex-wrap gap-1.5">
        <Toggle pressed={quiet} onClick={() => void turnQuiet(lines)} title="No light is to move while these are spoken (q)">
          quiet
        </Toggle>
        {lines.length === 1 && (
          <Toggle
            pressed={only?.line.heading === true}
            onClick={() => set({ heading: only?.line.heading !== true })}
            title="Begins a scene; it is not spoken"
          >
            heading
          </Toggle>
        )}
      </span>
      <LineField label="said by">
        <TakenField
          label="said by"
          shown={same(({ who }) => who) ?? ""}
          hint="nobody"
          wrongWords="is a name of more than 100 letters"
          read={(text) => (text.length > 100 ? undefined : text)}
          isSame={(who) => who === (same(({ who: now }) => now) ?? null)}
          onTake={(who) => set({ who })}
        />
      </LineField>
      <LineField label="words a minute">
        <NumberField
          {...SPEAKING_PACES}
          label="words a minute of these lines"
          value={same(({ pace }) => pace)}
          hint="as the play"
          onTake={(pace) => set({ pace })}
        />
      </LineField>
      <LineField label="seconds">
        <SecondsField
          label="seconds of each line"
          value={same(({ seconds: own }) => own)}
          hint="by its words"
          onTake={(own) => set({ seconds: own })}
        />
      </LineField>
    </section>
  );
}

/** The play as a whole: its pace, the standby time, its length; and cues that have no place in it. */
function ThePlay({ list, script }: { list: ListSheet; script: Script }) {
  const makeEdits = useMakeEdits();
  const handle = useCueDrag(script);
  const nowhere = list.cues.filter(({ call, trigger }, row) => !call && (row === 0 || trigger?.type !== "follow"));
  return (
    <section aria-label="The play" className="flex flex-col gap-2 border-t border-rule pt-3">
      <h2 className="font-bold">The play</h2>
      <dl>
        <Fact name="length" value={clockWords(playSeconds(script))} />
      </dl>
      <LineField label="words a minute">
        <NumberField
          {...SPEAKING_PACES}
          label="words a minute of the play"
          value={script.pace}
          hint={String(SPEAKING_PACE)}
          onTake={(pace) => void makeEdits([{ op: "setScript", pace }])}
        />
      </LineField>
      <LearntPace list={list} script={script} />
      <LineField label="standby before">
        <SecondsField
          label="standby, seconds before the call"
          value={script.standby}
          hint={String(STANDBY_SECONDS)}
          onTake={(standby) => void makeEdits([{ op: "setScript", standby }])}
        />
      </LineField>
      {nowhere.length > 0 && (
        <details>
          <summary className="min-h-7 text-quiet hover:text-base-content">{nowhere.length} called nowhere</summary>
          <ul aria-label="Cues called nowhere" className="flex flex-wrap gap-1 pt-1">
            {nowhere.slice(0, 60).map((cue) => (
              <li key={cue.number}>
                <button
                  type="button"
                  className="btn btn-xs figures cursor-grab border-neutral"
                  title={`${cueName(cue)}: drag it to its word`}
                  {...handle(cue.number)}
                  onClick={() => chooseCue(cue.number)}
                >
                  {cue.number}
                </button>
              </li>
            ))}
          </ul>
        </details>
      )}
    </section>
  );
}

/** The time between two cues in the runs that fired all cues between them: from the shortest to the longest, and run by run. */
function RunByRun({ list, from, to }: { list: ListSheet; from: number; to: number }) {
  const runs = useNewestRuns();
  const times = timesInRuns(list, runs, from, to);
  const seconds = times.map((each) => each.seconds);
  if (times.length === 0) return null;
  const [least, most] = [Math.min(...seconds), Math.max(...seconds)];
  const words = times.length === 1 ? "in the last run" : `in the last ${times.length} runs`;
  return (
    <div>
      <dl>
        <Fact name={words} value={least === most ? `${tenths(least)} s` : `${tenths(least)} to ${tenths(most)} s`} />
      </dl>
      {times.length > 1 && (
        <Suspense fallback={null}>
          <RunsChart times={times} name={`${list.cues[from]?.number ?? ""} to ${list.cues[to]?.number ?? ""}, run by run`} />
        </Suspense>
      )}
    </div>
  );
}

/** The pace at which the play is really spoken, as runs have it, against the one that is guessed. */
function LearntPace({ list, script }: { list: ListSheet; script: Script }) {
  const runs = useNewestRuns();
  const makeEdits = useMakeEdits();
  const { id } = useShow();
  const learnt = useMemo(() => learntPace(list, script, runs), [list, script, runs]);
  if (!learnt)
    return (
      <Link className="min-h-7 text-[13px] text-quiet underline" to={`/show/${id}/log`}>
        The real pace is learnt from runs
      </Link>
    );
  const pace = Math.round(learnt.pace);
  const guessed = script.pace ?? SPEAKING_PACE;
  return (
    <>
      <dl>
        <Fact name="spoken, in runs" value={`${pace} a minute`} />
      </dl>
      <p className="text-[13px] text-quiet">
        guessed {guessed}; learnt from {count(learnt.words, "word")} in{" "}
        <Link className="underline" to={`/show/${id}/log`}>
          {count(learnt.runs, "run")}
        </Link>
      </p>
      {pace !== guessed && (
        <ActionButton className="btn btn-xs self-start border-neutral font-normal" onAct={() => makeEdits([{ op: "setScript", pace }])}>
          Take {pace} as the pace
        </ActionButton>
      )}
    </>
  );
}

function LineField({ label, children }: { label: string; children: React.ReactNode }) {
  return (
    <div className="flex items-center gap-2">
      <span className="w-28 shrink-0 text-quiet">{label}</span>
      <span className="min-w-0 flex-1">{children}</span>
    </div>
  );
}

function TimeFact({ name, time }: { name: string; time: ReturnType<ReturnType<typeof knownTimes>> }) {
  return <Fact name={name} value={time === null ? "nobody knows" : `${tenths(time.seconds)} s, ${KNOWN_BRIEFLY[time.by]}`} />;
}
