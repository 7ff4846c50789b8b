import { X } from "lucide-react";
import { type HintedWord, WORD_HINTS, putAway, useHintsAway } from "./wordHints.ts";

/** What an unusual word means, where it first stands, until somebody puts it away; "show hints" brings all of them back. */
export function WordHint({ word, className = "", oneLine = false }: { word: HintedWord; className?: string; oneLine?: boolean }) {
  const isAway = useHintsAway(({ away }) => away.has(word));
  if (isAway) return null;
  return (
    <p role="note" className={`flex items-start gap-1 border-l-2 border-secondary pl-2 text-[13px] leading-snug text-quiet ${className}`}>
      <span className={`min-w-0 flex-1 ${oneLine ? "truncate" : ""}`}>{WORD_HINTS[word]}</span>
      <button
        type="button"
        aria-label={`I know what ${word} means`}
        title="Puts it away. Typed: hide hints puts all of them away, show hints brings them back"
        className="btn btn-ghost btn-xs btn-square h-5 min-h-0 w-5"
        onClick={() => putAway(word)}
      >
        <X size={12} aria-hidden />
      </button>
    </p>
  );
}
