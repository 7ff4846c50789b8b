import { type LineFault, completeLine, count, heldWords } from "@zm/core";
import { useEffect, useMemo, useRef, useState } from "react";
import { useChoice } from "../choice/choice.ts";
import { faultOf } from "../preview/preview.ts";
import { usePreview } from "../preview/usePreview.ts";
import { placeRef } from "../shared/focusPlaces.ts";
import { useSame } from "../shared/useSame.ts";
import { useHand } from "../show/handStore.ts";
import { useHandChange } from "../show/hand/useHandChange.ts";
import { useKeeping } from "../show/hand/useKeeping.ts";
import { useRecording } from "../show/hand/useRecording.ts";
import { useUpdating } from "../show/hand/useUpdating.ts";
import { useHistoryStore } from "../show/historyStore.ts";
import { useLastEdit } from "../show/lastEdit.ts";
import { useLastPress } from "../show/lastPress.ts";
import { enqueue, useWaiting } from "../show/queue.ts";
import { useHistory, useList, useSheetNow, useShow } from "../show/useShow.ts";
import { answerTo } from "./answer.ts";
import { comeBack } from "../choice/comeBack.ts";
import { CompletionList } from "./CompletionList.tsx";
import { enteredLines, keepLine } from "./lineHistory.ts";
import { type LineTarget, setLine, targetNow, targetWords, useLineText } from "../choice/lineText.ts";
import { type Read, readText } from "./readText.ts";
import { chooseFor, isDoneHere, useLineRequest } from "./useLineRequest.ts";
import { isUnsettled } from "../show/unsettled.ts";
import { errorMessage } from "../shared/errorMessage.ts";

