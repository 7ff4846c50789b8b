import { z } from "zod";
import { ShowError } from "../show/errors.ts";
import { BEATS, LEVEL, LONGEST_CUE_NUMBER, LONGEST_ID, LONGEST_KEY, MOST_CHOSEN, MOST_LIGHTS, PRESS_TIME, RATE } from "../show/limits.ts";
import { cueAt, rowOf } from "../sheet/sheet.ts";
import { nextRow, previousRow } from "./follows.ts";
import type { RunChange } from "./runChange.ts";
import type { ListRun } from "./listRun.ts";
import type { Mix } from "./mix.ts";
import { thereIsNo } from "../show/thereIsNo.ts";

/** Everything off takes so long where nothing is said of it; seconds. */
export const ALL_OFF_TIME = 3;

/** All that can be pressed on what runs. */
export const PRESSES = [
  "go",
  "back",
  "hold",
  "goto",
  "release",
  "master",
  "fader",
  "catch",
  "rate",
  "look",
  "bump",
  "tempo",
  "standby",
  "fire",
  "grand",
  "blackout",
  "allOff",
  "solo",
  "identify",
  "park",
] as const;

const within = ({ least, most }: { least: number; most: number }): z.ZodNumber => z.number().min(least).max(most);
const name = z.string().max(LONGEST_ID);
const cueNumber = z.string().max(LONGEST_CUE_NUMBER);

/** The fields of a press as they come from outside, where nobody has looked yet whether they fit it; `readPress` makes a press of them. */
export const pressFields = z.object({
  press: z.enum(PRESSES),
  /** A name of its own for this press: the same one twice is done once. */
  id: z.string().min(1).max(LONGEST_ID).optional(),
  /** The list that it speaks of; the first when left out. */
  list: name.optional(),
  /** go: the cue that the window showed as next. back: the cue in which it showed the list. goto: the cue to go to. */
  cue: cueNumber.optional(),
  /** goto, release, master, fader, look, grand, blackout, allOff: in so many seconds; left out, as the show says. */
  time: within(PRESS_TIME).optional(),
  /** hold: whether it is to be held; left out, the other of what it is. go: whether the window showed it held, so that two presses at once let it go on and fire nothing. bump: whether it is pressed; whoever holds it says so again and again. blackout: whether levels are held at 0; left out, the other of what it is. */
  held: z.boolean().optional(),
  /** master, fader, look, grand: per cent. */
  level: within(LEVEL).optional(),
  /** rate: how many times as fast. */
  rate: within(RATE).optional(),
  look: name.optional(),
  tempo: name.optional(),
  /** tempo: beats a minute. */
  perMinute: within(BEATS).optional(),
  /** standby: what goes together. */
  chosen: z
    .array(z.object({ list: name, cue: cueNumber }))
    .max(MOST_CHOSEN)
    .optional(),
  /** identify: the lights that flash until others are named, or none. */
  channels: z.array(z.number().int().min(1)).max(MOST_LIGHTS).optional(),
  /** park: values by key, such as 12.pan; null lets the key run again. */
  values: z.record(z.string().max(LONGEST_KEY), z.number().nullable()).optional(),
});
export type PressFields = z.infer<typeof pressFields>;

/** A press by its kind. */
type Kind<K extends PressFields["press"], Optional extends keyof PressFields = never, Needed extends keyof PressFields = never> = {
  readonly press: K;
  readonly id?: PressFields["id"];
} & { readonly [F in Optional]?: PressFields[F] } & { readonly [F in Needed]: NonNullable<PressFields[F]> };

/**
 * Something pressed on what runs, by whatever door: a window, a typed line, OSC. Without a list it speaks of the show's first. What each field means
 * and its units stand with `pressFields`.
 */
export type Press =
  | Kind<"go", "list" | "cue" | "held">
  | Kind<"back", "list" | "cue">
  | Kind<"hold", "list" | "held">
  | Kind<"goto", "list" | "time", "cue">
  | Kind<"release", "list" | "time">
  | Kind<"master" | "fader", "list" | "time", "level">
  | Kind<"catch", "list">
  | Kind<"rate", "list", "rate">
  | Kind<"look", "time", "look" | "level">
  | Kind<"bump", "held", "look">
  | Kind<"tempo", never, "tempo" | "perMinute">
  | Kind<"standby", never, "chosen">
  | Kind<"fire">
  | Kind<"grand", "time", "level">
  | Kind<"blackout", "held" | "time">
  | Kind<"allOff", "time">
  | Kind<"solo", "list" | "look">
  | Kind<"identify", never, "channels">
  | Kind<"park", never, "values">;

/** A press that cannot be done as things stand; nothing has happened. */
export class PressRefusedError extends Error {
  override readonly name = "PressRefusedError";
}

/** The press that fields make, their limits having been looked at. Throws ShowError where one is missing that it needs. */
export function readPress(fields: PressFields): Press {
  const { press, id, list, cue, time, held, level, look } = fields;
  switch (press) {
    case "go":
      return { press, id, list, cue, held };
    case "back":
      return { press, id, list, cue };
    case "hold":
      return { press, id, list, held };
    case "goto":
      if (cue === undefined) throw new ShowError("Go to which cue? Give its number");
      return { press, id, list, cue, time };
    case "release":
      return { press, id, list, time };
    case "master":
    case "fader":
      return { press, id, list, time, level: needed(level, "level, 0 to 100") };
    case "catch":
      return { press, id, list };
    case "rate":
      return { press, id, list, rate: needed(fields.rate, "rate, such as 1.5") };
    case "look":
      return { press, id, time, look: needed(look, "look"), level: needed(level, "level, 0 to 100") };
    case "bump":
      return { press, id, held, look: needed(look, "look") };
    case "tempo":
      return {
        press,
        id,
        tempo: needed(fields.tempo, "tempo"),
        perMinute: needed(fields.perMinute, "perMinute, beats a minute"),
      };
    case "standby":
      return { press, id, chosen: fields.chosen ?? [] };
    case "fire":
      return { press, id };
    case "grand":
      return { press, id, time, level: needed(level, "level, 0 to 100") };
    case "blackout":
      return { press, id, held, time };
    case "allOff":
      return { press, id, time };
    case "solo":
      return { press, id, list, look };
    case "identify":
      return { press, id, channels: fields.channels ?? [] };
    case "park":
      return { press, id, values: checkedValues(needed(fields.values, "values by key, such as 12.pan")) };
  }
}

