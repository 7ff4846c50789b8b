import { type ScriptFormat, SCRIPT_FORMATS, count, readScriptText } from "@zm/core";
import { useMemo, useRef } from "react";
import { useOnce } from "../shared/ActionButton.tsx";
import { FileField } from "../shared/FileField.tsx";
import { Toggle } from "../shared/Toggle.tsx";
import { useList, useShow } from "../show/useShow.ts";
import { type Writing, lineMarks } from "./book.ts";
import { TextField } from "./TextField.tsx";
import { useWriting } from "./useWriting.ts";

/** The text of a scene, or of a whole play that comes from outside, being written. What it does to the cues stands beside it before it is made. */
export function ScriptEditor({ writing }: { writing: Writing }) {
  const { sheet } = useShow();
  const list = useList();
  const { script } = sheet.show;
  const whole = "text" in writing;
  const scene = useWriting(writing);
  const { begun, text, changed, clash } = scene;
  const cuesAt = useMemo(() => {
    if (!script || whole) return [];
    const marks = lineMarks(list, script);
    return begun.lines.flatMap(({ id }, index) =>
      (marks.get(id) ?? []).filter(({ kind }) => kind === "go").map(({ cue }) => ({ cue, line: index })),
    );
  }, [script, list, whole, begun]);
  const [act, busy] = useOnce(scene.make);
  return (
    <section aria-label={whole ? "New version of the script" : "Writing the scene"} className="flex min-h-0 flex-1 flex-col">
      <div className="flex h-11 shrink-0 items-center gap-2 border-b border-rule px-3">
        <h2 className="font-bold">{whole ? "New version of the script" : "Writing this scene"}</h2>
        <span className="min-w-0 flex-1 truncate text-[13px] text-quiet">
          {whole ? partsTold(text, scene.format) : "NAME: words, # a heading, all else is a direction"}
        </span>
        {whole && <WholeScript format={scene.format} onFormat={scene.setFormat} onText={scene.write} />}
        <button type="button" className="btn btn-primary btn-sm" aria-busy={busy} disabled={!changed} onClick={act} title="Ctrl Enter">
          Make it
        </button>
        <button
          type="button"
          className="btn btn-outline btn-sm border-neutral"
          onClick={scene.drop}
          title={changed ? "What was written here is thrown away" : "Esc"}
        >
          {changed ? "Drop" : "Close"}
        </button>
      </div>
      {clash !== null && <ClashBar onMine={() => scene.goOn("mine", clash)} onTheirs={() => scene.goOn("theirs", clash)} />}
      <TextField
        label={whole ? "Text of the script" : "Text of the scene"}
        placeholder={whole ? "Paste the script here, or open a file" : ""}
        value={text}
        at={begun.at}
        cues={cuesAt}
        onChange={scene.write}
        onMake={act}
        onLeave={() => {
          if (!whole || !changed) scene.leave();
        }}
      />
      <p className="flex h-9 shrink-0 items-center border-t border-rule px-4 text-[13px] text-quiet">
        Ctrl Enter makes it.{" "}
        {whole ? (changed ? "Drop throws it away." : "Esc closes.") : changed ? "Esc leaves it here, to be written on." : "Esc closes."}
      </p>
    </section>
  );
}

interface WholeScriptProps {
  format: ScriptFormat;
  onFormat: (format: ScriptFormat | null) => void;
  onText: (text: string) => void;
}

/** What a whole script that comes from outside is read as, and a file of it. */
function WholeScript({ format, onFormat, onText }: WholeScriptProps) {
  const file = useRef<HTMLInputElement>(null);
  return (
    <>
      <span role="group" aria-label="Format" className="flex gap-1">
        {SCRIPT_FORMATS.map((each) => (
          <Toggle key={each} pressed={format === each} title={FORMAT_WORDS[each]} onClick={() => onFormat(each)}>
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
          onFormat(opened.name.endsWith(".fountain") ? "fountain" : null);
          onText(await opened.text());
        }}
      />
    </>
  );
}

/** Asks whose words stand where two people have written in the same lines. */
function ClashBar({ onMine, onTheirs }: { onMine: () => void; onTheirs: () => void }) {
  return (
    <div role="alert" className="flex shrink-0 items-center gap-2 border-b border-error px-3 py-1.5">
      <span className="min-w-0 flex-1">Somebody else has changed the same lines of this scene meanwhile. Nothing is made yet.</span>
      <button type="button" className="btn btn-sm border-neutral" title="Then make it: their words in these lines go" onClick={onMine}>
        Mine stands
      </button>
      <button type="button" className="btn btn-sm border-neutral" title="Ctrl Z in the text brings yours back" onClick={onTheirs}>
        Look at theirs
      </button>
    </div>
  );
}

const FORMAT_WORDS: Readonly<Record<ScriptFormat, string>> = {
  plain: "NAME: words, or a name in capitals over its words; # or Act and Scene are headings; all else is a direction",
  fountain: "The open plain-text format for scripts",
};

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
