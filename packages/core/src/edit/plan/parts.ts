import type { Cue, PartHead } from "../../show/schema.ts";
import { type ListSheet, cueAt, rowOf } from "../../sheet/sheet.ts";
import { sameData } from "../../show/sameData.ts";
import { partHeadOf } from "../apply.ts";
import type { AssignPartEdit } from "../schema/cues.ts";
import type { PlacedMove, Step } from "../step.ts";
import { storeStep } from "./moveSteps.ts";
import { selectMoves } from "./selectKeys.ts";

/** The steps that give chosen keys' moves to a part: it is made when missing, and a part left empty is dropped, part 1 never. */
export function planAssignPart(list: ListSheet, edit: AssignPartEdit): Step[] {
  const row = rowOf(list, edit.cue);
  const cue = cueAt(list, row);
  const chosen = selectMoves(list, row, edit.keys, `give to part ${edit.part}`);
  const leaving = chosen.filter(({ move }) => move.part !== edit.part);
  return [
    ...partHeadSteps(list, cue, edit),
    ...leaving.flatMap(({ key, move }) => storeStep(list, key, row, { part: edit.part, move: move.move })),
    ...emptiedParts(
      list,
      cue,
      leaving.map(({ move }) => move),
    ),
  ];
}

function partHeadSteps(list: ListSheet, cue: Cue, edit: AssignPartEdit): Step[] {
  const part = cue.parts.find((each) => each.number === edit.part);
  const before = part && partHeadOf(part);
  const after: PartHead = { ...before, times: { ...before?.times, ...edit.times } };
  if (before && sameData(before, after)) return [];
  return [{ at: "part", list: list.id, cue: cue.number, part: edit.part, before, after }];
}

/** The steps that drop the parts of a cue that hold nothing any more once these moves have left them; part 1 never. */
export function emptiedParts(list: ListSheet, cue: Cue, leaving: readonly PlacedMove[]): Step[] {
  return cue.parts.flatMap((part): Step[] => {
    const left = leaving.filter((move) => move.part === part.number).length;
    const stored = Object.values(part.moves).reduce((sum, attributes) => sum + Object.keys(attributes).length, 0);
    if (part.number === 1 || left === 0 || left < stored) return [];
    return [{ at: "part", list: list.id, cue: cue.number, part: part.number, before: partHeadOf(part) }];
  });
}
