import {
  type Cue,
  type CueList,
  type EditInput,
  type ListSheet,
  type Show,
  type ShowSheet,
  count,
  freeIdAmong,
  importCuesEdits,
  keyAt,
  keysOf,
  palettesOfShow,
  sheetOf,
} from "@zm/core";
import { type ReadingQuestion, type Wishes, answerOf } from "../reading/reading.ts";
import type { Remark } from "../report/remark.ts";

/** What a show that was read is asked about before it goes into the show that is open. */
export function mergeQuestions(read: Show, { show }: ShowSheet): ReadingQuestion[] {
  const lacking = lackedLights(read, show).length;
  const lights: ReadingQuestion = {
    id: "lights",
    words: `${count(lacking, "light")} that this rig does not have`,
    answers: [
      { id: "add", words: "come along, as the file has them" },
      { id: "leave", words: "stay out, and what the cues say of them" },
    ],
  };
  const cues: ReadingQuestion = {
    id: "cues",
    words: "Where its cues go",
    answers: [
      { id: "own", words: "into a list of their own" },
      ...show.lists.map(({ id, label }) => ({ id: `into ${id}`, words: `among the cues of ${label || id}` })),
    ],
  };
  const filled = read.lists.filter((list) => list.cues.length > 0);
  return [...(filled.length === 1 ? [cues] : []), ...(lacking > 0 ? [lights] : [])];
}

function lackedLights(read: Show, show: Show): Show["channels"] {
  const here = new Set(show.channels.map(({ number }) => number));
  return read.channels.filter(({ number }) => !here.has(number));
}

/**
 * The edits that bring a show that was read into the one that is open: its lights where they are wanted, groups, held looks, and its lists, each as one of its own or
 * among the cues of one that is there. What lights here cannot do is left, and told. Throws ShowError where numbers are taken.
 */
export function editsInto(read: Show, sheet: ShowSheet, wishes: Wishes): { edits: EditInput[]; remarks: Remark[] } {
  const remarks: Remark[] = [];
  const answers = new Map(mergeQuestions(read, sheet).map((question) => [question.id, answerOf(question, wishes)]));
  const added = answers.get("lights") === "add" ? lackedLights(read, sheet.show) : [];
  const types = read.fixtureTypes.filter(
    ({ id }) => added.some((light) => light.type === id) && !sheet.show.fixtureTypes.some((type) => type.id === id),
  );
  const show: Show = { ...sheet.show, channels: [...sheet.show.channels, ...added], fixtureTypes: [...sheet.show.fixtureTypes, ...types] };
  const into: ShowSheet = { show, keys: keysOf(show), palettes: palettesOfShow(show), lists: sheet.lists };
  const where = answers.get("cues") ?? "own";
  const lists = where === "own" ? ownListIds(read, show) : new Map(read.lists.map(({ id }) => [id, where.slice("into ".length)]));
  return {
    edits: [
      ...types.map((type): EditInput => ({ op: "setType", type })),
      ...added.map((channel): EditInput => ({ op: "setChannel", channel })),
      ...groupEdits(read, show),
      ...lookEdits(read, into, remarks),
      ...(where === "own" ? ownLists(read, into, lists, remarks) : amongCues(read, into, where.slice("into ".length), remarks)),
      ...noteEdits(read, show, lists),
    ],
    remarks,
  };
}

/** The ids that lists of their own get, by those that they had. */
function ownListIds(read: Show, show: Show): Map<string, string> {
  const made: { id: string }[] = [...show.lists];
  return new Map(
    read.lists.map((list) => {
      const id = freeIdAmong(ownLabel(read, list), made);
      made.push({ id });
      return [list.id, id];
    }),
  );
}

function ownLabel({ title }: Show, { id, label }: CueList): string {
  return id === "main" ? title : label;
}

/** Notes that came along, each in the list where its cue now is. */
function noteEdits(read: Show, show: Show, lists: ReadonlyMap<string, string>): EditInput[] {
  const made: { id: string }[] = [...(show.notes ?? [])];
  return (read.notes ?? []).map((note): EditInput => {
    const own = {
      ...note,
      id: freeIdAmong(note.id, made),
      ...(note.list === undefined ? {} : { list: lists.get(note.list) ?? note.list }),
    };
    made.push(own);
    return { op: "setNote", note: own };
  });
}

