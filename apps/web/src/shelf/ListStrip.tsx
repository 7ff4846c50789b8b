import { type ListRun, type ListSheet, findRow, nextRow } from "@zm/core";
import { ListOrdered, Pause, Play, Repeat, Undo2 } from "lucide-react";
import { useGo } from "../show/run/useGo.ts";
import { useStandby, useStandbySet } from "../show/run/useStandby.ts";
import { useRunTime } from "../show/run/useRunTime.ts";
import { useShow } from "../show/useShow.ts";
import { Fader } from "./Fader.tsx";
import { ListStripMenu } from "./ListStripMenu.tsx";
import { SoloButton } from "./SoloButton.tsx";
import { Strip } from "./Strip.tsx";
import { StripLevel } from "./StripLevel.tsx";
import { useHeldButton } from "./useHeldButton.ts";
import { shownAt } from "../show/run/shownAt.ts";
import { TapButton } from "./TapButton.tsx";

/** A list on the shelf: its fader, its next cue, its rate, its release, and the standby set. The main list has its Go in Run alone. */
export function ListStrip({ list, run, isMain = false }: { list: ListSheet; run: ListRun | undefined; isMain?: boolean }) {
  const now = useRunTime();
  const { show } = useShow().sheet;
  const standby = useStandbySet();
  const { choose } = useStandby();
  const { go, back, hold, release, press } = useGo(list.id);
  const { id, label, fader = "levels", steps } = list.list;
  const name = label || id;
  const next = run ? list.cues[nextRow(run)]?.number : undefined;
  const held = run?.clock.held ?? false;
  const chosen = standby.find((each) => each.list === id);
  const tempo = show.tempos?.find((each) => each.id === steps?.tempo);
  const level = run ? (fader === "rate" ? run.rate * 50 : shownAt(fader === "size" ? run.size : run.master, now)) : 0;
  const move = (to: number): void => void press({ press: "fader", list: id, level: to });
  const rate = (to: number): void => void press({ press: "rate", list: id, rate: to });
  const wait = (): void => choose(id, chosen || next === undefined ? null : next);
  return (
    <Strip
      name={name}
      kind={
        steps ? { icon: <Repeat size={13} />, words: "a list that runs by itself" } : { icon: <ListOrdered size={13} />, words: "a list" }
      }
      state={stateWords(list, run, chosen?.cue)}
      on={run?.cue != null}
      set={chosen !== undefined}
      fader={<Fader label={`${name}, ${fader}`} value={Math.min(100, level)} onMove={move} />}
      menu={<ListStripMenu list={list} isMain={isMain} onRate={rate} onChoose={wait} chosen={chosen !== undefined} />}
    >
      <span className="flex h-7 items-center gap-1">
        {fader === "rate" ? (
          <span className="figures text-secondary" title="Rate: how many times as fast">
            {(run?.rate ?? 1).toFixed(2)}x
          </span>
        ) : (
          <StripLevel label={name} value={level} onTake={move} />
        )}
      </span>
      {!isMain && <MainButton list={list} run={run} next={next} onGo={go} onRelease={release} name={name} />}
      <span className="flex gap-1">
        {!isMain && (
          <>
            <IconButton label={`Back on ${name}`} disabled={run?.cue == null} onAct={back}>
              <Undo2 size={14} />
            </IconButton>
            <IconButton label={`${held ? "Go on with" : "Hold"} ${name}`} pressed={held} disabled={run?.cue == null} onAct={hold}>
              {held ? <Play size={14} /> : <Pause size={14} />}
            </IconButton>
          </>
        )}
        <SoloButton of={{ list: id }} name={name} />
      </span>
      <span className="flex gap-1">
        <button type="button" className="btn btn-xs h-7 min-w-0 flex-1 border-neutral px-0.5" onClick={release} disabled={run?.cue == null}>
          Release
        </button>
        {tempo && <TapButton tempo={tempo} />}
      </span>
    </Strip>
  );
}

interface MainButtonProps {
  list: ListSheet;
  run: ListRun | undefined;
  next: string | undefined;
  name: string;
  onGo: (event: { timeStamp: number }) => void;
  onRelease: () => void;
}

/** What a list's own button does: its next cue, or it runs while it is pressed, or from one press to the next. */
function MainButton({ list: { list }, run, next, name, onGo, onRelease }: MainButtonProps) {
  const stands = run?.cue ?? null;
  const heldButton = useHeldButton(() => onGo({ timeStamp: performance.now() }), onRelease);
  const look = "btn btn-xs h-7 border-neutral px-1 aria-pressed:border-secondary aria-pressed:text-secondary";
  if (list.button === "held")
    return (
      <button type="button" className={look} aria-pressed={stands !== null} title={`${name} runs while this is pressed`} {...heldButton}>
        While held
      </button>
    );
  if (list.button === "latch")
    return (
      <button
        type="button"
        className={look}
        aria-pressed={stands !== null}
        title={stands === null ? `Starts ${name}; once more lets it go` : `Lets ${name} go`}
        onClick={(event) => (stands === null ? onGo(event) : onRelease())}
      >
        {stands === null ? "On" : "Off"}
      </button>
    );
  return (
    <button
      type="button"
      className={look}
      onClick={onGo}
      disabled={next === undefined}
      title={next === undefined ? "There is no next cue" : `Fires cue ${next} of ${name}`}
    >
      {stands === null ? "Start" : "Next"}
    </button>
  );
}

interface IconButtonProps {
  label: string;
  pressed?: boolean;
  disabled: boolean;
  onAct: () => void;
  children: React.ReactNode;
}

function IconButton({ label, pressed, disabled, onAct, children }: IconButtonProps) {
  return (
    <button
      type="button"
      aria-label={label}
      title={label}
      aria-pressed={pressed}
      disabled={disabled}
      className="btn btn-xs btn-square h-7 w-7 border-neutral aria-pressed:border-secondary aria-pressed:text-secondary"
      onClick={onAct}
    >
      {children}
    </button>
  );
}

/** Where a list stands, in a few words: the cue or the step by its number and name. */
function stateWords(list: ListSheet, run: ListRun | undefined, chosen: string | undefined): string {
  if (chosen !== undefined) return `set: cue ${chosen}`;
  if (list.cues.length === 0) return "no cue yet";
  if (run?.cue == null) return list.list.steps ? "runs by itself" : `${list.cues.length} cues`;
  const row = findRow(list, run.cue);
  const label = list.cues[row]?.label;
  const where = list.list.steps ? `${row + 1} of ${list.cues.length}` : label ? run.cue : `cue ${run.cue}`;
  return label ? `${where} ${label}` : where;
}
