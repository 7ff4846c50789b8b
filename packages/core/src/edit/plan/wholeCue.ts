import { ShowError } from "../../show/errors.ts";
import { actionFaults } from "../../show/parse.ts";
import type { Cue } from "../../show/schema.ts";
import { type ListSheet, type ShowSheet, movesOf } from "../../sheet/sheet.ts";
import { headOf, partHeadOf } from "../steps/apply.ts";
import type { Step } from "../steps/step.ts";

/**
 * The steps that make a cue stand in a list with all it holds; turned round they take it away. Moves of lights that the rig does not have
 * are left out.
 * The cue comes first, then its parts, then their moves, as applying them needs.
 */
export function wholeCueSteps(sheet: ShowSheet, list: ListSheet, cue: Cue): Step[] {
  const place = { list: list.id, cue: cue.number };
  return [
    { at: "cue", ...place, after: headOf(cue) },
    ...cue.parts.map((part): Step => ({ at: "part", ...place, part: part.number, after: partHeadOf(part) })),
    ...movesOf(cue, sheet.keys).map(({ key, spec, part }): Step => ({
      at: "move",
      ...place,
      channel: key.channel,
      attribute: key.attribute.id,
      after: { part, move: spec },
    })),
  ];
}

/**
 * Throws ShowError when a cue speaks of a list, a held look or a tempo that does not exist; with the lists that there are.
 * Said where cues come from elsewhere, before anything is made.
 */
export function checkActions(sheet: ShowSheet, cue: Cue): void {
  const lists = [...sheet.lists.values()].map(({ list }) => list);
  const [fault] = actionFaults(cue, { ...sheet.show, lists });
  if (fault !== undefined) throw new ShowError(`Cue ${cue.number}: ${fault}; the lists are ${[...sheet.lists.keys()].join(", ")}`);
}
