import { type GivenWave, type Hand, type Key, heldWave, waveName, waveOver, waveWords } from "@zm/core";
import { ChevronDown, ChevronRight } from "lucide-react";
import { useEffect, useRef, useState } from "react";
import type { ChosenAttribute } from "./chosenKeys.ts";
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

/** The wave that keys have in hand, as it could have been given; null where one has none, or they differ. */
function inHand(hand: Hand, keys: readonly Key[]): GivenWave | null {
  return waveOver(keys.map((key) => heldWave(hand, key)?.wave)) ?? null;
}