function groupEdits(read: Show, show: Show): EditInput[] {
  const here = new Set(show.channels.map(({ number }) => number));
  const made = [...show.groups];
  return read.groups.flatMap((group): EditInput[] => {
    const channels = group.channels.filter((channel) => here.has(channel));
    if (channels.length === 0 || made.some(({ label, channels: own }) => label === group.label && own.join() === channels.join()))
      return [];
    const own = { ...group, id: freeIdAmong(group.label, made), channels };
    made.push(own);
    return [{ op: "setGroup", group: own }];
  });
}

function lookEdits(read: Show, into: ShowSheet, remarks: Remark[]): EditInput[] {
  const made = [...(into.show.heldLooks ?? [])];
  return (read.heldLooks ?? []).flatMap((look): EditInput[] => {
    const values = keptMoves(look.values, into, look.label, remarks);
    if (Object.keys(values).length === 0) return [];
    const own = { ...look, id: freeIdAmong(look.label, made), values };
    made.push(own);
    return [{ op: "setHeldLook", look: own }];
  });
}

function ownLists(read: Show, into: ShowSheet, ids: ReadonlyMap<string, string>, remarks: Remark[]): EditInput[] {
  return read.lists.flatMap((list): EditInput[] => {
    if (list.cues.length === 0) return [];
    const label = ownLabel(read, list);
    const id = ids.get(list.id) ?? list.id;
    const cues = list.cues.map((cue) => ownCue(cue, list, id, into, remarks));
    return [{ op: "setList", list: { ...list, id, label, cues } }];
  });
}

/** A cue as a list of its own has it: what it does to its list goes along, what lights here cannot do does not. */
function ownCue(cue: Cue, { id: was }: CueList, id: string, into: ShowSheet, remarks: Remark[]): Cue {
  const actions = cue.actions?.flatMap((action) => ("list" in action && action.list === was ? [{ ...action, list: id }] : []));
  const parts = cue.parts.map((part) => ({ ...part, moves: keptMoves(part.moves, into, `cue ${cue.number}`, remarks) }));
  const { actions: _all, ...rest } = cue;
  return { ...rest, parts, ...(actions && actions.length > 0 ? { actions } : {}) };
}

type Values = Cue["parts"][number]["moves"];

/** The moves that lights here can make; what is left is told with where it stood. */
function keptMoves(moves: Values, into: ShowSheet, where: string, remarks: Remark[]): Values {
  const left: string[] = [];
  const kept: Values = {};
  for (const [channel, attributes] of Object.entries(moves)) {
    for (const [attribute, spec] of Object.entries(attributes)) {
      if (keyAt(into.keys, Number(channel), attribute)) (kept[channel] ??= {})[attribute] = spec;
      else left.push(`${channel}.${attribute}`);
    }
  }
  if (left.length > 0)
    remarks.push({ kind: "left", words: `${where}: ${count(left.length, "value")} of what this rig does not have: ${shown(left)}` });
  return kept;
}

function amongCues(read: Show, into: ShowSheet, id: string, remarks: Remark[]): EditInput[] {
  const from: ShowSheet = sheetOf(read);
  const list = [...from.lists.values()].find(({ cues }) => cues.length > 0);
  const target = into.lists.get(id);
  if (!list || !target) return [];
  const [first, last] = [list.cues[0]?.number ?? "", list.cues.at(-1)?.number ?? ""];
  const { edits, left } = importCuesEdits({ from: { sheet: from, list, first, last }, into: { sheet: into, list: target } });
  for (const words of left) remarks.push({ kind: "left", words });
  remarks.push(...unlike(list));
  return edits;
}

/** What cues lose that go among those of another list. */
function unlike({ cues }: ListSheet): Remark[] {
  const led = cues.filter(({ actions }) => actions !== undefined);
  return led.map(({ number }) => ({ kind: "left", words: `what cue ${number} does besides: it speaks of its own list` }));
}

function shown(names: readonly string[]): string {
  return names.length > 4 ? `${names.slice(0, 4).join(", ")} and ${names.length - 4} more` : names.join(", ");
}
