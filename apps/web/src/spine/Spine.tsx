import { actionWords, type Cue, type ListSheet, cueDuration, readTime, count } from "@zm/core";
import { ListVideo, Play, Split, SquareStop, TriangleAlert } from "lucide-react";
import { memo, useRef, useState } from "react";
import { tellChangedMeanwhile } from "../shared/changedMeanwhile.ts";
import { placeOf, useFindings } from "../show/findings.ts";
import { chooseCue, extendToCue, useChoice } from "../choice/choice.ts";
import { EditableText } from "../shared/EditableText.tsx";
import { NO_TIME } from "../shared/readSeconds.ts";
import { readTrigger } from "../shared/readTrigger.ts";
import { lasts, seconds, triggerWords, upDown } from "../shared/words.ts";
import { cueOnStage, useLive } from "../show/live.ts";
import { useMakeEdits, useShow } from "../show/useShow.ts";
import { SceneFold } from "./SceneFold.tsx";
import { foldName } from "./lines.ts";
import { toggleParts } from "./useSheetLines.ts";

const NARROW = 330;
/** Narrower than this only number, label and follow stand in a row. */
const SLIM = 270;
/** Narrower than this only number and label do. */
const BARE = 220;

/** The headings over the spine's columns. */
export function SpineHeader({ width }: { width: number }) {
  const times = width > NARROW;
  return (
    <div
      role="presentation"
      className="sticky left-0 z-10 flex shrink-0 items-end border-r border-rule bg-base-100 pb-1.5 text-[13px] text-quiet"
      style={{ width }}
    >
      <span role="columnheader" className="w-[58px] shrink-0 pr-2 text-right">
        cue
      </span>
      <span role="columnheader" className="min-w-0 flex-1 pl-1.5">
        label
      </span>
      {width > BARE && (
        <span role="columnheader" className="w-[86px] shrink-0">
          follows
        </span>
      )}
      {times && (
        <>
          <span role="columnheader" className="w-[44px] shrink-0 text-right">
            up
          </span>
          <span role="columnheader" className="w-[46px] shrink-0 text-right">
            down
          </span>
        </>
      )}
      {width > SLIM && (
        <span role="columnheader" className="w-[56px] shrink-0 pr-3 text-right">
          lasts
        </span>
      )}
    </div>
  );
}

interface SpineRowProps {
  list: ListSheet;
  row: number;
  top: number;
  width: number;
  /** Label and times can be written into where they stand. */
  editable?: boolean;
  /** The scene that begins here and can be folded. */
  scene?: string | undefined;
}

/** One cue of the spine: number, label, what fires it, its times. */
export const SpineRow = memo(function SpineRow({ list, row, top, width, editable = false, scene }: SpineRowProps) {
  const cue = list.cues[row];
  const chosen = useChoice((choice) => cue !== undefined && inRange(cue, choice.cue, choice.cueEnd));
  const onStage = useLive((live) => cue !== undefined && cueOnStage(live.run, list.id) === cue.number);
  const findings = useFindings(({ counts }) => (cue ? (counts.get(placeOf(list.id, cue.number)) ?? 0) : 0));
  const makeEdits = useMakeEdits();
  const [editing, setEditing] = useState<"label" | "follow" | "up" | "down" | null>(null);
  const begun = useRef("");
  if (!cue) return null;
  const { up, down } = upDown(cue);
  const range = { list: list.id, from: cue.number, to: cue.number };
  const times = width > NARROW;
  const setTime = (name: "up" | "down", text: string): void => {
    const read = text === "" ? { seconds: null, delay: null } : readTime(text);
    setEditing(null);
    if (!read) return;
    const delay = read.delay === undefined ? {} : { [`${name}Delay`]: read.delay };
    void makeEdits([{ op: "setTimes", ...range, part: 1, set: { [name]: read.seconds, ...delay } }]);
  };
  const setTrigger = (text: string): void => {
    const trigger = readTrigger(text);
    setEditing(null);
    if (trigger !== undefined && triggerWords(trigger ?? undefined) !== triggerWords(cue.trigger))
      void makeEdits([{ op: "setCue", ...range, trigger }]);
  };
  const open = (what: "label" | "follow" | "up" | "down") => (): void => {
    if (!editable) return;
    begun.current = cue.label ?? "";
    setEditing(what);
  };
  return (
    <div
      role="row"
      aria-rowindex={row + 2}
      aria-selected={chosen}
      className={`absolute left-0 flex h-7 cursor-default items-center border-r border-b border-rule/60 border-r-rule text-[14px] ${chosen ? "bg-base-300" : "bg-base-100"}`}
      style={{ top, width }}
      onPointerDown={(event) => (event.shiftKey ? extendToCue(cue.number) : chooseCue(cue.number))}
    >
      {cue.block && <span aria-hidden className="pointer-events-none absolute -top-[3px] right-0 left-0 h-[4px] border-y border-primary" />}
      {cue.restate && <span aria-hidden className="absolute top-1 bottom-1 left-1 w-[4px] border-x border-primary" />}
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
      <span
        role="gridcell"
        className={`flex min-w-0 flex-1 items-center gap-1.5 self-stretch pr-1.5 pl-1.5 ${chosen ? "font-bold" : ""}`}
        onDoubleClick={open("label")}
      >
        {editing === "label" ? (
          <EditableText
            label={`Label of cue ${cue.number}`}
            value={cue.label ?? ""}
            onDone={(label) => {
              setEditing(null);
              if (label === undefined || label === (cue.label ?? "")) return;
              tellChangedMeanwhile(begun.current, cue.label ?? "");
              void makeEdits([{ op: "setCue", ...range, label: label === "" ? null : label }]);
            }}
          />
        ) : (
          <span className="truncate">{cue.label}</span>
        )}
        {width > SLIM && <CueTags list={list.id} cue={cue} />}
        <CarriesTag cue={cue} />
        {width > SLIM && scene !== undefined && (
          <span className="ml-auto">
            <SceneFold list={list.id} scene={scene} />
          </span>
        )}
      </span>
      {width > BARE && (
        <span
          role="gridcell"
          title={editable ? "Double click: end + 2, go + 2, or nothing for a Go" : undefined}
          className={`figures h-6 shrink-0 truncate text-[13px] leading-6 text-secondary ${editing === "follow" || cue.trigger?.type === "follow" ? "w-[94px]" : "w-[28px]"} ${editing === "follow" ? "overflow-visible" : ""}`}
          onDoubleClick={open("follow")}
        >
          {editing === "follow" ? (
            <EditableText
              label={`What cue ${cue.number} follows`}
              value={triggerWords(cue.trigger)}
              check={(text) => (readTrigger(text) === undefined ? "Write end + 2 or go + 2, seconds; nothing waits for a Go" : undefined)}
              onDone={(text) => (text === undefined ? setEditing(null) : setTrigger(text))}
            />
          ) : (
            triggerWords(cue.trigger)
          )}
        </span>
      )}
      {times &&
        (["up", "down"] as const).map((name) => (
          <span
            key={name}
            role="gridcell"
            className={`figures h-6 shrink-0 text-right leading-6 whitespace-nowrap ${name === "up" ? "w-[44px]" : "w-[46px]"} ${tight(name === "up" ? up : down)}`}
            onDoubleClick={open(name)}
          >
            {editing === name ? (
              <EditableText
                label={`${name} time of cue ${cue.number}`}
                value={name === "up" ? up : down}
                check={(text) => (text === "" || readTime(text) ? undefined : `This ${NO_TIME}`)}
                onDone={(text) => (text === undefined ? setEditing(null) : setTime(name, text))}
              />
            ) : name === "up" ? (
              up
            ) : (
              down
            )}
          </span>
        ))}
      {width > SLIM && (
        <span
          role="gridcell"
          className={`figures w-[56px] shrink-0 pr-3 text-right text-quiet ${tight(lasts(list, row))}`}
          title={`Cue ${cue.number} is complete ${seconds(cueDuration(list, row))} s after its Go`}
        >
          {lasts(list, row)}
        </span>
      )}
    </div>
  );
});

