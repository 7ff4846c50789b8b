import { type Script, lineTimes, clockWords } from "@zm/core";
import { ChevronDown, ChevronUp, FileText, Pencil } from "lucide-react";
import { useRef } from "react";
import { useShallow } from "zustand/react/shallow";
import { useShortcut } from "../shared/useShortcut.ts";
import { useCaller } from "../show/caller.ts";
import { sceneAround, useBook, writeScene } from "./book.ts";

/** Over the play: scenes, pages, what is looked for, and the doors to its text. */
export function BookBar({ script, places }: { script: Script; places: ReadonlyMap<string, readonly number[]> }) {
  const at = useBook((book) => book.at);
  const headings = script.lines.filter(({ heading }) => heading);
  const times = lineTimes(script);
  const pages = [...new Set(script.lines.flatMap(({ page }) => (page === undefined ? [] : [page])))];
  // While the play is called, scene and page are those that are heard.
  const heard = useCaller((caller) => caller.line);
  const line = heard ?? at?.line;
  const scene = line === undefined ? headings[0]?.id : script.lines[sceneAround(script, line).first]?.id;
  const page = line === undefined ? pages[0] : script.lines.find(({ id }) => id === line)?.page;
  const goTo = (line: string | undefined): void => {
    if (line !== undefined) useBook.setState({ at: { line, word: 0 }, until: null });
  };
  return (
    <div className="flex h-11 shrink-0 items-center gap-2 border-b border-rule px-3">
      {headings.length > 0 && (
        <select
          aria-label="Scene"
          className="select select-sm w-52 bg-base-100"
          value={scene}
          onChange={(event) => goTo(event.target.value)}
        >
          {headings.map(({ id, text }) => (
            <option key={id} value={id}>
              {text} · {clockWords(times.get(id)?.start ?? 0)}
            </option>
          ))}
        </select>
      )}
      {pages.length > 1 && (
        <select
          aria-label="Page"
          className="select select-sm w-24 bg-base-100"
          value={page}
          onChange={(event) => goTo(script.lines.find((line) => line.page === Number(event.target.value))?.id)}
        >
          {pages.map((each) => (
            <option key={each} value={each}>
              page {each}
            </option>
          ))}
        </select>
      )}
      <FindInPlay places={places} />
      <span className="flex-1" />
      <button
        type="button"
        className="btn btn-ghost btn-sm gap-1.5 font-normal"
        title="Writes the scene in which you stand (e)"
        onClick={() => {
          const line = at?.line ?? script.lines[0]?.id;
          if (line !== undefined) writeScene(script, line);
        }}
      >
        <Pencil size={14} /> Write
      </button>
      <button
        type="button"
        className="btn btn-ghost btn-sm gap-1.5 font-normal"
        title="A new version of the script, pasted or from a file: cues stay with their words"
        onClick={() => useBook.setState({ writing: { text: "" } })}
      >
        <FileText size={14} /> New version
      </button>
    </div>
  );
}

/** What is looked for in the play: how often it is there, and from one place to the next. */
function FindInPlay({ places }: { places: ReadonlyMap<string, readonly number[]> }) {
  const { at, find } = useBook(useShallow(({ at: stands, find: words }) => ({ at: stands, find: words })));
  const field = useRef<HTMLInputElement>(null);
  useShortcut("findInPlay", () => field.current?.focus());
  const order = [...places.keys()].flatMap((line) => (places.get(line) ?? []).map((word) => ({ line, word })));
  const step = (by: number): void => {
    if (order.length === 0) return;
    const now = order.findIndex(({ line, word }) => line === at?.line && word === at.word);
    const next = order[(now + by + order.length) % order.length] ?? order[0];
    if (next) useBook.setState({ at: next, until: null });
  };
  return (
    <>
      <input
        ref={field}
        type="search"
        aria-label="Find in the play"
        placeholder="find in the play"
        className="input input-sm w-40 bg-base-100"
        value={find}
        onChange={(event) => useBook.setState({ find: event.target.value })}
        onKeyDown={(event) => {
          if (event.key === "Enter") step(event.shiftKey ? -1 : 1);
          if (event.key === "Escape") useBook.setState({ find: "" });
        }}
      />
      {find.trim() !== "" && (
        <>
          <span className="figures text-[13px] text-quiet" role="status">
            {order.length === 0 ? "nowhere" : `${order.length}×`}
          </span>
          <button type="button" className="btn btn-ghost btn-sm btn-square" aria-label="The one before" onClick={() => step(-1)}>
            <ChevronUp size={15} />
          </button>
          <button type="button" className="btn btn-ghost btn-sm btn-square" aria-label="The next one" onClick={() => step(1)}>
            <ChevronDown size={15} />
          </button>
        </>
      )}
    </>
  );
}
