import { ShowError } from "@zm/core";
import { type XmlElement, childOf, childrenOf, readXml } from "../xml/xml.ts";
import { textOf, unzipped } from "../zip/unzip.ts";

/** A wheel of a type, by the name that its functions give: each slot's name, the light that comes through, and its picture where it is small. */
export interface WheelSlot {
  readonly name: string;
  readonly rgb?: string;
  readonly picture?: string;
  /** True for a picture that is in the file and too large for a show. */
  readonly isLarge?: true;
}

/** A function of a channel: over which of its values, and what it does there. Values from 0, `to` included. */
export interface GdtfFunction {
  readonly name: string;
  readonly attribute: string;
  readonly from: number;
  readonly to: number;
  readonly physicalFrom: number;
  readonly physicalTo: number;
  readonly unit: string;
  readonly default?: number;
  readonly realFade: number;
  readonly realAcceleration: number;
  readonly wheel?: string;
  readonly sets: readonly { readonly name: string; readonly from: number; readonly slot: number }[];
}

/** A channel of a mode: its addresses in one of the breaks, counted from 1, the coarse one first; none for a virtual one. */
export interface GdtfChannel {
  readonly geometry: string;
  readonly attribute: string;
  readonly feature: string;
  readonly under: number;
  readonly at: readonly number[];
  readonly snap: boolean;
  readonly highlight?: number;
  readonly functions: readonly GdtfFunction[];
}

/** A mode of a type, its channels as many times as its geometries repeat them. */
export interface GdtfMode {
  readonly name: string;
  readonly channels: readonly GdtfChannel[];
  /** What of it cannot be read, in words. */
  readonly unread: readonly string[];
}

/** A type of light as its maker's file describes it. */
export interface GdtfType {
  readonly id: string;
  readonly name: string;
  readonly shortName: string;
  readonly maker: string;
  readonly modes: readonly GdtfMode[];
  readonly wheels: ReadonlyMap<string, readonly WheelSlot[]>;
}

const DESCRIPTION = "description.xml";
/** A picture of a wheel may be so large, bytes; it stands in the text of the show. */
const LARGEST_PICTURE = 64_000;
/** Channels of a mode that repeats its geometries without end. */
const MOST_CHANNELS = 2048;

/**
 * Reads a fixture type file (GDTF, DIN SPEC 15800). Throws ShowError for what is no such file, or describes no mode. Entities, depths without end and zips that
 * unpack to more than they should are refused.
 */
export function readGdtf(bytes: Uint8Array, name: string): GdtfType {
  const files = unzipped(bytes, (file) => file === DESCRIPTION || /^wheels\/[^/]+\.(png|jpe?g)$/i.test(file));
  const description = files.get(DESCRIPTION);
  if (!description) throw new ShowError(`${name} holds no ${DESCRIPTION}; it is no fixture type file`);
  const root = readXml(textOf(description), `${name}, ${DESCRIPTION}`);
  const type = childOf(root, "FixtureType");
  if (root.name !== "GDTF" || !type) throw new ShowError(`${name}: its ${DESCRIPTION} describes no fixture type`);
  const wheels = new Map(
    childrenOf(childOf(type, "Wheels"), "Wheel").map((wheel) => [wheel.attributes["Name"] ?? "", slotsOf(wheel, files)]),
  );
  const features = new Map(
    childrenOf(childOf(childOf(type, "AttributeDefinitions"), "Attributes"), "Attribute").map(({ attributes }) => [
      attributes["Name"] ?? "",
      { feature: attributes["Feature"] ?? "", unit: attributes["PhysicalUnit"] ?? "None" },
    ]),
  );
  const modes = childrenOf(childOf(type, "DMXModes"), "DMXMode").map((mode) => modeOf(mode, childOf(type, "Geometries"), features));
  if (modes.length === 0) throw new ShowError(`${name} describes no mode; a light cannot be patched by it`);
  const {
    FixtureTypeID: id = "",
    Name: own = "",
    ShortName: shortName = "",
    LongName: long = "",
    Manufacturer: maker = "",
  } = type.attributes;
  return { id, name: own || long || name, shortName, maker, modes, wheels };
}

function slotsOf(wheel: XmlElement, files: ReadonlyMap<string, Uint8Array>): WheelSlot[] {
  return childrenOf(wheel, "Slot").map(({ attributes }): WheelSlot => {
    const media = attributes["MediaFileName"] ?? "";
    const picture = ["png", "jpg", "jpeg"].map((ending) => files.get(`wheels/${media}.${ending}`)).find((found) => found !== undefined);
    const rgb = colourOf(attributes["Color"] ?? "");
    return {
      name: attributes["Name"] ?? "",
      ...(rgb === undefined ? {} : { rgb }),
      ...(picture === undefined ? {} : picture.length > LARGEST_PICTURE ? { isLarge: true } : { picture: dataAddress(picture) }),
    };
  });
}

