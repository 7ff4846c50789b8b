import { type Family, type PaletteScope, heldKeys, listOf } from "@zm/core";
import { useState } from "react";
import { previewOf } from "../preview/preview.ts";
import { useHand } from "../show/handStore.ts";
import { useKeeping } from "../show/hand/useKeeping.ts";
import { useHandChange } from "../show/hand/useHandChange.ts";
import { Swatch } from "../shared/Swatch.tsx";
import { useShow } from "../show/useShow.ts";

/** The palettes of a family: picking one gives it to the chosen lights; what is in hand is kept as a new one, or into one that exists. */
export function PalettesGive({ channels, family }: { channels: readonly number[]; family: Family }) {
  const { sheet } = useShow();
  const { give } = useHandChange();
  const [keeping, setKeeping] = useState(false);
  const hand = useHand((state) => state.hand);
  const inHand = heldKeys(sheet, hand, { channels: [...channels], families: [family] }).length;
  return (
    <div className="flex flex-col gap-1.5">
      <div className="flex flex-wrap gap-1" role="group" aria-label={`Palettes, ${family}`}>
        {sheet.show.palettes
          .filter((palette) => palette.family === family)
          .map((palette) => (
            <button
              key={palette.id}
              type="button"
              className="btn btn-xs border-neutral gap-1 px-1.5 font-normal"
              onClick={() => give({ channels: [...channels], families: [family] }, { palette: palette.id })}
            >
              {family === "colour" && <Swatch palette={palette} />}
              {palette.label || palette.id}
            </button>
          ))}
        {!keeping && (
          <button
            type="button"
            className="btn btn-ghost btn-xs px-1.5 font-normal text-secondary"
            disabled={inHand === 0}
            title={inHand === 0 ? `No ${family} of these lights is in hand` : "Makes a palette of what is in hand"}
            onClick={() => setKeeping(true)}
          >
            Keep as palette …
          </button>
        )}
      </div>
      {keeping && inHand > 0 && <KeepPalette channels={channels} family={family} onDone={() => setKeeping(false)} />}
    </div>
  );
}

function KeepPalette({ channels, family, onDone }: { channels: readonly number[]; family: Family; onDone: () => void }) {
  const { sheet } = useShow();
  useHand((state) => state.hand);
  const { paletteNamed, paletteEdit, keepPalette } = useKeeping();
  const [label, setLabel] = useState("");
  const [scope, setScope] = useState<PaletteScope>("all");
  const wish = { label, family, scope, channels };
  const known = paletteNamed(label, family);
  const preview = known ? previewOf(sheet, { edits: [paletteEdit(wish)], list: listOf(sheet).id, mostLines: 0, window: null }) : null;
  const keep = async (): Promise<void> => {
    if (label.trim() !== "" && (await keepPalette(wish))) onDone();
  };
  return (
    <form
      aria-label="Keep as palette"
      className="flex flex-col gap-1.5 rounded border border-secondary p-2"
      onSubmit={(event) => {
        event.preventDefault();
        void keep();
      }}
      onKeyDown={(event) => {
        if (event.key !== "Escape") return;
        event.stopPropagation();
        onDone();
      }}
    >
      <input
        aria-label="Name of the palette"
        placeholder="name"
        autoFocus
        className="input input-sm w-full bg-base-100 px-2"
        value={label}
        onChange={(event) => setLabel(event.target.value)}
      />
      <div className="flex gap-1.5">
        <select
          aria-label="Values for"
          className="select select-sm min-w-0 flex-1 bg-base-100"
          value={scope}
          onChange={(event) => setScope(event.target.value === "type" ? "type" : event.target.value === "channel" ? "channel" : "all")}
        >
          <option value="all">for all lights</option>
          <option value="type">for each type</option>
          <option value="channel">for each light</option>
        </select>
        <button type="submit" className="btn btn-outline btn-sm border-neutral" disabled={label.trim() === ""}>
          Keep
        </button>
      </div>
      {known && preview && (
        <p className="text-[13px]">{"fault" in preview ? preview.fault : `Changes the palette ${known.label}: ${preview.summary}`}</p>
      )}
    </form>
  );
}
