import { type ListSheet, cueAt, rowOf } from "../sheet/sheet.ts";
import type { EditInput } from "./edits.ts";
import { noSuchPart } from "./kinds/setPart.ts";
import { ShowError } from "../show/errors.ts";

/**
 * The edits that give everything a part holds to another part of its cue; the emptied part goes with its name and times. Throws
 * ShowError for a part that is not there or holds nothing.
 */
export function mergePartEdits(list: ListSheet, cue: string, part: number, into: number): EditInput[] {
  const { parts } = cueAt(list, rowOf(list, cue));
  const found = parts.find(({ number }) => number === part);
  if (!found) throw noSuchPart(cue, part, parts);
  if (part === into) throw new ShowError(`Part ${part} of cue ${cue} is to go into itself; name another part`);
  const moves = Object.entries(found.moves);
  if (moves.length === 0) throw new ShowError(`Part ${part} of cue ${cue} holds no move; there is nothing to give to part ${into}`);
  return moves.map(([channel, attributes]): EditInput => {
    const keys = { channels: [Number(channel)], attributes: Object.keys(attributes) };
    return { op: "assignPart", list: list.id, cue, keys, part: into };
  });
}
