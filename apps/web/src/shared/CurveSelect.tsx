import { CURVES, type Curve } from "@zm/core";
import { curveWords } from "./words.ts";

interface CurveSelectProps {
  label: string;
  value: Curve | null;
  /** What stands there where there is none of its own. */
  none?: string;
  onTake: (curve: Curve | null) => void;
}

/** Choosing how a value runs; null for none of its own. */
export function CurveSelect({ label, value, none = "curve", onTake }: CurveSelectProps) {
  // What stands there without one of its own is not offered twice.
  const offered = CURVES.filter((each) => curveWords(each) !== none);
  return (
    <select
      aria-label={label}
      className="select select-sm select-narrow min-w-0 flex-1 bg-base-100 text-[13px]"
      value={value !== null && offered.includes(value) ? value : ""}
      onChange={(event) => onTake(CURVES.find((each) => each === event.target.value) ?? null)}
    >
      <option value="">{none}</option>
      {offered.map((each) => (
        <option key={each} value={each}>
          {curveWords(each)}
        </option>
      ))}
    </select>
  );
}
