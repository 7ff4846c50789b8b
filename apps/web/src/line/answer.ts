import {
  type HandDeed,
  type LineRequest,
  ShowError,
  describeEdits,
  deedWords,
  giveMoves,
  makeEdits,
  readEdits,
  recordSentence,
} from "@zm/core";
import type { DraftOutcome } from "../choice/useDraft.ts";
import { lookCount } from "../choice/useDraft.ts";
import type { useRecording } from "../hand/useRecording.ts";
import { lightWords } from "../shared/words.ts";
import type { OpenShow } from "../show/useShow.ts";

/** What a line would do, in words; a fault when it cannot be done. */
export interface Answer {
  readonly text: string;
  readonly fault: boolean;
}

/** Reads a line back in plain words with its impact, before it is made. */
export function answerTo(
  request: LineRequest,
  { sheet }: OpenShow,
  draft: DraftOutcome,
  recording: ReturnType<typeof useRecording>,
): Answer {
  const good = (text: string): Answer => ({ text, fault: false });
  switch (request.kind) {
    case "history":
      return good(`Enter: ${request.what === "undo" ? "take back" : "make again"}`);
    case "choose":
      return good("Enter chooses, Esc drops");
    case "choice":
      return good(request.what === "lit" ? "Enter chooses every light that is lit" : "Enter chooses what was chosen before");
    case "view":
      return good(`Enter goes to ${request.view[0]?.toUpperCase()}${request.view.slice(1)}`);
    case "hand":
      return handAnswer(request.deed, sheet);
    case "update":
      return good(
        request.place === undefined
          ? "Enter opens the update sheet"
          : `Enter puts what has changed ${{ here: "into the cue on stage", atSource: "where it comes from", inPalette: "into the palettes" }[request.place]}`,
      );
    case "keep":
      return good(`Enter keeps what is in hand as the ${request.what} ${request.label}`);
    case "record":
      return recordAnswer(request, sheet, recording);
    case "edit":
      if (!draft) return good("");
      if ("fault" in draft) return { text: draft.fault, fault: true };
      return good(
        `${describeEdits(readEdits(request.edits))}: ${draft.outcome.steps.length === 0 ? "changes nothing" : lookCount(draft.outcome)}. Enter makes it, Esc drops it`,
      );
  }
}

function handAnswer(deed: HandDeed, sheet: OpenShow["sheet"]): Answer {
  if (deed.do === "takeUp") return { text: "Takes up again what was dropped last. Enter does it", fault: false };
  const { channels, attributes, families } = deed.selection;
  const whose = [channels ? lightWords(channels) : "all", ...(attributes ?? []), ...(families ?? [])].join(" ");
  if (deed.do === "drop") return { text: `Drops from the Hand: ${whose}. Enter does it`, fault: false };
  if (deed.do === "pace") return { text: `In hand, live: ${whose}, pace ${deed.pace}. Enter does it`, fault: false };
  if (deed.do === "time") {
    const times = [
      deed.wish.fade == null ? "" : `fade ${deed.wish.fade}`,
      deed.wish.delay == null ? "" : `delay ${deed.wish.delay}`,
      deed.wish.curve ?? "",
    ];
    return { text: `In hand, live: ${whose}, ${times.filter(Boolean).join(" ")}. Enter does it`, fault: false };
  }
  try {
    giveMoves(sheet, deed.selection, deed.deed, () => 0);
    return { text: `In hand, live: ${whose} ${deedWords(deed.deed)}. Enter gives it`, fault: false };
  } catch (error) {
    if (error instanceof ShowError) return { text: error.faults[0] ?? error.message, fault: true };
    throw error;
  }
}

function recordAnswer(
  { cue, wish }: Extract<LineRequest, { kind: "record" }>,
  sheet: OpenShow["sheet"],
  recording: ReturnType<typeof useRecording>,
): Answer {
  if (cue === undefined) return { text: "Enter opens the record sheet", fault: false };
  try {
    const number = cue === "next" ? (recording.next ?? "") : cue;
    const plan = recording.plan({ ...wish, cue: number });
    const warning = recording.warningFor(number);
    return {
      text: `${recordSentence(recording.list, plan, makeEdits(sheet, readEdits(plan.edit)))}. ${warning ? `${warning}. ` : ""}Enter records it`,
      fault: false,
    };
  } catch (error) {
    if (error instanceof ShowError) return { text: error.faults[0] ?? error.message, fault: true };
    throw error;
  }
}
