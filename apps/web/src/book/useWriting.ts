import { type EditInput, type ScriptFormat, guessScriptFormat, mergeTexts, writeScriptText } from "@zm/core";
import { useQueryClient } from "@tanstack/react-query";
import { useEffect, useEffectEvent, useMemo, useRef, useState } from "react";
import { considerEdits, dropDraftFrom } from "../choice/draft.ts";
import { notify, tellTrouble } from "../shared/notices.ts";
import { Refusal } from "../show/api.ts";
import { type Runner, enqueue } from "../show/queue.ts";
import { isUnsettled } from "../show/unsettled.ts";
import { catchUp, useMakeEdits, useSheetNow, useShow } from "../show/useShow.ts";
import { type Writing, useBook } from "./book.ts";
import { keepWriting, readKept } from "./keptWriting.ts";

/** After so long without a letter the impact of what is written is computed. Milliseconds. */
const PAUSE = 250;

/** As every edit, but what refuses it comes through. */
const inTurn: Runner = (work) => enqueue(work);

type Lines = readonly Parameters<typeof writeScriptText>[0][number][];

/** What writing began with: the text, the lines that it is, all lines of that time, and the place of the line at which somebody stood. */
interface Begun {
  readonly text: string;
  readonly lines: Lines;
  readonly all: Lines;
  readonly at: number;
}

/**
 * A scene, or a whole play, while it is written: its text, what making it does, and what becomes of it when somebody else writes in the same scene.
 * What is written in a scene and not made is kept in this window.
 */
export function useWriting(writing: Writing) {
  const { id, sheet } = useShow();
  const client = useQueryClient();
  const makeEdits = useMakeEdits();
  const sheetNow = useSheetNow();
  const first = "text" in writing ? null : writing.first;
  const whole = first === null;
  const linesNow = (): Lines => sheetNow().show.script?.lines ?? [];
  const [kept] = useState(() => (whole ? undefined : readKept(id)[first]));
  // What was there when the writing began: somebody else's edit does not replace what is being written.
  const [begun, setBegun] = useState((): Begun => {
    const own = beginning(sheet.show.script?.lines ?? [], writing);
    return kept ? { ...own, text: kept.begun } : own;
  });
  const [text, setText] = useState(() => kept?.text ?? begun.text);
  const [clash, setClash] = useState<string | null>(null);
  const [chosenFormat, setFormat] = useState<ScriptFormat | null>(null);
  const newest = useRef(text);
  const format = chosenFormat ?? guessScriptFormat(text);
  const changed = text !== begun.text;
  const edit = useMemo(() => textEdit(begun.lines, text, whole ? format : "plain", whole), [begun, text, whole, format]);
  useWrittenDraft(edit, changed);
  const leaveView = useEffectEvent(() => {
    dropDraftFrom("book");
    if (!whole && readKept(id)[first]) notify("What was written is not made yet; it is kept in the Book");
  });
  useEffect(() => () => leaveView(), []);

  const keep = (began: string, written: string): void => {
    if (!whole) keepWriting(id, first, written === began ? null : { begun: began, text: written });
  };
  const write = (written: string): void => {
    newest.current = written;
    setText(written);
    keep(begun.text, written);
  };
  const leave = (): void => useBook.setState({ writing: null });
  const drop = (): void => {
    keep(text, text);
    leave();
  };
  const goOnFrom = (stands: string, lines: Lines, all: Lines, written: string): void => {
    setBegun({ ...begun, text: stands, lines, all });
    newest.current = written;
    setText(written);
    keep(stands, written);
  };
  /** What an edit of somebody else met, of which this window had not heard yet, is held against it once more; any other refusal is told. */
  const refused = async (error: unknown, held: string): Promise<void> => {
    if (error instanceof Refusal && error.conflict) {
      await catchUp(client, id);
      if (!whole && writeScriptText(stretchNow(begun.all, begun.lines, linesNow())) !== held) return make();
    }
    if (!isUnsettled(error)) tellTrouble(error);
  };
  const send = async (own: EditInput, written: string, before: Lines, stretch: Lines): Promise<boolean> => {
    try {
      await makeEdits([own], inTurn);
    } catch (error) {
      await refused(error, writeScriptText(stretch));
      return false;
    }
    if (newest.current === text) {
      drop();
      return true;
    }
    // What was typed meanwhile is written on, in the lines that the scene has now.
    const all = linesNow();
    goOnFrom(written, whole ? [] : stretchNow(before, stretch, all), all, mergeTexts(text, written, newest.current) ?? newest.current);
    return true;
  };
  const make = async (): Promise<void> => {
    if (!changed) return drop();
    const now = linesNow();
    const stretch = whole ? [] : stretchNow(begun.all, begun.lines, now);
    const theirs = writeScriptText(stretch);
    if (whole || theirs === begun.text) {
      await send(textEdit(stretch, text, whole ? format : "plain", whole), text, now, stretch);
      return;
    }
    // Somebody else has written in this scene since.
    const merged = stretch.length === 0 ? null : mergeTexts(begun.text, theirs, text);
    if (merged === null) return setClash(theirs);
    if (await send(textEdit(stretch, merged, "plain", false), merged, now, stretch))
      notify("Somebody else has written in this scene meanwhile; both are in it now");
  };
  /** Goes on from what somebody else wrote, `theirs`: with one's own words over it, or with it. */
  const goOn = (whose: "mine" | "theirs", theirs: string): void => {
    const all = linesNow();
    setClash(null);
    goOnFrom(theirs, stretchNow(begun.all, begun.lines, all), all, whose === "mine" ? text : theirs);
  };
  return { begun, text, changed, clash, format, setFormat, write, make, goOn, leave, drop };
}

/** What is written is a draft once the hand pauses, so that its impact is told. */
function useWrittenDraft(edit: EditInput, changed: boolean): void {
  useEffect(() => {
    const timer = setTimeout(() => considerEdits("book", changed ? [edit] : null), PAUSE);
    return () => clearTimeout(timer);
  }, [edit, changed]);
}

/** The edit that writes a text in place of lines; of the whole play in place of all. */
function textEdit(lines: Lines, text: string, format: ScriptFormat, whole: boolean): EditInput {
  const stretch = whole ? {} : { first: lines[0]?.id ?? "", last: lines.at(-1)?.id ?? "" };
  return { op: "setText", ...stretch, text, format };
}

/** The text with which writing begins, its lines, and the place of the line at which somebody stood. */
function beginning(lines: Lines, writing: Writing): Begun {
  if ("text" in writing) return { text: writing.text, lines: [], all: lines, at: 0 };
  const [first, last] = [writing.first, writing.last].map((id) => lines.findIndex((line) => line.id === id));
  const own = lines.slice(first ?? 0, (last ?? 0) + 1);
  return {
    text: writeScriptText(own),
    lines: own,
    all: lines,
    at: Math.max(
      0,
      own.findIndex(({ id }) => id === writing.at),
    ),
  };
}

/** The lines of a stretch once it has been written anew, here or by somebody else: all between those that stood before it and those that stood behind it. */
function stretchNow(before: Lines, stretch: Lines, now: Lines): Lines {
  const first = before.findIndex(({ id }) => id === stretch[0]?.id);
  const there = new Map(now.map(({ id }, place) => [id, place]));
  const known = (line: Lines[number]): boolean => there.has(line.id);
  const head = before.slice(0, Math.max(0, first)).findLast(known);
  const tail = before.slice(first + stretch.length).find(known);
  return now.slice(head ? (there.get(head.id) ?? -1) + 1 : 0, tail ? there.get(tail.id) : now.length);
}
