import type { Family } from "@zm/core";

/** Attributes of the standard that have a name of ours; all others keep theirs, in plain letters. */
const NAMES: ReadonlyMap<string, string> = new Map([
  ["Dimmer", "intensity"],
  ["Pan", "pan"],
  ["Tilt", "tilt"],
  ["ColorAdd_R", "red"],
  ["ColorAdd_G", "green"],
  ["ColorAdd_B", "blue"],
  ["ColorAdd_W", "white"],
  ["ColorAdd_RY", "amber"],
  ["ColorAdd_GY", "lime"],
  ["ColorAdd_UV", "uv"],
  ["ColorSub_C", "cyan"],
  ["ColorSub_M", "magenta"],
  ["ColorSub_Y", "yellow"],
  ["CTO", "cto"],
  ["CTC", "ctc"],
  ["CTB", "ctb"],
  ["Zoom", "zoom"],
  ["Iris", "iris"],
  ["Focus1", "focus"],
  ["Frost1", "frost"],
  ["Gobo1", "gobo"],
  ["Gobo1Pos", "rotate"],
  ["Color1", "wheel"],
  ["Prism1", "prism"],
  ["Shutter1", "shutter"],
  ["StrobeFrequency", "strobe"],
]);

/** What an attribute of the standard is called here. */
export function attributeId(name: string): string {
  const known = NAMES.get(name);
  if (known !== undefined) return known;
  const plain = name
    .replace(/([a-z])([A-Z])/g, "$1-$2")
    .replace(/[^A-Za-z0-9]+/g, "-")
    .replace(/^-+|-+$/g, "")
    .toLowerCase();
  return plain.slice(0, 48) || "attribute";
}

/** The family of a feature group of the standard: what is neither level, position nor colour shapes the beam. */
export function familyOf(feature: string): Family {
  switch (feature.split(".")[0]) {
    case "Dimmer":
      return "intensity";
    case "Position":
      return "position";
    case "Color":
      return "colour";
    default:
      return "beam";
  }
}

const STANDARD: ReadonlyMap<string, string> = new Map([...NAMES].map(([name, id]) => [id, name]));

/** What an attribute of ours is called in the standard; one that the standard does not have keeps its name, each word with a capital. */
export function standardName(id: string): string {
  const [, own = id, count] = /^(.+?)(?:-(\d+))?$/.exec(id) ?? [];
  const known = STANDARD.get(id) ?? (count === undefined ? undefined : STANDARD.get(own));
  return known ?? id.replace(/(^|[^A-Za-z0-9]+)([A-Za-z0-9])/g, (_, _gap: string, letter: string) => letter.toUpperCase());
}
