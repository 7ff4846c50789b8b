import {
  count,
  findRow,
  knownTimes,
  type EditInput,
  type HandOperation,
  type LineRequest,
  ShowError,
  type UpdatePlace,
  operationWords,
  giveMoves,
  giveWaves,
  homeMoves,
  makeEdits,
  offeredPlace,
  readEdits,
  recordSentence,
  waveWords,
} from "@zm/core";
import { chosenLights } from "../choice/choice.ts";
import type { useKeeping } from "../show/hand/useKeeping.ts";
import type { useRecording } from "../show/hand/useRecording.ts";
import type { useUpdating } from "../show/hand/useUpdating.ts";
import { lightWords, tenths } from "../shared/words.ts";
import { type Preview, type PreviewResult, previewOf } from "../preview/preview.ts";
import { pressWords } from "../show/run/typedPress.ts";
import { useLive } from "../show/live.ts";
import { findingsIn } from "../show/findings.ts";
import type { OpenShow } from "../show/openShow.ts";

/** What a line would do, in words; a fault when it cannot be done. */
export interface Answer {
  readonly text: string;
  readonly fault: boolean;
}

/** What a line can be done with: each works out what it would come to before it does it. */
export interface LinePlanners {
  readonly recording: Pick<ReturnType<typeof useRecording>, "plan" | "warningFor" | "list" | "next">;
  readonly updating: Pick<ReturnType<typeof useUpdating>, "cue" | "optionsFor" | "plan"> & { list: { id: string } };
  readonly keeping: Pick<ReturnType<typeof useKeeping>, "paletteEdit" | "paceEdit">;
  /** The step that undo or redo would take, in words; null for none. */
  readonly step: (what: "undo" | "redo") => string | null;
  /** The list that is worked on. */
  readonly list: string;
}

/** Reads a line back in plain words with its impact, before it is made. */
export function answerTo(
  request: LineRequest,
  { sheet }: Pick<OpenShow, "sheet">,
  preview: PreviewResult | null,
  planners: LinePlanners,
): Answer {
  const good = (text: string): Answer => ({ text, fault: false });
  switch (request.kind) {
    case "history":
      return good(historyWords(request.what, planners.step(request.what)));
    case "choose":
      return good(`${request.cues ? betweenWords(sheet, planners.list, request.cues) : ""}Enter chooses, Esc drops`);
    case "choice":
      return good(request.what === "lit" ? "Enter chooses every light that is lit" : "Enter chooses what was chosen before");
    case "find":
      return good(`Enter looks for cues with "${request.text}"`);
    case "accept": {
      const { cues } = request;
      const found = findingsIn(planners.list, cues);
      if (found.length === 0)
        return {
          text: `Check has found nothing in ${cues.from === cues.to ? `cue ${cues.from}` : `cues ${cues.from} to ${cues.to}`}`,
          fault: true,
        };
      return good(`Enter accepts ${count(found.length, "finding")} with this note`);
    }
    case "nameVersion":
      return good(`Enter calls the show as it is now “${request.name}”, to compare with later`);
    case "help":
      return good("Enter opens the help");
    case "rehearse":
      return good(
        `Enter runs the whole list${request.speed === 1 ? "" : `, called ${request.speed} times as fast`}, and lists what would be seen`,
      );
    case "caller":
      return good(
        `Live: Enter has the play called${request.from === undefined ? " from where the list stands" : ` from cue ${request.from}`}${request.speed === 1 ? "" : `, ${request.speed} times as fast`}`,
      );
    case "logRun":
      return good(
        request.begins
          ? `Enter begins a run${request.name === undefined ? "" : ` “${request.name}”`}: what is fired from then on belongs to it, and its times count`
          : "Enter ends the run that is under way",
      );
    case "callerLeaves":
      return good("Enter sends the caller away");
    case "osc":
      return good(`Enter ${request.on ? "listens to programs outside, by OSC" : "listens to nobody outside any more"}`);
    case "numbers":
      return good("Enter opens the table of the numbers, old and new");
    case "takeCues":
      return good("Enter opens the other show's cues, to be taken after their impact was shown");
    case "show":
      return good(`Enter ${request.shown ? "shows" : "puts away"}: ${SHOWN_WORDS[request.what]}`);
    case "press":
      return good(`Live: ${pressWords(request.press, sheet, useLive.getState().run)}. Enter does it`);
    case "view":
      return good(`Enter goes to ${request.view[0]?.toUpperCase()}${request.view.slice(1)}`);
    case "hand":
      return handAnswer(request.operation, sheet);
    case "update":
      return request.place === undefined
        ? good("Enter opens the update sheet")
        : updateAnswer(request, request.place, sheet, planners.updating);
    case "keep":
      if (request.what === "look")
        return good(
          `Keeps ${request.stage ? "the lights that are lit on stage" : "what is in hand"} as held look “${request.label}”. Enter keeps it`,
        );
      return unlessRefused(() => {
        const edit =
          request.what === "palette" ? planners.keeping.paletteEdit(request) : planners.keeping.paceEdit(request.label, chosenLights());
        return `Keeps what is in hand. ${editWords(sheet, [edit], planners.list)}. Enter keeps it`;
      });
    case "record":
      return recordAnswer(request, sheet, planners.recording);
    case "edit":
      if (!preview) return good("");
      if ("fault" in preview) return { text: preview.fault, fault: true };
      return good(`${previewWords(preview)}. Enter makes it, Esc drops it`);
  }
}

