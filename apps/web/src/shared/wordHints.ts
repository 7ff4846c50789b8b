import { create } from "zustand";

/** Words that mean something of their own here, and what each means. */
export const WORD_HINTS = {
  impact: "The impact is what an edit would do to every cue, told before it is made.",
  carries: "What a cue carries is how far its moves reach: on to later cues, this cue only, or walled off on both sides.",
  hand: "The Hand holds what you give to lights now, over the show, until you record it or drop it.",
  spine: "The spine is the column of cues at the left.",
  pace: "A pace is a set of times, one for each kind of move, that is given to cues or lights at once.",
} as const;
export type HintedWord = keyof typeof WORD_HINTS;

const NAME = "zealous-mark-hints-away";
const WORDS = Object.keys(WORD_HINTS).filter(isHinted);

function isHinted(word: string): word is HintedWord {
  return word in WORD_HINTS;
}

/** The words whose hints this browser has put away. */
export const useHintsAway = create<{ away: ReadonlySet<string> }>(() => ({
  away: new Set((localStorage.getItem(NAME) ?? "").split(" ")),
}));

/** Puts the hint at one word away, for good. */
export function putAway(word: HintedWord): void {
  keep([...useHintsAway.getState().away, word]);
}

/** Shows the hints at all words again, or puts all of them away. */
export function showHints(shown: boolean): void {
  keep(shown ? [] : WORDS);
}

function keep(words: readonly string[]): void {
  useHintsAway.setState({ away: new Set(words) });
  localStorage.setItem(NAME, words.join(" "));
}
