import { TIMED_FAMILIES } from "../show/schema.ts";
import type { DeleteCueEdit, SetCueEdit } from "./schema/cues.ts";
import type { SetMoveTimesEdit, TimesPatch } from "./schema/times.ts";
import type { ChangeEdit, Operation, Edit, KeySelection } from "./edits.ts";

/** What edits do, as a short sentence for the history: "Cues 10 to 20, 6 lights: intensity +10, restored after". */
export function describeEdits(edits: readonly Edit[]): string {
  const first = edits[0];
  if (!first) return "Nothing";
  if (edits.length === 1) return describeEdit(first);
  return describeAlike(edits) ?? describeFew(edits);
}

/** Many cues deleted, many channels set or removed, as one; null for edits that are not of one such kind. */
function describeAlike(edits: readonly Edit[]): string | null {
  const deleted = edits.flatMap((edit) => (edit.op === "deleteCue" ? [edit] : []));
  if (deleted.length === edits.length) return `${firstToLast(deleted, "cues", ({ cue }) => cue)} deleted${alikeLooks(deleted)}`;
  const set = edits.flatMap((edit) => (edit.op === "setChannel" ? [edit.channel.number] : []));
  if (set.length === edits.length) return `${firstToLast(set, "channels", String)} set`;
  const removed = edits.flatMap((edit) => (edit.op === "removeChannel" ? [edit.channel] : []));
  if (removed.length === edits.length) return `${firstToLast(removed, "channels", String)} removed`;
  return null;
}

function firstToLast<T>(all: readonly T[], kind: string, name: (one: T) => string): string {
  const [first, last] = [all[0], all.at(-1)];
  return `${all.length} ${kind}${first !== undefined && last !== undefined ? ` from ${name(first)} to ${name(last)}` : ""}`;
}

/** Where some deletions keep later looks and some do not, that is left out. */
function alikeLooks(edits: readonly DeleteCueEdit[]): string {
  const [first] = edits;
  return first && edits.every(({ looks }) => looks === first.looks) ? `, ${looksWords(first)}` : "";
}

function describeFew([first, second, ...others]: readonly Edit[]): string {
  const told = [first, second].flatMap((edit) => (edit ? [describeEdit(edit)] : []));
  return `${told.join("; ")}${others.length > 0 ? `; and ${others.length} more` : ""}`;
}

function describeEdit(edit: Edit): string {
  switch (edit.op) {
    case "record":
      return `Cue ${edit.cue}: ${edit.mode === "remove" ? "moves taken out" : `${lightsIn(Object.keys(edit.moves).length)} recorded`}${edit.scope === "cueOnly" ? ", this cue only" : ""}`;
    case "change":
      return `${range(edit)}, ${whose(edit.keys)}: ${what(edit)}${edit.after === "restore" ? ", restored after" : ""}`;
    case "setTimes":
      return `${range(edit)}${edit.part === undefined ? "" : `, part ${edit.part}`}: ${edit.scale === undefined ? timesWords(edit.set ?? {}) : `times × ${edit.scale}`}`;
    case "setCue":
      return `${range(edit)}: ${cueWords(edit).join(", ")}`;
    case "insertCue":
      return `Cue ${edit.cue} inserted${edit.label ? `, “${edit.label}”` : ""}`;
    case "deleteCue":
      return `Cue ${edit.cue} deleted, ${looksWords(edit)}`;
    case "update":
      return `Cue ${edit.cue}: ${lightsIn(Object.keys(edit.moves).length)} updated ${{ here: "here", atSource: "at the source", inPalette: "in the palette" }[edit.at]}`;
    case "copyCue":
      return `Cue ${edit.cue} copied to ${edit.to}${edit.what === "look" ? ", its whole look" : ""}`;
    case "moveCue":
      return `Cue ${edit.cue} moved to ${edit.to}`;
    case "renumber":
      return `${range(edit)} renumbered from ${edit.start} in steps of ${edit.step}`;
    case "split":
      return `Cue ${edit.cue} split: ${whose(edit.keys)} to cue ${edit.to}`;
    case "assignPart":
      return `Cue ${edit.cue}: ${whose(edit.keys)} to part ${edit.part}`;
    case "recast":
      return `${range(edit)}: ${edit.channel} ${edit.how === "swap" ? "and" : "recast as"} ${edit.as}${{ replace: "", copy: ", kept as well", swap: " exchanged" }[edit.how]}`;
    case "swapPalette":
      return `${range(edit)}: ${edit.palette} becomes ${edit.as}`;
    case "setMoveTimes":
      return `${range(edit)}, ${whose(edit.keys)}: ${edit.pace === undefined ? ownTimesWords(edit) : `pace ${edit.pace}`}`;
    case "block":
      return `${range(edit)}: blocked`;
    case "unblock":
      return `${range(edit)}: unblocked`;
    case "assert":
      return `${range(edit)}: asserted`;
    case "unassert":
      return `${range(edit)}: not asserted any more`;
    case "setShow":
      return edit.title === undefined ? "Times of new cues set" : `Show renamed “${edit.title}”`;
    case "setPalette":
      return `Palette ${edit.palette.label || edit.palette.id} set`;
    case "setGroup":
      return `Group ${edit.group.label || edit.group.id} set`;
    case "setPace":
      return `Pace ${edit.pace.label || edit.pace.id} set`;
    case "setChannel":
      return `Channel ${edit.channel.number} set`;
    case "setType":
      return `Fixture type ${edit.type.name || edit.type.id} set`;
    case "setList":
      return `List ${edit.list.label || edit.list.id} set`;
    case "removePalette":
      return `Palette ${edit.palette} removed`;
    case "removeGroup":
      return `Group ${edit.group} removed`;
    case "removePace":
      return `Pace ${edit.pace} removed`;
    case "removeChannel":
      return `Channel ${edit.channel} removed`;
    case "renumberChannel":
      return `Channel ${edit.channel} becomes ${edit.to}`;
    case "removeType":
      return `Fixture type ${edit.type} removed`;
    case "removeList":
      return `List ${edit.list} removed`;
    case "steps":
      return `${edit.steps.length} exact ${edit.steps.length === 1 ? "change" : "changes"}`;
  }
}

