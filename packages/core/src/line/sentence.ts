// What the grammar gives: plain data, one member for each kind of sentence. Cue numbers stay text here; nothing has been looked up yet.
import type { Relation } from "../ask/question.ts";
import type { Trigger } from "../show/schema.ts";

/**
 * The views that can be gone to by their name.
 * As they stand in the frame.
 */
export type ViewName = "score" | "stage" | "book" | "planner" | "run" | "rig" | "check" | "history" | "paper" | "log";

/**
 * What the Score can show or put away.
 * Typed as `show times`, `hide pictures`.
 */
export type Shown = "times" | "pictures" | "scenes" | "parts" | "attributes" | "moving" | "tracked" | "hints";

/**
 * What somebody typed, before it is held against a show. Places in the text count from 0.
 * One member for each kind of line. Names are words as typed, with their places.
 */
export type Sentence =
  | { kind: "history"; what: "undo" | "redo" }
  | { kind: "view"; view: ViewName }
  // `lit`: the lights that give light now; `before`: what was chosen that many choices ago.
  // `next`, `previous`, `whole`: the lights of the choice one by one, and all of them again; `others`: those that were left out of it.
  | { kind: "choice"; what: "lit" | "before" | "next" | "previous" | "whole" | "others"; steps?: number }
  // Where lights that cannot turn are pointed, metres.
  | { kind: "aim"; lights: Lights; at: { x: number; y: number; z: number } }
  | { kind: "find"; text: string }
  | { kind: "nameVersion"; name: string }
  | { kind: "accept"; cues: Range; note: string }
  | { kind: "help" }
  // The whole list run without waiting, called so many times as fast as it is spoken.
  | { kind: "rehearse"; speed: number }
  // Where in the play a cue is called: on or after the last word of a phrase; null: nowhere.
  | { kind: "call"; cues: Range | undefined; call: { phrase: string; after: boolean } | null }
  // The lines between the calls of two cues ask for silence, or no longer do.
  | { kind: "quiet"; cues: Range; quiet: boolean }
  // Words a minute and seconds of standby, of the play or of the lines between two cues; null takes a setting away.
  | { kind: "script"; cues: Range | undefined; pace?: number | null; standby?: number | null }
  // The play is called by the simulated stage manager, so many times as fast as it is spoken; or that leaves.
  | { kind: "caller"; speed: number; from?: string }
  | { kind: "callerLeaves" }
  // A run that is kept begins, under a name where it has one; or the one that is under way ends.
  | { kind: "logRun"; begins: boolean; name?: string }
  // Programs outside are listened to, or no longer.
  | { kind: "osc"; on: boolean }
  // The times that new cues begin with; null: none.
  | { kind: "newCues"; times: TypedPartTimes | null }
  // What becomes of looks behind a changed range where nothing is said of it.
  | { kind: "editsAfter"; after: "restore" | "track" }
  | { kind: "carries"; cues: Range | undefined; carries: "track" | "cueOnly" | "isolated" }
  // What was dropped from the Hand last is held again.
  | { kind: "restoreDropped" }
  | { kind: "record"; words: RecordWords }
  // `list`: whose cue is updated; left out, that of the list which runs the show.
  | { kind: "update"; place?: "here" | "atSource" | "inPalette"; lights?: Lights; attribute?: Named; list?: Named }
  | { kind: "dropped"; lights?: Lights; attribute?: Named }
  | { kind: "keep"; keeping: Keeping }
  | { kind: "patch"; from: number; to: number; type: Named; at?: Named; label?: string }
  // A new list of held looks, a cue for each; without names all of them.
  | { kind: "gatherLooks"; looks: Named[]; label: string }
  // What lights are in a held look: a value, a palette, or that it holds nothing of them.
  | { kind: "inLook"; look: Named; lights: Lights; attribute?: Named; operation: TypedOperation }
  // A new list out of cues, in the order named.
  | { kind: "gather"; cues: Range[]; label: string; what: "moves" | "look" }
  | { kind: "goCue"; cues: Range }
  // Without cues the chosen ones are meant, here and in all that follows.
  | {
      kind: "times";
      cues: Range | undefined;
      part?: number;
      change: { scale: number; of?: TypedColumn[] } | { set: TypedPartTimes } | { ready: Named } | { cue: string };
    }
  | { kind: "trigger"; cues: Range | undefined; trigger: Trigger | null }
  // What a cue does besides its moves; null takes all of that away.
  | { kind: "action"; cues: Range | undefined; action: TypedAction | null }
  // Something pressed now on what runs, by its name; nothing is stored.
  | { kind: "press"; press: TypedPress }
  // How what is given to the Hand takes hold: in its own times, or at once.
  | { kind: "inTimes"; on: boolean }
  // How a list or a held look stands to others.
  | { kind: "rank"; name: Named; priority?: number; levels?: "highest" | "latest" }
  // How the lights of cues, or of the whole list, are prepared in the dark.
  | { kind: "prepared"; cues: Range | undefined; mark: TypedMark | null }
  | { kind: "listPrepared"; mark: TypedMark }
  // Strips or a button come onto a page of the shelf; without either the page goes.
  | { kind: "page"; label: string; strips?: Named[]; press?: TypedAction }
  // How a list runs by itself; null: it waits for Go.
  | { kind: "steps"; name: Named; steps: TypedSteps | null }
  // What a cue does to waves alone: none tracks in, all but those of levels pass its wall, or (null) they track as values do.
  | { kind: "cueWaves"; cues: Range | undefined; waves: "stop" | "pass" | null }
  // The chain of these cues is scaled to last that many seconds.
  | { kind: "last"; cues: Range | undefined; seconds: number }
  // `walled`: the cue behind it is blocked first, so that nothing inserted leaks on.
  | { kind: "insert"; cue: string; label?: string; walled: boolean }
  | { kind: "flag"; what: "block" | "unblock" | "restate" | "unrestate"; cues: Range }
  // Only the moves of these lights are written; the cue gets no flag.
  | { kind: "blockLights"; cues: Range; lights: Lights; attribute?: Named }
  | {
      kind: "recast";
      lights: Lights;
      as: Lights;
      how: "replace" | "copy" | "swap";
      where: "look" | "moves";
      after: "restore" | "track";
      cues: Range | "everywhere" | undefined;
      missing: Missing;
      map: TypedMapping[];
    }
  | { kind: "swapPalette"; palettes: Named[]; as: Named[]; cues: Range | "everywhere" | undefined; leave: boolean }
  // `recolour`: in the copy these palettes give way to others.
  | { kind: "copy"; cues: Range; to: Destination; what: "moves" | "look"; keep: boolean; recolour?: { palettes: Named[]; as: Named[] } }
  | { kind: "copyList"; label: string }
  // A block of stored moves, to the cue `to` and on, and to other lights where `as` names them.
  | { kind: "block"; what: "copy" | "move"; lights: Lights; attribute?: Named; cues: Range; to: string; as?: Lights }
  | { kind: "move"; cues: Range; to: Destination; keep: boolean }
  | { kind: "delete"; cues: Range; looks: "keepLooks" | "letGo" }
  // Cues are skipped and kept, or stand in the list again; `leave`: without what the show no longer has.
  | { kind: "switchCues"; cues: Range; on: boolean; leave: boolean }
  // What somebody who looks on asks for, pinned to a cue and to lights; what is asked in a cue is ticked off, with what was done.
  | { kind: "leaveNote"; text: string; cue?: string; lights?: Lights }
  | { kind: "tickNotes"; cue: string; answer?: string }
  | { kind: "notes" }
  // Files of others are brought in, or the show is written for them; a backup is made now.
  | { kind: "bringIn" }
  | { kind: "sendOut" }
  | { kind: "backup" }
  | { kind: "people" }
  | { kind: "servers" }
  // The server that leads hands the lead to its spare.
  | { kind: "handOver" }
  | { kind: "keepCue"; cue: string; keep: boolean }
  // A palette of each of our own tints, or of each colour of a list that was brought.
  | { kind: "tintPalettes"; list?: Named }
  // Which cues …, and what is done to those that are found.
  | { kind: "where"; asked: TypedQuestion; then?: Sentence }
  // Without a start the table of the numbers is opened, for the whole list where no cues are named.
  | { kind: "renumber"; cues: Range | undefined; start: string | undefined; step: string }
  | { kind: "show"; what: Shown; shown: boolean }
  // Cues of another show of the database; what was not said is asked.
  | { kind: "importCues"; cues?: Range; from?: string; start?: string }
  | { kind: "split"; lights: Lights; attribute?: Named; cue: string; to: string }
  | { kind: "label"; cues: Range; part?: number; label: string }
  /** `#12: note "…"`; null takes the text away. */
  | { kind: "cueText"; cues: Range | undefined; what: CueText; text: string | null }
  /** The scenes of called cues, as the headings of the play name them. */
  | { kind: "bookScenes"; cues: Range | undefined }
  // The moves of one part go to another.
  | { kind: "mergePart"; cues: Range | undefined; part: number; into: number }
  | {
      kind: "lights";
      cues: Range | undefined;
      lights: Lights;
      attribute?: Named;
      operation?: TypedOperation;
      /** What becomes of the looks behind the range; left out, as the show says. */
      after?: "restore" | "track";
      othersOut?: boolean;
      /** Fans give every group, or every span that is named, one point. */
      byGroup?: boolean;
      stored?: boolean;
      along?: boolean;
    };

