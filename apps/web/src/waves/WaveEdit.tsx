import { type Attribute, type GivenWave, type Key, type ListSheet, cueOrder, firstRowFrom, waveOver, waveWords, wavesOf } from "@zm/core";
import { ChevronDown, ChevronRight } from "lucide-react";
import { useState } from "react";
import { useAfterRange } from "../preview/useAfterRange.ts";
import { considerEdits, useDraft } from "../choice/draft.ts";
import { Toggle } from "../shared/Toggle.tsx";
import { useWavesOpen } from "./useWavesOpen.ts";
import { WaveFields } from "./WaveFields.tsx";

interface WaveEditProps {
  list: ListSheet;
  cues: { from: string; to: string };
  /** The keys of the chosen cells, in the order in which their lights were chosen. */
  keys: readonly Key[];
}

/** What sways in the chosen cells, edited blind over the range with its impact before it is made. */
export function WaveEdit({ list, cues, keys }: WaveEditProps) {
  const open = useWavesOpen((state) => state.open);
  const draft = useDraft((considered) => considered.draft);
  const after = useAfterRange();
  const attributes = [...new Map(keys.map(({ attribute }) => [attribute.id, attribute])).values()].filter(({ snap }) => !snap);
  const [picked, setPicked] = useState("");
  const attribute: Attribute | undefined = attributes.find(({ id }) => id === picked) ?? attributes[0];
  if (!attribute) return null;
  const own = keys.filter((key) => key.attribute.id === attribute.id);
  const channels = own.map(({ channel }) => channel);
  const considered = draft?.from === "cells" && draft.edits[0]?.op === "setWave" ? draft.edits[0] : undefined;
  const shown = shownWave(list, own, cues.from);
  const wave = considered ? considered.wave : shown;
  const consider = (given: GivenWave | null): void =>
    void considerEdits("cells", [
      { op: "setWave", list: list.id, ...cues, keys: { channels: [...channels], attributes: [attribute.id] }, wave: given, after },
    ]);
  return (
    <fieldset aria-label="Wave" className="flex min-w-0 flex-col gap-1.5 border-t border-rule pt-1">
      <button
        type="button"
        aria-expanded={open}
        className="flex h-7 items-center gap-1 text-left text-[13px] text-quiet hover:text-base-content"
        onClick={() => useWavesOpen.setState({ open: !open })}
      >
        {open ? <ChevronDown size={14} /> : <ChevronRight size={14} />}
        <span className="truncate">wave{shown ? `: ${attribute.id} ${waveWords(shown)}` : ""}</span>
      </button>
      {open && (
        <>
          <WaveFields
            channels={channels}
            attributes={attributes}
            attribute={attribute}
            onAttribute={setPicked}
            wave={wave ?? null}
            onWave={consider}
          />
          <span>
            <Toggle
              pressed={considered?.wave === null}
              title="What these cues say of the wave goes; what tracks in counts"
              onClick={() => consider(null)}
            >
              Forget what is said of it
            </Toggle>
          </span>
        </>
      )}
    </fieldset>
  );
}

/** What sways in the first cue of a range, as it could have been given; undefined where the lights differ or nothing does. */
function shownWave(list: ListSheet, keys: readonly Key[], from: string): GivenWave | undefined {
  const row = firstRowFrom(list, cueOrder(from));
  return waveOver(keys.map((key) => wavesOf(list).get(key)?.[row]?.wave ?? undefined));
}
