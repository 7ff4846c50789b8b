import { Plus, X } from "lucide-react";
import { useShow } from "../show/useShow.ts";
import type { PalettePair } from "./sentences.ts";

interface PairFieldsProps {
  pairs: readonly PalettePair[];
  onChange: (pairs: PalettePair[]) => void;
}

/** Palettes, and what stands for each. */
export function PairFields({ pairs, onChange }: PairFieldsProps) {
  const set = (index: number, change: Partial<PalettePair>): void =>
    onChange(pairs.map((pair, at) => (at === index ? { ...pair, ...change } : pair)));
  return (
    <div className="flex min-w-0 flex-1 flex-col gap-1">
      {pairs.map((pair, index) => (
        <div key={index} className="flex items-center gap-1.5 text-quiet">
          <PaletteSelect label={`palette ${index + 1}`} value={pair.palette} onTake={(palette) => set(index, { palette })} />
          becomes
          <PaletteSelect label={`what stands for palette ${index + 1}`} value={pair.as} onTake={(as) => set(index, { as })} />
          {pairs.length > 1 && (
            <button
              type="button"
              className="btn btn-ghost btn-xs btn-square"
              aria-label={`Take palette ${index + 1} out`}
              onClick={() => onChange(pairs.filter((_, at) => at !== index))}
            >
              <X size={13} />
            </button>
          )}
        </div>
      ))}
      <button
        type="button"
        className="btn btn-xs self-start border-neutral font-normal"
        onClick={() => onChange([...pairs, { palette: "", as: "" }])}
      >
        <Plus size={13} /> another
      </button>
    </div>
  );
}

function PaletteSelect({ label, value, onTake }: { label: string; value: string; onTake: (id: string) => void }) {
  const { sheet } = useShow();
  return (
    <select
      aria-label={label}
      className="select select-sm select-narrow min-w-0 flex-1 bg-base-100 text-[13px] text-base-content"
      value={value}
      onChange={(event) => onTake(event.target.value)}
    >
      <option value="">choose …</option>
      {sheet.show.palettes.map(({ id, label: name }) => (
        <option key={id} value={id}>
          {name || id}
        </option>
      ))}
    </select>
  );
}