/**
 * What becomes of what another light cannot do; undefined: it is refused.
 * Typed as `leave` or `drop` at the end of a line.
 */
export type Missing = "leave" | "drop" | undefined;
/**
 * One attribute that stands for another where a light takes over; `turned` measures from the other end of the range.
 * Typed in a recast, where lights differ: "pan as yoke turned".
 */
export interface TypedMapping {
  from: Named;
  to: Named;
  turned: boolean;
}
/**
 * Where cues go: a first number, a list, or both. Without a number they keep their own.
 * What neither names stays in the list that is open.
 */
export interface Destination {
  start?: string;
  list?: Named;
}

/**
 * A time and its delay as typed, in seconds; null stands for "none", which forgets what is stored.
 * Absent and null are different: absent was not typed.
 */
export interface TypedTime {
  time?: number | null;
  delay?: number | null;
  curve?: Named | null;
}
/**
 * Times of a part as typed, by direction and family; a name that was not typed is absent.
 * `up 3 down 5` gives two of them.
 */
export type TypedPartTimes = Partial<Record<"up" | "down" | "position" | "colour" | "beam", TypedTime>> & {
  /** The curve of the part, by which all runs that has none of its own. */
  curve?: Named | null;
};

/** How a list steps, as typed; what was not typed stays as it is. Seconds. */
export interface TypedSteps {
  interval?: number;
  tempo?: Named;
  order?: "forward" | "back" | "bounce" | "shuffle";
  rounds?: number;
}