function looksWords({ looks }: DeleteCueEdit): string {
  return looks === "keepLooks" ? "looks kept" : "moves let go";
}

/** A change to the times of parts: "up 3, down delay none, position 4". Seconds. */
function timesWords(set: TimesPatch): string {
  const plain = PLAIN_TIMES.flatMap(([name, word]) => said(word, set[name]));
  const families = TIMED_FAMILIES.flatMap((family) => {
    const own = set[family];
    return own === null ? [`${family} none`] : [...said(family, own?.fade), ...said(`${family} delay`, own?.delay)];
  });
  return [...plain, ...families].join(", ") || "times unchanged";
}
const PLAIN_TIMES = [
  ["up", "up"],
  ["upDelay", "up delay"],
  ["down", "down"],
  ["downDelay", "down delay"],
] as const;

/** Times of their own of single moves: "fade 3, delay 0~2". */
function ownTimesWords({ keys, fade, delay, curve }: SetMoveTimesEdit): string {
  const times = [...said("fade", fade), ...said("delay", delay), ...said("curve", curve)].join(", ") || "own times unchanged";
  return [namesIn(keys), times].filter(Boolean).join(" ");
}

function said(word: string, value: number | string | null | undefined): string[] {
  return value === undefined ? [] : [`${word} ${value ?? "none"}`];
}

function cueWords({ op: _op, list: _list, from: _from, to: _to, label, trigger, carries, ...others }: SetCueEdit): string[] {
  return [
    ...(carries === undefined ? [] : [CARRIES_WORDS[carries ?? "track"]]),
    ...(label === undefined ? [] : [label ? `label “${label}”` : "label taken away"]),
    ...(trigger === undefined ? [] : [triggerWords(trigger)]),
    ...Object.keys(others).map((name) => `${name} set`),
  ];
}

/** How a cue carries what it moves, in words. */
export const CARRIES_WORDS = {
  track: "what it moves tracks on",
  cueOnly: "this cue only: its moves stay inside it",
  isolated: "isolated: nothing tracks in or out",
} as const;

function triggerWords(trigger: SetCueEdit["trigger"]): string {
  if (trigger?.type !== "follow") return "fires on Go";
  return `follows ${trigger.after} s after the ${trigger.from === "go" ? "Go" : "end"} of the cue before`;
}

function range({ from, to }: { from: string; to: string }): string {
  return from === to ? `Cue ${from}` : `Cues ${from} to ${to}`;
}

function whose({ channels }: KeySelection): string {
  return channels ? lightsIn(channels.length) : "all lights";
}

function lightsIn(count: number): string {
  return count === 1 ? "1 light" : `${count} lights`;
}

function what(edit: ChangeEdit): string {
  const all = ("release" in edit.do || "drop" in edit.do) && !edit.keys.attributes && !edit.keys.families;
  return [all ? "all families" : namesIn(edit.keys), operationWords(edit.do)].filter(Boolean).join(" ");
}

function namesIn({ attributes = [], families = [] }: KeySelection): string {
  return [...attributes, ...families].join(" and ");
}

/** A change of values in a word or two: "to 50", "+10", "× 0.8", "dusk", "let go". */
export function operationWords(operation: Operation): string {
  if ("set" in operation) return `to ${operation.set}`;
  if ("palette" in operation) return `to ${operation.palette}`;
  if ("add" in operation) return operation.add < 0 ? `−${-operation.add}` : `+${operation.add}`;
  if ("scale" in operation) return `× ${operation.scale}`;
  return "release" in operation ? "let go" : "moves dropped";
}
