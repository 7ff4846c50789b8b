import type { EditInput } from "../edit/index.ts";
import Papa from "papaparse";
import { UNIVERSE } from "./addresses.ts";
import { LAST_UNIVERSE } from "./countedThrough.ts";
import { ShowError } from "../show/errors.ts";
import type { Channel, Show } from "../show/schema.ts";
import { sameData } from "../show/sameData.ts";

/** The columns of the table, in their order. */
const COLUMNS = ["channel", "type", "label", "universe", "address", "x", "y", "z", "aimX", "aimY", "aimZ"] as const;
/** What a spreadsheet would take for a formula, or for a text that was kept from being one: a quote is put before it, which reading takes away again. */
const FORMULA = /^['=+\-@\t\r].*$/;
/** One line of the table by the names of its columns. */
type Row = Partial<Record<(typeof COLUMNS)[number], string>>;

/**
 * The rig as a table that any spreadsheet opens: a line for each channel; places in metres.
 * The first line names the columns; `readRigCsv` reads what is written here without a change.
 */
export function writeRigCsv(show: Pick<Show, "channels">): string {
  const rows = show.channels.map(({ number, type, label, patch, place }) => [
    number,
    type,
    label ?? "",
    patch?.universe ?? "",
    patch?.address ?? "",
    place?.x ?? "",
    place?.y ?? "",
    place?.z ?? "",
    place?.aim?.x ?? "",
    place?.aim?.y ?? "",
    place?.aim?.z ?? "",
  ]);
  return Papa.unparse({ fields: [...COLUMNS], data: rows }, { newline: "\n", escapeFormulae: FORMULA }) + "\n";
}

/**
 * The edits that bring the rig to what a table says: channels that are new or different; those that the table does not
 * name stay. Columns may stand in any order and may be missing, except channel and type; a type may be given by its id or
 * its name. Throws ShowError with every fault and its line; then nothing is read.
 * Line 1 is the head, so a fault in the first channel is told as line 2.
 * An empty array where the table says what the rig already is.
 */
export function readRigCsv(text: string, show: Show): EditInput[] {
  const { data, errors, meta } = Papa.parse<Row>(text.replace(/^\uFEFF/, ""), {
    header: true,
    skipEmptyLines: "greedy",
    transformHeader: plainHeader,
    transform: (text) => (/^'['=+\-@\t\r]/.test(text) ? text.slice(1) : text),
  });
  const faults = errors
    .filter(({ code }) => code !== "UndetectableDelimiter")
    .map(({ row, message }) => `Line ${(row ?? 0) + 2}: ${message}`);
  const missing = (["channel", "type"] as const).filter((name) => !meta.fields?.includes(name));
  if (missing.length > 0)
    throw new ShowError(
      `The table has no column ${missing.join(" and ")}; the columns are ${COLUMNS.join(", ")}, the first line names them`,
    );
  const seen = new Set<number>();
  const edits = data.flatMap((row, index): EditInput[] => {
    const line = `Line ${index + 2}`;
    try {
      const read = channelOf(row, show);
      if (seen.has(read.number)) throw new ShowError(`light ${read.number} stands in the table twice`);
      seen.add(read.number);
      const before = show.channels.find(({ number }) => number === read.number);
      const channel = withUntold(read, before);
      return sameData(before, channel) ? [] : [{ op: "setChannel", channel }];
    } catch (error) {
      if (!(error instanceof ShowError)) throw error;
      faults.push(`${line}: ${error.message}`);
      return [];
    }
  });
  if (faults.length > 0) throw new ShowError(faults);
  return edits;
}

/** The column that a heading means, however it is written; a heading that means none stays as it is. */
function plainHeader(header: string): string {
  const plain = header
    .trim()
    .toLowerCase()
    .replace(/[\s_-]/g, "");
  return COLUMNS.find((name) => name.toLowerCase() === plain) ?? plain;
}

/** The light that a line describes. Throws ShowError naming the column that is wrong. */
function channelOf(row: Row, show: Show): Channel {
  const number = wholeOf(row, "channel", 1, 99_999);
  if (number === undefined) throw new ShowError("the light has no number");
  const wanted = (row.type ?? "").trim();
  const type = show.fixtureTypes.find(({ id, name }) => id === wanted || name.toLowerCase() === wanted.toLowerCase());
  if (!type)
    throw new ShowError(
      `there is no fixture type "${wanted}"; the types are ${show.fixtureTypes.map(({ id }) => id).join(", ") || "none yet"}`,
    );
  const [universe, address] = [wholeOf(row, "universe", 1, LAST_UNIVERSE), wholeOf(row, "address", 1, UNIVERSE)];
  if ((universe === undefined) !== (address === undefined))
    throw new ShowError("a patch has a universe and an address; one of them is missing");
  const label = (row.label ?? "").trim();
  const place = pointOf(row, "x", "y", "z");
  const aim = pointOf(row, "aimX", "aimY", "aimZ");
  if (aim && !place) throw new ShowError("a light that is focused somewhere needs a place itself: x, y and z");
  return {
    number,
    type: type.id,
    ...(label === "" ? {} : { label }),
    ...(universe === undefined || address === undefined ? {} : { patch: { universe, address } }),
    ...(place ? { place: { ...place, ...(aim ? { aim } : {}) } } : {}),
  };
}

/** A light with what it has that no column tells: that it stays in the dark, its further patches, how it hangs. */
function withUntold(read: Channel, before: Channel | undefined): Channel {
  const { house, patch: { more, level } = {}, place: { turn } = {} } = before ?? {};
  return {
    ...read,
    ...(read.patch ? { patch: { ...read.patch, ...(level === undefined ? {} : { level }), ...(more ? { more } : {}) } } : {}),
    ...(read.place && turn ? { place: { ...read.place, turn } } : {}),
    ...(house ? { house } : {}),
  };
}

/** A place of three columns; undefined where all are empty. Throws ShowError where only some are. */
function pointOf(row: Row, x: keyof Row, y: keyof Row, z: keyof Row): { x: number; y: number; z: number } | undefined {
  const parts = [x, y, z].map((name) => numberOf(row, name));
  const [px, py, pz] = parts;
  if (px === undefined && py === undefined && pz === undefined) return undefined;
  if (px === undefined || py === undefined || pz === undefined)
    throw new ShowError(`a place has ${x}, ${y} and ${z}; one of them is missing`);
  return { x: px, y: py, z: pz };
}

/** The number in a column; undefined where it is empty. Throws ShowError. */
function numberOf(row: Row, name: keyof Row): number | undefined {
  const text = (row[name] ?? "").trim();
  if (text === "") return undefined;
  const value = Number(text.replace(",", "."));
  if (Number.isFinite(value)) return value;
  throw new ShowError(`${name} is "${text}", which is not a number`);
}

/** A whole number in a column, between bounds; undefined where it is empty. Throws ShowError. */
function wholeOf(row: Row, name: keyof Row, min: number, max: number): number | undefined {
  const value = numberOf(row, name);
  if (value === undefined || (Number.isInteger(value) && value >= min && value <= max)) return value;
  throw new ShowError(`${name} is ${value}; it is a whole number from ${min} to ${max}`);
}
