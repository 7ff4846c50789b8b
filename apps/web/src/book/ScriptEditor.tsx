import { type EditInput, type ScriptFormat, SCRIPT_FORMATS, count, guessScriptFormat, readScriptText, writeScriptText } from "@zm/core";
import { useEffect, useMemo, useRef, useState } from "react";
import { useChoice } from "../choice/choice.ts";
import { useOnce } from "../shared/ActionButton.tsx";
import { FileField } from "../shared/FileField.tsx";
import { Toggle } from "../shared/Toggle.tsx";
import { useList, useMakeEdits, useSheetNow, useShow } from "../show/useShow.ts";
import { type Writing, lineMarks, useBook } from "./book.ts";
import { TextField } from "./TextField.tsx";

/** After so long without a letter the impact of what is written is worked out. Milliseconds. */
const PAUSE = 250;

/** The text of a scene, or of a whole play that comes from outside, being written. What it does to the cues stands beside it before it is made. */
export function ScriptEditor({ writing }: { writing: Writing }) {
  const { sheet } = useShow();
  const list = useList();
  const makeEdits = useMakeEdits();
  const sheetNow = useSheetNow();
  const whole = "text" in writing;
  const { script } = sheet.show;
  // What was there when the writing began: somebody else's edit does not replace what is being written.
  const [begun, setBegun] = useState(() => beginning(script?.lines ?? [], writing));
  const cuesAt = useMemo(() => {
    if (!script || whole) return [];
    const marks = lineMarks(list, script);
    return begun.lines.flatMap(({ id }, index) =>
      (marks.get(id) ?? []).filter(({ kind }) => kind === "go").map(({ cue }) => ({ cue, line: index })),
    );
  }, [script, list, whole, begun]);
  const [text, setText] = useState(begun.text);
  const newest = useRef(text);
  const write = (written: string): void => {
    newest.current = written;
    setText(written);
  };
  const [format, setFormat] = useState<ScriptFormat | null>(null);
  const file = useRef<HTMLInputElement>(null);
  const asFormat = format ?? guessScriptFormat(text);
  const edit = useMemo((): EditInput => {
    const stretch = whole ? {} : { first: begun.lines[0]?.id ?? "", last: begun.lines.at(-1)?.id ?? "" };
    return { op: "setText", ...stretch, text, format: whole ? asFormat : "plain" };
  }, [begun, text, whole, asFormat]);
  const changed = text !== begun.text;
  useEffect(() => {
    const timer = setTimeout(() => useChoice.setState({ draft: changed ? { from: "book", edits: [edit] } : null, operation: null }), PAUSE);
    return () => clearTimeout(timer);
  }, [edit, changed]);
  useEffect(() => () => useChoice.setState(({ draft }) => (draft?.from === "book" ? { draft: null } : {})), []);
  const close = (): void => useBook.setState({ writing: null });
  const make = async (): Promise<void> => {
    if (!changed) return close();
    if (!(await makeEdits([edit]))) return;
    if (newest.current === text) return close();
    // What was typed meanwhile is written on, in the lines that the scene has now.
    const lines = whole ? [] : stretchNow(script?.lines ?? [], begun.lines, sheetNow().show.script?.lines ?? []);
    setBegun({ ...begun, text, lines });
  };
  const [act, busy] = useOnce(make);
  return (
    <section aria-label={whole ? "New version of the script" : "Writing the scene"} className="flex min-h-0 flex-1 flex-col">
      <div className="flex h-11 shrink-0 items-center gap-2 border-b border-rule px-3">
        <h2 className="font-bold">{whole ? "New version of the script" : "Writing this scene"}</h2>
        <span className="min-w-0 flex-1 truncate text-[13px] text-quiet">
          {whole ? partsTold(text, asFormat) : "NAME: words, # a heading, all else is a direction"}
        </span>
        {whole && (
          <>
            <span role="group" aria-label="Format" className="flex gap-1">
              {SCRIPT_FORMATS.map((each) => (
                <Toggle key={each} pressed={asFormat === each} title={FORMAT_WORDS[each]} onClick={() => setFormat(each)}>
                  {each === "fountain" ? "Fountain" : "plain text"}
                </Toggle>
              ))}
            </span>
            <button type="button" className="btn btn-sm border-neutral" onClick={() => file.current?.click()}>
              Open a file …
            </button>
            <FileField
              ref={file}
              label="Script file"
              accept=".txt,.fountain,.spmd,text/plain"
              onFile={async (opened) => {
                setFormat(opened.name.endsWith(".fountain") ? "fountain" : null);
                write(await opened.text());
              }}
            />
          </>
        )}
        <button type="button" className="btn btn-primary btn-sm" aria-busy={busy} disabled={!changed} onClick={act} title="Ctrl Enter">
          Make it
        </button>
        <button type="button" className="btn btn-outline btn-sm border-neutral" onClick={close} title="Esc">
          {changed ? "Drop" : "Close"}
        </button>
      </div>
      <TextField
        label={whole ? "Text of the script" : "Text of the scene"}
        placeholder={whole ? "Paste the script here, or open a file" : ""}
        value={text}
        at={begun.at}
        cues={cuesAt}
        onChange={write}
        onMake={act}
        onDrop={() => {
          if (!changed) close();
        }}
      />
    </section>
  );
}

const FORMAT_WORDS: Readonly<Record<ScriptFormat, string>> = {
  plain: "NAME: words, or a name in capitals over its words; # or Act and Scene are headings; all else is a direction",
  fountain: "The open plain-text format for scripts",
};

/** The text with which writing begins, its lines, and the place of the line at which somebody stood. */
function beginning(lines: Lines, writing: Writing): { text: string; lines: Lines; at: number } {
  if ("text" in writing) return { text: writing.text, lines: [], at: 0 };
  const [first, last] = [writing.first, writing.last].map((id) => lines.findIndex((line) => line.id === id));
  const own = lines.slice(first ?? 0, (last ?? 0) + 1);
  return {
    text: writeScriptText(own),
    lines: own,
    at: Math.max(
      0,
      own.findIndex(({ id }) => id === writing.at),
    ),
  };
}

type Lines = readonly Parameters<typeof writeScriptText>[0][number][];

/** The lines of a stretch once it has been written anew: all between those that stood before it and those that stood behind it. */
function stretchNow(before: Lines, stretch: Lines, now: Lines): Lines {
  const first = before.findIndex(({ id }) => id === stretch[0]?.id);
  const behind = before.length - first - stretch.length;
  return now.slice(first, now.length - behind);
}

const HEADING = "heading";
const DIRECTION = "direction";

/** How the parts of a text are told apart: "169 lines: 62 ADA, 48 EDWIN, 40 directions, 14 headings". */
function partsTold(text: string, format: ScriptFormat): string {
  if (text.trim() === "") return "Pasted or from a file; cues stay with their words";
  const lines = readScriptText(text, format);
  const counts = new Map<string, number>();
  for (const { who, heading } of lines) {
    const part = heading ? HEADING : (who ?? DIRECTION);
    counts.set(part, (counts.get(part) ?? 0) + 1);
  }
  const isPart = (part: string): boolean => part !== HEADING && part !== DIRECTION;
  const told = [...counts].sort(([, a], [, b]) => b - a).map(([part, many]) => (isPart(part) ? `${many} ${part}` : count(many, part)));
  return `${count(lines.length, "line")}: ${told.slice(0, 8).join(", ")}${told.length > 8 ? ` and ${told.length - 8} more parts` : ""}`;
}
