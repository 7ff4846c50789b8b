import { type Completion, completeLine } from "@zm/core";
import { type UseComboboxReturnValue, useCombobox } from "downshift";
import { useMemo, useState } from "react";
import { useShow } from "../show/useShow.ts";

/** So many words are offered at most. */
const MOST_OFFERED = 12;

/** The words that could stand next in a line, and which of them is picked. */
export interface Completions {
  readonly offered: readonly Completion[];
  /** The place of the picked word; -1 while none is. */
  readonly pick: number;
  readonly dropPick: () => void;
  /** The word that Tab takes. */
  readonly next: string;
  /** Where in the line the word stands that would be completed. */
  readonly from: number;
  /** The line with a word taken into it. */
  readonly withWord: (word: string) => string;
  /** What field, list and words are given. */
  readonly combobox: UseComboboxReturnValue<Completion>;
}

/** Where the words of a line are offered: under which ids field, list and words stand. */
const IDS = { inputId: "line-entry", menuId: "line-words", getItemId: (index: number): string => `line-word-${index}` };

/** The words for a line; `onTake` is told the line with a word taken into it. */
export function useCompletions(text: string, focused: boolean, onTake: (line: string) => void): Completions {
  const { sheet } = useShow();
  const [pick, setPick] = useState(-1);
  const { from, words } = useMemo(() => (focused ? completeLine(text, sheet) : { from: 0, words: [] }), [focused, text, sheet]);
  const offered = useMemo(() => (text.trim() === "" ? [] : words.slice(0, MOST_OFFERED)), [text, words]);
  const withWord = (word: string): string => {
    const rest = text.slice(0, from);
    return `${rest}${rest === "" || /[\s@#~"(]$/.test(rest) ? "" : " "}${word} `;
  };
  const combobox = useCombobox<Completion>({
    ...IDS,
    items: offered,
    itemToString: (item) => item?.word ?? "",
    inputValue: text,
    isOpen: offered.length > 0,
    highlightedIndex: pick,
    selectedItem: null,
    stateReducer: (state, { type, changes }) => {
      switch (type) {
        // A pointer that rests there picks nothing: Enter would take a word that nobody has chosen.
        case useCombobox.stateChangeTypes.ItemMouseMove:
        case useCombobox.stateChangeTypes.MenuMouseLeave:
          return state;
        // Who leaves the line takes no word into it.
        case useCombobox.stateChangeTypes.InputBlur:
          return { ...changes, selectedItem: null };
        default:
          return changes;
      }
    },
    onHighlightedIndexChange: ({ highlightedIndex }) => setPick(highlightedIndex),
    onSelectedItemChange: ({ selectedItem }) => {
      if (selectedItem) onTake(withWord(selectedItem.word));
    },
  });
  return { offered, pick, dropPick: () => setPick(-1), next: offered[Math.max(0, pick)]?.word ?? "", from, withWord, combobox };
}
