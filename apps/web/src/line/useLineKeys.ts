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
  const { offered, pick, next, withWord } = completions;
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
    const browsing = back.current >= 0 && enteredLines()[back.current] === text;
    const recalls = key === "ArrowUp" ? text === "" || browsing : key === "ArrowDown" && browsing;
    const walks = (key === "ArrowUp" || key === "ArrowDown") && !recalls && offered.length > 0;
    // The list hears the arrows that walk through it and the Enter that takes what is picked; everything else is the line's.
    const isForList = walks || (key === "Enter" && pick >= 0 && !repeat);
    if (!isForList) leaveToField(event);
    if (text.trim() === "" && isCommand && /^[zy]$/i.test(key)) {
      event.preventDefault();
      event.stopPropagation();
      void history(key.toLowerCase() === "y" || shiftKey ? "redo" : "undo");
      return;
    }
    // Commands belong to the frame: a blackout goes dark from here too.
    if (isCommand) return;
    event.stopPropagation();
    if (isForList) return;
    if (recalls) recall(key === "ArrowUp" ? 1 : -1);
    else if (key === "Enter") {
      if (!repeat && enter()) onTyped();
    } else if (key === "Tab" && !shiftKey && offered.length > 0) type(withWord(next));
    else if (key === "Escape") {
      type("");
      onTyped();
      event.currentTarget.blur();
    } else return;
    event.preventDefault();
  };
  return { onKeyDown, onTyped };
}

/** The list does not hear this key: Home and End move the caret of the field, and so on. */
function leaveToField({ nativeEvent }: React.KeyboardEvent): void {
  Reflect.set(nativeEvent, "preventDownshiftDefault", true);
}
