import { useVirtualizer } from "@tanstack/react-virtual";
import {
  type Attribute,
  FAMILIES,
  type Give,
  type Held,
  type HeldValue,
  type Key,
  type ShowSheet,
  count,
  heldNames,
  heldWords,
  isRelease,
  keyNamed,
  keyOfWave,
  moveTiming,
  paletteOf,
  readOperation,
  resolve,
  slotName,
  waveName,
  keyName,
  valueWords,
} from "@zm/core";
import { ChevronDown, ChevronUp, X } from "lucide-react";
import { useEffect, useRef, useState } from "react";
import { createPortal } from "react-dom";
import { useMatch } from "react-router";
import { create } from "zustand";
import { Notices } from "../show/Notices.tsx";
import { ActionButton } from "../shared/ActionButton.tsx";
import { WordHint } from "../shared/WordHint.tsx";
import { curveWords, seconds } from "../shared/words.ts";
import { useShow } from "../show/useShow.ts";
import { useHand } from "../show/handStore.ts";
import { useRecording } from "../show/hand/useRecording.ts";
import { useDraft } from "../choice/draft.ts";
import { openDrawer, useSheetView } from "../choice/sheetView.ts";
import { useHandChange } from "../show/hand/useHandChange.ts";

/** Whether the values in hand are shown, as somebody has said: on the Stage, and where cues are read, which want the room. Null on the Stage: while something is not recorded. */
const useOpen = create<{ stage: boolean | null; elsewhere: boolean }>(() => ({ stage: null, elsewhere: false }));
/** Where the values in hand are shown: above whatever stands over the bar. */
const usePlace = create<{ place: HTMLElement | null }>(() => ({ place: null }));

/** The place above which the values in hand open; the frame puts it over the shelf, which they must not hide. */
export function HandListPlace() {
  return <div ref={(place) => usePlace.setState({ place })} className="relative shrink-0" />;
}

/** The bar of the Hand, always there so that nothing changes size when it fills: what is held, what can be done with it, and beside it what the window has to tell. */
export function HandPanel() {
  const { sheet } = useShow();
  const hand = useHand((state) => state.hand);
  const { change, drop: dropKeys } = useHandChange();
  const place = useMatch("/show/:id/stage") === null ? "elsewhere" : "stage";
  const names = heldNames(sheet, hand);
  const keys = names.flatMap((name) => keyNamed(sheet.keys, name) ?? keyOfWave(sheet.keys, name) ?? []);
  const channels = [...new Set(keys.map((key) => key.channel))];
  const fresh = names.filter((name) => hand.held[name]?.fresh).length;
  const open = useOpen((state) => state[place]) ?? fresh > 0;
  const listPlace = usePlace((state) => state.place);
  useEffect(() => {
    if (fresh === 0) useOpen.setState({ stage: null });
  }, [fresh]);
  const drop = (gone: readonly Key[]): void => dropKeys(namesOf(gone, names));
  return (
    <section aria-label="In hand" className="relative flex h-9 shrink-0 items-center gap-2 border-t border-rule bg-base-200 px-3">
      {open &&
        keys.length > 0 &&
        listPlace &&
        createPortal(<HandTable keys={keys} channels={channels} onDrop={drop} onDropNames={dropKeys} />, listPlace)}
      <button
        type="button"
        className="flex h-7 items-center gap-1.5 font-bold disabled:font-normal disabled:text-quiet"
        aria-expanded={open && keys.length > 0}
        disabled={keys.length === 0}
        onClick={() => useOpen.setState({ [place]: !open })}
      >
        {open ? <ChevronDown size={14} /> : <ChevronUp size={14} />} In hand
      </button>
      {keys.length === 0 && (
        <>
          <span className="text-[13px] text-quiet">nothing</span>
          <WordHint word="hand" oneLine className="min-w-0" />
        </>
      )}
      {keys.length > 0 && (
        <HeldActions names={names} lights={channels.length} fresh={fresh} isBuilding={place === "stage"} onDrop={() => dropKeys(names)} />
      )}
      <button
        type="button"
        aria-pressed={hand.inTime ?? false}
        className="btn btn-xs border-neutral aria-pressed:border-secondary aria-pressed:text-secondary"
        title="What is given takes hold in its own delay, fade and curve, so that a pace is tried live; else at once. Typed: hand in times, hand at once"
        onClick={() => change({ do: "inTime", on: !(hand.inTime ?? false) })}
      >
        In its times
      </button>
      <Notices />
    </section>
  );
}

