import { type Cue, type ListSheet, count, cueDuration, readTime } from "@zm/core";
import { Play, TriangleAlert } from "lucide-react";
import { useRef, useState } from "react";
import { tellChangedMeanwhile } from "../shared/changedMeanwhile.ts";
import { EditableText } from "../shared/EditableText.tsx";
import { NO_TIME } from "../shared/readSeconds.ts";
import { readTrigger } from "../shared/readTrigger.ts";
import { lasts, seconds, triggerWords, upDown } from "../shared/words.ts";
import { placeOf, useFindings } from "../show/findings.ts";
import { useMakeEdits } from "../show/useShow.ts";

/** A cell of the spine that can be written into. */
interface CellProps {
  readonly list: string;
  readonly cue: Cue;
  readonly editable: boolean;
}

/** The number of a cue, with a sign where Check has found something and where it stands on stage. */
export function NumberCell({ list, cue, chosen, onStage }: { list: string; cue: Cue; chosen: boolean; onStage: boolean }) {
  const findings = useFindings(({ counts }) => counts.get(placeOf(list, cue.number)) ?? 0);
  return (
    <span
      role="rowheader"
      className={`figures relative flex w-[58px] shrink-0 items-center justify-end gap-1 pr-2 text-right ${chosen ? "font-bold" : ""} ${onStage ? "text-primary" : ""}`}
    >
      {findings > 0 && (
        <span className={`absolute text-primary ${onStage ? "left-3.5" : "left-1"}`} title={`${count(findings, "finding")} in Check`}>
          <TriangleAlert size={11} aria-hidden />
          <span className="sr-only">{count(findings, "finding")}, </span>
        </span>
      )}
      {onStage && <Play aria-label="on stage" size={9} className="absolute left-1 fill-current" />}
      <span className={cue.number.length > 6 ? "text-[11px] tracking-[-0.04em]" : ""}>{cue.number}</span>
    </span>
  );
}

/** The label of a cue, written into where it stands; what stands beside it comes as children. */
export function LabelCell({ list, cue, editable, chosen, children }: CellProps & { chosen: boolean; children: React.ReactNode }) {
  const makeEdits = useMakeEdits();
  const [editing, setEditing] = useState(false);
  const begun = useRef("");
  const label = cue.label ?? "";
  const open = (): void => {
    if (!editable) return;
    begun.current = label;
    setEditing(true);
  };
  const done = (text: string | undefined): void => {
    setEditing(false);
    if (text === undefined || text === label) return;
    tellChangedMeanwhile(begun.current, label);
    void makeEdits([{ op: "setCue", list, from: cue.number, to: cue.number, label: text === "" ? null : text }]);
  };
  return (
    <span
      role="gridcell"
      className={`flex min-w-0 flex-1 items-center gap-1.5 self-stretch pr-1.5 pl-1.5 ${chosen ? "font-bold" : ""}`}
      onDoubleClick={open}
    >
      {editing ? (
        <EditableText label={`Label of cue ${cue.number}`} value={label} onDone={done} />
      ) : (
        <span className="truncate">{cue.label}</span>
      )}
      {children}
    </span>
  );
}

/** What fires a cue, where it is not a Go. */
export function FollowCell({ list, cue, editable }: CellProps) {
  const makeEdits = useMakeEdits();
  const [editing, setEditing] = useState(false);
  const done = (text: string | undefined): void => {
    setEditing(false);
    const trigger = text === undefined ? undefined : readTrigger(text);
    if (trigger === undefined || triggerWords(trigger ?? undefined) === triggerWords(cue.trigger)) return;
    void makeEdits([{ op: "setCue", list, from: cue.number, to: cue.number, trigger }]);
  };
  const isWide = editing || cue.trigger?.type === "follow";
  return (
    <span
      role="gridcell"
      title={editable ? "Double click: end + 2, go + 2, or nothing for a Go" : undefined}
      className={`figures h-6 shrink-0 truncate text-[13px] leading-6 text-secondary ${isWide ? "w-[94px]" : "w-[28px]"} ${editing ? "overflow-visible" : ""}`}
      onDoubleClick={() => setEditing(editable)}
    >
      {editing ? (
        <EditableText
          label={`What cue ${cue.number} follows`}
          value={triggerWords(cue.trigger)}
          check={(text) => (readTrigger(text) === undefined ? "Write end + 2 or go + 2, seconds; nothing waits for a Go" : undefined)}
          onDone={done}
        />
      ) : (
        triggerWords(cue.trigger)
      )}
    </span>
  );
}

/** A cue's time up or down, with its delay. */
export function TimeCell({ list, cue, editable, name }: CellProps & { name: "up" | "down" }) {
  const makeEdits = useMakeEdits();
  const [editing, setEditing] = useState(false);
  const text = upDown(cue)[name];
  const done = (typed: string | undefined): void => {
    setEditing(false);
    const read = typed === undefined ? undefined : typed === "" ? { seconds: null, delay: null } : readTime(typed);
    if (!read) return;
    const delay = read.delay === undefined ? {} : { [`${name}Delay`]: read.delay };
    void makeEdits([{ op: "setTimes", list, from: cue.number, to: cue.number, part: 1, set: { [name]: read.seconds, ...delay } }]);
  };
  return (
    <span
      role="gridcell"
      className={`figures h-6 shrink-0 text-right leading-6 whitespace-nowrap ${name === "up" ? "w-[44px]" : "w-[46px]"} ${tight(text)}`}
      onDoubleClick={() => setEditing(editable)}
    >
      {editing ? (
        <EditableText
          label={`${name} time of cue ${cue.number}`}
          value={text}
          check={(typed) => (typed === "" || readTime(typed) ? undefined : `This ${NO_TIME}`)}
          onDone={done}
        />
      ) : (
        text
      )}
    </span>
  );
}

/** When a cue is complete after its Go. */
export function LastsCell({ list, row, cue }: { list: ListSheet; row: number; cue: Cue }) {
  return (
    <span
      role="gridcell"
      className={`figures w-[56px] shrink-0 pr-3 text-right text-quiet ${tight(lasts(list, row))}`}
      title={`Cue ${cue.number} is complete ${seconds(cueDuration(list, row))} s after its Go`}
    >
      {lasts(list, row)}
    </span>
  );
}

/** Long times are set smaller, so that they do not run into those beside them. */
function tight(time: string): string {
  if (time.length < 5) return "";
  return time.length === 5 ? "text-[13px] tracking-[-0.04em]" : "text-[12px] tracking-[-0.1em]";
}