/** Values as they came from outside. Throws ShowError for what is neither a number nor null. */
function checkedValues(values: Readonly<Record<string, number | null>>): Readonly<Record<string, number | null>> {
  for (const [key, value] of Object.entries(values))
    if (value !== null && !Number.isFinite(value)) throw new ShowError(`${key}: a value is a number, or null to let it run again`);
  return values;
}

function needed<T>(value: T | undefined, what: string): T {
  if (value === undefined) throw new ShowError(`This press needs a ${what}`);
  return value;
}

/**
 * What a press does at a moment of the run, `t` seconds of its clock; `first` is the list that a press without a list speaks of. A bump is its look at
 * full for as long as it is held: what it goes back to knows only whoever holds it.
 * Throws PressRefusedError where it cannot be done as things stand, ShowError where it names what there is not.
 */
export function runChangeOf(mix: Mix, press: Press, t: number, first: string): RunChange {
  switch (press.press) {
    case "look":
      return { t, look: lookOf(mix, press.look), level: press.level, ...timed(press) };
    case "bump":
      return { t, look: lookOf(mix, press.look), level: 100, time: 0 };
    case "tempo":
      if (!mix.tempos.has(press.tempo)) throw new ShowError(thereIsNo("tempo", press.tempo, mix.tempos.keys()));
      return { t, tempo: press.tempo, perMinute: press.perMinute };
    case "standby":
      return { t, standby: [...press.chosen] };
    case "fire":
      if (mix.standby.length === 0) throw new PressRefusedError("Nothing is chosen to go together; choose a next cue on a list first");
      return { t, fire: true };
    case "grand":
      return { t, grand: press.level, ...timed(press) };
    case "blackout":
      return { t, blackout: press.held ?? mix.grand.blackout.to === 0, ...timed(press) };
    case "allOff":
      return { t, allOff: true, time: press.time ?? ALL_OFF_TIME };
    case "solo":
      return { t, solo: soloistOf(mix, press) };
    case "identify":
      return { t, identify: [...press.channels] };
    case "park":
      return { t, park: { ...press.values } };
    default:
      return onList(mix, press, t, press.list ?? first);
  }
}

/** What is pressed on one list. */
export type ListPress = Exclude<
  Press,
  { press: "look" | "bump" | "tempo" | "standby" | "fire" | "grand" | "blackout" | "allOff" | "solo" | "identify" | "park" }
>;

/** Who is seen alone; nobody where the press names none. Throws ShowError for a list or a look that there is not. */
function soloistOf(mix: Mix, { list, look }: Extract<Press, { press: "solo" }>): { list: string } | { look: string } | null {
  if (look !== undefined) return { look: lookOf(mix, look) };
  if (list === undefined) return null;
  if (!mix.lists.has(list)) throw new ShowError(thereIsNo("list", list, mix.lists.keys()));
  return { list };
}

function onList(mix: Mix, press: ListPress, t: number, id: string): RunChange {
  const run = mix.lists.get(id);
  if (!run) throw new ShowError(thereIsNo("list", id, mix.lists.keys()));
  switch (press.press) {
    case "hold":
      return { t, list: id, hold: press.held ?? !run.clock.held };
    case "go":
      if (press.held !== undefined && press.held !== run.clock.held)
        throw new PressRefusedError(
          run.clock.held
            ? `The list has been held meanwhile; Go lets it go on. Look at it and press again`
            : "The list goes on already; nothing was fired",
        );
      if (!run.clock.held) expectNext(run, press.cue);
      return { t, list: id, go: true };
    case "goto":
      return { t, list: id, goto: cueAt(run.list, rowOf(run.list, press.cue)).number, ...timed(press) };
    case "back":
      if (press.cue !== undefined && press.cue !== run.cue)
        throw new PressRefusedError(`The list stands in cue ${run.cue ?? "none"} by now; nothing was pressed`);
      if (previousRow(run) < 0) throw new PressRefusedError("There is no cue before this one");
      return { t, list: id, back: true };
    case "release":
      return { t, list: id, release: true, ...timed(press) };
    case "master":
      return { t, list: id, master: press.level, ...timed(press) };
    case "fader":
      return { t, list: id, fader: press.level, ...timed(press) };
    case "catch":
      if (!run.follow) throw new PressRefusedError("Nothing is about to fire by itself on this list");
      return { t, list: id, catch: true };
    case "rate":
      return { t, list: id, rate: press.rate };
  }
}

function timed({ time }: { readonly time?: number | undefined }): { time?: number } {
  return time === undefined ? {} : { time };
}

function lookOf(mix: Mix, look: string): string {
  if (mix.looks.has(look)) return look;
  throw new ShowError(thereIsNo("held look", look, mix.looks.keys()));
}

function expectNext(run: ListRun, seen: string | undefined): void {
  const next = nextRow(run);
  if (next < 0) throw new PressRefusedError("This is the last cue; there is none to go to");
  const { number } = cueAt(run.list, next);
  if (seen !== undefined && seen !== number) throw new PressRefusedError(`Cue ${seen} has already gone; the next is ${number}`);
}
