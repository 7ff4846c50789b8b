import {
  type EditInput,
  type KeySelection,
  type Outcome,
  isNamed,
  storedMove,
  targetOfMove,
  triggerWords,
  wavesOfKeys,
} from "../edit/index.ts";
import { ShowError } from "../show/errors.ts";
import { cueOrder } from "../show/cueNumber.ts";
import { makeMove, moveTiming, paletteOf } from "../show/move.ts";
import type { Action, CueHead, Curve, Family, Moves, MoveSpec } from "../show/schema.ts";
import { entryAt, sameValue } from "../sheet/entry.ts";
import type { Key } from "../sheet/keys.ts";
import { type ListSheet, type ShowSheet, cueAt, findRow, firstRowFrom, freeNumberAfter } from "../sheet/sheet.ts";
import { count } from "../show/words.ts";
import type { ListRun } from "../mix/listRun.ts";
import { heldKeys } from "./give.ts";
import { type Hand, heldValue, heldWave } from "./hand.ts";
import { type HeldWave, keyOfWave, waveName } from "./heldWave.ts";
import { sameData } from "../show/sameData.ts";
import { wavesOf } from "../sheet/waves.ts";

/**
 * What a record takes from where, and how it stands in the cue.
 * What the record sheet, the line and the plain key all come to.
 */
export interface RecordWish {
  readonly cue: string;
  /** From the Hand, or everything that the running list and the Hand have put on stage. */
  readonly from: "hand" | "stage";
  /** Values, their own times, or both. */
  readonly what: "both" | "values" | "times";
  /** Only what has changed since the last record; from the stage: only what the cue does not show anyway. */
  readonly changed: boolean;
  readonly channels?: readonly number[] | undefined;
  readonly families?: readonly Family[] | undefined;
  /** Only these attributes of what passes; absent: all. */
  readonly attributes?: readonly string[] | undefined;
  /** Values and waves, values alone, or waves alone; absent: both. */
  readonly waves?: "without" | "alone" | undefined;
  readonly mode: "merge" | "replace" | "remove";
  /** What is recorded tracks on, keeps to this cue, or the cue is isolated: nothing tracks in or out. */
  readonly scope: "track" | "cueOnly" | "isolated";
  readonly part?: number | undefined;
  readonly label?: string | undefined;
  readonly times?: Extract<EditInput, { op: "record" }>["times"];
  /** The curve of the part; the part keeps its own where none is said. */
  readonly curve?: Curve | undefined;
  /** The cue also gets what runs now beside it as its actions, in place of those it has. */
  readonly running?: boolean | undefined;
  /** What else the cue is told; null takes a field away, an absent one stays as it is. */
  readonly fields?: RecordedFields | undefined;
}

/** What a record can tell a cue besides its values: its note, the scene that begins with it, and what fires it. */
export interface RecordedFields {
  readonly note?: string | null;
  readonly scene?: string | null;
  readonly trigger?: NonNullable<CueHead["trigger"]> | null;
}

/**
 * What is on stage: the list as it runs, and the output of any key now.
 * `run` is undefined where no list runs.
 */
export interface OnStage {
  readonly run: Pick<ListRun, "cue" | "onStage" | "waves"> | undefined;
  readonly outputOf: (key: Key) => number;
  /** What else runs, as actions of a cue. */
  readonly actions?: readonly Action[] | undefined;
}

/**
 * A record that has been thought out: the edit, and the keys in hand that it takes.
 * `keys` are names; they count as recorded once the edit has been acknowledged.
 */
export interface RecordPlan {
  readonly edit: Extract<EditInput, { op: "record" }>;
  /** All edits that it comes to, the record first; together they are one gesture. */
  readonly edits: readonly EditInput[];
  readonly keys: readonly string[];
}

/**
 * The edit that a wish to record comes to. Throws ShowError when it would take nothing.
 * The message says what was looked for and where. Nothing is stored here.
 */