/** A column of the times of cues as typed: `down`, `position delay`. */
export interface TypedColumn {
  of: "up" | "down" | "position" | "colour" | "beam";
  delay: boolean;
}

/**
 * What was said of a record; what was not said is left to a caller that makes it. Seconds.
 * Typed behind `record`, in any order.
 */
export interface RecordWords {
  cue?: string;
  label?: string;
  times?: TypedPartTimes;
  mode?: "merge" | "replace" | "remove";
  only?: boolean;
  part?: number;
  all?: boolean;
  stage?: boolean;
  running?: boolean;
  isolated?: boolean;
  waves?: "without" | "alone";
  note?: string | null;
  scene?: string | null;
  trigger?: Trigger | null;
  what?: "values" | "times";
  lights?: Lights;
  family?: Named | undefined;
}
/**
 * What is to be kept of what is in hand or chosen, under the label by which it is found again.
 * Typed as `keep colour "Dusk"` and the like.
 */
export type Keeping =
  | { what: "palette"; label: string; family: Named; scope: "all" | "type" | "channel" }
  | { what: "pace"; label: string }
  // A held look of what is in hand, or of the lights that are lit.
  | { what: "look"; label: string; stage?: boolean }
  | { what: "group"; label: string; lights?: Lights }
  // A movement of what the lights sway in hand.
  | { what: "movement"; label: string; lights?: Lights }
  // Beats a minute.
  | { what: "tempo"; label: string; perMinute: number };

/**
 * Cue numbers as typed; one cue is a range with two equal ends.
 * Both ends included; they need not exist themselves.
 */
export interface Range {
  from: string;
  to: string;
}
/**
 * A name with the place where it stands, so that an error can point at it.
 * Characters count from 0.
 */
export interface Named {
  name: string;
  at: number;
}
/**
 * Chosen lights: channels, spans of channels and groups in the order typed, of which every n-th counts (1: all of them).
 * Resolved by `channelsOf`; groups are looked up there and not before.
 */
