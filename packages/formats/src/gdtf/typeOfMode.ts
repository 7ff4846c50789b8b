import { type Attribute, type FixtureType, plainId } from "@zm/core";
import type { Remark } from "../report/remark.ts";
import { attributeId, familyOf } from "./attributeNames.ts";
import { OUR_TYPES } from "./ourTypes.ts";
import type { GdtfChannel, GdtfFunction, GdtfMode, GdtfType, WheelSlot } from "./description.ts";

/** The values of an attribute that has no unit of its own: the steps of one address. */
const STEPS = 255;
const MOST_NAME = 200;

/** A mode of a type as a fixture type of ours: its attributes with range, home, speed, addresses, modes and slots; and what of it does not come along. */
export function typeOfMode(type: GdtfType, mode: GdtfMode): { readonly type: FixtureType; readonly remarks: readonly Remark[] } {
  const name = (isOurs(type) ? type.name : `${type.name}, ${mode.name}`).slice(0, MOST_NAME);
  const told = (words: string): Remark => ({ kind: "left", words: `${name}: ${words}` });
  const remarks: Remark[] = mode.unread.map(told);
  const attributes: Attribute[] = [];
  for (const channel of mode.channels) {
    if (channel.at.length === 0) {
      remarks.push(told(`${channel.attribute} has no address of its own: it is made of others by the light`));
      continue;
    }
    const attribute = attributeOf(channel, type.wheels, attributes);
    attributes.push(attribute);
    remarks.push(...oddities(channel, type.wheels).map(told));
  }
  return { type: { id: typeId(type, mode), name, attributes }, remarks };
}

/** The id of a mode's type: the same for the same light and mode, so that a newer file takes the place of an older one. */
function typeId(type: GdtfType, mode: GdtfMode): string {
  const { name, shortName } = type;
  if (isOurs(type)) return shortName;
  return plainId(`${name} ${mode.name}`) || "type";
}

function isOurs({ maker, modes }: GdtfType): boolean {
  return maker === OUR_TYPES && modes.length === 1;
}

function attributeOf(channel: GdtfChannel, wheels: GdtfType["wheels"], before: readonly Attribute[]): Attribute {
  const family =
    before.some((each) => each.family === "intensity") && familyOf(channel.feature) === "intensity" ? "beam" : familyOf(channel.feature);
  const plain = attributeId(channel.attribute);
  const alike = before.filter(({ id }) => id === plain || id.startsWith(`${plain}-`)).length;
  const id = alike === 0 ? plain : `${plain}-${alike + 1}`;
  const scale = scaleOf(channel, family);
  const most = 256 ** channel.at.length - 1;
  const valueAt = (dmx: number): number => rounded(scale.min + (dmx / most) * (scale.max - scale.min), scale);
  const first = channel.functions.find((each) => each.default !== undefined) ?? channel.functions[0];
  const speed = speedOf(channel, scale, most);
  const slots = slotsOf(channel, wheels, valueAt);
  const modes = channel.functions.length > 1 || isWheel(channel) ? channel.functions.map((each) => modeOf(each, valueAt)) : [];
  return {
    id,
    ...(plain === channel.attribute.toLowerCase() && alike === 0 ? {} : { name: nameOf(channel, alike) }),
    family,
    min: scale.min,
    max: scale.max,
    home: family === "intensity" ? 0 : valueAt(first?.default ?? 0),
    ...(speed === undefined ? {} : { speed }),
    ...(channel.snap || isWheel(channel) ? { snap: true } : {}),
    ...(channel.at.length > 1 ? { bits: channel.at.length === 2 ? 16 : 24 } : {}),
    at: [...channel.at],
    ...(channel.under > 1 ? { break: channel.under } : {}),
    ...(channel.highlight === undefined || family === "intensity" ? {} : { highlight: valueAt(channel.highlight) }),
    ...(modes.length > 0 && family !== "intensity" ? { modes } : {}),
    ...(slots.length > 0 ? { slots } : {}),
  };
}

function nameOf({ attribute, geometry }: GdtfChannel, alike: number): string {
  return (alike === 0 ? attribute : `${attribute}, ${geometry}`).slice(0, MOST_NAME);
}

interface Scale {
  readonly min: number;
  readonly max: number;
}

/**
 * Which values an attribute takes. A level and what has no unit go from 0 to 100; what one function does in a unit, and what turns a light, in that
 * unit over all its values; what does several things, and a wheel, in the steps of an address.
 */
