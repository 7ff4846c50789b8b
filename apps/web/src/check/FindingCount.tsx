import { count } from "@zm/core";
import { useFindings } from "../show/findings.ts";

/** How many findings of weight the show has, beside the name of the view that lists them. */
export function FindingCount() {
  const findings = useFindings(({ found }) => (found ?? []).filter(({ severity }) => severity !== "hint").length);
  return findings === 0 ? null : (
    <span className="figures ml-1.5 text-[13px] font-normal text-primary" aria-label={count(findings, "finding")}>
      {findings}
    </span>
  );
}
