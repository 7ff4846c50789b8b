import type { Script } from "@zm/core";
import type { WordPlace } from "./book.ts";
import { wordCount } from "./callWords.ts";

/** Where the keyboard stands after a key: the next word, the same place a line on, the ends; undefined for other keys. */
export function stepped(
  script: Script,
  { line, word }: WordPlace,
  { key, ctrlKey, altKey, metaKey }: React.KeyboardEvent,
): WordPlace | undefined {
  if (altKey || metaKey) return undefined;
  const place = script.lines.findIndex(({ id }) => id === line);
  const at = (index: number, wanted: number): WordPlace | undefined => {
    const found = script.lines[Math.min(script.lines.length - 1, Math.max(0, index))];
    return found && { line: found.id, word: Math.max(0, Math.min(wanted, wordCount(found.text) - 1)) };
  };
  const words = wordCount(script.lines[place]?.text ?? "");
  switch (key) {
    case "ArrowDown":
      return at(place + 1, word);
    case "ArrowUp":
      return at(place - 1, word);
    case "ArrowRight":
      return ctrlKey ? undefined : word + 1 < words ? at(place, word + 1) : at(place + 1, 0);
    case "ArrowLeft":
      return ctrlKey ? undefined : word > 0 ? at(place, word - 1) : at(place - 1, place > 0 ? Number.MAX_SAFE_INTEGER : 0);
    case "PageDown":
      return at(place + 10, 0);
    case "PageUp":
      return at(place - 10, 0);
    case "Home":
      return at(0, 0);
    case "End":
      return at(script.lines.length - 1, 0);
    default:
      return undefined;
  }
}
