import { serverUrl } from "../shared/serverAddress.ts";
import { dayAndHourWords, dayAndSecondWords } from "../shared/moments.ts";
import { useQuery, useQueryClient } from "@tanstack/react-query";
import { type ListSheet, type LogEntry, count, findRow, learntPace, SPEAKING_PACE, timesBetween, tenths, clockWords } from "@zm/core";
import type { RunSummary, RunsReply } from "@zm/protocol";
import { Download } from "lucide-react";
import { useMemo, useState } from "react";
import { ActionButton } from "../shared/ActionButton.tsx";
import { EditableText } from "../shared/EditableText.tsx";
import { EmptyView } from "../shared/EmptyView.tsx";
import { VirtualList } from "../shared/VirtualList.tsx";
import { useGoToCue } from "../show/useGoToCue.ts";
import { errorMessage } from "../shared/errorMessage.ts";
import { tellTrouble } from "../shared/notices.ts";
import { api } from "../show/api.ts";
import { runQuery, runsQuery, useNewestRuns } from "../show/runLog.ts";
import { SpineColumn } from "../spine/SpineColumn.tsx";
import { useMainList, useShow } from "../show/useShow.ts";

/** What was fired, when and by whom, run by run. */
export function LogView() {
  const { id } = useShow();
  const { data, error } = useQuery(runsQuery(id));
  const [chosen, choose] = useState<number | null>(null);
  const runs = data?.runs ?? [];
  const run = runs.find((each) => each.id === chosen) ?? runs[0];
  if (error)
    return (
      <p role="alert" className="p-6 text-error">
        {errorMessage(error)}
      </p>
    );
  if (data && !run)
    return (
      <EmptyView
        title="Nothing has been fired yet"
        words="Every cue that is fired is kept here with its moment and who fired it. Begin a run before a rehearsal: its times between cues serve the planner, and the play's real pace is learnt from them. What is fired besides, while you programme, is kept too and does not count."
      >
        <BeginRun />
      </EmptyView>
    );
  return (
    <div className="flex h-full">
      <SpineColumn width={230} />
      <section aria-label="Runs" className="flex w-[290px] shrink-0 flex-col border-r border-rule">
        <div className="flex h-11 shrink-0 items-center gap-2 border-b border-rule px-3">
          <h2 className="font-bold">Runs</h2>
          <span className="flex-1" />
          {runs[0]?.open ? <EndRun run={runs[0]} /> : <BeginRun />}
          <a
            className="btn btn-ghost btn-sm gap-1.5 font-normal"
            href={serverUrl(`/api/shows/${id}/runs.csv`)}
            download
            title="All runs as a table (CSV)"
          >
            <Download size={14} /> CSV
          </a>
        </div>
        <ul aria-label="Runs, the newest first" className="min-h-0 flex-1 overflow-y-auto">
          {runs.map((each) => (
            <RunRow key={each.id} run={each} chosen={each.id === run?.id} onChoose={() => choose(each.id)} />
          ))}
        </ul>
        <LearntLine />
      </section>
      {run && <Entries key={run.id} run={run} />}
    </div>
  );
}

/** Does something with the runs, and shows what the server then has. */
function useRunsChange(): (work: () => Promise<RunsReply>) => Promise<void> {
  const { id } = useShow();
  const client = useQueryClient();
  return async (work) => {
    try {
      client.setQueryData(runsQuery(id).queryKey, await work());
    } catch (error) {
      tellTrouble(error);
    }
  };
}

function BeginRun() {
  const { id } = useShow();
  const change = useRunsChange();
  return (
    <ActionButton
      className="btn btn-sm border-neutral font-normal"
      onAct={() => change(() => api.beginRun(id, ""))}
      title="What is fired from now on belongs to a new run"
    >
      Begin a run
    </ActionButton>
  );
}

function EndRun({ run }: { run: RunSummary }) {
  const { id } = useShow();
  const change = useRunsChange();
  return (
    <ActionButton
      className="btn btn-sm border-neutral font-normal"
      onAct={() => change(() => api.changeRun(id, run.id, { ends: true }))}
      title={run.begun === "caller" ? "The caller ends its run itself when it leaves" : "What is fired from now on is not of this run"}
    >
      End the run
    </ActionButton>
  );
}

