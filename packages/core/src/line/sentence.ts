/** What somebody typed, before it is held against a show. Places in the text count from 0. */
export type Sentence =
  | { kind: "history"; what: "undo" | "redo" }
  | { kind: "goCue"; cues: Range }
  | { kind: "times"; cues: Range | undefined; scale?: number; up?: number; down?: number }
  | { kind: "lights"; cues: Range | undefined; lights: Lights; attribute?: Named; deed?: TypedDeed; only: boolean };

/** Cue numbers as typed; one cue is a range with two equal ends. */
export interface Range {
  from: string;
  to: string;
}
/** A name with the place where it stands, so that an error can point at it. */
export interface Named {
  name: string;
  at: number;
}
/** Chosen lights: channels, spans of channels and groups, of which every n-th counts. */
export interface Lights {
  terms: ({ first: number; last: number; at: number } | { group: Named })[];
  every: number;
}
/** What is done to the chosen lights. */
export type TypedDeed = { set: number } | { palette: Named } | { add: number } | { scale: number } | { release: true } | { drop: true };
