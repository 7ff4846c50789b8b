import { type Curve, type PartTimes, TIMED_FAMILIES } from "@zm/core";
import { CurveSelect } from "./CurveSelect.tsx";
import { curveWords } from "./words.ts";

interface CurveRowProps {
  /** Of what, behind the name of each field: "part 1". */
  of: string;
  curve: Curve | undefined;
  times: PartTimes;
  onCurve: (curve: Curve | null) => void;
  onFamily: (family: (typeof TIMED_FAMILIES)[number], curve: Curve | null) => void;
}

/** How values run: the curve of all, and folded away those of families that run otherwise. */
export function CurveRow({ of, curve, times, onCurve, onFamily }: CurveRowProps) {
  const own = TIMED_FAMILIES.filter((family) => times[family]?.curve !== undefined);
  return (
    <div className="mt-1 flex flex-col gap-1">
      <div className="flex items-center gap-2">
        <span className="w-[4.2rem] shrink-0 text-quiet">curve</span>
        <CurveSelect label={`curve, ${of}`} none={curveWords("linear")} value={curve ?? null} onTake={onCurve} />
      </div>
      <details open={own.length > 0}>
        <summary className="cursor-default text-[13px] text-quiet hover:text-base-content">curves of families</summary>
        <div className="mt-1 flex flex-col gap-1">
          {TIMED_FAMILIES.map((family) => (
            <div key={family} className="flex items-center gap-2">
              <span className="w-[4.2rem] shrink-0 text-quiet">{family}</span>
              <CurveSelect
                label={`${family} curve, ${of}`}
                none="as the curve above"
                value={times[family]?.curve ?? null}
                onTake={(next) => onFamily(family, next)}
              />
            </div>
          ))}
        </div>
      </details>
    </div>
  );
}
