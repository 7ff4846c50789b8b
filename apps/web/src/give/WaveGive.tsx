import { type GivenWave, type Hand, type Key, heldWave, movementWaves, movementsOf, waveName, waveOver, waveWords } from "@zm/core";
import { ChevronDown, ChevronRight, X } from "lucide-react";
import { useEffect, useRef, useState } from "react";
import type { ChosenAttribute } from "./chosenKeys.ts";
import { DropMenu, NamedEntry } from "../shared/DropMenu.tsx";
import { unlessRefused } from "../shared/unlessRefused.ts";
import { useMakeEdits, useShow } from "../show/useShow.ts";
import { useKeeping } from "../show/hand/useKeeping.ts";
import { useHandChange } from "../show/hand/useHandChange.ts";
import { useHand } from "../show/handStore.ts";
import { useWavesOpen } from "../waves/useWavesOpen.ts";
import { WaveFields } from "../waves/WaveFields.tsx";

/** What sways of the chosen lights, given live: it goes to the Hand with everything else. */
export function WaveGive({ channels, attributes }: { channels: readonly number[]; attributes: readonly ChosenAttribute[] }) {
  const hand = useHand((state) => state.hand);
  const { giveWave, drop } = useHandChange();
  const open = useWavesOpen((state) => state.open);
  const [picked, setPicked] = useState(attributes[0]?.attribute.id);
  const chosen = attributes.find(({ attribute }) => attribute.id === picked) ?? attributes[0];
  const fields = useRef<HTMLFieldSetElement>(null);
  // The panel is long: what has just been opened is seen.
  useEffect(() => {
    if (open) fields.current?.scrollIntoView({ block: "nearest" });
  }, [open]);
  if (!chosen) return null;
  const wave = inHand(hand, chosen.keys);
  const held = chosen.keys.filter((key) => heldWave(hand, key));
  const give = (given: GivenWave): void => void giveWave({ channels: [...channels], attributes: [chosen.attribute.id] }, given);
  return (
    <fieldset ref={fields} aria-label="Wave" className="flex min-w-0 flex-col gap-1.5 border-t border-rule pt-1">
      <div className="flex min-h-7 items-center gap-2">
        <button
          type="button"
          aria-expanded={open}
          className="flex h-7 min-w-0 flex-1 items-center gap-1 text-left text-[13px] text-quiet hover:text-base-content"
          onClick={() => useWavesOpen.setState({ open: !open })}
        >
          {open ? <ChevronDown size={14} /> : <ChevronRight size={14} />}
          <span className="truncate">
            wave{wave ? `: ${chosen.attribute.name ?? chosen.attribute.id} ${waveWords(wave)}` : held.length > 0 ? ": several" : ""}
          </span>
        </button>
        {held.length > 0 && (
          <button
            type="button"
            className="btn btn-xs border-neutral px-1.5 font-normal"
            title="Lets the wave in hand go; values stay"
            onClick={() => drop(held.map((key) => waveName(key.name)))}
          >
            Drop
          </button>
        )}
      </div>
      {open && <Movements channels={channels} canKeep={held.length > 0} />}
      {open && (
        <WaveFields
          channels={channels}
          attributes={attributes.map(({ attribute }) => attribute)}
          attribute={chosen.attribute}
          onAttribute={setPicked}
          wave={wave}
          onWave={give}
        />
      )}
    </fieldset>
  );
}

/** Ready movements: waves of several attributes that are given together; what sways in hand is kept as one. */
function Movements({ channels, canKeep }: { channels: readonly number[]; canKeep: boolean }) {
  const { sheet } = useShow();
  const { change } = useHandChange();
  const { keepMovement } = useKeeping();
  const makeEdits = useMakeEdits();
  const own = new Set((sheet.show.movements ?? []).map(({ id }) => id));
  return (
    <div className="flex flex-wrap items-center gap-1" role="group" aria-label="Movements">
      {movementsOf(sheet.show).map((movement) => (
        <span key={movement.id} className="flex">
          <button
            type="button"
            className="btn btn-xs border-neutral px-1.5 font-normal"
            title={`${movement.waves.map(({ attribute }) => attribute).join(", ")}, once in ${movement.period} s; typed: movement ${movement.id}`}
            onClick={() => {
              const waves = unlessRefused(() => movementWaves(sheet.keys, channels, movement));
              if (waves) change({ do: "wave", waves });
            }}
          >
            {movement.label}
          </button>
          {own.has(movement.id) && (
            <button
              type="button"
              className="btn btn-ghost btn-xs btn-square"
              aria-label={`Remove the movement ${movement.label}`}
              onClick={() => void makeEdits([{ op: "removeMovement", movement: movement.id }])}
            >
              <X size={12} />
            </button>
          )}
        </span>
      ))}
      {canKeep && (
        <DropMenu label="Keep" name="Keep as a movement" button="min-h-7 h-7 text-secondary" list="w-56">
          <NamedEntry label="Name of the movement" placeholder="name, then Enter" onName={(label) => keepMovement(label, channels)}>
            What these lights sway in hand …
          </NamedEntry>
        </DropMenu>
      )}
    </div>
  );
}

/** The wave that keys have in hand, as it could have been given; null where one has none, or they differ. */
function inHand(hand: Hand, keys: readonly Key[]): GivenWave | null {
  return waveOver(keys.map((key) => heldWave(hand, key)?.wave)) ?? null;
}
