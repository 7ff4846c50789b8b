import { type LineFault, type LineRequest, type ShowSheet, readLine } from "@zm/core";
import { memoLast } from "../shared/memoLast.ts";
import { lightSpans } from "../shared/words.ts";
import type { LineTarget } from "../choice/lineText.ts";
import { listAt } from "./listAt.ts";

export type Read = { request: LineRequest } | { fault: LineFault } | null;

/** What a line asks for on a show; the same answer for as long as nothing has changed. Null for an empty line. A line that begins with what is done speaks of the chosen lights. */
export const readText = memoLast((value: string, at: LineTarget, sheet: ShowSheet): Read => {
  if (value.trim() === "") return null;
  const lights = /^\s*[=+*-]/.test(value) && at.channels.length > 0 ? `${lightSpans(at.channels)} ` : "";
  const read = readLine(`${lights}${value}`, { sheet, list: listAt(sheet, at), cues: at.cues ?? undefined, toHand: !at.blind });
  if (lights === "" || !("fault" in read)) return read;
  return { fault: { ...read.fault, at: Math.max(0, read.fault.at - lights.length) } };
});
