import type { LineRequest, ShowSheet } from "@zm/core";
import type { Right } from "@zm/protocol";
import type { QueryClient } from "@tanstack/react-query";
import type { NavigateFunction } from "react-router";
import type { LineTarget } from "../../choice/lineText.ts";
import { type PreviewResult, refusable } from "../../preview/preview.ts";
import type { useAccept } from "../../show/accepted.ts";
import type { useHandChange } from "../../show/hand/useHandChange.ts";
import type { useKeepLook } from "../../show/hand/useKeepLook.ts";
import type { useKeeping } from "../../show/hand/useKeeping.ts";
import type { useRecording } from "../../show/hand/useRecording.ts";
import type { useUpdating } from "../../show/hand/useUpdating.ts";
import type { useCall } from "../../show/run/useCall.ts";
import { whyNot } from "../../show/me.ts";
import type { usePress } from "../../show/run/usePress.ts";
import type { useHistory, useMakeEdits, useShow } from "../../show/useShow.ts";

/** What a line asks for, of one kind. */
export type Asked<K extends LineRequest["kind"]> = Extract<LineRequest, { kind: K }>;

/** What a line would do, in words; a fault when it cannot be done. */
export interface Answer {
  readonly text: string;
  readonly fault: boolean;
}

/** What a line can be done with: each computes the outcome before it makes it. */
export interface LinePlanners {
  readonly recording: Pick<ReturnType<typeof useRecording>, "plan" | "warningFor" | "list" | "next">;
  readonly updating: Pick<ReturnType<typeof useUpdating>, "of">;
  readonly keeping: Pick<ReturnType<typeof useKeeping>, "paletteEdit" | "paceEdit" | "movementEdit">;
  /** The step that undo or redo would take, in words; null for none. */
  readonly step: (what: "undo" | "redo") => string | null;
  /** The list that is worked on. */
  readonly list: string;
}

/** What a line is answered by, before it is entered. */
export interface AnswerContext extends LinePlanners {
  readonly sheet: ShowSheet;
  readonly preview: PreviewResult | null;
}

/** What a line that has been entered is done with. */
export interface LineTools
  extends
    Pick<ReturnType<typeof useShow>, "id" | "sheet" | "revision">,
    Pick<ReturnType<typeof useCall>, "call" | "leave">,
    ReturnType<typeof useHandChange> {
  readonly recording: ReturnType<typeof useRecording>;
  readonly updating: ReturnType<typeof useUpdating>;
  readonly keeping: ReturnType<typeof useKeeping>;
  readonly navigate: NavigateFunction;
  readonly client: QueryClient;
  readonly makeEdits: ReturnType<typeof useMakeEdits>;
  readonly press: ReturnType<typeof usePress>;
  readonly keepLook: ReturnType<typeof useKeepLook>;
  readonly accept: ReturnType<typeof useAccept>;
  readonly history: ReturnType<typeof useHistory>;
}

/** A kind of what a line can ask for: what is said of it before, and what is done. */
interface Definition<K extends LineRequest["kind"]> {
  /** True for a kind that asks nothing of the server: it is done in the moment in which it is entered, and waits for nothing. */
  readonly isLocal?: boolean;
  /** What it needs of whoever is signed in, where that is more than to look. */
  readonly needs?: Right | ((request: Asked<K>) => Right);
  /** Reads it back in plain words. A ShowError that it throws is why it cannot be done. */
  readonly words: (request: Asked<K>, context: AnswerContext) => string | Answer;
  /** Does it, at once: its turn has come. True when it was done. Refusals of the server come through. */
  readonly run: (request: Asked<K>, tools: LineTools, target: LineTarget) => boolean | Promise<boolean>;
}

/** A kind of request by itself; it takes requests of its own kind alone. */
export interface RequestKind {
  readonly isLocal: boolean;
  readonly words: (request: LineRequest, context: AnswerContext) => Answer;
  readonly run: (request: LineRequest, tools: LineTools, target: LineTarget) => boolean | Promise<boolean>;
}

export function defineRequest<K extends LineRequest["kind"]>(
  kind: K,
  { isLocal = false, needs = "see", words, run }: Definition<K>,
): RequestKind {
  const own = (request: LineRequest): Asked<K> => {
    if (isOf(request, kind)) return request;
    throw new TypeError(`A request of kind ${request.kind} was given to ${kind}`);
  };
  return {
    isLocal,
    words: (request, context) => {
      const asked = own(request);
      const not = whyNot(typeof needs === "function" ? needs(asked) : needs);
      return not === null ? answered(() => words(asked, context)) : { text: not, fault: true };
    },
    run: (request, tools, target) => run(own(request), tools, target),
  };
}

function isOf<K extends LineRequest["kind"]>(request: LineRequest, kind: K): request is Asked<K> {
  return request.kind === kind;
}

/** What work says, or why the show refuses it. */
function answered(work: () => string | Answer): Answer {
  const said = refusable(() => {
    const words = work();
    return typeof words === "string" ? { text: words, fault: false } : words;
  });
  return "text" in said ? said : { text: said.fault, fault: true };
}
