// The smallest exact changes, of which every edit is made: what stood there, and what stands there afterwards. They are stored, sent to every
// window, turned round for undo, and compared before they are applied. They name cues, channels and ids, never places in an array.
import { z } from "zod";
import { at } from "../../show/at.ts";
import { STEPS_A_PAUSE } from "./pauses.ts";
import { runToEnd } from "../../show/runToEnd.ts";
import {
  type Channel,
  type ColourList,
  type CueHead,
  type FixtureType,
  type Group,
  type HeldLook,
  type ListHead,
  type MoveSpec,
  type Movement,
  type Note,
  type Pace,
  type Page,
  type Palette,
  type PartHead,
  type ScriptHead,
  type ScriptLine,
  type ShowHead,
  type Tempo,
  scriptParts,
} from "../../show/schema.ts";

/**
 * The smallest exact change of a show: one thing, as it was and as it becomes. Absent means that it is not there. Applied only where the
 * show still is as it was; turned round it is its own inverse.
 * History, undo and every window speak in steps: applied to the same show they give the same show anywhere.
 */
export type Step = CueDataStep | RenumberStep | EntryStep | ShowStep | ScriptStep | LineStep;

/**
 * A change of what one cue holds.
 * Steps of other kinds change which cues, entries or lists there are.
 */
export type CueDataStep = MoveStep | PartStep | CueStep;

/**
 * One stored move comes, goes, changes, or goes to another part of its cue.
 * Both absent does not occur. A change of part with the same move is a change too.
 */
export interface MoveStep {
  at: "move";
  list: string;
  cue: string;
  channel: number;
  attribute: string;
  before?: PlacedMove | undefined;
  after?: PlacedMove | undefined;
}
/**
 * A move and the part that holds it.
 * The number of the part counts from 1.
 */
export interface PlacedMove {
  part: number;
  move: MoveSpec;
}
/**
 * One part comes, goes or changes its times; it holds no move when it comes or goes.
 * Moves have come out of it before it goes, each by a step of its own.
 */
export interface PartStep {
  at: "part";
  list: string;
  cue: string;
  part: number;
  before?: PartHead | undefined;
  after?: PartHead | undefined;
}
/**
 * One cue comes, goes or changes its own fields; it has no part when it comes or goes.
 * Its parts have gone before it goes, each by a step of its own.
 */
export interface CueStep {
  at: "cue";
  list: string;
  cue: string;
  before?: CueHead | undefined;
  after?: CueHead | undefined;
}
/**
 * Cues take other numbers, all at once, so that two may also exchange theirs.
 * Only cues that change their number are in it. The order of the cues stays.
 */
export interface RenumberStep {
  at: "renumber";
  list: string;
  cues: { from: string; to: string }[];
}

/**
 * What stands beside the cues in a show, by the field of the document that holds it.
 * Lists are among them without their cues.
 */
export const ENTRY_KINDS = [
  "fixtureTypes",
  "channels",
  "groups",
  "palettes",
  "paces",
  "heldLooks",
  "tempos",
  "pages",
  "notes",
  "movements",
  "colourLists",
  "lists",
] as const;
/** The kinds of entries by the name of their list in the document. */
export type EntryKind = (typeof ENTRY_KINDS)[number];
/**
 * What one entry of each kind is called.
 * For messages and the history: "palette Dusk".
 */
export const ENTRY_WORDS: Readonly<Record<EntryKind, string>> = {
  fixtureTypes: "fixture type",
  channels: "channel",
  groups: "group",
  palettes: "palette",
  paces: "pace",
  heldLooks: "held look",
  tempos: "tempo",
  pages: "page",
  notes: "note",
  movements: "movement",
  colourLists: "colour list",
  lists: "list",
};
/**
 * One entry as it stands in its list; a cue list without its cues.
 * What `setPalette` and its like take.
 */
export type ShowEntry = FixtureType | Channel | Group | Palette | Pace | HeldLook | Tempo | Page | Note | Movement | ColourList | ListHead;
/**
 * An entry and its place among its like, counted from 0.
 * The place counts when an entry comes back: it stands where it stood.
 */
export interface PlacedEntry {
  index: number;
  entry: ShowEntry;
}
/**
 * One palette, group, pace, channel, fixture type or list comes, goes or changes. A list holds no cue when it comes or goes.
 * Both absent does not occur.
 */
export interface EntryStep {
  at: "entry";
  of: EntryKind;
  /** A channel's number as text. */
  id: string;
  before?: PlacedEntry | undefined;
  after?: PlacedEntry | undefined;
}

/**
 * The show's own fields change: its title, and what new cues start with.
 * Both are whole heads.
 */
export interface ShowStep {
  at: "show";
  before: ShowHead;
  after: ShowHead;
}

/**
 * The play comes, goes, or changes its pace or its standby time. It holds no line when it comes or goes.
 * Absent means that the show has no play.
 */
export interface ScriptStep {
  at: "script";
  before?: ScriptHead | undefined;
  after?: ScriptHead | undefined;
}
/**
 * A line of the play and the line that it stands behind.
 * `behind` is null for the first line. It counts where the line comes; where one goes it only says where it would come back.
 */
