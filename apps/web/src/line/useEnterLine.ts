import type { LineRequest } from "@zm/core";
import { useRef } from "react";
import { dropDraft } from "../choice/draft.ts";
import { comeBack } from "../choice/comeBack.ts";
import { type LineTarget, setLine } from "../choice/lineText.ts";
import { faultOf } from "../preview/preview.ts";
import { errorMessage } from "../shared/errorMessage.ts";
import { enqueue, useWaiting } from "../show/queue.ts";
import { isUnsettled } from "../show/unsettled.ts";
import { useSheetNow } from "../show/useShow.ts";
import { keepLine } from "./lineHistory.ts";
import { type Read, readText } from "./readText.ts";
import { chooseFor, isDoneHere } from "./useLineRequest.ts";

type DoRequest = (request: LineRequest, target: LineTarget) => Promise<boolean>;

/** Enters the line that stands there: at once, or in order behind what waits. One that is refused comes back. True when it has left the field. */
export function useEnterLine(doRequest: DoRequest): (text: string, read: Read, target: LineTarget) => boolean {
  const waiting = useWaiting();
  const sheetNow = useSheetNow();
  // What is done later, in its turn, works with what the window knows then.
  const latest = useRef(doRequest);
  latest.current = doRequest;

  const doInTurn = async (line: string, target: LineTarget): Promise<void> => {
    const again = readText(line, target, sheetNow());
    if (!again || "fault" in again) return comeBack(line, target, again?.fault.message);
    try {
      if (!(await latest.current(again.request, target))) comeBack(line, target);
    } catch (error) {
      comeBack(line, target, isUnsettled(error) ? undefined : errorMessage(error));
    }
  };

  return (text, read, target) => {
    const line = text.trim();
    if (line === "") return false;
    const faulty = !read || "fault" in read || (read.request.kind === "edit" && faultOf(sheetNow(), read.request.edits) !== undefined);
    // A line may speak of what a change before it only brings; it is read again when its turn comes.
    if (faulty && waiting === 0) return false;
    keepLine(line);
    setLine("");
    dropDraft();
    if (read && "request" in read && isDoneHere(read.request)) {
      void doRequest(read.request, target).then((good) => good || comeBack(line, target));
      return true;
    }
    if (read && "request" in read) chooseFor(read.request);
    void enqueue(() => doInTurn(line, target));
    return true;
  };
}