export function planRecording(sheet: ShowSheet, list: ListSheet, hand: Hand, stage: OnStage, wish: RecordWish): RecordPlan {
  const taken = wish.waves === "alone" ? [] : wish.from === "hand" ? fromHand(sheet, hand, wish) : fromStage(list, hand, stage, wish);
  const row = findRow(list, wish.cue);
  const moves: Moves = {};
  const keys: string[] = [];
  for (const { key, spec } of taken) {
    const own =
      wish.what === "both" || wish.mode === "remove"
        ? spec
        : wish.what === "values"
          ? withStoredTimes(list, key, row, spec)
          : timesOnly(list, key, row, spec);
    if (own === undefined) continue;
    (moves[key.channel] ??= {})[key.attribute.id] = own;
    if (hand.held[key.name]) keys.push(key.name);
  }
  const swaying =
    wish.what === "times" || wish.waves === "without"
      ? []
      : wish.from === "hand"
        ? wavesInHand(sheet, hand, wish)
        : wavesOnStage(list, hand, stage, wish);
  for (const [key] of swaying) if (heldWave(hand, key)) keys.push(waveName(key.name));
  const actions = wish.running ? [...(stage.actions ?? [])] : [];
  if (Object.keys(moves).length + swaying.length + actions.length === 0 && wish.mode !== "replace")
    throw new ShowError(nothingTaken(hand, wish, taken.length > 0));
  const { cue, mode, part, label, times } = wish;
  const edit: RecordPlan["edit"] = {
    op: "record",
    list: list.id,
    cue,
    moves,
    ...(swaying.length === 0 ? {} : { waves: wavesOfKeys(swaying) }),
    mode,
    scope: wish.scope === "cueOnly" ? "cueOnly" : "track",
    ...(part === undefined ? {} : { part }),
    ...(label === undefined ? {} : { label }),
    ...(times === undefined ? {} : { times }),
    ...(wish.curve === undefined ? {} : { curve: wish.curve }),
  };
  const told = {
    ...wish.fields,
    ...(wish.scope === "isolated" ? { carries: "isolated" as const } : {}),
    ...(wish.running ? { actions: actions.length > 0 ? actions : null } : {}),
  };
  const cueEdits: EditInput[] = Object.keys(told).length > 0 ? [{ op: "setCue", list: list.id, from: cue, to: cue, ...told }] : [];
  return { keys, edit, edits: [edit, ...cueEdits] };
}

/** Why a record would take nothing, and what to do. */
function nothingTaken(hand: Hand, wish: RecordWish, found: boolean): string {
  if (wish.from === "stage") return "What is on stage is what the cue shows already; there is nothing to record";
  if (Object.keys(hand.held).length === 0) return "Nothing is in hand; give some lights a value first";
  if (found) return `Cue ${wish.cue} stores none of the values in hand, so it has no times of them to set`;
  return "None of what is in hand passes these filters";
}

/** A key that a record takes, with the move that it stores. */
interface Taken {
  readonly key: Key;
  readonly spec: MoveSpec;
}

/** What a record takes of the Hand; with `changed` only what has been given since it was recorded last. */
function fromHand(sheet: ShowSheet, hand: Hand, wish: RecordWish): Taken[] {
  return heldKeys(sheet, hand, selectionOf(wish)).flatMap((key): Taken[] => {
    const held = heldValue(hand, key);
    return held && (held.fresh || !wish.changed) ? [{ key, spec: held.move }] : [];
  });
}

/** The waves that a record takes of the Hand. */
function wavesInHand(sheet: ShowSheet, hand: Hand, wish: RecordWish): [Key, HeldWave["wave"]][] {
  const selection = selectionOf(wish);
  return Object.entries(hand.held).flatMap(([name, held]): [Key, HeldWave["wave"]][] => {
    const key = keyOfWave(sheet.keys, name);
    if (!key || !("wave" in held) || !isNamed(key, selection)) return [];
    return held.fresh || !wish.changed ? [[key, held.wave]] : [];
  });
}

/** The waves that a record takes of the stage: those that the list runs, with what the Hand says over them; a stop for one that the cue would show and the stage does not. */
function wavesOnStage(list: ListSheet, hand: Hand, { run }: OnStage, wish: RecordWish): [Key, HeldWave["wave"]][] {
  const selection = selectionOf(wish);
  const shownIn = wavesOf(list);
  const row = rowShown(list, wish.cue);
  return list.keys.all.flatMap((key): [Key, HeldWave["wave"]][] => {
    const said = heldWave(hand, key)?.wave ?? run?.waves.get(key.ordinal)?.wave ?? undefined;
    const shown = (row < 0 ? undefined : shownIn.get(key)?.[row]?.wave) ?? undefined;
    if (!isNamed(key, selection) || (said === undefined && shown === undefined)) return [];
    const wave = said ?? { stop: true };
    const isShown = "stop" in wave ? shown === undefined : sameData(shown, wave);
    return wish.changed && isShown ? [] : [[key, wave]];
  });
}

