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
/** The fields of a list that say how it runs beside others. */
export type ListRunning = Omit<CueList, "id" | "label" | "marks" | "cues">;
export type PartWaves = NonNullable<Cue["parts"][number]["waves"]>;
export type FamilyTimesByName = Pick<PartTimes, "position" | "colour" | "beam">;
/** Where a running list stood before and after an edit that was made together with the run; null is before the first cue. */
export interface RunMove {
  readonly list: string;
  readonly before: string | null;
  readonly after: string | null;
}
