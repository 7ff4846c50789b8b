import type { Channel, Cue, Show, CueList, FixtureType, PartTimes } from "@zm/core";

export type Attribute = FixtureType["attributes"][number];
export type Patch = NonNullable<Channel["patch"]>;
export type Place = NonNullable<Channel["place"]>;
export type Marks = NonNullable<CueList["marks"]>;
export type Trigger = NonNullable<Cue["trigger"]>;
export type Mark = NonNullable<Cue["mark"]>;
export type Call = NonNullable<Cue["call"]>;
export type Action = NonNullable<Cue["actions"]>[number];
export type Script = NonNullable<Show["script"]>;
export type NewCue = NonNullable<Show["newCue"]>;
export type EditsAfter = NonNullable<Show["editsAfter"]>;
/** The fields of a list that say how it runs beside others. */
export type ListRunning = Omit<CueList, "id" | "label" | "marks" | "cues">;
export type PartWaves = NonNullable<Cue["parts"][number]["waves"]>;
export type FamilyTimesByName = Pick<PartTimes, "position" | "colour" | "beam">;
/**
 * What the run has to do with an edit that was made together with it: a list that stands in the cue `before` stands in `after` from then on; null is before the
 * first cue. It is stored in the edit's own transaction, so that it is taken up after a crash.
 */
export interface RunMove {
  readonly list: string;
  readonly before: string | null;
  readonly after: string | null;
  /** In how many seconds what is at rest goes to what the cue then says. */
  readonly time?: number | undefined;
  /** The keys in hand that count as recorded with it. */
  readonly recorded?: readonly string[] | undefined;
}