/** The one place for keyboard entry: what is typed is completed, read back with its impact, and Enter makes it. `blind`: the view edits cues, not the stage. */
export function LineEntry({ blind }: { blind: boolean }) {
  const show = useShow();
  const sheetNow = useSheetNow();
  const list = useList();
  const { text, began } = useLineText();
  const standing = useSame({ ...targetNow(), blind });
  const target = began ?? standing;
  useChoice((choice) => `${choice.cue}/${choice.cueEnd}/${choice.list}`);
  const waiting = useWaiting();
  const preview = usePreview();
  const planners = {
    recording: useRecording(),
    updating: useUpdating(),
    keeping: useKeeping(),
    step: (what: "undo" | "redo") => useHistoryStore.getState()[what]?.words ?? null,
    list: list.id,
  };
  const history = useHistory();
  const doRequest = useLineRequest(planners);
  const [focused, setFocused] = useState(false);
  const [pick, setPick] = useState(-1);
  const back = useRef(-1);
  useEffect(() => useLineText.setState({ blind }), [blind]);

  const read = readText(text, target, show.sheet);
  const completions = useMemo(() => (focused ? completeLine(text, show.sheet) : { from: 0, words: [] }), [focused, text, show.sheet]);
  const offered = text.trim() === "" ? [] : completions.words.slice(0, 12);

  const drafted = useRef<unknown>("");
  /** What is typed, or put here from elsewhere, is a draft while it reads as an edit; an emptied line takes its draft along. */
  const draft = (value: string, what: Read): void => {
    if (what === drafted.current) return;
    drafted.current = what;
    const request = what && "request" in what ? what.request : null;
    const wasOurs = useChoice.getState().draft?.from === "line";
    if (request?.kind === "edit") useChoice.setState({ operation: null, draft: { from: "line", edits: request.edits } });
    else if (value.trim() !== "" || wasOurs) useChoice.setState({ operation: null, draft: null });
  };
  useEffect(() => draft(text, read));
  const type = (value: string): void => {
    setLine(value.replace(/^\/+/, ""));
    setPick(-1);
    // At once, not behind the next painting: what it would do is worked out meanwhile.
    draft(value, readText(value, useLineText.getState().began ?? target, sheetNow()));
  };
  const takeWord = (word: string): void => {
    const rest = text.slice(0, completions.from);
    type(`${rest}${rest === "" || /[\s@#~"(]$/.test(rest) ? "" : " "}${word} `);
  };

  // What is done later, in its turn, works with what the window knows then.
  const latest = useRef({ doRequest });
  latest.current = { doRequest };

  const enter = (): void => {
    const line = text.trim();
    if (line === "") return;
    const faulty = !read || "fault" in read || (read.request.kind === "edit" && faultOf(sheetNow(), read.request.edits) !== undefined);
    // A line may speak of what a change before it only brings; it is read again when its turn comes.
    if (faulty && waiting === 0) return;
    keepLine(line);
    back.current = -1;
    setLine("");
    useChoice.setState({ draft: null });
    if (read && "request" in read && isDoneHere(read.request)) {
      void doRequest(read.request, target).then((good) => good || comeBack(line, target));
      return;
    }
    if (read && "request" in read) chooseFor(read.request);
    void enqueue(() => doInTurn(line, target));
  };

  const doInTurn = async (line: string, at: LineTarget): Promise<void> => {
    const again = readText(line, at, sheetNow());
    if (!again || "fault" in again) return comeBack(line, at, again?.fault.message);
    try {
      if (!(await latest.current.doRequest(again.request, at))) comeBack(line, at);
    } catch (error) {
      comeBack(line, at, isUnsettled(error) ? undefined : errorMessage(error));
    }
  };

  const recall = (by: 1 | -1): void => {
    const lines = enteredLines();
    back.current = Math.max(-1, Math.min(lines.length - 1, back.current + by));
    type(lines[back.current] ?? "");
  };
  const keys = (event: React.KeyboardEvent<HTMLInputElement>): void => {
    if (text.trim() === "" && (event.ctrlKey || event.metaKey) && /^[zy]$/i.test(event.key)) {
      event.preventDefault();
      event.stopPropagation();
      void history(event.key.toLowerCase() === "y" || event.shiftKey ? "redo" : "undo");
      return;
    }
    if ((event.ctrlKey || event.metaKey) && event.key.toLowerCase() === "f") return;
    event.stopPropagation();
    const browsing = back.current >= 0 && enteredLines()[back.current] === text;
    if (event.key === "Enter" && event.repeat) event.preventDefault();
    else if (event.key === "Enter" && pick >= 0) takeWord(offered[pick]?.word ?? "");
    else if (event.key === "Enter") enter();
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
  const answer = read && "request" in read ? answerTo(read.request, show, preview, planners) : null;
  const unfinished = read !== null && "fault" in read && offered.length > 0 && read.fault.at >= completions.from;

  return (
    <div
      data-testid="line"
      data-waiting={waiting}
      className="relative flex h-11 shrink-0 items-center gap-3 border-t border-rule px-3 focus-within:border-secondary focus-within:bg-base-200"
    >
      {focused && offered.length > 0 && <CompletionList words={offered} pick={pick} onTake={takeWord} />}
      <span
        data-testid="line-target"
        title={
          target.blind
            ? "Where a line lands that names no cue: blind, in the chosen cues"
            : "Where a line lands that names no cue: live, in hand"
        }
        className={`figures flex h-7 shrink-0 items-center rounded border px-2 text-[13px] ${target.blind ? "border-primary" : "border-error text-error"}`}
      >
        {targetWords(target)}
      </span>
      <label htmlFor="line-entry" className="sr-only">
        Line entry
      </label>
      <div className="relative min-w-0 flex-1">
        <input
          ref={placeRef("line")}
          id="line-entry"
          className="figures h-8 w-full bg-transparent px-1 text-[15px] placeholder:text-quiet focus-visible:outline-none"
          placeholder={blind ? "such as  #10..12: 21..26 + 10 only" : "such as  1..6 = 70"}
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
      <p id="line-answer" role="status" className="line-clamp-2 max-w-[46rem] shrink-0 text-[13px] leading-[17px] text-quiet">
        {read && "fault" in read ? (
          unfinished ? (
            <>Tab: {offered[Math.max(0, pick)]?.word}</>
          ) : (
            <span className="text-error">{read.fault.message}</span>
          )
        ) : answer ? (
          <span className={answer.fault ? "text-error" : "text-base-content"}>{answer.text}</span>
        ) : waiting > 0 ? (
          <span className="text-base-content">Storing {count(waiting, "change")} …</span>
        ) : (
          <Standing />
        )}
      </p>
    </div>
  );
}

function Standing() {
  const channels = useChoice((choice) => choice.channels);
  const held = useHand((state) => state.hand.held);
  const names = Object.keys(held);
  const dropped = useHand((state) => Object.keys(state.hand.dropped).length);
  const edited = useLastEdit((state) => state.edit?.words);
  const pressed = useLastPress((state) => state.words);
  const last = pressed === null ? edited : pressed === "" ? undefined : pressed;
  const { change } = useHandChange();
  const chosen = channels.length === 0 ? "nothing chosen" : `${count(channels.length, "light")} chosen`;
  return (
    <>
      {last !== undefined && <span className="text-base-content">{last}. </span>}
      {chosen}, in hand: {names.length === 0 ? "nothing" : heldWords(names)}
      {names.length === 0 && dropped > 0 && (
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
    <span
      aria-hidden
      className="figures pointer-events-none absolute inset-0 flex items-center px-1 text-[15px] whitespace-pre text-transparent"
    >
      {text.slice(0, fault.at)}
      <span className="border-b-2 border-error">{text.slice(fault.at, fault.at + fault.length) || " "}</span>
    </span>
  );
}
