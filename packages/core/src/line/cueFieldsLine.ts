// What cues that stand are told, as it is typed: times, trigger, label, blocks, what they do besides.
import { type EditInput, scenesFromBook } from "../edit/index.ts";
import { cueAt, findRow, rowOf } from "../sheet/sheet.ts";
import { type ReadyTimes, timesOfPace, timesOfPart } from "../time/readyTimes.ts";
import { callEdit } from "./bookLine.ts";
import { checkedRange, faultless, single } from "./checked.ts";
import { columnOf, setTimesOf } from "./cueTimes.ts";
import { type EditRequest, type LineContext, cuesFor, editOf, onePartCue } from "./lineRequest.ts";
import { Fault, attributeOf, channelsOf, entryNamed } from "./names.ts";
import { actionOf } from "./pressLine.ts";
import { cuesPrepared } from "./preparedLine.ts";
import type { Named, Range, Sentence } from "./sentence.ts";

/** The sentences that say something of cues that stand. */
export type CueFieldsSentence = Extract<
  Sentence,
  {
    kind:
      | "carries"
      | "call"
      | "times"
      | "trigger"
      | "action"
      | "cueWaves"
      | "flag"
      | "blockLights"
      | "last"
      | "label"
      | "cueText"
      | "prepared"
      | "bookScenes";
  }
>;

/** What such a sentence asks for: one edit of the cues that it names, or of those that are chosen. Throws Fault. */
export function onCueFields(sentence: CueFieldsSentence, context: LineContext): EditRequest {
  const list = context.list.id;
  const ofChosen = (edit: (cues: Range) => EditInput): EditRequest => editOf(cuesFor(sentence.cues, context), edit);
  switch (sentence.kind) {
    case "carries":
      return ofChosen((cues) => ({ op: "setCue", list, ...cues, carries: sentence.carries }));
    case "call":
      return ofChosen((cues) => callEdit(cues, sentence.call, context));
    case "trigger":
      return ofChosen((cues) => ({ op: "setCue", list, ...cues, trigger: sentence.trigger }));
    case "prepared": {
      const cues = cuesFor(sentence.cues, context);
      return { kind: "edit", edits: cuesPrepared(context.list, cues, sentence.mark), channels: undefined, cues };
    }
    case "cueWaves":
      return ofChosen((cues) => ({ op: "setCue", list, ...cues, waves: sentence.waves }));
    case "last":
      return ofChosen((cues) => ({ op: "stretch", list, ...cues, seconds: sentence.seconds }));
    case "times": {
      const { change, part } = sentence;
      if ("ready" in change || "cue" in change) {
        const ready = readyTimesOf(change, context);
        return ofChosen((cues) => ({ op: "setTimes", list, ...cues, ...(part === undefined ? {} : { part }), ...ready }));
      }
      const times =
        "set" in change ? setTimesOf(change.set) : { scale: change.scale, ...(change.of ? { of: change.of.map(columnOf) } : {}) };
      return ofChosen((cues) => ({ op: "setTimes", list, ...cues, ...(part === undefined ? {} : { part }), ...times }));
    }
    case "action":
      return doneBesides(sentence, context);
    case "flag":
      return editOf(checkedRange(sentence.cues), (cues) => ({ op: sentence.what, list, ...cues }));
    case "blockLights": {
      const keys = { channels: channelsOf(sentence.lights, context.sheet), ...attributeOf(sentence.attribute, context.sheet) };
      return { ...editOf(checkedRange(sentence.cues), (cues) => ({ op: "block", list, ...cues, keys })), channels: keys.channels };
    }
    case "label":
      return labelled(sentence, context);
    case "cueText":
      return ofChosen((cues) => ({ op: "setCue", list, ...cues, ...textFields(sentence) }));
    case "bookScenes": {
      const cues = cuesFor(sentence.cues, context);
      return { kind: "edit", edits: faultless(() => scenesFromBook(context.sheet, context.list, cues)), channels: undefined, cues };
    }
  }
}

/** Times that are taken from a pace or from another cue. Throws Fault for one that there is not, and for a pace that says no time of a part. */
function readyTimesOf(change: { ready: Named } | { cue: string }, { sheet, list }: LineContext): ReadyTimes {
  if ("cue" in change) {
    const { parts } = faultless(() => cueAt(list, rowOf(list, single(change.cue).from)));
    return timesOfPart(parts[0] ?? { times: {} });
  }
  const id = entryNamed(change.ready, sheet.show.paces, "pace");
  const pace = sheet.show.paces.find((each) => each.id === id);
  const ready = pace && timesOfPace(pace);
  if (ready) return ready;
  const { name, at } = change.ready;
  throw new Fault({
    message: `Pace "${name}" only spreads times over lights; lay it on lights, as in 1..6 pace ${id}`,
    at,
    length: name.length,
  });
}

/** One thing more that a cue does besides, or none of them any longer. Throws Fault for more than one cue. */
function doneBesides(sentence: Extract<Sentence, { kind: "action" }>, context: LineContext): EditRequest {
  const { list } = context;
  const range = cuesFor(sentence.cues, context);
  const cue = list.cues[findRow(list, range.from)];
  if (range.from !== range.to || !cue)
    throw new Fault({
      message: `What a cue does besides is given to one cue that stands, as in #${list.cues[0]?.number ?? "12"}: start sea`,
      at: 0,
      length: 1,
    });
  const actions = sentence.action === null ? null : [...(cue.actions ?? []), actionOf(sentence.action, context.sheet)];
  return editOf(range, (cues) => ({ op: "setCue", list: list.id, ...cues, actions }));
}

/** The field of a cue that a text goes into. */
function textFields({
  what,
  text,
}: Extract<Sentence, { kind: "cueText" }>): { label: string | null } | { note: string | null } | { scene: string | null } {
  if (what === "label") return { label: text };
  return what === "note" ? { note: text } : { scene: text };
}

/** The label of cues, or of one part of one cue. */
function labelled({ cues, part, label }: Extract<Sentence, { kind: "label" }>, { list }: LineContext): EditRequest {
  if (part === undefined) return editOf(checkedRange(cues), (range) => ({ op: "setCue", list: list.id, ...range, label }));
  return editOf(onePartCue(cues), ({ from }) => ({ op: "setPart", list: list.id, cue: from, part, label }));
}
