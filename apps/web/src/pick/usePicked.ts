import { useEffect } from "react";
import { considerEdits, dropDraftFrom } from "../choice/draft.ts";
import { type LineTarget, targetNow } from "../choice/lineText.ts";
import { useSelection } from "../choice/selection.ts";
import { readText } from "../line/readText.ts";
import { useShow } from "../show/useShow.ts";
import type { LineRequest } from "@zm/core";

/** What the sentence of a picker asks for, or why it cannot be read; null while it is not whole. Its edits are considered as it is filled. */
export function usePicked(text: string): { request: Extract<LineRequest, { kind: "edit" }> } | { fault: string } | null {
  const { sheet } = useShow();
  const list = useSelection((choice) => choice.list);
  const target: LineTarget = { ...targetNow(), blind: true, list };
  const read = text === "" ? null : readText(text, target, sheet);
  const request = read && "request" in read && read.request.kind === "edit" ? read.request : null;
  // The edits of one sentence over one show are the same data, so they are considered once.
  const key = request ? JSON.stringify(request.edits) : null;
  useEffect(() => {
    considerEdits("pick", request ? request.edits : null);
    // eslint-disable-next-line react-hooks/exhaustive-deps -- told apart by what they say
  }, [key]);
  useEffect(() => () => dropDraftFrom("pick"), []);
  if (request) return { request };
  return read && "fault" in read ? { fault: read.fault.message } : null;
}
