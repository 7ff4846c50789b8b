import { type Completion, completeLine } from "@zm/core";
import { useMemo, useState } from "react";
import { useShow } from "../show/useShow.ts";

/** So many words are offered at most. */
const MOST_OFFERED = 12;

/** The words that could stand next in a line, and which of them is picked. */
export interface Completions {
  readonly offered: readonly Completion[];
  /** The place of the picked word; -1 while none is. */
  readonly pick: number;
  readonly setPick: (pick: number) => void;
  /** The word that Tab takes. */
  readonly next: string;
  /** Where in the line the word stands that would be completed. */
  readonly from: number;
  /** The line with a word taken into it. */
  readonly withWord: (word: string) => string;
}

export function useCompletions(text: string, focused: boolean): Completions {
  const { sheet } = useShow();
  const [pick, setPick] = useState(-1);
  const { from, words } = useMemo(() => (focused ? completeLine(text, sheet) : { from: 0, words: [] }), [focused, text, sheet]);
  const offered = text.trim() === "" ? [] : words.slice(0, MOST_OFFERED);
  const withWord = (word: string): string => {
    const rest = text.slice(0, from);
    return `${rest}${rest === "" || /[\s@#~"(]$/.test(rest) ? "" : " "}${word} `;
  };
  return { offered, pick, setPick, next: offered[Math.max(0, pick)]?.word ?? "", from, withWord };
}
