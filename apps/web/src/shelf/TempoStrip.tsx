import { type Tempo, count, writeValue } from "@zm/core";
import { Metronome, Trash2 } from "lucide-react";
import { DropMenu, MenuEntry, MenuHeading, MenuRule, NamedEntry, NumberEntry } from "../shared/DropMenu.tsx";
import { BEATS } from "../shared/bounds.ts";
import { openSteps } from "../shared/dialogs.ts";
import { notify } from "../shared/notices.ts";
import { useListChange } from "../show/useListSettings.ts";
import { useMakeEdits, useMakeEditsInTurn, useShow } from "../show/useShow.ts";
import { usePress } from "../show/run/usePress.ts";
import { Strip } from "./Strip.tsx";
import { useBeats } from "./useBeats.ts";
import { useTaps } from "./useTaps.ts";

/** A tempo on the shelf: tapped, set, and hung on lists. */
export function TempoStrip({ tempo }: { tempo: Tempo }) {
  const { sheet } = useShow();
  const tap = useTaps(tempo);
  const beats = useBeats(tempo);
  const name = tempo.label || tempo.id;
  const hung = sheet.show.lists.filter(({ steps }) => steps?.tempo === tempo.id);
  return (
    <Strip
      name={name}
      kind={{ icon: <Metronome size={13} />, words: "a tempo" }}
      state={hung.length === 0 ? "no list on it" : `for ${count(hung.length, "list")}`}
      on={false}
      menu={<TempoMenu tempo={tempo} beats={beats} />}
    >
      <p className="figures leading-5" title="Beats a minute">
        {writeValue(beats)}
        {beats !== tempo.perMinute && <span className="block text-secondary">of {writeValue(tempo.perMinute)}</span>}
      </p>
      <button
        type="button"
        className="btn h-auto min-h-16 flex-1 border-neutral px-1"
        title="Tap the beat: from the second tap on it is the tempo"
        onClick={({ timeStamp }) => tap(timeStamp)}
      >
        Tap
      </button>
    </Strip>
  );
}

function TempoMenu({ tempo, beats }: { tempo: Tempo; beats: number }) {
  const { sheet } = useShow();
  const makeEdits = useMakeEdits();
  const press = usePress();
  const makeInTurn = useMakeEditsInTurn();
  const changeList = useListChange();
  const set = (change: Partial<Tempo>): void =>
    void makeInTurn(({ show }) => {
      const standing = show.tempos?.find(({ id }) => id === tempo.id);
      return standing ? [{ op: "setTempo", tempo: { ...standing, ...change } }] : [];
    });
  const remove = async (): Promise<void> => {
    if (await makeEdits([{ op: "removeTempo", tempo: tempo.id, used: "drop" }]))
      notify(`The tempo ${tempo.label || tempo.id} is removed. Ctrl Z brings it back`, "word", { of: "step" });
  };
  const hang = (id: string): void =>
    changeList(id, ({ steps = { order: "forward", rounds: 0 }, ...settings }) => {
      const { interval: _interval, ...others } = steps;
      return { ...settings, steps: { ...others, tempo: tempo.id } };
    });
  const [main, ...others] = sheet.show.lists;
  const free = others.filter((list) => list !== main && list.steps?.tempo !== tempo.id);
  const hung = sheet.show.lists.filter(({ steps }) => steps?.tempo === tempo.id);
  return (
    <DropMenu label="" name={`More of ${tempo.label || tempo.id}`} button="min-h-7 h-7 px-0.5" list="w-72">
      <NumberEntry
        label="Beats a minute now"
        placeholder="a minute, then Enter"
        value={writeValue(beats)}
        bounds={BEATS}
        onNumber={(perMinute) => perMinute !== null && void press({ press: "tempo", tempo: tempo.id, perMinute })}
      >
        It goes at {writeValue(beats)} a minute now …
      </NumberEntry>
      {beats !== tempo.perMinute && <MenuEntry onAct={() => set({ perMinute: beats })}>Keep {writeValue(beats)} in the show</MenuEntry>}
      <NamedEntry label="Name of this tempo" placeholder="name, then Enter" value={tempo.label} onName={(label) => set({ label })}>
        Rename …
      </NamedEntry>
      {hung.length > 0 && <MenuHeading>Lists on it</MenuHeading>}
      {hung.map((list) => (
        <MenuEntry key={list.id} onAct={() => openSteps(list.id)}>
          {list.label || list.id} …
        </MenuEntry>
      ))}
      {free.length > 0 && <MenuHeading>Hang a list on it</MenuHeading>}
      {free.map((list) => (
        <MenuEntry key={list.id} onAct={() => hang(list.id)}>
          {list.label || list.id}
        </MenuEntry>
      ))}
      <MenuRule />
      <MenuEntry onAct={remove}>
        <Trash2 size={15} /> Remove this tempo
      </MenuEntry>
    </DropMenu>
  );
}