export interface PlacedLine {
  behind: string | null;
  line: ScriptLine;
}
/**
 * One line of the play comes, goes, changes, or goes to another place.
 * Its id stays the same as long as it is there.
 */
export interface LineStep {
  at: "line";
  line: string;
  before?: PlacedLine | undefined;
  after?: PlacedLine | undefined;
}

/**
 * The steps that take these back: each turned round, the last first. Applied to the show after them they give the identical document
 * before.
 * Each step says what was there before, so nothing else is needed.
 */
export function invertSteps(steps: readonly Step[]): Step[] {
  return runToEnd(invertInSlices(steps));
}

/** As `invertSteps`, with pauses in between, for a server that has more to do. */
export function* invertInSlices(steps: readonly Step[]): Generator<undefined, Step[]> {
  const inverted: Step[] = [];
  for (let place = steps.length - 1; place >= 0; place -= 1) {
    inverted.push(invertStep(at(steps, place)));
    if (place % STEPS_A_PAUSE === 0) yield;
  }
  return inverted;
}

/** The step that takes one back: before and after change places. */
function invertStep(step: Step): Step {
  switch (step.at) {
    case "move": {
      // By name: an edit of a whole list has hundreds of thousands of these.
      const { list, cue, channel, attribute, before, after } = step;
      return { at: "move", list, cue, channel, attribute, before: after, after: before };
    }
    case "part":
      return { ...step, before: step.after, after: step.before };
    case "cue":
      return { ...step, before: step.after, after: step.before };
    case "entry":
      return { ...step, before: step.after, after: step.before };
    case "show":
      return { ...step, before: step.after, after: step.before };
    case "script":
      return { ...step, before: step.after, after: step.before };
    case "line":
      return { ...step, before: step.after, after: step.before };
    case "renumber":
      return { ...step, cues: step.cues.map(({ from, to }) => ({ from: to, to: from })) };
  }
}

/**
 * True for a change of what one cue holds.
 * Such steps may be applied together, whatever their order among different cues.
 */
export function isCueData(step: Step): step is CueDataStep {
  return step.at === "cue" || step.at === "part" || step.at === "move";
}

/**
 * True for a change of the play.
 * Cues are placed by steps of their own.
 */
export function isOfScript(step: Step): step is ScriptStep | LineStep {
  return step.at === "script" || step.at === "line";
}

/**
 * What a step touches, as one text: two edits that share none can both be kept, whoever made them and in whichever order.
 * A cue that comes or goes is an address of its own; what is in it has others that begin alike.
 */
export function addressOf(step: Step): string {
  switch (step.at) {
    case "move":
      return `${step.list}/${step.cue}/${step.channel}.${step.attribute}`;
    case "part":
      return `${step.list}/${step.cue}/part ${step.part}`;
    case "cue":
      return `${step.list}/${step.cue}`;
    case "renumber":
      return `${step.list}/numbers`;
    case "entry":
      return `${step.of}/${step.id}`;
    case "show":
      return "show";
    case "script":
      return "script";
    case "line":
      return `script/${step.line}`;
  }
}

const isObject = (value: unknown): boolean => typeof value === "object" && value !== null && !Array.isArray(value);
const cueHead = z.custom<CueHead>(isObject, "is not an object").optional();
const partHead = z.custom<PartHead>(isObject, "is not an object").optional();
const showHead = z.custom<ShowHead>(isObject, "is not an object");
const placed = z.strictObject({
  part: z.number().int().min(1),
  move: z.custom<MoveSpec>((value) => typeof value === "number" || (typeof value === "object" && value !== null), "is not a move"),
});
const scriptHead = z.strictObject(scriptParts.head).optional();
const placedLine = z.strictObject({ behind: z.string().nullable(), line: scriptParts.line }).optional();
const inList = { list: z.string() };
const inCue = { ...inList, cue: z.string() };

const placedEntry = z.strictObject({ index: z.number().int().min(0), entry: z.custom<ShowEntry>(isObject, "is not an object") }).optional();

/**
 * The shape of steps in a file; the show they are applied to is checked whole afterwards.
 * A file of steps is refused where they do not fit the show it is applied to.
 */
export const stepSchema = z.union([
  z.strictObject({
    at: z.literal("move"),
    ...inCue,
    channel: z.number(),
    attribute: z.string(),
    before: placed.optional(),
    after: placed.optional(),
  }),
  z.strictObject({ at: z.literal("part"), ...inCue, part: z.number(), before: partHead, after: partHead }),
  z.strictObject({ at: z.literal("cue"), ...inCue, before: cueHead, after: cueHead }),
  z.strictObject({ at: z.literal("renumber"), ...inList, cues: z.array(z.strictObject({ from: z.string(), to: z.string() })) }),
  z.strictObject({ at: z.literal("entry"), of: z.enum(ENTRY_KINDS), id: z.string(), before: placedEntry, after: placedEntry }),
  z.strictObject({ at: z.literal("show"), before: showHead, after: showHead }),
  z.strictObject({ at: z.literal("script"), before: scriptHead, after: scriptHead }),
  z.strictObject({ at: z.literal("line"), line: z.string(), before: placedLine, after: placedLine }),
]);