interface HeldActionsProps {
  readonly names: readonly string[];
  readonly lights: number;
  /** How many of them have changed since they were recorded. */
  readonly fresh: number;
  /** Where a look is built, recording is what is done next; elsewhere the view has a next step of its own. */
  readonly isBuilding: boolean;
  readonly onDrop: () => void;
}

/** What is in hand, in figures, and what can be done with it. */
function HeldActions({ names, lights, fresh, isBuilding, onDrop }: HeldActionsProps) {
  const { recordNext, next } = useRecording();
  const noDrawer = useSheetView(({ drawer }) => drawer === null);
  const noDraft = useDraft(({ draft }) => draft === null);
  const primary = noDrawer && noDraft && isBuilding;
  return (
    <>
      <span className="shrink-0 text-[13px] text-quiet">
        {heldWords(names)} of {count(lights, "light")},{" "}
        {fresh === 0 ? "all recorded" : fresh === names.length ? "none recorded" : `${fresh} changed`}
      </span>
      <ActionButton
        className={`btn btn-xs ${primary ? "btn-primary" : "border-neutral"}`}
        disabled={fresh === 0 || next === undefined}
        title="Records what has changed in hand as a new cue, right behind the one on stage (n)"
        onAct={recordNext}
      >
        Record{next === undefined ? "" : ` ${next}`}
      </ActionButton>
      <button
        type="button"
        className="btn btn-xs border-neutral"
        title="Record, with everything that can be said about it (r)"
        onClick={() => openDrawer("record")}
      >
        Record …
      </button>
      <button
        type="button"
        className="btn btn-xs border-neutral"
        disabled={fresh === 0}
        title="Puts what has changed into the cue on stage, its source or its palette (u)"
        onClick={() => openDrawer("update")}
      >
        Update …
      </button>
      <button
        type="button"
        className="btn btn-xs border-neutral"
        onClick={onDrop}
        title="Drops everything in hand; it fades back to the show (Esc, Esc on the Stage). Ctrl Z takes it up again"
      >
        Drop all
      </button>
    </>
  );
}

const ROW = 28;

interface HandTableProps {
  keys: readonly Key[];
  channels: readonly number[];
  onDrop: (keys: readonly Key[]) => void;
  onDropNames: (names: readonly string[]) => void;
}

