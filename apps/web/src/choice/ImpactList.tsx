import type { ImpactLine } from "./impactWords.ts";

const MOST = 20;

/** An impact cue by cue; what only stores anew and looks as before is quiet. */
export function ImpactList({ label, lines, className = "" }: { label: string; lines: readonly ImpactLine[]; className?: string }) {
  return (
    <ul aria-label={label} tabIndex={0} className={`space-y-0.5 overflow-y-auto ${className}`}>
      {lines.slice(0, MOST).map((line) => (
        <li key={line.cue} className="flex gap-2">
          <span className="figures w-11 shrink-0 text-right">{line.cue}</span>
          <span className={line.quiet ? "text-quiet" : ""}>{line.text}</span>
        </li>
      ))}
      {lines.length > MOST && <li className="pl-13 text-quiet">and {lines.length - MOST} more</li>}
    </ul>
  );
}
