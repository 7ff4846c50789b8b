import type { EditInput } from "./edits.ts";

/**
 * A cue of a list that a new list takes a copy of.
 * Both by what they are called, since the lists may change before it is done.
 */
export interface GatheredCue {
  readonly list: string;
  readonly cue: string;
}

/**
 * The edits that make a new list of copies, numbered from 1 in the order given: with what each cue stores, or with its whole look.
 * The first makes the list, the others copy a cue each. Made together they are one gesture and one undo.
 */
export function gatherEdits(
  id: string,
  label: string,
  cues: readonly GatheredCue[],
  what: "moves" | "look",
): [Extract<EditInput, { op: "setList" }>, ...EditInput[]] {
  return [
    { op: "setList", list: { id, label } },
    ...cues.map(({ list, cue }, index): EditInput => ({ op: "copyCue", list, cue, to: String(index + 1), toList: id, what })),
  ];
}
