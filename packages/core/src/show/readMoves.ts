import { append } from "./append.ts";
import { ShowError } from "./errors.ts";
import { type Rig, attributeAt } from "./rig.ts";
import { type Attribute, type MoveSpec, type Moves, CURVES } from "./schema.ts";
import { paletteOf, plainValue } from "./move.ts";

/** The fields that a move may have. */
const FIELDS: ReadonlySet<string> = new Set(["value", "palette", "release", "fade", "delay", "curve"]);

/**
 * Checks an object of moves against the rig and returns a clean copy in the order of the rig's attributes.
 * Faults are added to `faults`, each naming `place`; what is faulty is left out of the copy.
 * `raw` is untrusted: it may be any object that came from a file or over the network.
 * Channels come back in rising order; `place` is the head of each message.
 */
export function readMoves(
  raw: object,
  rig: Rig,
  palettes: ReadonlyMap<string, { family: string }>,
  place: string,
  faults: string[],
): Moves {
  const moves: Moves = {};
  for (const [channelText, attributes] of Object.entries(raw)) {
    if (!/^[1-9]\d{0,4}$/.test(channelText)) {
      faults.push(`${place}: "${channelText}" is not a channel number`);
      continue;
    }
    if (typeof attributes !== "object" || attributes === null || Array.isArray(attributes)) {
      faults.push(`${place}: the moves of channel ${channelText} are not an object`);
      continue;
    }
    const clean = readChannelMoves(Object.entries(attributes), Number(channelText), rig, palettes, place, faults);
    if (Object.keys(clean).length > 0) moves[channelText] = clean;
  }
  return moves;
}

/** The moves of one channel, cleaned; faults are added to `faults`. */
function readChannelMoves(
  entries: readonly [string, unknown][],
  channel: number,
  rig: Rig,
  palettes: ReadonlyMap<string, { family: string }>,
  place: string,
  faults: string[],
): Record<string, MoveSpec> {
  const clean: Record<string, MoveSpec> = {};
  for (const [name, raw] of entries) {
    try {
      const attribute = attributeAt(rig, channel, name, place);
      clean[name] = readMove(raw, attribute, palettes, `${place}, ${channel}.${name}`);
    } catch (error) {
      if (!(error instanceof ShowError)) throw error;
      append(faults, error.faults);
    }
  }
  return clean;
}

/**
 * Checks one move for an attribute. Throws ShowError naming `place`.
 * Checks the value against the attribute's range, the palette against its family, times against 0 and the curve by name.
 * A number is short for `{ value }`.
 */
export function readMove(raw: unknown, attribute: Attribute, palettes: ReadonlyMap<string, { family: string }>, place: string): MoveSpec {
  const spec = readSpec(raw, place);
  const value = plainValue(spec);
  if (value !== undefined) checkRange(value, attribute, place);
  const palette = paletteOf(spec);
  if (palette === undefined) return spec;
  const found = palettes.get(palette);
  if (!found) throw new ShowError(`${place}: there is no palette "${palette}"`);
  if (found.family !== attribute.family) {
    throw new ShowError(`${place}: palette "${palette}" is for ${found.family}, and ${attribute.id} is ${attribute.family}`);
  }
  return spec;
}

/**
 * Throws ShowError when a number lies outside what the attribute can do.
 * Both ends belong to the range. NaN and infinities are refused as well.
 * The message names the value, the attribute and its range with the unit.
 */
export function checkRange(value: number, attribute: Attribute, place: string): void {
  if (value >= attribute.min && value <= attribute.max) return;
  throw new ShowError(`${place}: ${value} is outside ${attribute.min} to ${attribute.max}`);
}

/** One move as the document writes it, without looking at the rig. `+ 0` makes a minus zero a plain one. Throws ShowError. */
function readSpec(raw: unknown, place: string): MoveSpec {
  if (typeof raw === "number" && Number.isFinite(raw)) return raw + 0;
  if (typeof raw !== "object" || raw === null || Array.isArray(raw)) {
    throw new ShowError(`${place}: a move is a number or an object with value, palette or release`);
  }
  const fields = new Map<string, unknown>(Object.entries(raw));
  for (const name of fields.keys()) {
    if (!FIELDS.has(name)) throw new ShowError(`${place}: unknown field "${name}"`);
  }
  return { ...readTarget(fields, place), ...readTiming(fields, place) };
}

/** What a move asks for. Throws ShowError where it has none of the three, or more than one. */
function readTarget(fields: ReadonlyMap<string, unknown>, place: string): { value: number } | { palette: string } | { release: true } {
  const named = ["value", "palette", "release"].filter((name) => fields.has(name));
  if (named.length !== 1)
    throw new ShowError(
      `${place}: a move has exactly one of value, palette and release, and this one has ${named.join(" and ") || "none"}`,
    );
  const value = fields.get("value");
  if (typeof value === "number" && Number.isFinite(value)) return { value: value + 0 };
  const palette = fields.get("palette");
  if (typeof palette === "string") return { palette };
  if (fields.get("release") === true) return { release: true };
  throw new ShowError(`${place}: ${named[0]} is not what a move can hold`);
}

/** The own times and curve of a move; empty where it has none. Seconds. Throws ShowError. */
function readTiming(
  fields: ReadonlyMap<string, unknown>,
  place: string,
): { fade?: number; delay?: number; curve?: (typeof CURVES)[number] } {
  const timing: { fade?: number; delay?: number; curve?: (typeof CURVES)[number] } = {};
  for (const name of ["fade", "delay"] as const) {
    if (!fields.has(name)) continue;
    const time = fields.get(name);
    if (typeof time !== "number" || !(time >= 0 && time <= 86_400))
      throw new ShowError(`${place}: ${name} is not a time of 0 seconds or more`);
    timing[name] = time;
  }
  if (!fields.has("curve")) return timing;
  const curve = CURVES.find((name) => name === fields.get("curve"));
  if (!curve) throw new ShowError(`${place}: curve is not one of ${CURVES.join(", ")}`);
  return { ...timing, curve };
}
