import type { EditInput } from "../edit/index.ts";
import { ShowError } from "../show/errors.ts";
import type { Show } from "../show/schema.ts";
import type { Point } from "../stage/aim.ts";

/** What turns a light; one that has it is aimed by its values, and not by the rig. */
const TURNS = "pan";

/** True for a light that is pointed by hand, on the ladder, and stays so: its type has nothing that turns it. */
export function isFixed({ fixtureTypes }: Pick<Show, "fixtureTypes">, type: string): boolean {
  return !fixtureTypes.some((each) => each.id === type && each.attributes.some(({ id }) => id === TURNS));
}

/**
 * The edits that say where lights which cannot turn are pointed, in metres. Throws ShowError for one that turns, or hangs nowhere yet.
 * No value of any cue changes: it says how somebody has focused them.
 */
export function aimEdits(show: Pick<Show, "channels" | "fixtureTypes">, channels: readonly number[], aim: Point): EditInput[] {
  return channels.map((number): EditInput => {
    const channel = show.channels.find((each) => each.number === number);
    if (!channel) throw new ShowError(`Light ${number} is not in the rig`);
    if (!isFixed(show, channel.type))
      throw new ShowError(`Light ${number} turns by itself: give it ${TURNS} and tilt, or drag its ring on the Stage`);
    if (!channel.place) throw new ShowError(`Light ${number} hangs nowhere yet; give it a place first: Rig, Lights`);
    return { op: "setChannel", channel: { ...channel, place: { ...channel.place, aim } } };
  });
}
