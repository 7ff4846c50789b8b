import { z } from "zod";
import { isCueNumber, plainCueNumber } from "./cueNumber.ts";
import { FAN_ENDING } from "./fanEnding.ts";
import { BEATS, LEVEL, RATE, LONGEST_SCENE } from "./limits.ts";

/** The families of attributes, in the order in which every sheet shows them. */
export const FAMILIES = ["intensity", "position", "colour", "beam"] as const;
/**
 * How a value runs from where it is to where it goes (docs/rules.md, Times).
 * The place of a curve in this list is its number in arrays of the engine, so a new one goes to the end.
 */
export const CURVES = ["linear", "ease", "slowStart", "slowEnd", "atStart", "atEnd"] as const;

/** Names that every object has already; an attribute of such a name would be found where none is stored. */
const RESERVED: ReadonlySet<string> = new Set(Object.getOwnPropertyNames(Object.prototype));
const id = z
  .string()
  .regex(/^[\p{L}\p{N}][\p{L}\p{N}_.-]{0,63}$/u, "is not an id; use letters, digits, - _ and .")
  .refine((text) => !RESERVED.has(text), "is a word that programs keep for themselves; choose another id");
/** Characters that are not written: all controls but the tab and the breaks of lines. */
// eslint-disable-next-line no-control-regex -- these are the ones that are looked for
const CONTROL = /[\u0000-\u0008\u000b\u000c\u000e-\u001f\u007f-\u009f]/;
/** True for text without controls, other than tabs and breaks of lines. For names that are stored beside the show. */
export function isPlainText(value: unknown): boolean {
  return typeof value === "string" && !CONTROL.test(value);
}
/** What is wrong with text that is not plain. */
export const NOT_PLAIN = "holds a control character, which no sheet and no program can show; take it out";
/** Text that every other program can store and send: half a surrogate pair would come back changed. */
const text = z
  .string()
  .refine((value) => !/\p{Surrogate}/u.test(value), "holds half a character; type it again")
  .refine(isPlainText, NOT_PLAIN);
/** A name is one line: it stands in a row of a sheet and in messages to other programs. */
const label = text
  .max(200, "is longer than 200 characters")
  .refine((value) => !/[\t\n\r]/.test(value), "is one line; take out the line breaks and tabs");
/** What a show is called; something can be read. */
const title = label.refine((value) => value.trim() !== "", "is empty; a show has a title");
/** Far beyond any attribute of any light, and small enough that sums and products of two stay exact enough. */
const LARGEST = 1e9;
const number = z.number().min(-LARGEST, "is too far below 0").max(LARGEST, "is too large");
const seconds = z.number().min(0, "is a time below 0").max(86_400, "is a time of more than a day");
const channelNumber = z.number().int("is not a whole number").min(1).max(99_999);
/** A cue number as a pattern for other tools; `isCueNumber` is what reads one. */
export const CUE_NUMBER_PATTERN = "^[0-9]{1,6}([.][0-9]{1,3})?$";
const cueNumber = z
  .string()
  .refine(isCueNumber, "is not a cue number; use digits with at most three decimal places")
  .transform((text) => (isCueNumber(text) ? plainCueNumber(text) : text));
const family = z.enum(FAMILIES);
const curve = z.enum(CURVES);

