import { movesIn } from "../../show/move.ts";
import type { Cue } from "../../show/schema.ts";
import type { ListSheet } from "../../sheet/sheet.ts";
import { partHeadOf } from "../steps/apply.ts";
import type { PlacedMove, Step } from "../steps/step.ts";

/**
 * The steps that drop the parts of a cue that hold nothing any more once these moves have left them; part 1 never.
 * `leaving` are moves as they stand now. A part that holds waves still holds something.
 */
export function emptiedParts(list: ListSheet, cue: Cue, leaving: readonly PlacedMove[]): Step[] {
  return cue.parts.flatMap((part): Step[] => {
    const left = leaving.filter((move) => move.part === part.number).length;
    const stored = movesIn(part.moves);
    if (part.number === 1 || left === 0 || left < stored || part.waves) return [];
    return [{ at: "part", list: list.id, cue: cue.number, part: part.number, before: partHeadOf(part) }];
  });
}