/** A colour of the standard, "x,y,Y", as red, green and blue as bright as they go; undefined for what is none, and for white. */
function colourOf(text: string): string | undefined {
  const [x = Number.NaN, y = Number.NaN, bright = Number.NaN] = text.split(",").map(Number);
  if (!(y > 0) || Number.isNaN(x) || Number.isNaN(bright)) return undefined;
  const [X, Z] = [x / y, (1 - x - y) / y];
  const linear = [3.2406 * X - 1.5372 - 0.4986 * Z, -0.9689 * X + 1.8758 + 0.0415 * Z, 0.0557 * X - 0.204 + 1.057 * Z];
  const most = Math.max(...linear);
  if (!(most > 0)) return undefined;
  const hex = linear.map((part) => {
    const share = Math.max(0, part / most);
    const shown = share <= 0.0031308 ? share * 12.92 : 1.055 * share ** (1 / 2.4) - 0.055;
    return Math.round(shown * 255)
      .toString(16)
      .padStart(2, "0");
  });
  return `#${hex.join("")}`;
}

const BASE64 = "ABCDEFGHIJKLMNOPQRSTUVWXYZabcdefghijklmnopqrstuvwxyz0123456789+/";

function dataAddress(bytes: Uint8Array): string {
  let text = "";
  for (let at = 0; at < bytes.length; at += 3) {
    const [a = 0, b, c] = bytes.subarray(at, at + 3);
    const bits = (a << 16) | ((b ?? 0) << 8) | (c ?? 0);
    const letters = [18, 12, 6, 0].map((shift) => BASE64[(bits >> shift) & 63]).join("");
    text += b === undefined ? `${letters.slice(0, 2)}==` : c === undefined ? `${letters.slice(0, 3)}=` : letters;
  }
  return `data:image/${bytes[0] === 0x89 ? "png" : "jpeg"};base64,${text}`;
}

type Features = ReadonlyMap<string, { readonly feature: string; readonly unit: string }>;

function modeOf(mode: XmlElement, geometries: XmlElement | undefined, features: Features): GdtfMode {
  const unread: string[] = [];
  const channels: GdtfChannel[] = [];
  const repeats = repeatsIn(geometries, mode.attributes["Geometry"] ?? "");
  for (const channel of childrenOf(childOf(mode, "DMXChannels"), "DMXChannel")) {
    const read = channelOf(channel, features);
    if ("words" in read) unread.push(read.words);
    else for (const each of repeated(read, repeats)) if (channels.length < MOST_CHANNELS) channels.push(each);
  }
  const relations = childrenOf(childOf(mode, "Relations"), "Relation").length;
  if (relations > 0) unread.push(`${relations} relations between its channels`);
  return { name: mode.attributes["Name"] ?? "Mode", channels, unread };
}

/** By the name of a geometry: under which name it is repeated, and by how many addresses later in which break. */
type Repeats = ReadonlyMap<string, readonly { readonly name: string; readonly offsets: ReadonlyMap<number, number> }[]>;

function repeatsIn(geometries: XmlElement | undefined, used: string): Repeats {
  const root = geometries?.children.find(({ attributes }) => attributes["Name"] === used);
  const repeats = new Map<string, { name: string; offsets: Map<number, number> }[]>();
  const walk = (element: XmlElement): void => {
    if (element.name === "GeometryReference") {
      const own = element.attributes["Geometry"] ?? "";
      const offsets = new Map(
        childrenOf(element, "Break").map(({ attributes }) => [
          Number(attributes["DMXBreak"] ?? 1),
          Number(attributes["DMXOffset"] ?? 1) - 1,
        ]),
      );
      repeats.set(own, [...(repeats.get(own) ?? []), { name: element.attributes["Name"] ?? own, offsets }]);
    }
    for (const child of element.children) walk(child);
  };
  if (root) walk(root);
  return repeats;
}

/** A channel of a geometry that is repeated, once for each time; any other as it is. */
function repeated(channel: GdtfChannel, repeats: Repeats): GdtfChannel[] {
  const times = repeats.get(channel.geometry);
  if (!times) return [channel];
  return times.map(({ name, offsets }) => {
    const later = offsets.get(channel.under) ?? [...offsets.values()][0] ?? 0;
    return { ...channel, geometry: name, at: channel.at.map((address) => address + later) };
  });
}