/** The row whose look a cue shows, or would show before anything is recorded into it. */
function rowShown(list: ListSheet, cue: string): number {
  const row = findRow(list, cue);
  return row >= 0 ? row : firstRowFrom(list, cueOrder(cue)) - 1;
}

/** What a record takes of the stage: what differs from the look of the cue on stage, or is in hand. */
function fromStage(list: ListSheet, hand: Hand, { run, outputOf }: OnStage, wish: RecordWish): Taken[] {
  const isOn = ({ name, ordinal }: Key): boolean => !Number.isNaN(run?.onStage[ordinal] ?? Number.NaN) || hand.held[name] !== undefined;
  const selection = selectionOf(wish);
  const stageRow = run?.cue === null || run === undefined ? -1 : findRow(list, run.cue);
  const behind = rowShown(list, wish.cue);
  return list.keys.all.flatMap((key): Taken[] => {
    if (!isOn(key) || !isNamed(key, selection)) return [];
    const held = heldValue(hand, key);
    const value = Math.round(outputOf(key) * 100) / 100;
    if (wish.changed && behind >= 0 && sameValue(entryAt(list, key, behind).value, value)) return [];
    if (held) return [{ key, spec: held.move }];
    const shown = stageRow >= 0 ? entryAt(list, key, stageRow) : undefined;
    const palette = shown?.spec === undefined ? undefined : paletteOf(shown.spec);
    return [{ key, spec: palette !== undefined && shown && sameValue(shown.value, value) ? { palette } : value }];
  });
}

/** The lights, and the families or attributes that a record is narrowed to; attributes are told within their families. */
function selectionOf({ channels, families, attributes }: RecordWish): KeySelection {
  return {
    ...(channels ? { channels: [...channels] } : {}),
    ...(attributes ? { attributes: [...attributes] } : families ? { families: [...families] } : {}),
  };
}

/** A move with the times that the cue stores for its key already. */
function withStoredTimes(list: ListSheet, key: Key, row: number, spec: MoveSpec): MoveSpec {
  const stored = row < 0 ? undefined : storedMove(list, key, row);
  return makeMove(targetOfMove(spec), stored ? moveTiming(stored.move) : {});
}

/** The move that the cue stores, with new times; undefined where it stores none. */
function timesOnly(list: ListSheet, key: Key, row: number, spec: MoveSpec): MoveSpec | undefined {
  const stored = row < 0 ? undefined : storedMove(list, key, row);
  return stored && makeMove(targetOfMove(stored.move), moveTiming(spec));
}

/**
 * The number that Record next takes: right behind the cue on stage, or behind the last where nothing has run.
 * Undefined where no number is left between that cue and the next.
 */
export function nextNumber(list: ListSheet, onStage: string | null): string | undefined {
  if (list.cues.length === 0) return "1";
  const row = onStage === null ? list.cues.length - 1 : firstRowFrom(list, cueOrder(onStage) + 1) - 1;
  return freeNumberAfter(list, row);
}

/**
 * What recording into a cue should be warned of: the look on stage is not the one that the cue would be laid on. Undefined
 * where the stage stands at the cue before, or at the cue itself.
 * A sentence for the sheet; recording goes on all the same.
 */
export function stageWarning(list: ListSheet, cue: string, onStage: string | null): string | undefined {
  const before = list.cues[firstRowFrom(list, cueOrder(cue)) - 1]?.number;
  if (onStage === cue || onStage === (before ?? null)) return undefined;
  const stands = onStage === null ? "Nothing has been fired" : `The stage stands at cue ${onStage}`;
  return before === undefined
    ? `${stands}, and cue ${cue} would be the first: it will look different from what you see`
    : `${stands}, and the cue before ${cue} is ${before}: it will look different from what you see`;
}

/**
 * A record in one sentence before it is made: "Inserts cue 12.5 between 12 and 13: 14 values of 6 lights; cues 13 to 19 change on 2 of
 * them".
 * Without a full stop. The impact must be that of this very edit.
 */
