import { type LineFault, completeLine, count, readLine } from "@zm/core";
import { useCallback, useEffect, useMemo, useRef, useState } from "react";
import { chosenCues, useChoice } from "../choice/choice.ts";
import { useDraft } from "../choice/useDraft.ts";
import { useHand } from "../hand/handStore.ts";
import { useHandChange } from "../hand/useHandChange.ts";
import { useKeeping } from "../hand/useKeeping.ts";
import { useRecording } from "../hand/useRecording.ts";
import { useUpdating } from "../hand/useUpdating.ts";
import { useList, useShow } from "../show/useShow.ts";
import { answerTo } from "./answer.ts";
import { CompletionList } from "./CompletionList.tsx";
import { enteredLines, keepLine } from "./lineHistory.ts";
import { useLineText } from "./lineText.ts";
import { useLineRequest } from "./useLineRequest.ts";

/** The one place for keyboard entry: what is typed is completed, read back with its impact, and Enter makes it. */
export function LineEntry({ blind }: { blind: boolean }) {
  const show = useShow();
  const { sheet } = show;
  const list = useList();
  const text = useLineText((line) => line.text);
  const cue = useChoice((choice) => choice.cue);
  const cueEnd = useChoice((choice) => choice.cueEnd);
  const held = useHand((state) => Object.keys(state.hand.held).length);
  const draft = useDraft();
  const doers = { recording: useRecording(), updating: useUpdating(), keeping: useKeeping() };
  const doRequest = useLineRequest(doers);
  const [focused, setFocused] = useState(false);
  const [pick, setPick] = useState(-1);
  const back = useRef(-1);

  const readText = useCallback(
    (value: string) =>
      value.trim() === "" ? null : readLine(value, { sheet, list, cues: chosenCues({ cue, cueEnd }) ?? undefined, toHand: !blind }),
    [sheet, list, cue, cueEnd, blind],
  );
  const read = useMemo(() => readText(text), [readText, text]);
  const completions = useMemo(() => (focused ? completeLine(text, sheet) : { from: 0, words: [] }), [focused, text, sheet]);
  const offered = text.trim() === "" ? [] : completions.words.slice(0, 12);

  const type = (value: string): void => {
    useLineText.setState({ text: value });
    setPick(-1);
  };
  const drafted = useRef("");
  useEffect(() => {
    // What is typed, or put here from elsewhere, is a draft while it reads as an edit; an emptied line takes its draft along.
    if (text === drafted.current) return;
    drafted.current = text;
    const request = read && "request" in read ? read.request : null;
    const wasOurs = useChoice.getState().draft?.from === "line";
    if (request?.kind === "edit") useChoice.setState({ deed: null, draft: { from: "line", edits: request.edits } });
    else if (text.trim() !== "" || wasOurs) useChoice.setState({ deed: null, draft: null });
  }, [text, read]);
  const takeWord = (word: string): void => {
    const rest = text.slice(0, completions.from);
    type(`${rest}${rest === "" || /[\s@#~"(]$/.test(rest) ? "" : " "}${word} `);
  };
  const enter = async (): Promise<void> => {
    if (!read || "fault" in read) return;
    if (read.request.kind === "edit" && (!draft || "fault" in draft)) return;
    if (!(await doRequest(read.request))) return;
    keepLine(text.trim());
    back.current = -1;
    useLineText.setState({ text: "" });
    useChoice.setState({ draft: null });
  };
  const recall = (by: 1 | -1): void => {
    const lines = enteredLines();
    back.current = Math.max(-1, Math.min(lines.length - 1, back.current + by));
    type(lines[back.current] ?? "");
  };
  const keys = (event: React.KeyboardEvent<HTMLInputElement>): void => {
    event.stopPropagation();
    const browsing = back.current >= 0 && enteredLines()[back.current] === text;
    if (event.key === "Enter" && pick >= 0) takeWord(offered[pick]?.word ?? "");
    else if (event.key === "Enter") void enter();
    else if (event.key === "Tab" && !event.shiftKey && offered.length > 0) takeWord(offered[Math.max(0, pick)]?.word ?? "");
    else if (event.key === "ArrowUp" && (text === "" || browsing)) recall(1);
    else if (event.key === "ArrowDown" && browsing) recall(-1);
    else if (event.key === "ArrowUp" && offered.length > 0) setPick(Math.max(-1, pick - 1));
    else if (event.key === "ArrowDown" && offered.length > 0) setPick(Math.min(offered.length - 1, pick + 1));
    else if (event.key === "Escape") {
      type("");
      back.current = -1;
      event.currentTarget.blur();
    } else return;
    event.preventDefault();
  };
  const answer = read && "request" in read ? answerTo(read.request, show, draft, doers) : null;
  const unfinished = read !== null && "fault" in read && offered.length > 0 && read.fault.at >= completions.from;

  return (
    <div className="relative flex h-11 shrink-0 items-center gap-4 border-t border-rule px-4 focus-within:border-secondary focus-within:bg-base-200">
      {focused && offered.length > 0 && <CompletionList words={offered} pick={pick} onTake={takeWord} />}
      <label htmlFor="line-entry" className="sr-only">
        Line entry
      </label>
      <div className="relative min-w-0 flex-1">
        <input
          id="line-entry"
          className="figures w-full bg-transparent px-2 text-[15px] placeholder:text-quiet focus-visible:outline-none"
          placeholder={blind ? "type what you want, such as  #10..12: 21..26 + 10 only" : "type what you want, such as  1..6 = 70"}
          value={text}
          autoComplete="off"
          spellCheck={false}
          role="combobox"
          aria-expanded={focused && offered.length > 0}
          aria-controls="line-words"
          aria-autocomplete="list"
          aria-activedescendant={pick >= 0 ? `line-word-${pick}` : undefined}
          aria-describedby="line-answer"
          onFocus={() => setFocused(true)}
          onBlur={() => setFocused(false)}
          onChange={(event) => {
            back.current = -1;
            type(event.target.value);
          }}
          onKeyDown={keys}
        />
        {read && "fault" in read && !unfinished && <FaultMark text={text} fault={read.fault} />}
      </div>
      <p id="line-answer" role="status" className="max-w-[46rem] shrink-0 truncate text-[13px] text-quiet">
        {read && "fault" in read ? (
          unfinished ? (
            <>Tab: {offered[Math.max(0, pick)]?.word}</>
          ) : (
            <span className="text-error">{read.fault.message}</span>
          )
        ) : answer ? (
          <span className={answer.fault ? "text-error" : "text-base-content"}>{answer.text}</span>
        ) : (
          <Standing held={held} />
        )}
      </p>
    </div>
  );
}

function Standing({ held }: { held: number }) {
  const channels = useChoice((choice) => choice.channels);
  const dropped = useHand((state) => Object.keys(state.hand.dropped).length);
  const { change } = useHandChange();
  const chosen = channels.length === 0 ? "Nothing chosen" : `${count(channels.length, "light")} chosen`;
  return (
    <>
      {chosen}, in hand: {held === 0 ? "nothing" : count(held, "value")}
      {held === 0 && dropped > 0 && (
        <button
          type="button"
          className="btn btn-xs ml-2 border-neutral font-normal"
          title={`${dropped} ${dropped === 1 ? "value was" : "values were"} dropped last`}
          onClick={() => change({ do: "takeUp" })}
        >
          Take up again
        </button>
      )}
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
