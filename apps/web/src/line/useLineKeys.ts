import { useRef } from "react";
import { useHistory } from "../show/useShow.ts";
import { enteredLines } from "./lineHistory.ts";
import type { Completions } from "./useCompletions.ts";

interface LineKeys {
  readonly text: string;
  readonly completions: Completions;
  readonly type: (text: string) => void;
  /** True when the line has left the field. */
  readonly enter: () => boolean;
}

/** The keys of the line: Enter, Tab, the arrows through offered words and earlier lines, Escape. What is typed meanwhile begins with the newest line again. */
export function useLineKeys({ text, completions, type, enter }: LineKeys): {
  readonly onKeyDown: (event: React.KeyboardEvent<HTMLInputElement>) => void;
  readonly onTyped: () => void;
} {
  const history = useHistory();
  const back = useRef(-1);
  const { offered, pick, setPick, next, withWord } = completions;
  const recall = (by: 1 | -1): void => {
    const lines = enteredLines();
    back.current = Math.max(-1, Math.min(lines.length - 1, back.current + by));
    type(lines[back.current] ?? "");
  };
  const onTyped = (): void => {
    back.current = -1;
  };
  const onKeyDown = (event: React.KeyboardEvent<HTMLInputElement>): void => {
    const { key, shiftKey, repeat } = event;
    const isCommand = event.ctrlKey || event.metaKey;
    if (text.trim() === "" && isCommand && /^[zy]$/i.test(key)) {
      event.preventDefault();
      event.stopPropagation();
      void history(key.toLowerCase() === "y" || shiftKey ? "redo" : "undo");
      return;
    }
    if (isCommand && key.toLowerCase() === "f") return;
    event.stopPropagation();
    const browsing = back.current >= 0 && enteredLines()[back.current] === text;
    if (key === "Enter" && repeat) event.preventDefault();
    else if (key === "Enter" && pick >= 0) type(withWord(next));
    else if (key === "Enter") {
      if (enter()) onTyped();
    } else if (key === "Tab" && !shiftKey && offered.length > 0) type(withWord(next));
    else if (key === "ArrowUp" && (text === "" || browsing)) recall(1);
    else if (key === "ArrowDown" && browsing) recall(-1);
    else if (key === "ArrowUp" && offered.length > 0) setPick(Math.max(-1, pick - 1));
    else if (key === "ArrowDown" && offered.length > 0) setPick(Math.min(offered.length - 1, pick + 1));
    else if (key === "Escape") {
      type("");
      onTyped();
      event.currentTarget.blur();
    } else return;
    event.preventDefault();
  };
  return { onKeyDown, onTyped };
}