/** Why a run does not count; empty for one that does. */
function uncounted({ speed, begun, counts }: RunSummary): string {
  if (counts) return "";
  if (speed !== 1) return `called ${speed} times as fast: not counted`;
  return begun === "itself" ? "not begun on purpose: not counted" : "not counted";
}

/** When a run began, as it is called where it has no name. */
function runName({ name, began }: Pick<RunSummary, "name" | "began">): string {
  return name || dayAndHourWords(new Date(began));
}

function RunRow({ run, chosen, onChoose }: { run: RunSummary; chosen: boolean; onChoose: () => void }) {
  const { id } = useShow();
  const change = useRunsChange();
  const [naming, setNaming] = useState(false);
  const [asked, setAsked] = useState(false);
  return (
    <li className={`border-b border-rule px-3 py-2 ${chosen ? "bg-chosen" : ""}`}>
      {naming ? (
        <EditableText
          label="name of the run"
          value={run.name}
          onDone={(name) => {
            setNaming(false);
            if (name !== undefined && name !== run.name) void change(() => api.changeRun(id, run.id, { name }));
          }}
        />
      ) : (
        <button
          type="button"
          aria-pressed={chosen}
          className="block w-full text-left"
          onClick={onChoose}
          onDoubleClick={() => setNaming(true)}
        >
          <span className="block truncate font-bold">{runName(run)}</span>
          <span className="block text-[13px] text-quiet">
            {run.name && `${runName({ ...run, name: "" })}, `}
            {count(run.cues, "cue")} in {clockWords((run.ended - run.began) / 1000)}
            {run.open && ", goes on"}
          </span>
          {!run.counts && <span className="block text-[13px] text-quiet">{uncounted(run)}</span>}
        </button>
      )}
      {chosen && !naming && (
        <span className="mt-1 flex gap-1.5">
          <button type="button" className="btn btn-xs border-neutral font-normal" onClick={() => setNaming(true)}>
            Name it
          </button>
          {run.speed === 1 && (
            <ActionButton
              className="btn btn-xs border-neutral font-normal"
              title="Whether its times serve the planner and the pace of the play"
              onAct={() => change(() => api.changeRun(id, run.id, { counts: !run.counts }))}
            >
              {run.counts ? "Do not count it" : "Count it"}
            </ActionButton>
          )}
          <a className="btn btn-xs border-neutral font-normal" href={serverUrl(`/api/shows/${id}/runs.csv?run=${run.id}`)} download>
            CSV
          </a>
          <ActionButton
            className="btn btn-xs border-neutral font-normal"
            title="What was fired in it is forgotten, and counts no more"
            onAct={() => (asked ? change(() => api.removeRun(id, run.id)) : setAsked(true))}
            onBlur={() => setAsked(false)}
          >
            {asked ? "Press once more to remove it" : "Remove …"}
          </ActionButton>
        </span>
      )}
    </li>
  );
}

/** The real pace of the play against the guessed one. */
function LearntLine() {
  const { sheet } = useShow();
  const list = useMainList();
  const { script } = sheet.show;
  const runs = useNewestRuns();
  const learnt = useMemo(() => (script ? learntPace(list, script, runs) : null), [list, script, runs]);
  if (!script) return null;
  return (
    <p className="shrink-0 border-t border-rule px-3 py-2 text-[13px]">
      {learnt ? (
        <>
          The play is spoken at <b>{Math.round(learnt.pace)} words a minute</b>, learnt from {count(learnt.runs, "run")}; guessed{" "}
          {script.pace ?? SPEAKING_PACE}.
        </>
      ) : (
        <span className="text-quiet">
          The play's real pace is learnt from runs that count; guessed {script.pace ?? SPEAKING_PACE} words a minute.
        </span>
      )}
    </p>
  );
}