export function recordSentence(
  list: ListSheet,
  { edit, edits }: Pick<RecordPlan, "edit" | "edits">,
  { impact, steps }: Pick<Outcome, "impact" | "steps">,
): string {
  const row = findRow(list, edit.cue);
  const at = firstRowFrom(list, cueOrder(edit.cue));
  const before = list.cues[at - 1]?.number;
  const after = list.cues[row < 0 ? at : at + 1]?.number;
  const where =
    row >= 0
      ? { merge: `Changes cue ${edit.cue}`, replace: `Makes cue ${edit.cue} exactly this`, remove: `Takes moves out of cue ${edit.cue}` }[
          edit.mode ?? "merge"
        ]
      : after === undefined
        ? `Adds cue ${edit.cue}${before === undefined ? "" : ` behind ${before}`}`
        : before === undefined
          ? `Inserts cue ${edit.cue} before ${after}`
          : `Inserts cue ${edit.cue} between ${before} and ${after}`;
  const stored = steps.filter((step) => step.at === "move" && step.cue === edit.cue);
  const own = edit.mode === "remove" || stored.length > 0 ? stored : [];
  const lights = new Set(own.map((step) => (step.at === "move" ? step.channel : 0)));
  const values = own.length === 0 ? [] : [`${count(own.length, "value")} of ${count(lights.size, "light")}`];
  const what = [...values, ...wavesRecorded(edit)].join(" and ") || "nothing of it is new";
  const snaps = row < 0 && Object.keys(edit.times ?? {}).length === 0 ? "; it has no times, so it snaps" : "";
  return `${where}: ${what}${toldWords(edits)}${elsewhere(list, edit, impact)}${restored(steps, edit.cue)}${snaps}`;
}

/** What a record tells its cue besides: the actions of what runs, what fires it, its scene and note, and that it is isolated. */
function toldWords(edits: readonly EditInput[]): string {
  const told = edits.find((each) => each.op === "setCue");
  if (!told) return "";
  const actions = told.actions?.length ?? 0;
  return [
    ...(told.actions === undefined ? [] : [`, and ${actions === 0 ? "nothing" : count(actions, "action")} of what runs now`]),
    ...(told.carries === "isolated" ? ["; isolated: nothing tracks in or out"] : []),
    ...(told.trigger === undefined ? [] : [`; ${triggerWords(told.trigger)}`]),
    ...(told.scene === undefined ? [] : [told.scene === null ? "; begins no scene" : `; begins the scene ${told.scene}`]),
    ...(told.note === undefined ? [] : [told.note === null ? "; without its note" : "; with a note"]),
  ].join("");
}

/** How many waves a record brings or takes out, and how many it stops. */
function wavesRecorded({ waves = {} }: RecordPlan["edit"]): string[] {
  const all = Object.values(waves).flatMap((own) => Object.values(own));
  const stops = all.filter((wave) => "stop" in wave).length;
  const runs = all.length - stops;
  return [...(runs > 0 ? [count(runs, "wave")] : []), ...(stops > 0 ? [`${count(stops, "wave")} stopped`] : [])];
}

/** What "this cue only" writes into the cues behind it so that they stay as they are. */
function restored(steps: Outcome["steps"], cue: string): string {
  const keeps = steps.some(
    (step) => step.at === "cue" && step.cue === cue && step.after?.carries === "cueOnly" && step.before === undefined,
  );
  if (keeps) return "; it keeps to itself, whatever comes after it";
  const moves = steps.filter((step) => step.at === "move" && step.cue !== cue && step.after);
  const cues = [...new Set(moves.map((step) => (step.at === "move" ? step.cue : "")))];
  return moves.length === 0 ? "" : `; cue ${cues.join(" and ")} gets ${count(moves.length, "move")} to stay as it is`;
}

/** What a record changes in other cues, in words. */
function elsewhere(list: ListSheet, edit: RecordPlan["edit"], impact: Outcome["impact"]): string {
  const later = impact.looks.filter((look) => look.cue !== edit.cue);
  const order = cueOrder(edit.cue);
  if (later.length === 0) {
    const last = firstRowFrom(list, order + 1) >= list.cues.length;
    return last ? "" : "; no other cue changes";
  }
  const cues = [...new Set(later.map((look) => look.cue))];
  const lights = new Set(later.map((look) => look.key.slice(0, look.key.indexOf("."))));
  const first = cues[0];
  const range = cues.length === 1 ? `cue ${first} changes` : `cues ${first} to ${cues.at(-1)} change`;
  return `; ${range} on ${count(lights.size, "light")}`;
}

/**
 * The cue that stands on stage after a record: the recorded one, where the stage stood at the cue before or at the cue itself; else
 * undefined.
 * The server is told to stand there, since what was recorded is what is on stage.
 */
export function standsAfter(list: ListSheet, cue: string, onStage: string | null): string | undefined {
  const row = findRow(list, cue);
  const before = row <= 0 ? null : cueAt(list, row - 1).number;
  return row >= 0 && (onStage === cue || onStage === before) ? cue : undefined;
}
