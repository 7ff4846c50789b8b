import { type ListSheet, findRow, stepsWords } from "@zm/core";
import { chooseList } from "../choice/selection.ts";
import { DropMenu, MenuEntry, MenuHeading, NamedEntry, NumberEntry, SecondsEntry } from "../shared/DropMenu.tsx";
import { PERCENT, RATES } from "../shared/bounds.ts";
import { openStandby, openSteps } from "../shared/dialogs.ts";
import { notify } from "../shared/notices.ts";
import { useGo } from "../show/run/useGo.ts";
import { type ListSettings, useListSettings } from "../show/useListSettings.ts";
import { useShow } from "../show/useShow.ts";
import { RankEntries } from "./RankEntries.tsx";

interface ListStripMenuProps {
  list: ListSheet;
  onRate: (rate: number) => void;
  onChoose: () => void;
  chosen: boolean;
  isMain: boolean;
}

const BUTTONS = [
  [undefined, "It fires the next cue"],
  ["held", "It runs while it is pressed"],
  ["latch", "It starts it; again, lets it go"],
] as const;
const RATE_WORDS: Readonly<Record<number, string>> = { 0.5: "Half as fast", 1: "As written", 2: "Twice as fast" };
const FADERS = [
  ["levels", "It dims its levels"],
  ["rate", "It sets its speed"],
  ["size", "It sets the size of its waves"],
] as const;

/** What is wanted of a list on the shelf less often: where it goes to, how fast, what makes it go, what its fader and its button do. */
export function ListStripMenu({ list, onRate, onChoose, chosen, isMain }: ListStripMenuProps) {
  const { show } = useShow().sheet;
  const change = useListSettings(list.id);
  const head = list.list;
  const { goTo } = useGo(list.id);
  const goToTyped = (text: string): void => {
    const [, cue = "", time] = /^#?\s*([\d.]+)(?:\s+in\s+([\d.]+))?$/.exec(text) ?? [];
    if (cue === "" || findRow(list, cue) < 0) return notify(`${list.list.label || list.id} has no cue "${text}"; nothing moves`, "trouble");
    goTo(cue, time === undefined ? undefined : Number(time));
  };
  const set = (settings: Partial<ListSettings>): void => change((standing) => ({ ...standing, ...settings }));
  return (
    <DropMenu label="" name={`More of ${list.list.label || list.id}`} button="min-h-7 h-7 px-0.5" list="w-72">
      <MenuEntry onAct={() => chooseList(list.id)}>Work on its cues</MenuEntry>
      <MenuEntry onAct={onChoose}>{chosen ? "Take it out of the standby set" : "Put its next cue into the standby set"}</MenuEntry>
      <MenuEntry onAct={openStandby}>Another cue into the standby set …</MenuEntry>
      <NamedEntry label="Go to cue" placeholder="number, then Enter; 3 in 5 takes 5 s" onName={goToTyped}>
        Go to a cue …
      </NamedEntry>
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
      {!isMain && (
        <>
          <MenuHeading>What its button does</MenuHeading>
          {BUTTONS.map(([what, words]) => (
            <MenuEntry key={words} current={head.button === what} onAct={() => set({ button: what })}>
              {words}
            </MenuEntry>
          ))}
        </>
      )}
      <RankEntries priority={head.priority ?? 50} levels={head.levels ?? "latest"} onSet={set} />
    </DropMenu>
  );
}
