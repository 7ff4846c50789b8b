import { type LineFault, describeEdits, readEdits, readLine } from "@zm/core";
import { useCallback, useMemo, useState } from "react";
import { chosenCues, useChoice } from "../choice/choice.ts";
import { useDraft } from "../choice/useDraft.ts";
import { useHistory, useList, useMakeEdits, useShow } from "../show/useShow.ts";

/** The one place for keyboard entry: what is typed is read back with its impact, and Enter makes it. */
export function LineEntry() {
  const { sheet } = useShow();
  const list = useList();
  const [text, setText] = useState("");
  const cue = useChoice((choice) => choice.cue);
  const cueEnd = useChoice((choice) => choice.cueEnd);
  const channels = useChoice((choice) => choice.channels);
  const draft = useDraft();
  const makeEdits = useMakeEdits();
  const history = useHistory();
  const readText = useCallback(
    (value: string) => (value.trim() === "" ? null : readLine(value, { sheet, list, cues: chosenCues({ cue, cueEnd }) ?? undefined })),
    [sheet, list, cue, cueEnd],
  );
  const read = useMemo(() => readText(text), [readText, text]);

  const type = (value: string): void => {
    setText(value);
    const next = readText(value);
    const request = next && "request" in next ? next.request : null;
    useChoice.setState({ deed: null, draft: request?.kind === "edit" ? { from: "line", edits: request.edits } : null });
  };
  const enter = async (): Promise<void> => {
    if (!read || "fault" in read) return;
    const { request } = read;
    if (request.kind === "history") await history(request.what);
    if (request.kind === "choose") {
      const { channels: lights, cues } = request;
      useChoice.setState({
        ...(lights ? { channels: lights, channel: lights[0] ?? null, channelEnd: lights.at(-1) ?? null } : {}),
        ...(cues ? { cue: cues.from, cueEnd: cues.to } : {}),
      });
    }
    if (request.kind === "edit") {
      if (!draft || "fault" in draft || !(await makeEdits(request.edits))) return;
      useChoice.setState({
        draft: null,
        cue: request.cues.from,
        cueEnd: request.cues.to,
        ...(request.channels
          ? { channels: request.channels, channel: request.channels[0] ?? null, channelEnd: request.channels.at(-1) ?? null }
          : {}),
      });
    }
    setText("");
  };

  return (
    <div className="flex h-11 shrink-0 items-center gap-4 border-t border-rule px-4 focus-within:border-secondary focus-within:bg-base-200">
      <label htmlFor="line-entry" className="sr-only">
        Line entry
      </label>
      <div className="relative min-w-0 flex-1">
        <input
          id="line-entry"
          className="figures w-full bg-transparent px-2 text-[15px] placeholder:text-quiet focus-visible:outline-none"
          placeholder="type what you want, such as  #10..12: 21..26 + 10 only"
          value={text}
          autoComplete="off"
          spellCheck={false}
          aria-describedby="line-answer"
          onChange={(event) => type(event.target.value)}
          onKeyDown={(event) => {
            event.stopPropagation();
            if (event.key === "Enter") void enter();
            if (event.key !== "Escape") return;
            type("");
            event.currentTarget.blur();
          }}
        />
        {read && "fault" in read && <FaultMark text={text} fault={read.fault} />}
      </div>
      <p id="line-answer" role="status" className="max-w-[46rem] shrink-0 truncate text-[13px] text-quiet">
        {read ? (
          <Answer read={read} draft={draft} />
        ) : channels.length > 0 ? (
          `${channels.length} ${channels.length === 1 ? "light" : "lights"} chosen`
        ) : (
          "Nothing chosen"
        )}
      </p>
    </div>
  );
}

function Answer({ read, draft }: { read: NonNullable<ReturnType<typeof readLine>>; draft: ReturnType<typeof useDraft> }) {
  if ("fault" in read) return <span className="text-error">{read.fault.message}</span>;
  if (read.request.kind === "history") return <>Enter: {read.request.what === "undo" ? "take back" : "make again"}</>;
  if (read.request.kind === "choose") return <>Enter chooses, Esc drops</>;
  if (!draft) return null;
  if ("fault" in draft) return <span className="text-error">{draft.fault}</span>;
  const cues = new Set(draft.outcome.impact.looks.map((look) => look.cue)).size;
  const impact = draft.outcome.steps.length === 0 ? "changes nothing" : `${cues} ${cues === 1 ? "cue looks" : "cues look"} different`;
  return (
    <>
      <span className="text-base-content">{describeEdits(readEdits(read.request.edits))}</span>: {impact}. Enter makes it, Esc drops it
    </>
  );
}

/** A line under the word that cannot be read. */
function FaultMark({ text, fault }: { text: string; fault: LineFault }) {
  return (
    <span aria-hidden className="figures pointer-events-none absolute inset-0 px-2 text-[15px] whitespace-pre text-transparent">
      {text.slice(0, fault.at)}
      <span className="border-b-2 border-error">{text.slice(fault.at, fault.at + fault.length) || " "}</span>
    </span>
  );
}
