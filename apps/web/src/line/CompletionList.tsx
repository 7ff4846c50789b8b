import type { Completion } from "@zm/core";

/** What can come next in the line, in one row above it that covers no cue; Tab takes the first, the arrows pick another. */
export function CompletionList({ words, pick, onTake }: { words: readonly Completion[]; pick: number; onTake: (word: string) => void }) {
  return (
    <ul
      id="line-words"
      role="listbox"
      aria-label="What can come next"
      className="absolute bottom-11 left-3 z-40 flex max-w-[calc(100%-27rem)] gap-1 overflow-hidden rounded-t border border-rule bg-base-200 p-1"
    >
      {words.map(({ word, about }, index) => (
        <li
          key={word}
          id={`line-word-${index}`}
          role="option"
          aria-selected={index === pick}
          className={`flex h-7 shrink-0 cursor-default items-center gap-1.5 rounded px-1.5 ${index === Math.max(0, pick) ? "bg-base-300 text-secondary" : ""}`}
          onPointerDown={(event) => {
            event.preventDefault();
            onTake(word);
          }}
        >
          <span className="figures">{word}</span>
          {about && about.toLowerCase() !== word.toLowerCase() && <span className="text-[13px] text-quiet">{about}</span>}
        </li>
      ))}
    </ul>
  );
}