/** How long it is from one cue to another, where both are named and somebody knows. */
function betweenWords(sheet: OpenShow["sheet"], list: string, { from, to }: { from: string; to: string }): string {
  const own = sheet.lists.get(list);
  if (!own || from === to) return "";
  const [first, last] = [findRow(own, from), findRow(own, to)];
  const time = first < 0 || last <= first ? null : knownTimes(own, sheet.show.script)(first, last);
  return time ? `From ${from} to ${to} it is ${tenths(time.seconds)} s by the ${time.by === "chain" ? "follows" : "script"}. ` : "";
}

/** What the Score can show or put away, in words. */
const SHOWN_WORDS: Readonly<Record<Extract<LineRequest, { kind: "show" }>["what"], string>> = {
  times: "the chosen cues over time",
  hints: "what unusual words mean, where they stand",
  pictures: "the stage before and after",
  scenes: "the cues of each scene",
  parts: "the parts of the chosen cues",
  attributes: "the attributes of the chosen lights",
  moving: "only the lights that move in the chosen cues",
  tracked: "tracked values in every cell",
};

/** What edits do and how many looks they change: "Cue 6: 2 lights updated here: 3 cues look different". Throws ShowError for edits that cannot be made. */
function editWords(sheet: OpenShow["sheet"], edits: readonly EditInput[], list: string): string {
  const preview = previewOf(sheet, { edits, list, mostLines: 0, window: null });
  if ("fault" in preview) throw new ShowError(preview.fault);
  return previewWords(preview);
}

function previewWords({ description, summary, changesNothing }: Preview): string {
  return `${description}: ${changesNothing ? "changes nothing" : summary}`;
}

function historyWords(what: "undo" | "redo", step: string | null): string {
  if (step === null) return what === "undo" ? "There is nothing to take back" : "There is nothing to make again";
  return `Enter ${what === "undo" ? "takes back" : "makes again"}: ${step}`;
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
  updating: LinePlanners["updating"],
): Answer {
  if (updating.cue === null) return { text: "No cue is on stage; there is none to update", fault: true };
  return unlessRefused(() => {
    const edits = updating.plan(updating.optionsFor(selection), (option) => offeredPlace(option, place));
    return `${editWords(sheet, edits, updating.list.id)}. Enter updates`;
  });
}

/** How what is given to the Hand takes hold. */
const IN_TIME_WORDS = {
  times: "What is given takes hold in its own delay, fade and curve from now on",
  once: "What is given takes hold at once from now on",
} as const;

function handAnswer(operation: HandOperation, sheet: OpenShow["sheet"]): Answer {
  if (operation.do === "inTime") return { text: `${IN_TIME_WORDS[operation.on ? "times" : "once"]}. Enter does it`, fault: false };
  if (operation.do === "takeUp") return { text: "Takes up again what was dropped last. Enter does it", fault: false };
  const { channels, attributes, families } = operation.selection;
  const named = [...(attributes ?? []), ...(families ?? [])];
  const lights = channels ? lightWords(channels) : "all lights";
  const whose = [lights, ...named].join(", ");
  const whole = named.length === 0 ? `${lights}, all families` : whose;
  if (operation.do === "drop")
    return { text: `Drops from the Hand: ${operation.waves ? `waves of ${whose}` : whole}. Enter does it`, fault: false };
  if (operation.do === "wave")
    return unlessRefused(() => {
      giveWaves(sheet, operation.selection, operation.wave);
      return `In hand, live: ${whose} ${waveWords(operation.wave)}. Enter gives it`;
    });
  if (operation.do === "pace") return { text: `In hand, live: ${whose}, pace ${operation.pace}. Enter does it`, fault: false };
  if (operation.do === "time") {
    const times = [
      operation.wish.fade == null ? "" : `fade ${operation.wish.fade}`,
      operation.wish.delay == null ? "" : `delay ${operation.wish.delay}`,
      operation.wish.curve ?? "",
    ];
    return { text: `In hand, live: ${whose}, ${times.filter(Boolean).join(" ")}. Enter does it`, fault: false };
  }
  const others = operation.othersOut ? ", and every other light that is lit goes out" : "";
  return unlessRefused(() => {
    if (operation.do === "home") {
      homeMoves(sheet.keys, operation.selection);
      return `In hand, live: ${named.length === 0 ? `${lights}, all but the level` : whose} home${others}. Enter gives it`;
    }
    giveMoves(sheet, operation.selection, operation.operation, () => 0);
    return `In hand, live: ${"release" in operation.operation ? whole : whose} ${operationWords(operation.operation)}${others}. Enter gives it`;
  });
}

function recordAnswer(
  { cue, wish }: Extract<LineRequest, { kind: "record" }>,
  sheet: OpenShow["sheet"],
  recording: LinePlanners["recording"],
): Answer {
  if (cue === undefined) return { text: "Enter opens the record sheet", fault: false };
  return unlessRefused(() => {
    const number = cue === "new" ? (recording.next ?? "") : cue;
    const plan = recording.plan({ ...wish, cue: number });
    const warning = recording.warningFor(number);
    return `${recordSentence(recording.list, plan, makeEdits(sheet, readEdits([...plan.edits])))}. ${warning ? `${warning}. ` : ""}Enter records it`;
  });
}
