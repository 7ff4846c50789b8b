import { CURVES, type Curve } from "@zm/core";
import { curveWords } from "./words.ts";

/** Choosing how a value runs; null for none of its own. */
export function CurveSelect({ label, value, onTake }: { label: string; value: Curve | null; onTake: (curve: Curve | null) => void }) {
  return (
    <select
      aria-label={label}
      className="select select-sm min-w-0 flex-1 bg-base-100 px-1.5 text-[13px]"
      value={value ?? ""}
      onChange={(event) => onTake(CURVES.find((each) => each === event.target.value) ?? null)}
    >
      <option value="">curve</option>
      {CURVES.map((each) => (
        <option key={each} value={each}>
          {curveWords(each)}
        </option>
      ))}
    </select>
  );
}