function channelOf(channel: XmlElement, features: Features): GdtfChannel | { readonly words: string } {
  const logical = childOf(channel, "LogicalChannel");
  const {
    Offset: offset = "",
    DMXBreak: under = "1",
    Geometry: geometry = "",
    Highlight: highlight,
    Default: ownDefault,
    InitialFunction: initial,
  } = channel.attributes;
  const attribute = logical?.attributes["Attribute"] ?? "";
  const at = offset === "" || offset === "None" ? [] : offset.split(",").map(Number);
  if (at.some((address) => !Number.isInteger(address) || address < 1 || address > 512) || at.length > 3)
    return { words: `its channel ${attribute || geometry} at “${offset}”: a value has one to three addresses` };
  if (!logical || attribute === "") return { words: `a channel at “${offset}” that does nothing` };
  const most = 256 ** Math.max(1, at.length) - 1;
  const functions = functionsOf(logical, most, features);
  const first = functions.find(({ name }) => initial?.endsWith(`.${name}`)) ?? functions[0];
  const wanted = ownDefault === undefined ? first?.default : dmxValue(ownDefault, most);
  const lit = highlight === undefined || highlight === "None" ? undefined : dmxValue(highlight, most);
  return {
    geometry,
    attribute,
    feature: features.get(attribute)?.feature ?? "",
    under: under === "Overwrite" ? 1 : Math.min(8, Math.max(1, Number(under) || 1)),
    at,
    snap: /^(yes|on|true)$/i.test(logical.attributes["Snap"] ?? "No"),
    ...(lit === undefined ? {} : { highlight: lit }),
    functions: functions.map((each) => (each === first && wanted !== undefined ? { ...each, default: wanted } : each)),
  };
}

function functionsOf(logical: XmlElement, most: number, features: Features): GdtfFunction[] {
  const own = childrenOf(logical, "ChannelFunction").map(({ attributes, children }) => ({
    attributes,
    children,
    from: dmxValue(attributes["DMXFrom"] ?? "0/1", most) ?? 0,
  }));
  return own
    .sort((a, b) => a.from - b.from)
    .map(({ attributes, children, from }, index): GdtfFunction => {
      const attribute = attributes["Attribute"] ?? logical.attributes["Attribute"] ?? "";
      const wanted = attributes["Default"] === undefined ? undefined : dmxValue(attributes["Default"], most);
      const wheel = attributes["Wheel"];
      return {
        name: attributes["Name"] || attribute,
        attribute,
        from,
        to: (own[index + 1]?.from ?? most + 1) - 1,
        physicalFrom: figure(attributes["PhysicalFrom"], 0),
        physicalTo: figure(attributes["PhysicalTo"], 1),
        unit: features.get(attribute)?.unit ?? "None",
        ...(wanted === undefined ? {} : { default: wanted }),
        realFade: Math.max(0, figure(attributes["RealFade"], 0)),
        realAcceleration: Math.max(0, figure(attributes["RealAcceleration"], 0)),
        ...(wheel === undefined || wheel === "" ? {} : { wheel }),
        sets: children.flatMap((set) => {
          const begin = dmxValue(set.attributes["DMXFrom"] ?? "0/1", most);
          return set.name === "ChannelSet" && begin !== undefined
            ? [{ name: set.attributes["Name"] ?? "", from: begin, slot: Number(set.attributes["WheelSlotIndex"] ?? 0) }]
            : [];
        }),
      };
    });
}

/**
 * A value of the standard, "128/1": a number and of how many bytes it is, as the value of a channel that holds up to `most`. A value of fewer bytes is spread
 * over all, unless an `s` behind it says that it is shifted. Undefined for what is none.
 */
function dmxValue(text: string, most: number): number | undefined {
  const [, digits, bytes = "1", shifted] = /^(\d+)(?:\/([1-4])(s?))?$/.exec(text.trim()) ?? [];
  if (digits === undefined) return undefined;
  const [value, own] = [Number(digits), 256 ** Number(bytes) - 1];
  if (shifted === "s") return Math.min(most, Math.floor((value / (own + 1)) * (most + 1)));
  // Towards fewer bytes the fine ones are cut off; towards more each is repeated, so that full stays full.
  return Math.min(most, own > most ? Math.floor(value / ((own + 1) / (most + 1))) : Math.floor((value / own) * most));
}

function figure(text: string | undefined, otherwise: number): number {
  const value = text === undefined ? Number.NaN : Number(text);
  return Number.isFinite(value) ? value : otherwise;
}
