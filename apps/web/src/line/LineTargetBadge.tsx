import { type LineTarget, targetWords } from "../choice/lineText.ts";

/** Where a line lands that names no cue. */
export function LineTargetBadge({ target }: { target: LineTarget }) {
  return (
    <span
      data-testid="line-target"
      title={
        target.blind
          ? "Where a line lands that names no cue: blind, in the chosen cues"
          : "Where a line lands that names no cue: live, in hand"
      }
      className={`figures flex h-7 shrink-0 items-center rounded border px-2 text-[13px] ${target.blind ? "border-primary" : "border-error text-error"}`}
    >
      {targetWords(target)}
    </span>
  );
}