function CueTags({ list, cue }: { list: string; cue: Cue }) {
  const open = useChoice(({ openCues }) => openCues.has(foldName(list, cue.number)));
  return (
    <>
      {cue.parts.length > 1 && (
        <button
          type="button"
          aria-expanded={open}
          title={`${cue.parts.length} parts; show them under the cue, or put them away (p)`}
          className="flex h-7 shrink-0 items-center"
          onPointerDown={(event) => event.stopPropagation()}
          onClick={() => toggleParts(list, cue.number)}
        >
          <Tag>
            <Split aria-label="parts" size={10} className="mr-0.5 inline" />
            {cue.parts.length}
          </Tag>
        </button>
      )}
      <ActionTag cue={cue} />
    </>
  );
}

/** What a cue carries on, where that is not all of it: seen in every spine. */
function CarriesTag({ cue }: { cue: Cue }) {
  if (cue.carries === "cueOnly") return <Tag title="Its moves stay inside this cue">only</Tag>;
  return cue.carries === "isolated" ? <Tag title="Nothing tracks in or out">isolated</Tag> : null;
}

/** Long times are set smaller, so that they do not run into those beside them. */
function tight(time: string): string {
  if (time.length < 5) return "";
  return time.length === 5 ? "text-[13px] tracking-[-0.04em]" : "text-[12px] tracking-[-0.1em]";
}

/** What a cue does besides its moves: a triangle where it starts or raises something, a bar where it only lets go. */
function ActionTag({ cue }: { cue: Cue }) {
  const { sheet } = useShow();
  const actions = cue.actions ?? [];
  if (actions.length === 0) return null;
  const words = actions.map((action) => actionWords(action, sheet)).join(", ");
  const ends = actions.every((action) => action.do === "release" || (action.do === "look" && action.level === 0));
  return (
    <Tag title={`Also: ${words}`}>
      <span className="sr-only">also: {words}</span>
      {ends ? <SquareStop aria-hidden size={11} className="inline" /> : <ListVideo aria-hidden size={11} className="inline" />}
    </Tag>
  );
}

function Tag({ title, children }: { title?: string; children: React.ReactNode }) {
  return (
    <span title={title} className="shrink-0 rounded border border-neutral px-1 text-[13px] leading-4 font-normal text-quiet">
      {children}
    </span>
  );
}

function inRange(cue: Cue, a: string | null, b: string | null): boolean {
  if (a === null) return false;
  const ends = [Number(a), Number(b ?? a)].sort((x, y) => x - y);
  const number = Number(cue.number);
  return number >= (ends[0] ?? 0) && number <= (ends[1] ?? 0);
}