const hexColour = z.string().regex(/^#[0-9a-f]{6}$/, "is not a colour; write it as #ffb066");
/** A small picture in the text of the document. */
const smallPicture = z
  .string()
  .max(90_000, "is larger than a picture of a wheel may be")
  .regex(/^data:image\/(png|jpeg);base64,[A-Za-z0-9+/]+=*$/, "is not a picture; it is a PNG or JPEG as a data address");
/** Where a light begins in a universe, and what its level gives there at full, per cent; absent: all. */
const address = {
  universe: z.number().int().min(1).max(63_999),
  address: z.number().int().min(1).max(512),
  level: z.number().min(0, "is below 0 %").max(100, "is above 100 %").optional(),
};

/** One thing that a light can do, and in which range. `min`, `max` and `home` are in the attribute's own unit. */
const attribute = z.strictObject({
  id,
  name: label.optional(),
  family,
  min: number,
  max: number,
  home: number,
  /** Units a second; absent: it is there at once. */
  speed: number.min(1e-6, "is not a speed above 0").optional(),
  snap: z.boolean().optional(),
  /** How finely its value is sent: in one address, or in two or three, the coarse one first (docs/running.md, Output). */
  bits: z.union([z.literal(8), z.literal(16), z.literal(24)]).optional(),
  /** Which of its light's addresses it takes, counted from 1; as many as it has bits for. Absent: those behind the attribute before it. */
  at: z.array(z.number().int().min(1).max(512)).min(1).max(3).optional(),
  /** Under which of the light's patches it stands, counted from 1, where a light is patched at several places. */
  break: z.number().int().min(2).max(8).optional(),
  /** What it is at while its light is to be found, besides the level. */
  highlight: number.optional(),
  /**
   * Stretches of its range that mean different things, as "index" and "turn" do: each from one value to another, standing for `low` to `high` in a
   * unit of its own.
   */
  modes: z
    .array(
      z.strictObject({ name: label, from: number, to: number, low: number.optional(), high: number.optional(), unit: label.optional() }),
    )
    .optional(),
  /** The places of a wheel that have a name. */
  slots: z.array(z.strictObject({ value: number, name: label, rgb: hexColour.optional(), picture: smallPicture.optional() })).optional(),
});

/** A kind of light: what each of its lights can do. */
const fixtureType = z.strictObject({ id, name: label, attributes: z.array(attribute) });

/** A place on the stage, metres. */
const point = z.strictObject({ x: number, y: number, z: number });

/** One light of the rig under the number by which people call it. */
const channel = z.strictObject({
  number: channelNumber,
  type: id,
  label: label.optional(),
  /** `more` are the further places of a light that is patched at several: for the breaks of its type, and behind those the same values once more. */
  patch: z.strictObject({ ...address, more: z.array(z.strictObject(address)).min(1).max(63).optional() }).optional(),
  /**
   * Metres: x to the right as the audience sees it, y up, z away from the audience. `aim` is where a light that cannot turn is pointed; `turn` is how it
   * hangs, degrees around these axes, x first: none is hanging straight down, its front to the audience.
   */
  place: z.strictObject({ x: number, y: number, z: number, aim: point.optional(), turn: point.optional() }).optional(),
  /** It stays as it is when everything else is put out: under the blackout, the grand master and "all off". */
  house: z.literal(true).optional(),
});

/** Lights that are often taken together, in the order in which fans spread over them. */
const group = z.strictObject({ id, label, channels: z.array(channelNumber) });

/** One value of a palette: for one channel, for a type, or, with neither, for every light that has the attribute. */
const paletteValue = z.strictObject({ attribute: id, value: number, type: id.optional(), channel: channelNumber.optional() });

/** Seconds, or a fan of seconds over lights: "0~5", "2~5~2". */
const spread = z.union([
  seconds,
  z.string().regex(new RegExp(`^\\d+(\\.\\d+)?(~\\d+(\\.\\d+)?)+${FAN_ENDING.source}`), "is not a fan; write it as 0~3.5"),
]);
/** Times and curve that a pace gives to the moves of one family. */
const paceTimes = z.strictObject({ fade: spread.optional(), delay: spread.optional(), curve: curve.optional() });
/** Timing without values, family by family. What was laid on moves does not follow it when it changes. */
const pace = z.strictObject({
  id,
  label,
  intensity: paceTimes.optional(),
  position: paceTimes.optional(),
  colour: paceTimes.optional(),
  beam: paceTimes.optional(),
});

/**
 * Values under one name, of one family; cues refer to it and follow it when it changes. Its times are laid on moves when it is given to lights,
 * as those of a pace are; later changes of them do not follow.
 */
const palette = z.strictObject({ id, family, label, values: z.array(paletteValue), times: paceTimes.optional() });

/**
 * The times of a part that levels run in, and that the other families fall back on.
 * Seconds each, 0 or more. `down` falls back on `up` and `downDelay` on `upDelay`.
 */
export const PLAIN_TIMES = ["up", "down", "upDelay", "downDelay"] as const;
/**
 * The families whose moves may have times of their own in a part; levels have up and down.
 * Without times of their own they run in `up`, after `upDelay` (docs/rules.md, Times).
 */
export const TIMED_FAMILIES = ["position", "colour", "beam"] as const;

/** Times for the moves of one family in a part, in place of its up or down. Seconds. */
const familyTimes = z.strictObject({ fade: seconds.optional(), delay: seconds.optional(), curve: curve.optional() });
/** The times of a part, and the curves of families that do not run by the part's. Seconds; what is absent falls back as docs/rules.md, Times says. */
const partTimes = z.strictObject({
  up: seconds.optional(),
  down: seconds.optional(),
  upDelay: seconds.optional(),
  downDelay: seconds.optional(),
  position: familyTimes.optional(),
  colour: familyTimes.optional(),
  beam: familyTimes.optional(),
});

/** The own times and curve that a move may have. Seconds. */
const moveTiming = { fade: seconds.optional(), delay: seconds.optional(), curve: curve.optional() };
/** One stored instruction: a number, or exactly one of value, palette and release with its own times. */
const moveSchema = z.union([
  number,
  z.strictObject({ value: number, ...moveTiming }),
  z.strictObject({ palette: id, ...moveTiming }),
  z.strictObject({ release: z.literal(true), ...moveTiming }),
]);

/** Moves are checked by `readMoves`, which is far quicker on large shows and names the key. */
const rawMoves = z.custom<Moves>(
  (value) => typeof value === "object" && value !== null && !Array.isArray(value),
  "is not an object of moves",
);
const moves = rawMoves.default(() => ({}));

/**
 * The shapes of a wave over one period (docs/running.md, Waves).
 * All but `flicker` repeat with their period and swing between -1 and 1; a flicker never repeats, yet is the same every night.
 */
export const WAVE_SHAPES = ["sine", "triangle", "square", "rise", "fall", "flicker"] as const;
/** A wave of one key: its size in the attribute's own unit, its period in seconds or by a tempo, its phase in degrees. */
const runningWave = z
  .strictObject({
    shape: z.enum(WAVE_SHAPES),
    size: number,
    period: z.number().min(0.05, "is a period below 0.05 s").max(86_400, "is a time of more than a day").optional(),
    tempo: id.optional(),
    phase: number.optional(),
  })
  .refine(({ period, tempo }) => period !== undefined || tempo !== undefined, "needs a period or a tempo: how fast does it go?");
/**
 * What a part says of the wave of a key: a wave, or that it stops.
 * Size is in the attribute's own unit, period in seconds, phase in degrees. A tempo may stand in place of a period.
 * Fans are allowed in edits alone: the document holds numbers.
 */
export const waveSchema = z.union([runningWave, z.strictObject({ stop: z.literal(true) })]);
/** Waves by channel number, then by attribute. */
const waves = z.record(z.string().regex(/^[1-9]\d{0,4}$/, "is not a channel number"), z.record(id, waveSchema));

/** A part of a cue: its times and the moves and waves that run with them. Parts count from 1. */
const part = z.strictObject({
  number: z.number().int().min(1, "is not a part number; parts count from 1").max(99),
  label: label.optional(),
  curve: curve.optional(),
  times: partTimes.default(() => ({})),
  moves,
  waves: waves.optional(),
});

const percent = z.number().min(LEVEL.least, `is below ${LEVEL.least} %`).max(LEVEL.most, `is above ${LEVEL.most} %`);
/** How many times as fast as usual a list runs. */
const rate = z.number().min(RATE.least, `is a rate below ${RATE.least}`).max(RATE.most, `is a rate above ${RATE.most}`);
/** Beats a minute of a tempo. */
const perMinute = z
  .number()
  .min(BEATS.least, `is a tempo below ${BEATS.least} a minute`)
  .max(BEATS.most, `is a tempo above ${BEATS.most} a minute`);
const priority = z.number().int("is not a whole number").min(0, "is below 0").max(100, "is above 100");
/** Whose level counts where several hold a light: the newest, or the highest. */
const levels = z.enum(["latest", "highest"]);

/**
 * What fires a cue: a Go, or by itself so many seconds after the Go of the cue before, or after that cue is complete (docs/rules.md,
 * Times).
 * `after` is seconds, 0 or more. The two kinds of follow look alike on a sheet and are drawn apart for that reason.
 */
export const triggerSchema = z.discriminatedUnion("type", [
  z.strictObject({ type: z.literal("go") }),
  z.strictObject({ type: z.literal("follow"), from: z.enum(["go", "complete"]), after: seconds }),
]);

/** Where one light is marked for this cue: in a named cue before it, or not at all (`view`: it moves in view); and how slowly, and how much later. */
const channelMark = z
  .strictObject({ at: cueNumber.optional(), view: z.literal(true).optional(), fade: seconds.optional(), delay: seconds.optional() })
  .refine(({ at, view }) => at === undefined || view === undefined, "names a cue and says that it moves in view; give one of the two")
  .refine((own) => Object.values(own).some((value) => value !== undefined), "says nothing; give at, view, fade or delay");
/** When lights are marked: just before they are called, as soon as they are dark, or not at all: then they move in view. */
const policy = z.enum(["before", "dark", "view"]);
/**
 * What a cue says of how its lights are marked: when (`policy`, or `at` a cue), how fast, and what single lights do otherwise. Seconds
 * (docs/rules.md, Marks).
 * The cue's policy beats the list's, `at` holds for all its lights, and an entry in `channels` beats both.
 * Whether a cue named by `at` exists is not checked here: planning reports it.
 */
export const markSchema = z.strictObject({
  policy: policy.optional(),
  at: cueNumber.optional(),
  fade: seconds.optional(),
  delay: seconds.optional(),
  channels: z.record(z.string().regex(/^\d+$/, "is not a channel number"), channelMark).optional(),
});
/**
 * Where in the script a cue is called: at which line, at which word of it, and how.
 * `kind` "on" is spoken with the word, "after" behind it. Without a word the whole line is meant (docs/running.md, Rehearsal).
 */
export const callSchema = z.strictObject({
  line: text.max(100),
  word: text.max(100).optional(),
  /** Which of several like words of the line is meant, counted from 1; the first when absent. */
  nth: z.number().int("is not a whole number").min(2, "is below 2; the first needs none").max(1000).optional(),
  kind: text.max(40).optional(),
});
const after = seconds.optional();
/**
 * Something that a cue does besides its moves, `after` seconds after its Go: to another list, to a held look, to a tempo (docs/running.md,
 * Actions).
 * Seconds for `after` and `time`, per cent for levels, times as fast for rates, beats for tempos.
 * Names of lists and looks are checked against the show by `actionFaults`.
 */
export const actionSchema = z.discriminatedUnion("do", [
  z.strictObject({ do: z.literal("start"), list: id, cue: cueNumber.optional(), after }),
  z.strictObject({ do: z.enum(["go", "back", "hold", "resume"]), list: id, after }),
  z.strictObject({ do: z.literal("goto"), list: id, cue: cueNumber, time: seconds.optional(), after }),
  /** Without a list the cue's own is let go of, when the cue is complete. */
  z.strictObject({ do: z.literal("release"), list: id.optional(), time: seconds.optional(), after }),
  z.strictObject({ do: z.literal("rate"), list: id, rate, after }),
  z.strictObject({ do: z.literal("master"), list: id, level: percent, time: seconds.optional(), after }),
  z.strictObject({ do: z.literal("look"), look: id, level: percent, time: seconds.optional(), after }),
  z.strictObject({ do: z.literal("tempo"), tempo: id, perMinute, after }),
]);

/**
 * The fields of a cue that stand beside its number and its parts.
 * Every field but the number is optional; what is absent has the default that docs/rules.md says.
 */
export const cueFields = {
  label: label.optional(),
  note: text.max(5000).optional(),
  scene: text.max(LONGEST_SCENE).optional(),
  block: z.boolean().optional(),
  restate: z.boolean().optional(),
  carries: z.enum(["track", "cueOnly", "isolated"]).optional(),
  trigger: triggerSchema.optional(),
  mark: markSchema.optional(),
  call: callSchema.optional(),
  actions: z.array(actionSchema).optional(),
  /** What it does to waves alone: none tracks in (`stop`), or all but those of levels track through a wall or an isolated cue (`pass`). */
  waves: z.enum(["stop", "pass"]).optional(),
};

/** A cue always has part 1, so one that is written without parts gets it. */
const parts = z
  .array(part)
  .min(1, "is empty; a cue has at least part 1")
  .default(() => [{ number: 1, times: {}, moves: {} }]);
/**
 * A whole cue as the document has it.
 * Parts stand in the order of their numbers; a cue without any is read as one with an empty first part.
 */
export const cueSchema = z.strictObject({ number: cueNumber, ...cueFields, parts });

/** A row that is left out where it is empty, so that a show without such things is the same text whether it names the row or not. */
const unlessEmpty = <T extends z.ZodType>(schema: T) =>
  z
    .array(schema)
    .transform((all) => (all.length > 0 ? all : undefined))
    .optional();

/** How a list runs by itself: its next cue every `interval` seconds, or at the beat of a tempo, in an order, for so many rounds (0: for ever). */
const steps = z
  .strictObject({
    interval: z.number().min(0.02, "is an interval below 0.02 s").max(86_400, "is a time of more than a day").optional(),
    order: z.enum(["forward", "back", "bounce", "shuffle"]).optional(),
    rounds: z.number().int("is not a whole number").min(0, "is below 0").max(100_000).optional(),
    tempo: id.optional(),
  })
  .refine(({ interval, tempo }) => interval !== undefined || tempo !== undefined, "needs an interval or a tempo: when does it go on?");

/** A cue list. The first of a show is the one that runs it. What is absent: priority 50, latest, let go of in 1 s, master 100. */
const list = z.strictObject({
  id,
  label,
  marks: z.strictObject({ policy: policy.optional(), fade: seconds.optional() }).optional(),
  priority: priority.optional(),
  levels: levels.optional(),
  releaseTime: seconds.optional(),
  master: percent.optional(),
  /** What its fader does beside the master. */
  fader: z.enum(["levels", "rate", "size"]).optional(),
  /** Raising the fader past this starts it. */
  startsAt: percent.optional(),
  /** What the button of its strip does: its next cue (left out), runs while it is held, or starts and, pressed again, lets go. */
  button: z.enum(["held", "latch"]).optional(),
  steps: steps.optional(),
  /** Cues that are switched off: kept with all they hold, and no part of what runs. Whether the rig still has what they speak of is checked when they are switched on. */
  off: unlessEmpty(cueSchema),
  cues: z.array(cueSchema),
});

/** A static look on a fader: values or palettes by channel and attribute. Absent: highest, priority 50, a fade of 1 s. */
const heldLook = z.strictObject({
  id,
  label,
  values: rawMoves,
  levels: levels.optional(),
  priority: priority.optional(),
  fade: seconds.optional(),
  /** What its button does: full while it is held (left out), or full and, pressed again, out. */
  button: z.literal("latch").optional(),
});
/** A beat that several lists share. */
const tempo = z.strictObject({ id, label, perMinute });
/** What stands in a place of a page of the shelf: a strip, or a button that does what a cue could do besides, or fires a set. */
const pageItem = z.union([
  z.strictObject({ list: id }),
  z.strictObject({ look: id }),
  z.strictObject({ tempo: id }),
  z.strictObject({ do: actionSchema, label: label.optional() }),
  z.strictObject({
    set: z.array(z.strictObject({ list: id, cue: cueNumber })).min(1, "is empty; a set has at least one cue"),
    label: label.optional(),
  }),
]);
/** A page of the shelf under a name of its own. What it speaks of may be gone; it is left out of sight then, and comes back with it. */
const page = z.strictObject({ id, label, items: z.array(pageItem).max(60, "has more than 60 places; make another page") });

/** What somebody who looks on asks for, pinned to a moment of the play, to a cue, to lights; and what became of it. */
const note = z.strictObject({
  id,
  text: text.max(2000, "is longer than 2000 letters").refine((value) => value.trim() !== "", "is empty; say what is wanted"),
  list: id.optional(),
  cue: cueNumber.optional(),
  channels: z.array(channelNumber).optional(),
  /** The line of the play at which it was asked. */
  line: text.max(100).optional(),
  /** When it was asked, and by whom, as it is read: "14 Nov, 20:41". */
  asked: label.optional(),
  done: z.literal(true).optional(),
  /** What was done about it. */
  answer: text.max(2000).optional(),
});

/** A ready movement: waves of several attributes that are laid on lights together. Sizes in the attributes' own units, degrees of phase and spread. */
const movement = z.strictObject({
  id,
  label,
  waves: z
    .array(
      z.strictObject({
        attribute: id,
        shape: z.enum(WAVE_SHAPES),
        size: number,
        phase: number.optional(),
        times: z.number().min(0.01).max(100).optional(),
      }),
    )
    .min(1, "is empty; a movement has at least one wave"),
  /** Seconds of one round. A wave that goes round several times in it says how often (`times`). */
  period: z.number().min(0.05, "is a period below 0.05 s").max(86_400, "is a time of more than a day"),
  /** Over how many degrees the lights are spread, from the first to the last. */
  spread: number.optional(),
});

/** Colours by numbers, as somebody brought them: what a glass of that number would make of white light. */
const colourList = z.strictObject({
  id,
  label,
  colours: z
    .array(
      z.strictObject({
        number: label,
        name: label.optional(),
        rgb: hexColour,
      }),
    )
    .max(5000, "has more than 5000 colours"),
});

/** Words a minute. */
const speakingPace = z.number().positive();
/**
 * What a line of the play holds beside its id: who says it, and how long it takes if that is known, seconds. A heading is not spoken and takes no time; a pace of its own
 * holds for the line, that of a heading for all lines up to the next heading.
 */
const scriptLineFields = {
  page: z.number().optional(),
  who: text.max(100, "is longer than 100 letters").optional(),
  text: text.max(10_000, "is longer than 10,000 letters; divide it by an empty line"),
  heading: z.boolean().optional(),
  pace: speakingPace.optional(),
  seconds: seconds.optional(),
  quiet: z.boolean().optional(),
};
const scriptLine = z.strictObject({ id: text.min(1).max(100), ...scriptLineFields });
/** The play line by line. `pace` is words a minute, `standby` the seconds by which a standby comes before its call (docs/running.md, Rehearsal). */
const scriptHeadFields = { pace: speakingPace.optional(), standby: seconds.optional() };
const script = z.strictObject({ ...scriptHeadFields, lines: z.array(scriptLine) });

/** What a cue starts with when it is recorded and nothing is said of it. */
const newCue = z.strictObject({ times: partTimes, curve: curve.optional() });
/** What becomes of the looks behind a range that is changed, where nothing is said of it; left out, the change tracks on. */
const editsAfter = z.enum(["track", "restore"]);

/**
 * A whole show as the open document has it (FORMAT). What holds between its fields is checked by `readShow`.
 * Strict: an unknown field is an error that names the field and its place.
 * Use `readShow`, which also checks what no schema can.
 */
export const showSchema = z.strictObject({
  format: z.literal("zealous-mark/show", "is not zealous-mark/show; this is not a show document"),
  version: z.literal(2, "is not a version that can be read; this program reads versions 1 and 2"),
  title,
  fixtureTypes: z.array(fixtureType).default(() => []),
  channels: z.array(channel).default(() => []),
  groups: z.array(group).default(() => []),
  palettes: z.array(palette).default(() => []),
  paces: z.array(pace).default(() => []),
  lists: z.array(list).min(1, "is empty; a show has at least one list"),
  heldLooks: unlessEmpty(heldLook),
  tempos: unlessEmpty(tempo),
  pages: unlessEmpty(page),
  notes: unlessEmpty(note),
  movements: unlessEmpty(movement),
  colourLists: unlessEmpty(colourList),
  script: script.optional(),
  newCue: newCue.optional(),
  editsAfter: editsAfter.optional(),
});

/** What the published schema of the document has to spell out by itself. */
export const documentParts = { moves: rawMoves, move: moveSchema, waves, cueNumber };
/** The schemas of what stands beside the cues. */
export const entrySchemas = { fixtureType, channel, group, palette, pace, list, heldLook, tempo, page, note, movement, colourList };
/** The schemas of the play's own fields, and of what a line of it holds. */
export const scriptParts = { head: scriptHeadFields, line: scriptLine, lineFields: scriptLineFields };
/** The schemas of single fields, for those who read something beside the document: edits, forms, what comes over the network. */
export const editParts = {
  id,
  text,
  label,
  title,
  newCue,
  editsAfter,
  seconds,
  number,
  channelNumber,
  cueNumber,
  family,
  curve,
  partTimes,
  spread,
  parts,
  wave: runningWave,
  action: actionSchema,
};

/**
 * What an attribute has to do with: the light's level, where it points, its colour, or the shape of its beam.
 * The lens of the Score, the times of a part and a palette each speak of one family.
 */
export type Family = (typeof FAMILIES)[number];
/** How a fade runs from its start to its end (docs/rules.md, Times). */
export type Curve = (typeof CURVES)[number];
/**
 * One thing that a type of light can do. Its numbers are in its own unit; `speed` is units a second, `snap` lets it jump, and `slots` name
 * the places of a wheel.
 * `home` is where it rests while no list says anything; for an intensity it is 0. `bits` is 8, 16 or 24 for the output.
 * Absent `speed`: it is there at once. Absent `snap`: it fades.
 */
export type Attribute = z.infer<typeof attribute>;
/**
 * A type of light: its name, and its attributes in the order of its addresses.
 * Types are made up by the show itself: no library of makers is built in.
 */
export type FixtureType = z.infer<typeof fixtureType>;
/**
 * One light of the rig: its number, its type, where it is patched and where it hangs.
 * `patch` is absent for a light that hangs but is not connected yet; `place` is metres on the stage.
 */
export type Channel = z.infer<typeof channel>;
/**
 * Lights under one name, in the order in which fans spread over them.
 * Groups are for choosing lights. Cues store channels and never groups, so editing a group changes no look.
 */
export type Group = z.infer<typeof group>;
/**
 * One value of a palette, for a channel, for a type, or for all lights that have the attribute.
 * The most particular one counts: the channel's, else the type's, else the one for all (docs/rules.md, Tracking).
 */
export type PaletteValue = z.infer<typeof paletteValue>;
/**
 * Values of one family under one name, which moves refer to.
 * Change it and every look that refers to it changes: the impact of such an edit says which.
 */
export type Palette = z.infer<typeof palette>;
/**
 * Timing under one name, without values. Seconds, or fans of seconds.
 * Laid on moves it writes numbers into them; changing the pace later does not change those moves.
 */
export type Pace = z.infer<typeof pace>;
/** Times of one family in a part. Seconds. */
export type FamilyTimes = z.infer<typeof familyTimes>;
/**
 * All times of a part. Seconds; an absent one falls back on another (docs/rules.md, Times).
 * Absent is not 0: an absent time falls back on another, a time of 0 jumps.
 */
export type PartTimes = z.infer<typeof partTimes>;
/** A move's own times and curve. Seconds. */
export interface OwnTiming {
  fade?: number | undefined;
  delay?: number | undefined;
  curve?: Curve | undefined;
}
/**
 * One move as the document stores it; a bare number is short for `{ value }`.
 * The long form has exactly one of value, palette and release, and times of its own where it has any.
 */
export type MoveSpec =
  | number
  | ({ value: number; palette?: never; release?: never } & OwnTiming)
  | ({ palette: string; value?: never; release?: never } & OwnTiming)
  | ({ release: true; value?: never; palette?: never } & OwnTiming);
/**
 * A wave of one key.
 * Added to the key's value while the cue's wave tracks (docs/running.md, Waves). A palette never holds one.
 */
export type Wave = z.infer<typeof runningWave>;
/** Waves by channel number, then by attribute; one may be a stop. */
export type Waves = z.infer<typeof waves>;
/** Moves by channel number, then by attribute. */
export type Moves = Record<string, Record<string, MoveSpec>>;
/**
 * A part of a cue: its number, its times and the moves that run in them.
 * Its moves start together with those of the other parts and run at the part's own times.
 */
export type Part = z.infer<typeof part>;
/**
 * What fires a cue.
 * An absent trigger is a Go. The first cue of a list never follows anything.
 */
export type Trigger = z.infer<typeof triggerSchema>;
/** What a cue says of the marks of its lights (docs/rules.md, Marks). */
export type MarkSettings = z.infer<typeof markSchema>;
/**
 * A cue with all its parts. Those of a list stand in the order of their numbers.
 * Never changed, only replaced. Its look is not stored: it is computed from the moves of the list.
 */
export type Cue = z.infer<typeof cueSchema>;
/**
 * A cue list with its cues in their order.
 * The first list of a show is the main one. A list with `steps` runs by itself once it is started; no other ever does.
 */
export type CueList = z.infer<typeof list>;
/**
 * A static look on a fader.
 * Values or palettes by channel and attribute, without times. Its fader, 0 to 100, is a matter of the run and is not stored here.
 */
export type HeldLook = z.infer<typeof heldLook>;
/**
 * A beat that lists share.
 * Beats a minute. All lists that name it step together; tapping changes it for all of them.
 */
export type Tempo = z.infer<typeof tempo>;
/** A page of the shelf, made by hand. */
export type Page = z.infer<typeof page>;
/** One place of a page: a strip or a button. */
export type PageItem = Page["items"][number];
/** What somebody who looks on asks for. */
export type Note = z.infer<typeof note>;
/** A ready movement: waves of several attributes together. */
export type Movement = z.infer<typeof movement>;
/** Colours by numbers, as somebody brought them. */
export type ColourList = z.infer<typeof colourList>;
/**
 * Something that a cue does besides its moves.
 * Tracked after a go-to, as values are (docs/running.md, Actions).
 */
export type Action = z.infer<typeof actionSchema>;
/** A line of the play. */
export type ScriptLine = z.infer<typeof scriptLine>;
/** The play of a show. */
export type Script = z.infer<typeof script>;
/** What a script says over its lines: its speaking pace, words a minute, and the seconds by which a standby comes before its call. */
export type ScriptHead = Omit<Script, "lines">;
/** Where in the script a cue is called. */
export type Call = z.infer<typeof callSchema>;
/**
 * A whole show: plain data, never changed, only replaced.
 * Two that say the same serialize to the same bytes. Sheets, looks and times are computed from it and kept by its identity.
 */
export type Show = z.infer<typeof showSchema>;
/** What stands over a whole show: its title, and what new cues start with. */
export type ShowHead = Pick<Show, "title" | "newCue" | "editsAfter">;
/** A list without its cues. */
export type ListHead = Omit<CueList, "cues">;
/** A cue without its number and parts. */
export type CueHead = Omit<Cue, "number" | "parts">;
/** A part without its number and moves. */
export type PartHead = Omit<Part, "number" | "moves">;