function scaleOf(channel: GdtfChannel, family: Attribute["family"]): Scale {
  if (family === "intensity") return { min: 0, max: 100 };
  const main = channel.functions.find(({ attribute }) => attribute === channel.attribute) ?? channel.functions[0];
  const isOne = channel.functions.length <= 1;
  if (!main || isWheel(channel) || (!isOne && family !== "position")) return { min: 0, max: STEPS };
  if (main.physicalFrom === main.physicalTo) return { min: 0, max: 100 };
  if ([main.physicalFrom, main.physicalTo].every((end) => end === 0 || end === 1)) return { min: 0, max: 100 };
  const most = 256 ** channel.at.length - 1;
  const each = (main.physicalTo - main.physicalFrom) / Math.max(1, main.to - main.from);
  const ends = [main.physicalFrom - main.from * each, main.physicalTo + (most - main.to) * each].map(
    (end) => Math.round(end * 1000) / 1000,
  );
  return { min: Math.min(...ends), max: Math.max(...ends) };
}

/** A value with no more places than its scale can tell apart. */
function rounded(value: number, { min, max }: Scale): number {
  return Math.min(max, Math.max(min, Math.round(value * 1000) / 1000));
}

function isWheel({ functions }: GdtfChannel): boolean {
  return functions.some(({ wheel }) => wheel !== undefined);
}

/** Units a second: the whole way of a function in the time that the light takes for it, getting up to speed included. */
function speedOf({ functions }: GdtfChannel, { min, max }: Scale, most: number): number | undefined {
  const slow = functions.filter(({ realFade }) => realFade > 0);
  const speeds = slow.map(
    ({ from, to, realFade, realAcceleration }) => ((to - from) / most) * ((max - min) / (realFade + realAcceleration)),
  );
  const least = Math.min(...speeds.filter((speed) => speed > 1e-6));
  return Number.isFinite(least) ? Math.round(least * 1000) / 1000 || undefined : undefined;
}

function modeOf(each: GdtfFunction, valueAt: (dmx: number) => number): NonNullable<Attribute["modes"]>[number] {
  const unit = UNITS.get(each.unit);
  return {
    name: each.name.slice(0, MOST_NAME) || each.attribute,
    from: valueAt(each.from),
    to: valueAt(Math.max(each.from, each.to)),
    low: each.physicalFrom,
    high: each.physicalTo,
    ...(unit === undefined ? {} : { unit }),
  };
}

const UNITS: ReadonlyMap<string, string> = new Map([
  ["Angle", "deg"],
  ["AngularSpeed", "deg/s"],
  ["Frequency", "Hz"],
  ["Time", "s"],
  ["Percent", "%"],
  ["Temperature", "K"],
]);

/** The named places of an attribute, each in the middle of its stretch, with the colour and picture of the wheel's slot. */
function slotsOf(
  { functions }: GdtfChannel,
  wheels: GdtfType["wheels"],
  valueAt: (dmx: number) => number,
): NonNullable<Attribute["slots"]> {
  const slots = new Map<number, NonNullable<Attribute["slots"]>[number]>();
  for (const { sets, to, wheel } of functions) {
    const own = wheels.get(wheel ?? "");
    const rising = [...sets].sort((a, b) => a.from - b.from);
    for (const [index, { name, from, slot }] of rising.entries()) {
      const end = (rising[index + 1]?.from ?? to + 1) - 1;
      const value = valueAt(Math.floor((from + Math.max(from, end)) / 2));
      const { rgb, picture, name: slotName = "" }: Partial<WheelSlot> = own?.[slot - 1] ?? {};
      const label = (name || slotName).slice(0, MOST_NAME);
      if (label === "" || slots.has(value)) continue;
      slots.set(value, { value, name: label, ...(rgb === undefined ? {} : { rgb }), ...(picture === undefined ? {} : { picture }) });
    }
  }
  return [...slots.values()].sort((a, b) => a.value - b.value);
}

/** What of a channel is otherwise here than in its file. */
function oddities(channel: GdtfChannel, wheels: GdtfType["wheels"]): string[] {
  const turned = channel.functions.filter(({ physicalFrom, physicalTo }) => physicalFrom > physicalTo);
  const isTurned = turned.length > 0 && !isWheel(channel) && channel.functions.length === 1 && familyOf(channel.feature) !== "intensity";
  const large = channel.functions.flatMap(({ wheel }) =>
    (wheels.get(wheel ?? "") ?? []).filter(({ isLarge }) => isLarge).map(({ name }) => name),
  );
  return [
    ...(isTurned
      ? [`${channel.attribute} runs from ${channel.functions[0]?.physicalFrom ?? 0} down in the light; its numbers run up here`]
      : []),
    ...(large.length > 0 ? [`the pictures of ${[...new Set(large)].slice(0, 4).join(", ")}: they are larger than a show keeps`] : []),
  ];
}
