import {
  type Edit,
  type EditInput,
  type HandDeed,
  type LineRequest,
  type Outcome,
  ShowError,
  type UpdatePlace,
  describeEdits,
  deedWords,
  giveMoves,
  makeEdits,
  offeredPlace,
  readEdits,
  recordSentence,
} from "@zm/core";
import type { DraftOutcome } from "../choice/useDraft.ts";
import { lookCount } from "../choice/useDraft.ts";
import { chosenLights } from "../choice/choice.ts";
import type { useKeeping } from "../hand/useKeeping.ts";
import type { useRecording } from "../hand/useRecording.ts";
import type { useUpdating } from "../hand/useUpdating.ts";
import { lightWords } from "../shared/words.ts";
import type { OpenShow } from "../show/useShow.ts";

/** What a line would do, in words; a fault when it cannot be done. */
export interface Answer {
  readonly text: string;
  readonly fault: boolean;
}

/** What a line can be done with: each works out what it would come to before it does it. */
export interface Doers {
  readonly recording: Pick<ReturnType<typeof useRecording>, "plan" | "warningFor" | "list" | "next">;
  readonly updating: Pick<ReturnType<typeof useUpdating>, "cue" | "optionsFor" | "plan">;
  readonly keeping: Pick<ReturnType<typeof useKeeping>, "paletteEdit" | "paceEdit">;
}

/** Reads a line back in plain words with its impact, before it is made. */
export function answerTo(request: LineRequest, { sheet }: Pick<OpenShow, "sheet">, draft: DraftOutcome, doers: Doers): Answer {
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
      return request.place === undefined
        ? good("Enter opens the update sheet")
        : updateAnswer(request, request.place, sheet, doers.updating);
    case "keep":
      return unlessRefused(() => {
        const edit =
          request.what === "palette" ? doers.keeping.paletteEdit(request) : doers.keeping.paceEdit(request.label, chosenLights());
        return `Keeps what is in hand. ${editWords(sheet, [edit])}. Enter keeps it`;
      });
    case "record":
      return recordAnswer(request, sheet, doers.recording);
    case "edit":
      if (!draft) return good("");
      if ("fault" in draft) return { text: draft.fault, fault: true };
      return good(`${outcomeWords(readEdits(request.edits), draft.outcome)}. Enter makes it, Esc drops it`);
  }
}

/** What edits do and how many looks they change: "Cue 6: 2 lights updated here: 3 cues look different". */
function editWords(sheet: OpenShow["sheet"], edits: readonly EditInput[]): string {
  const read = readEdits(edits);
  return outcomeWords(read, makeEdits(sheet, read));
}

function outcomeWords(edits: readonly Edit[], outcome: Outcome): string {
  return `${describeEdits(edits)}: ${outcome.steps.length === 0 ? "changes nothing" : lookCount(outcome)}`;
}

/** What work says, or why the show refuses it. */
function unlessRefused(work: () => string): Answer {
  try {
    return { text: work(), fault: false };
  } catch (error) {
    if (error instanceof ShowError) return { text: error.faults[0] ?? error.message, fault: true };
    throw error;
  }
}

function updateAnswer(
  { selection }: Extract<LineRequest, { kind: "update" }>,
  place: UpdatePlace,
  sheet: OpenShow["sheet"],
  updating: Doers["updating"],
): Answer {
  if (updating.cue === null) return { text: "No cue is on stage; there is none to update", fault: true };
  return unlessRefused(() => {
    const edits = updating.plan(updating.optionsFor(selection), (option) => offeredPlace(option, place));
    return `${editWords(sheet, edits)}. Enter updates`;
  });
}

function handAnswer(deed: HandDeed, sheet: OpenShow["sheet"]): Answer {
  if (deed.do === "takeUp") return { text: "Takes up again what was dropped last. Enter does it", fault: false };
  const { channels, attributes, families } = deed.selection;
  const whose = [channels ? lightWords(channels) : "all", ...(attributes ?? []), ...(families ?? [])].join(", ");
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
  return unlessRefused(() => {
    giveMoves(sheet, deed.selection, deed.deed, () => 0);
    return `In hand, live: ${whose} ${deedWords(deed.deed)}. Enter gives it`;
  });
}

function recordAnswer(
  { cue, wish }: Extract<LineRequest, { kind: "record" }>,
  sheet: OpenShow["sheet"],
  recording: Doers["recording"],
): Answer {
  if (cue === undefined) return { text: "Enter opens the record sheet", fault: false };
  return unlessRefused(() => {
    const number = cue === "next" ? (recording.next ?? "") : cue;
    const plan = recording.plan({ ...wish, cue: number });
    const warning = recording.warningFor(number);
    return `${recordSentence(recording.list, plan, makeEdits(sheet, readEdits(plan.edit)))}. ${warning ? `${warning}. ` : ""}Enter records it`;
  });
}
