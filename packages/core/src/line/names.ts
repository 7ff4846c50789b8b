import { plainId } from "../show/ids.ts";
import { modeNamed } from "../show/modes.ts";
import { slotValue } from "../show/slots.ts";
import { autoGroups } from "../rig/autoGroups.ts";
import { movementsOf } from "../hand/movements.ts";
import { CURVES, type Curve, type Family, FAMILIES, type Movement, WAVE_SHAPES } from "../show/schema.ts";
import type { GivenWave } from "../edit/index.ts";
import type { ListSheet, ShowSheet } from "../sheet/sheet.ts";
import { type Fan, delaysWithin } from "../fan/fan.ts";
import type { TimesWish } from "../fan/timesAt.ts";
import type { LineFault } from "./fault.ts";
import { isNear } from "./near.ts";
import { KEYWORDS } from "./tokens.ts";
import type { Lights, Named, TypedTiming, TypedWave } from "./sentence.ts";
import { thereIsNo } from "../show/thereIsNo.ts";

/**
 * A word of a line that names nothing in the show; it points at the word. It is caught at the door of the folder: callers get a LineFault.
 * `fault` says it as plain data for the interface.
 */
export class Fault extends Error {
  readonly fault: LineFault;
  constructor(fault: LineFault) {
    super(fault.message);
    this.fault = fault;
  }
}

/**
 * Times as typed, held against the curves and paces that there are: a factor, a pace by its id, or a fade, delay (seconds or a fan)
 * and curve of which only what was said is given. Throws Fault for a pace or curve that there is not.
 * Seconds. A typed factor is `scale`; null forgets what is stored.
 */
export function timesOf(
  { fade, delay, curve, pace, scale, over }: TypedTiming["times"],
  sheet: ShowSheet,
): Pick<TimesWish, "fade" | "delay" | "curve"> & { pace?: string; scale?: number } {
  if (scale !== undefined) return { scale };
  if (pace) {
    return { pace: entryNamed(pace, sheet.show.paces, "pace") };
  }
  const known = curve && curveNamed(curve);
  if (over !== undefined) return { fade, delay: delaysFor(fade, over), ...(known ? { curve: known } : {}) };
  return { ...(fade === undefined ? {} : { fade }), ...(delay === undefined ? {} : { delay }), ...(known ? { curve: known } : {}) };
}

/** The delays that spread fades over a time. Throws Fault for a fade that is spread itself, or longer than all of it. */
function delaysFor(fade: TypedTiming["times"]["fade"], total: number): Fan {
  const delays = typeof fade === "number" ? delaysWithin(fade, total) : undefined;
  if (delays !== undefined) return delays;
  const message =
    typeof fade === "number"
      ? `A fade of ${fade} s does not fit into ${total} s; give it less, or all of it more`
      : "One fade for all lights is spread over a time, as in fade 5 over 8";
  throw new Fault({ message, at: 0, length: 1 });
}

/** The curve of this name. Throws Fault naming those there are. */
export function curveNamed({ name, at }: Named): Curve {
  const found = CURVES.find((each) => each.toLowerCase() === name.toLowerCase());
  if (found) return found;
  throw new Fault({ message: thereIsNo("curve", name, CURVES), at, length: name.length });
}

/**
 * A wave as typed, held against the shapes and tempos that there are (docs/running.md, Waves). Fans stay as they were typed.
 * Throws Fault for a shape or a tempo that there is not.
 */
export function waveNamed(typed: TypedWave, sheet: ShowSheet): GivenWave {
  if ("stop" in typed) return typed;
  const { shape, tempo, ...amounts } = typed;
  const known = WAVE_SHAPES.find((each) => each === shape.name.toLowerCase());
  if (!known)
    throw new Fault({
      message: thereIsNo("shape", shape.name, WAVE_SHAPES),
      at: shape.at,
      length: shape.name.length,
    });
  return { shape: known, ...amounts, ...(tempo ? { tempo: entryNamed(tempo, sheet.show.tempos ?? [], "tempo") } : {}) };
}

/** The ready movement of this name. Throws Fault naming those there are. */
export function movementNamed(name: Named, { show }: ShowSheet): Movement {
  const all = movementsOf(show);
  const found = all.find((each) => matches(each, name.name));
  if (found) return found;
  throw new Fault({ message: thereIsNo("movement", name.name, all), at: name.at, length: name.name.length });
}

/**
 * The id of what has this id or label.
 * Throws Fault, pointing at the word, naming those there are.
 */
export function entryNamed(
  name: Named,
  all: readonly { readonly id: string; readonly label?: string | undefined }[],
  what: string,
): string {
  const found = all.find(({ id, label }) => matches({ id, label: label ?? "" }, name.name));
  if (found) return found.id;
  throw new Fault({ message: thereIsNo(what, name.name, all), at: name.at, length: name.name.length });
}

/**
 * The channels that lights name, in the order in which they are named, each once: fans spread in this order. Gaps in a span are no
 * fault, a span without any light is. Throws Fault.
 * `/ 2` takes every second of them, counted from the first.
 */