const HOW_WORDS = { next: "", goto: "go to", back: "back", hold: "held", resume: "gone on", release: "released" } as const;
const BY_WORDS = { window: "window", osc: "OSC", follow: "follows", action: "an action", standby: "standby set" } as const;
const ROW = 28;

function Entries({ run }: { run: RunSummary }) {
  const { id, sheet } = useShow();
  const list = useMainList();
  const { data } = useQuery(runQuery(id, run.id));
  const entries = data?.entries;
  const lines = useMemo(() => withBefore(entries ?? []), [entries]);
  const expected = timesBetween(list, sheet.show.script);
  return (
    <section aria-label="Fired in this run" className="flex min-w-0 flex-1 flex-col">
      <div className="flex h-11 shrink-0 items-end gap-3 border-b border-rule px-4 pb-1.5 text-[13px] text-quiet">
        <span className="w-16 text-right">at</span>
        <span className="w-20 text-right">since last</span>
        <span className="w-24 text-right">by the script</span>
        <span className="w-14 text-right">cue</span>
        <span className="min-w-0 flex-1">label</span>
        <span className="w-20">how</span>
        <span className="w-32">by</span>
      </div>
      {entries?.length === 0 && <p className="p-4 text-quiet">Nothing has been fired in this run yet.</p>}
      <VirtualList label="Fired, in order" lines={lines} heightOf={() => ROW}>
        {({ entry, before }) => <EntryRow entry={entry} before={before} began={run.began} list={list} expected={expected} />}
      </VirtualList>
    </section>
  );
}

/** Each entry with the one of its list before it. */
function withBefore(entries: readonly LogEntry[]): { readonly entry: LogEntry; readonly before: LogEntry | undefined }[] {
  const last = new Map<string, LogEntry>();
  return entries.map((entry) => {
    const before = last.get(entry.list);
    if (entry.cue !== null) last.set(entry.list, entry);
    return { entry, before };
  });
}

interface EntryRowProps {
  readonly entry: LogEntry;
  readonly before: LogEntry | undefined;
  readonly began: number;
  readonly list: ListSheet;
  readonly expected: ReturnType<typeof timesBetween>;
}

function EntryRow({ entry, before, began, list, expected }: EntryRowProps) {
  const { sheet } = useShow();
  const goTo = useGoToCue();
  const own = sheet.lists.get(entry.list);
  const cue = own && entry.cue !== null ? own.cues[findRow(own, entry.cue)] : undefined;
  const gap = before && entry.how === "next" ? (entry.at - before.at) / 1000 : null;
  const [from, to] = [before?.cue, entry.cue].map((number) => (number == null || entry.list !== list.id ? -1 : findRow(list, number)));
  const script = gap !== null && from !== undefined && to !== undefined && from >= 0 && to > from ? expected(from, to) : null;
  return (
    <div className="flex h-7 items-center gap-3 border-b border-rule/60 px-4" title={dayAndSecondWords(new Date(entry.at))}>
      <span className="figures w-16 text-right">{clockWords(Math.floor((entry.at - began) / 1000))}</span>
      <span className="figures w-20 text-right">{gap === null ? "" : `${tenths(gap)} s`}</span>
      <span className="figures w-24 text-right text-quiet">{script === null ? "" : `${tenths(script)} s`}</span>
      <button
        type="button"
        tabIndex={-1}
        className="figures min-h-7 w-14 text-right font-bold"
        title="Choose the cue"
        onClick={() => entry.cue !== null && goTo(entry.list, entry.cue)}
      >
        {entry.cue}
      </button>
      <span className="min-w-0 flex-1 truncate">
        {cue?.label}
        {entry.list !== list.id && <span className="text-quiet"> {own?.list.label || entry.list}</span>}
      </span>
      <span className="w-20 text-quiet">{HOW_WORDS[entry.how]}</span>
      <span className="w-32 truncate text-quiet" title={entry.who}>
        {entry.steps !== undefined && entry.steps > 0
          ? `${count(entry.steps, "step")} by itself`
          : entry.by === "window" && entry.who !== ""
            ? entry.who
            : `${BY_WORDS[entry.by]} ${entry.who}`}
      </span>
    </div>
  );
}