export interface Lights {
  terms: ({ first: number; last: number; at: number } | { group: Named })[];
  every: number;
}
/**
 * What is done to the chosen lights: a change of values, times of their own, or the part that they go to.
 * Held against the show it becomes an `Operation` or a patch of times.
 */
export type TypedOperation = TypedChange | TypedTiming | { part: number } | { wave: TypedWave | null } | { prepared: TypedMark | null };

/** Where and how lights are prepared in the dark, as typed; null takes away what is said. Seconds; null for a time forgets it. */
export interface TypedMark {
  /** The number of a cue, or in view of the audience. */
  at?: string;
  view?: true;
  /** For all lights of cues or of the list: just before, or as soon as they are dark. */
  policy?: "before" | "dark" | "view";
  fade?: number | null;
  delay?: number | null;
}
/**
 * A change of values; a fan is text such as "-30~30". `isTight` where a minus stands right before its number.
 * A bare word is a palette or the name of a slot.
 */
export type TypedChange =
  | { set: number | string }
  | { palette: Named }
  | { add: number; isTight?: boolean }
  | { scale: number }
  | { release: true }
  | { home: true }
  // A colour by its number or name, by kelvin, or in the numbers of a model.
  | { colour: TypedColour }
  // A ready movement by its name.
  | { movement: Named }
  // Full, and everything else at home.
  | { lit: true }
  | { drop: true };
/**
 * Times of their own for the chosen lights' moves: seconds, a fan as text, null to forget; or a factor, or a pace in place of them.
 * What was not typed is absent and stays as it is.
 */
export interface TypedTiming {
  // `over`: the fades end one behind the other, the last after so many seconds.
  times: { fade?: number | string | null; delay?: number | string | null; over?: number; scale?: number; curve?: Named; pace?: Named };
}

/**
 * A wave as it was typed: its shape, its size, how often (seconds, or a tempo by its name), its spread in degrees; amounts may be fans as text.
 * Or that what sways there stops.
 */
export type TypedWave =
  { stop: true } | { shape: Named; size: number | string; period?: number | string; tempo?: Named; phase?: number | string };

/**
 * What is pressed now, as it was typed: what a cue can do besides, and what only a hand does.
 * Cues stay text; levels are per cent.
 */
export type TypedPress =
  | { do: "action"; action: TypedAction }
  | { do: "fader"; name: Named; level: number; time?: number }
  | { do: "catch" | "back"; name: Named }
  // `also`: beside what is chosen already.
  | { do: "standby"; chosen: { name: Named; cue: string }[]; also?: boolean }
  | { do: "chooseSet" }
  | { do: "blackout"; on: boolean; time?: number }
  | { do: "grand"; level: number; time?: number }
  | { do: "allOff"; time?: number }
  // A list or a held look is seen alone; without a name all come out again.
  | { do: "solo"; name?: Named }
  // Lights flash until others, or none, are named.
  | { do: "identify"; lights?: Lights }
  // Lights stay as they are whatever runs, or run again; without lights all that is parked.
  | { do: "park"; on: boolean; lights?: Lights; attribute?: Named }
  | { do: "fire" }
  | { do: "putOnStage" };

/**
 * What a cue is to do besides, as it was typed: to a list, a held look or a tempo by its name. Times are seconds.
 * Becomes an `Action` once its names are found; levels are per cent.
 */
export interface TypedAction {
  readonly do: "start" | "go" | "goto" | "hold" | "resume" | "release" | "rate" | "master" | "look" | "tempo";
  readonly name: Named;
  readonly cue?: string;
  /** A rate, a level in per cent or beats a minute. */
  readonly value?: number;
  readonly time?: number;
  readonly after?: number;
}

/** A colour as typed: per cent for the parts of RGB and CMY and for saturation and value, degrees for the hue. */
export type TypedColour =
  | { tint: Named }
  | { kelvin: number }
  | { rgb: [number, number, number] }
  | { cmy: [number, number, number] }
  | { hue: number; saturation: number; value: number };

/** What is asked of cues, as typed: a value that they show, a time that they store, whom they move, or what they use. */
export type TypedQuestion =
  | { about: "value"; lights: Lights; attribute?: Named; is: Relation; value: number }
  | { about: "shows"; lights: Lights; palette: Named }
  | { about: "time"; column: TypedColumn; is: Relation; value: number }
  | { about: "moves"; lights: Lights }
  | { about: "uses"; name: Named };

/** The texts that a cue has of its own. */
export type CueText = "label" | "note" | "scene";