export function channelsOf(lights: Lights, sheet: ShowSheet): number[] {
  const all = lights.terms.flatMap((term) => channelsOfTerm(term, sheet));
  return [...new Set(all)].filter((_, index) => index % Math.max(1, lights.every) === 0);
}

/** How many of the lights belong to each group or span that is named, in their order; a light counts where it is named first. */
export function groupSizes(lights: Lights, sheet: ShowSheet): number[] {
  const chosen = new Set(channelsOf(lights, sheet));
  return lights.terms.flatMap((term) => {
    const own = channelsOfTerm(term, sheet).filter((channel) => chosen.delete(channel));
    return own.length > 0 ? [own.length] : [];
  });
}

/** The lights of one group or span. Throws Fault. */
function channelsOfTerm(term: Lights["terms"][number], sheet: ShowSheet): readonly number[] {
  if ("group" in term) return groupNamed(term.group, sheet).channels;
  if (!Number.isInteger(term.first))
    throw new Fault({
      message: `${term.first} is no light; cues are typed with #, as in #${term.first}`,
      at: term.at,
      length: String(term.first).length,
    });
  const span = [...sheet.keys.byChannel.keys()].filter((channel) => channel >= term.first && channel <= term.last);
  if (span.length === 0)
    throw new Fault({
      message:
        term.first === term.last ? `Light ${term.first} is not in the rig` : `No light from ${term.first} to ${term.last} is in the rig`,
      at: term.at,
      length: String(term.first).length,
    });
  return span;
}

/** The group of this name or label. Throws Fault naming those there are. */
function groupNamed(named: Named, sheet: ShowSheet): { channels: number[] } {
  const all = [...sheet.show.groups, ...autoGroups(sheet.show)];
  const found = all.find((group) => matches(group, named.name));
  if (found) return found;
  throw new Fault({
    message: thereIsNo("group", named.name, all),
    at: named.at,
    length: named.name.length,
  });
}

/**
 * The attribute or family that a word names, as a selection of keys; an empty one where no word was typed. Throws Fault, with the word
 * that was probably meant, for one that no light of the rig has.
 * Attributes come before families where both have the name.
 */
export function attributeOf(named: Named | undefined, sheet: ShowSheet): { attributes?: string[]; families?: Family[] } {
  if (!named) return {};
  const family = FAMILIES.find((each) => each === named.name);
  if (family) return { families: [family] };
  if (sheet.keys.names.has(named.name)) return { attributes: [named.name] };
  const near = [...KEYWORDS.values(), ...sheet.keys.names].find((word) => isNear(named.name.toLowerCase(), word));
  const hint = near === undefined ? "" : `; is "${near}" meant?`;
  throw new Fault({ message: `No light here has "${named.name}"${hint}`, at: named.at, length: named.name.length });
}

/**
 * The id of the palette that a word names by its id or label. Throws Fault naming those there are.
 * Small and large letters are the same here.
 */
export function paletteNamed({ name, at }: Named, sheet: ShowSheet): string {
  const found = sheet.show.palettes.find((palette) => matches(palette, name));
  if (found) return found.id;
  throw new Fault({
    message: thereIsNo("palette", name, sheet.show.palettes),
    at,
    length: name.length,
  });
}

/**
 * What a word gives to lights: the named slot of the attribute that was typed before it, else a palette. Throws Fault.
 * A slot needs an attribute in front of it; without one the word can only be a palette.
 */
export function wordGiven(
  word: Named,
  attribute: Named | undefined,
  channels: readonly number[],
  sheet: ShowSheet,
): { set: number } | { palette: string } {
  const keys = channels.flatMap((channel) => (attribute && sheet.keys.byChannel.get(channel)?.get(attribute.name)) ?? []);
  const values = new Set(keys.flatMap((key) => slotValue(key.attribute, word.name) ?? modeNamed(key.attribute, word.name)?.from ?? []));
  const [value] = values;
  if (value === undefined) return { palette: paletteNamed(word, sheet) };
  if (values.size === 1) return { set: value };
  throw new Fault({
    message: `"${word.name}" stands at ${[...values].join(" and at ")}, by the type of light; type the number`,
    at: word.at,
    length: word.name.length,
  });
}

/**
 * True when a word names a thing: by its id, by its label, or by its label with hyphens for what is no letter.
 * Small and large letters are the same, so that nobody has to remember how a label was written.
 */
export function matches({ id, label }: { id: string; label: string }, name: string): boolean {
  const typed = name.toLowerCase();
  return id.toLowerCase() === typed || label.toLowerCase() === typed || plainId(label) === typed;
}

/**
 * The list of this id or label.
 * Throws Fault, pointing at the word, naming those there are.
 */
export function listNamed(name: Named, sheet: ShowSheet): ListSheet {
  const found = [...sheet.lists.values()].find(({ list }) => matches({ id: list.id, label: list.label ?? "" }, name.name));
  if (found) return found;
  throw new Fault({
    message: thereIsNo("list", name.name, sheet.lists.keys()),
    at: name.at,
    length: name.name.length,
  });
}
