import { ShowError } from "../../show/errors.ts";
import type { Action } from "../../show/schema.ts";
import { count } from "../../show/words.ts";
import type { ShowSheet } from "../../sheet/sheet.ts";
import { headOf } from "../steps/apply.ts";
import { ENTRY_WORDS, type EntryKind, type Step } from "../steps/step.ts";
import { headStep } from "./headStep.ts";
import { removal } from "./setEntry.ts";

/**
 * The steps that take away an entry which actions of cues may speak of: with `drop` those actions go too, else the removal is refused and the
 * cues are named. Throws ShowError, also for an entry that is not there.
 * `speaksOf` tells which actions name the entry. The message names the first of the cues.
 */
export function planRemoveUsed(
  sheet: ShowSheet,
  of: EntryKind,
  id: string,
  used: "refuse" | "drop",
  speaksOf: (action: Action) => boolean,
): Step[] {
  const gone = removal(sheet.show, of, id);
  const users = [...sheet.lists.values()].flatMap((list) =>
    list.cues.filter((cue) => cue.actions?.some(speaksOf)).map((cue) => ({ list, cue })),
  );
  if (users.length > 0 && used === "refuse")
    throw new ShowError(
      `The ${ENTRY_WORDS[of]} "${id}" is used by ${count(users.length, "cue")}, cue ${users[0]?.cue.number ?? ""} first; take those actions out, or take them away with it`,
    );
  const dropped = users.map(({ list, cue }) =>
    headStep(list, cue, { ...headOf(cue), actions: (cue.actions ?? []).filter((action) => !speaksOf(action)) }),
  );
  return [...dropped, ...gone];
}
