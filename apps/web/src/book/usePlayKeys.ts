import type { Script } from "@zm/core";
import { useShortcut } from "../shared/useShortcut.ts";
import { type WordPlace, useBook, writeScene } from "./book.ts";
import { stepped } from "./stepped.ts";
import { useQuietLines } from "./useQuietLines.ts";

interface PlayKeys {
  readonly chosen: ReadonlySet<string>;
  /** The place of the first line in sight, where walking begins. */
  readonly firstSeen: number;
  readonly call: (place: WordPlace | null) => void;
}

/** The keys of the play; gives those that walk through it, for the element that has the focus. */
export function usePlayKeys(script: Script, { chosen, firstSeen, call }: PlayKeys): (event: React.KeyboardEvent) => void {
  const { at, until } = useBook();
  const turnQuiet = useQuietLines(script);
  useShortcut("callHere", () => call(at));
  useShortcut("quietLines", () => {
    void turnQuiet(chosen.size > 0 ? [...chosen] : at ? [at.line] : []);
  });
  useShortcut("writeScene", () => {
    const line = at?.line ?? script.lines[0]?.id;
    if (line !== undefined) writeScene(script, line);
  });
  return (event) => {
    const next = stepped(script, at ?? { line: script.lines[firstSeen]?.id ?? "", word: 0 }, event);
    if (!next) return;
    event.preventDefault();
    useBook.setState({ at: next, until: event.shiftKey ? (until ?? at?.line ?? next.line) : null });
  };
}
