import { useBook } from "./book.ts";

/** Under the play: what a call at the word would mean, or how a cue is called. */
export function LandingWords({ landing, hasCue }: { landing: string; hasCue: boolean }) {
  const drags = useBook((book) => book.drags !== null);
  return (
    <p aria-live="polite" className="flex h-9 shrink-0 items-center gap-2 border-t border-rule px-4 text-[13px]">
      {landing !== "" ? (
        <>
          <span className="min-w-0 flex-1 truncate">{landing}</span>
          <span className="shrink-0 text-quiet">{drags ? "let go to place it" : "c or Ctrl click calls it here"}</span>
        </>
      ) : (
        <span className="text-quiet">
          {hasCue ? "" : "Choose a cue first. "}c or Ctrl click on a word calls the cue there; a number is dragged to another word.
        </span>
      )}
    </p>
  );
}
