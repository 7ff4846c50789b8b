import { PERCENT } from "../shared/bounds.ts";
import { NumberField } from "../shared/NumberField.tsx";

interface StripLevelProps {
  label: string;
  /** Per cent. */
  value: number;
  onTake: (level: number) => void;
}

/** The level of a strip, to be typed as well. */
export function StripLevel({ label, value, onTake }: StripLevelProps) {
  return (
    <span className="flex items-center gap-1 text-quiet">
      <span className="min-w-0 flex-1">
        <NumberField
          label={`${label}, per cent`}
          value={Math.round(value)}
          {...PERCENT}
          onTake={(level) => level !== null && onTake(level)}
        />
      </span>
      %
    </span>
  );
}
