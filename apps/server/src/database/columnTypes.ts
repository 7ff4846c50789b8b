import type { Channel, Cue, CueList, FixtureType, PartTimes } from "@zm/core";

export type Attribute = FixtureType["attributes"][number];
export type Patch = NonNullable<Channel["patch"]>;
export type Place = NonNullable<Channel["place"]>;
export type Marks = NonNullable<CueList["marks"]>;
export type Trigger = NonNullable<Cue["trigger"]>;
export type Mark = NonNullable<Cue["mark"]>;
export type Call = NonNullable<Cue["call"]>;
export type Action = NonNullable<Cue["actions"]>[number];
export type FamilyTimesByName = Pick<PartTimes, "position" | "colour" | "beam">;
