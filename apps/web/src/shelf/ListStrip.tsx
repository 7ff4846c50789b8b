import { type ListRun, type ListSheet, nextRow, stepsWords } from "@zm/core";
import { chooseList } from "../choice/selection.ts";
import { useGo } from "../show/run/useGo.ts";
import { useStandby, useStandbySet } from "../show/run/useStandby.ts";
import { useRunTime } from "../show/run/useRunTime.ts";
import { DropMenu, MenuEntry, MenuHeading, NumberEntry, SecondsEntry } from "../shared/DropMenu.tsx";
import { RATES } from "../shared/bounds.ts";
import { openStandby, openSteps } from "../shared/dialogs.ts";
import { type ListSettings, useListSettings } from "../show/useListSettings.ts";
import { useShow } from "../show/useShow.ts";
import { Fader } from "./Fader.tsx";
import { RankEntries } from "./RankEntries.tsx";
import { Strip } from "./Strip.tsx";
import { shownAt } from "../show/run/shownAt.ts";
import { TapButton } from "./TapButton.tsx";

/** A list on the shelf: its fader, its next cue, its rate, its release, and the standby set. The main list has its Go in Run alone. */
export function ListStrip({ list, run, isMain = false }: { list: ListSheet; run: ListRun | undefined; isMain?: boolean }) {
  const now = useRunTime();
  const { show } = useShow().sheet;
  const standby = useStandbySet();
  const { choose } = useStandby();
  const { go, release, press } = useGo(list.id);
  const { id, label, fader = "levels", steps } = list.list;
  const name = label || id;
  const next = run ? list.cues[nextRow(run)]?.number : undefined;
  const chosen = standby.find((each) => each.list === id);
  const tempo = show.tempos?.find((each) => each.id === steps?.tempo);
  const level = run ? (fader === "rate" ? run.rate * 50 : shownAt(fader === "size" ? run.size : run.master, now)) : 0;
  const move = (to: number): void => void press({ press: "fader", list: id, level: to });
  const rate = (to: number): void => void press({ press: "rate", list: id, rate: to });
  const wait = (): void => choose(id, chosen || next === undefined ? null : next);
  return (
    <Strip
      name={name}
      state={stateWords(list, run, chosen?.cue)}
      on={run?.cue != null}
      set={chosen !== undefined}
      fader={<Fader label={`${name}, ${fader}`} value={Math.min(100, level)} onMove={move} />}
      menu={<ListStripMenu list={list} isMain={isMain} onRate={rate} onChoose={wait} chosen={chosen !== undefined} />}
    >
      <p className="figures leading-5">
        {fader === "rate" ? "" : `${Math.round(level)} %`}
        {(run?.rate ?? 1) !== 1 && (
          <span className="block text-secondary" title="Rate: how many times as fast">
            {(run?.rate ?? 1).toFixed(2)}x
          </span>
        )}
      </p>
      {!isMain && (
        <button
          type="button"
          className="btn btn-xs h-7 border-neutral px-1"
          onClick={go}
          disabled={next === undefined}
          title={next === undefined ? "There is no next cue" : `Fires cue ${next} of ${name}`}
        >
          {run?.cue === null ? "Start" : "Next"}
        </button>
      )}
      <button type="button" className="btn btn-xs h-7 border-neutral px-1" onClick={release} disabled={run?.cue == null}>
        Release
      </button>
      {tempo && <TapButton tempo={tempo} />}
    </Strip>
  );
}

/** Where a list stands, in a few words. */
function stateWords(list: ListSheet, run: ListRun | undefined, chosen: string | undefined): string {
  if (chosen !== undefined) return `set: cue ${chosen}`;
  if (list.cues.length === 0) return "no cue yet";
  if (run?.cue == null) return list.list.steps ? "runs by itself" : `${list.cues.length} cues`;
  const place = list.cues.findIndex(({ number }) => number === run.cue) + 1;
  return list.list.steps ? `step ${place} of ${list.cues.length}` : `cue ${run.cue}`;
}

interface ListStripMenuProps {
  list: ListSheet;
  onRate: (rate: number) => void;
  onChoose: () => void;
  chosen: boolean;
  isMain: boolean;
}

const PERCENT = { min: 0, max: 100 };
const RATE_WORDS: Readonly<Record<number, string>> = { 0.5: "Half as fast", 1: "As written", 2: "Twice as fast" };
const FADERS = [
  ["levels", "It dims its levels"],
  ["rate", "It sets its speed"],
  ["size", "It sets the size of its waves"],
] as const;

function ListStripMenu({ list, onRate, onChoose, chosen, isMain }: ListStripMenuProps) {
  const { show } = useShow().sheet;
  const change = useListSettings(list.id);
  const head = list.list;
  const set = (settings: Partial<ListSettings>): void => change((standing) => ({ ...standing, ...settings }));
  return (
    <DropMenu label="" name={`More of ${list.list.label || list.id}`} button="min-h-7 h-7 px-0.5" list="w-72">
      <MenuEntry onAct={() => chooseList(list.id)}>Work on its cues</MenuEntry>
      <MenuEntry onAct={onChoose}>{chosen ? "Take it out of the standby set" : "Put its next cue into the standby set"}</MenuEntry>
      <MenuEntry onAct={openStandby}>Another cue into the standby set …</MenuEntry>
      <MenuHeading>How fast</MenuHeading>
      {[0.5, 1, 2].map((rate) => (
        <MenuEntry key={rate} onAct={() => onRate(rate)}>
          {RATE_WORDS[rate]}
        </MenuEntry>
      ))}
      <NumberEntry
        label="Rate"
        placeholder="times its own speed, then Enter"
        bounds={RATES}
        onNumber={(rate) => rate !== null && onRate(rate)}
      >
        Another speed …
      </NumberEntry>
      <MenuHeading>What makes it go</MenuHeading>
      <NumberEntry
        label="Starts at, per cent"
        placeholder="per cent, then Enter; empty: not"
        value={head.startsAt === undefined ? "" : String(head.startsAt)}
        mayBeEmpty
        bounds={PERCENT}
        onNumber={(startsAt) => set({ startsAt: startsAt ?? undefined })}
      >
        {head.startsAt === undefined ? "Raising its fader starts it …" : `Raising its fader to ${head.startsAt} % starts it …`}
      </NumberEntry>
      {!isMain && (
        <MenuEntry onAct={() => openSteps(list.id)}>
          {head.steps ? `By itself: ${stepsWords(head.steps, show.tempos)} …` : "It goes on with Go; let it run by itself …"}
        </MenuEntry>
      )}
      <SecondsEntry
        label="Releases in seconds"
        placeholder="seconds, then Enter"
        value={String(head.releaseTime ?? 1)}
        onSeconds={(releaseTime) => set({ releaseTime })}
      >
        Released, it fades in {head.releaseTime ?? 1} s …
      </SecondsEntry>
      <MenuHeading>What its fader does</MenuHeading>
      {FADERS.map(([what, words]) => (
        <MenuEntry key={what} current={(head.fader ?? "levels") === what} onAct={() => set({ fader: what })}>
          {words}
        </MenuEntry>
      ))}
      <RankEntries priority={head.priority ?? 50} levels={head.levels ?? "latest"} onSet={set} />
    </DropMenu>
  );
}
