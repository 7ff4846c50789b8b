import Papa from "papaparse";
import { ShowError } from "../show/errors.ts";
import type { ColourList } from "../show/schema.ts";
import { hexOf, lightOfHex } from "./colourModels.ts";

/** What a column of such a table may be called, in any case of letters. */
const NAMES = {
  number: ["number", "no", "nr", "code", "id"],
  name: ["name", "label", "title"],
  rgb: ["rgb", "hex", "colour", "color"],
  red: ["red", "r"],
  green: ["green", "g"],
  blue: ["blue", "b"],
} as const;

/**
 * Colours by numbers out of a table that somebody brings: a first line that names the columns, then a line for each: its number, its name, and its
 * colour as #rrggbb in one column or as red, green and blue, 0 to 255, in three. Throws ShowError with every fault and its line; then nothing is
 * read.
 */
export function readColours(text: string): ColourList["colours"] {
  const { data, meta } = Papa.parse<Record<string, string>>(text.replace(/^\uFEFF/, ""), {
    header: true,
    skipEmptyLines: "greedy",
    transformHeader: (header) => header.trim().toLowerCase(),
    transform: (value) => value.trim(),
  });
  const columnOf = (what: keyof typeof NAMES): string | undefined =>
    meta.fields?.find((field) => NAMES[what].some((name) => name === field));
  const [number, name, rgb, red, green, blue] = (["number", "name", "rgb", "red", "green", "blue"] as const).map(columnOf);
  if (number === undefined || (rgb === undefined && (red === undefined || green === undefined || blue === undefined)))
    throw new ShowError(
      "The table needs a column number, and a column rgb (#ffb066) or three columns red, green and blue; the first line names them",
    );
  const faults: string[] = [];
  const seen = new Map<string, number>();
  const colours = data.flatMap((row, index) => {
    const line = index + 2;
    const own = row[number] ?? "";
    const light = rgb === undefined ? partsOf([row[red ?? ""], row[green ?? ""], row[blue ?? ""]]) : lightOfHex(row[rgb] ?? "");
    if (own === "") faults.push(`Line ${line}: it has no number`);
    else if (seen.has(own)) faults.push(`Line ${line}: number ${own} stands in line ${seen.get(own)} already`);
    else if (!light) faults.push(`Line ${line}: "${rgb === undefined ? "its red, green and blue" : (row[rgb] ?? "")}" is not a colour`);
    seen.set(own, line);
    const label = name === undefined ? "" : (row[name] ?? "");
    return light ? [{ number: own, ...(label === "" ? {} : { name: label }), rgb: hexOf(light) }] : [];
  });
  if (data.length === 0) faults.push("The table has no colour in it");
  if (faults.length > 0) throw new ShowError(faults.slice(0, 20));
  return colours;
}

/** Red, green and blue, 0 to 255 each; undefined where one is no such number. */
function partsOf(texts: readonly (string | undefined)[]): { red: number; green: number; blue: number } | undefined {
  const [red = -1, green = -1, blue = -1] = texts.map((text) => (text === undefined || text === "" ? -1 : Number(text)));
  const fits = [red, green, blue].every((part) => part >= 0 && part <= 255);
  return fits ? { red: red / 255, green: green / 255, blue: blue / 255 } : undefined;
}
