import { type Cue, type Key, type ListSheet, type MoveSpec, type ShowSheet, count, intensityOf, movesOf, inAscii } from "@zm/core";
import type { Remark } from "../report/remark.ts";
import { leadOf } from "./ways.ts";

/** So many cues are named before the rest is only counted. */
const NAMED = 8;

/**
 * What an ASCII text of a show cannot say, in a sentence for each kind of thing, with the cues that it is about. Empty for a show of levels, times,
 * labels and follows alone.
 */
export function unsaidOf(sheet: ShowSheet): Remark[] {
  return [...[...sheet.lists.values()].flatMap((list) => ofList(sheet, list)), ...ofShow(sheet)];
}

/** One kind of thing in a cue that is not said, or that is said otherwise. */
interface Unsaid {
  readonly kind: Remark["kind"];
  readonly words: string;
  readonly is: (cue: Cue, row: number) => boolean;
}

function ofList(sheet: ShowSheet, list: ListSheet): Remark[] {
  const several = sheet.lists.size > 1 ? `${list.list.label || list.id}: ` : "";
  const kinds: Unsaid[] = [
    { kind: "left", words: "position, colour or beam", is: (cue) => moveOf(cue, list, ({ key }) => !isLevel(list, key)) },
    {
      kind: "left",
      words: "a light's own time, delay or curve",
      is: (cue) => moveOf(cue, list, ({ key, spec }) => isLevel(list, key) && isTimed(spec)),
    },
    { kind: "left", words: "a curve", is: ({ parts }) => parts.some(({ curve }) => curve !== undefined && curve !== "linear") },
    { kind: "left", words: "waves", is: ({ parts }) => parts.some(({ waves }) => waves !== undefined) },
    { kind: "left", words: "how lights are moved in the dark", is: ({ mark }) => mark !== undefined },
    { kind: "left", words: "a place in the script", is: ({ call }) => call !== undefined },
    { kind: "left", words: "a scene", is: ({ scene }) => (scene ?? "") !== "" },
    { kind: "left", words: "actions", is: ({ actions = [] }, row) => actions.length > (leadOf(list, row) ? 1 : 0) },
    {
      kind: "changed",
      words: "a follow from the end, written as seconds from the Go",
      is: ({ trigger }) => trigger?.type === "follow" && trigger.from === "complete",
    },
    { kind: "changed", words: "walls, cue-only, isolated or restated cues, written as what they show", is: isSpecial },
    {
      kind: "changed",
      words: "a text beyond ASCII, written plainly",
      is: ({ label = "", note = "" }) => [label, ...note.split("\n")].some((text) => inAscii(text) !== text.trim()),
    },
  ];
  const { steps, off } = list.list;
  return [
    ...kinds.flatMap(({ kind, words, is }): Remark[] => {
      const cues = list.cues.flatMap((cue, row) => (is(cue, row) ? [cue.number] : []));
      return cues.length > 0 ? [{ kind, words: `${several}${count(cues.length, "cue")} with ${words}: ${named(cues)}` }] : [];
    }),
    ...(steps ? [{ kind: "left" as const, words: `${several}that it runs by itself, and how` }] : []),
    ...(off
      ? [
          {
            kind: "left" as const,
            words: `${several}what is switched off: cues ${named(off.map(({ number }) => number))}`,
          },
        ]
      : []),
  ];
}

function ofShow({ show }: ShowSheet): Remark[] {
  const things: [number, string][] = [
    [show.palettes.length, "palette"],
    [show.paces.length, "pace"],
    [show.tempos?.length ?? 0, "tempo"],
    [show.movements?.length ?? 0, "movement"],
    [show.pages?.length ?? 0, "page of the shelf"],
    [show.notes?.length ?? 0, "note of who looks on"],
    [show.script?.lines.length ?? 0, "line of the play"],
  ];
  return things.flatMap(([number, thing]): Remark[] => (number > 0 ? [{ kind: "left", words: plural(number, thing) }] : []));
}

/** "1 line of the play", "3 lines of the play". */
function plural(number: number, thing: string): string {
  const [first = "", ...rest] = thing.split(" ");
  return [count(number, first), ...rest].join(" ");
}

function moveOf(cue: Cue, list: ListSheet, is: (move: { key: Key; spec: MoveSpec }) => boolean): boolean {
  return movesOf(cue, list.keys).some(is);
}

function isLevel(list: ListSheet, key: Key): boolean {
  return intensityOf(list.keys, key.channel)?.ordinal === key.ordinal;
}

function isTimed(spec: MoveSpec): boolean {
  return typeof spec !== "number" && (spec.fade !== undefined || spec.delay !== undefined || spec.curve !== undefined);
}

function isSpecial({ block, restate, carries = "track" }: Cue): boolean {
  return block === true || restate === true || carries !== "track";
}

function named(cues: readonly string[]): string {
  return cues.length > NAMED ? `${cues.slice(0, NAMED).join(", ")} and ${cues.length - NAMED} more` : cues.join(", ");
}