/** Only the rows in sight are there, so that hundreds of lights in hand move as easily as one. */
function HandTable({ keys, channels, onDrop, onDropNames }: HandTableProps) {
  const scroller = useRef<HTMLDivElement>(null);
  const rows = useVirtualizer({
    count: channels.length,
    getScrollElement: () => scroller.current,
    estimateSize: () => ROW,
    overscan: 4,
  });
  const columns = columnsOf(keys);
  const shown = rows.getVirtualItems();
  const above = shown[0]?.start ?? 0;
  const below = rows.getTotalSize() - (shown.at(-1)?.end ?? 0);
  return (
    <div
      ref={scroller}
      className="absolute bottom-0 left-0 z-30 max-h-[238px] max-w-[60vw] overflow-auto rounded-tr border-t border-r border-rule bg-base-200 px-3 pb-1.5"
      tabIndex={0}
      role="group"
      aria-label="Values in hand"
    >
      <table className="border-separate border-spacing-x-1 border-spacing-y-0 text-[13px]" aria-rowcount={channels.length + 1}>
        <thead>
          <tr>
            <th className="sticky top-0 z-10 bg-base-200 pr-2 text-left font-normal text-quiet">light</th>
            {columns.map((name) => (
              <th key={name} className="sticky top-0 z-10 bg-base-200 font-normal">
                <span className="flex items-center gap-1 px-1">
                  {name}
                  <DropButton label={`Drop ${name} of all lights`} onDrop={() => onDrop(keys.filter((key) => key.attribute.id === name))} />
                </span>
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {above > 0 && <tr aria-hidden style={{ height: above }} />}
          {shown.map(({ index }) => {
            const channel = channels[index] ?? 0;
            return (
              <tr key={channel} style={{ height: ROW }} aria-rowindex={index + 2}>
                <th className="pr-2 text-left font-normal">
                  <span className="figures flex items-center gap-1 px-1">
                    {channel}
                    <DropButton label={`Drop light ${channel}`} onDrop={() => onDrop(keys.filter((key) => key.channel === channel))} />
                  </span>
                </th>
                {columns.map((name) => (
                  <td key={name} className="min-w-[68px]">
                    <HeldCell name={keyName(channel, name)} onDrop={onDropNames} />
                  </td>
                ))}
              </tr>
            );
          })}
          {below > 0 && <tr aria-hidden style={{ height: below }} />}
        </tbody>
      </table>
    </div>
  );
}

function columnsOf(keys: readonly Key[]): string[] {
  const byFamily = [...keys].sort(
    (a, b) => FAMILIES.indexOf(a.attribute.family) - FAMILIES.indexOf(b.attribute.family) || a.ordinal - b.ordinal,
  );
  return [...new Set(byFamily.map((key) => key.attribute.id))];
}

/** What is in hand of one key: its value, its wave, or both. */
function HeldCell({ name, onDrop }: { name: string; onDrop: (names: readonly string[]) => void }) {
  const { sheet } = useShow();
  const value = useHand((state) => state.hand.held[name]);
  const wave = useHand((state) => state.hand.held[waveName(name)]);
  const { give } = useHandChange();
  const [retyped, setRetyped] = useState<string | null>(null);
  const key = keyNamed(sheet.keys, name);
  if (!key) return null;
  const take = (given: Give | null): void => {
    setRetyped(null);
    if (given) give({ channels: [key.channel], attributes: [key.attribute.id] }, given);
  };
  return (
    <span className="flex">
      {value && "move" in value && retyped !== null && <RetypeField name={name} attribute={key.attribute} first={retyped} onDone={take} />}
      {value && "move" in value && retyped === null && (
        <HeldButton name={name} held={value} {...heldValueWords(key, value, sheet)} onDrop={() => onDrop([name])} onRetype={setRetyped} />
      )}
      {wave && "wave" in wave && (
        <HeldButton
          name={`wave of ${name}`}
          held={wave}
          word={"stop" in wave.wave ? "no wave" : `${wave.wave.shape} ${valueWords(wave.wave.size)}`}
          times={
            "stop" in wave.wave ? "" : wave.wave.tempo === undefined ? `every ${seconds(wave.wave.period ?? 1)} s` : `at ${wave.wave.tempo}`
          }
          onDrop={() => onDrop([waveName(name)])}
        />
      )}
    </span>
  );
}

/** A value in hand and its own times, in words. */
function heldValueWords(key: Key, held: HeldValue, sheet: ShowSheet): { word: string; times: string } {
  const palette = paletteOf(held.move);
  const { fade, delay, curve } = moveTiming(held.move);
  const times = [fade === undefined ? "" : `${seconds(fade)} s`, delay ? `after ${seconds(delay)}` : "", curve ? curveWords(curve) : ""]
    .filter(Boolean)
    .join(" ");
  const value = resolve(held.move, key, sheet.palettes);
  const shown = slotName(key.attribute, value) ?? valueWords(value);
  const word = isRelease(held.move) ? "released" : palette ? (sheet.palettes.byId.get(palette)?.label ?? palette) : shown;
  return { word, times };
}

interface HeldButtonProps {
  name: string;
  held: Held;
  word: string;
  times: string;
  onDrop: () => void;
  /** Where it can be given another value: begins with what was typed. */
  onRetype?: (first: string) => void;
}

/** One thing in hand: a full square while it has not been recorded, an open one after. Its cross drops it, and so does Delete. */
function HeldButton({ name, held, word, times, onDrop, onRetype }: HeldButtonProps) {
  const said = `${word}${times ? `, ${times}` : ""}`;
  const state = held.fresh ? "not recorded yet" : "recorded";
  return (
    <span className="group flex h-7 w-full items-center rounded hover:bg-base-300">
      <button
        type="button"
        className="flex h-7 min-w-0 flex-1 items-center gap-1.5 px-1 text-left"
        aria-label={`${name}, ${said}, ${state}`}
        title={`${said}; ${state}. ${onRetype ? "Click or type to give it another value, " : ""}Delete drops it`}
        onClick={() => onRetype?.("")}
        onKeyDown={(event) => {
          if (event.key === "Delete") return onDrop();
          if (!onRetype || event.ctrlKey || event.metaKey || event.altKey || !/^[0-9+*=.-]$/.test(event.key)) return;
          event.preventDefault();
          event.stopPropagation();
          onRetype(event.key);
        }}
      >
        <span aria-hidden className={`size-1.5 shrink-0 border border-secondary ${held.fresh ? "bg-secondary" : ""}`} />
        <span className={`figures whitespace-nowrap ${held.fresh ? "" : "text-quiet"}`}>{word}</span>
        {times && <span className="figures text-[13px] whitespace-nowrap text-quiet">{times}</span>}
      </button>
      <button
        type="button"
        className="grid size-7 shrink-0 place-items-center opacity-0 group-focus-within:opacity-100 group-hover:opacity-100"
        aria-label={`Drop ${name}, ${said}, ${state}`}
        title={`Drops ${name}`}
        onClick={onDrop}
      >
        <X aria-hidden size={11} />
      </button>
    </span>
  );
}

/** A value in hand, retyped where it stands: a value, a step, or "release"; Enter or leaving gives it, Escape lets it be. */
function RetypeField({
  name,
  attribute,
  first,
  onDone,
}: {
  name: string;
  attribute: Attribute;
  first: string;
  onDone: (give: Give | null) => void;
}) {
  const [text, setText] = useState(first);
  const read = text.trim().toLowerCase() === "release" ? { release: true as const } : readOperation(text, attribute);
  const wrong = text.trim() !== "" && read === null;
  const done = useRef(false);
  const end = (give: Give | null): void => {
    if (done.current) return;
    done.current = true;
    onDone(give);
  };
  return (
    <input
      aria-label={`New value of ${name}`}
      aria-invalid={wrong}
      title={wrong ? "Write 70, full, out, +10, *0.8 or release; Esc drops it" : "70, full, out, +10, *0.8 or release"}
      autoFocus
      autoComplete="off"
      className="input input-xs figures h-7 w-20 bg-base-100 px-1.5 aria-invalid:border-error aria-invalid:text-error"
      value={text}
      onChange={(event) => setText(event.target.value)}
      onBlur={() => !wrong && end(read)}
      onKeyDown={(event) => {
        event.stopPropagation();
        if (event.key === "Escape") end(null);
        if (event.key === "Enter" && !wrong) end(read);
      }}
    />
  );
}

/** The names under which the Hand holds something of these keys. */
function namesOf(keys: readonly Key[], held: readonly string[]): string[] {
  const wanted = new Set(keys.flatMap(({ name }) => [name, waveName(name)]));
  return held.filter((name) => wanted.has(name));
}

/** The cross beside a heading: only it drops, so that a stray click on the heading does nothing. */
function DropButton({ label, onDrop }: { label: string; onDrop: () => void }) {
  return (
    <button
      type="button"
      aria-label={label}
      title={label}
      className="grid size-7 place-items-center rounded text-quiet hover:bg-base-300 hover:text-base-content"
      onClick={onDrop}
    >
      <X aria-hidden size={13} />
    </button>
  );
}
