import { type EditInput, type FixtureType, count, emptyShow } from "@zm/core";
import { type FileReading, type ReadingContext, type ReadingQuestion, type SourceFile, answerOf } from "../reading/reading.ts";
import { readGdtf } from "./description.ts";
import { typeOfMode } from "./typeOfMode.ts";

/** Reads a fixture type file for the door: the mode that is wanted, or all, as types; one that is there already is brought up to date, and its cues stay. */
export function gdtfReading({ name, bytes }: SourceFile, title: string, { sheet, wishes }: ReadingContext): FileReading {
  const file = readGdtf(bytes, name);
  const question: ReadingQuestion = {
    id: `mode ${file.name}`,
    words: `Which mode of ${file.name}`,
    answers: [
      ...file.modes.map((mode) => ({ id: mode.name, words: `${mode.name}, ${addressWords(addressesIn(mode.channels))}` })),
      { id: "all modes", words: "all of them, each a type" },
    ],
  };
  const wanted = answerOf(question, wishes);
  const modes = file.modes.filter((mode) => wanted === "all modes" || mode.name === wanted);
  const read = modes.map((mode) => typeOfMode(file, mode));
  const types = read.map(({ type }) => type);
  const made = types.map((type) => {
    const isThere = sheet?.show.fixtureTypes.some(({ id }) => id === type.id) ?? false;
    return `${isThere ? "Brings up to date" : "A new type"}: ${type.name}, ${count(type.attributes.length, "attribute")}`;
  });
  const edits = types.map((type): EditInput => ({ op: "setType", type }));
  return {
    made,
    questions: file.modes.length > 1 ? [question] : [],
    remarks: read.flatMap(({ remarks }) => remarks),
    edits,
    show: withTypes(title, types),
  };
}

function addressesIn(channels: readonly { readonly at: readonly number[]; readonly under: number }[]): number {
  const under = new Map<number, number>();
  for (const channel of channels) under.set(channel.under, Math.max(under.get(channel.under) ?? 0, ...channel.at));
  return [...under.values()].reduce((sum, most) => sum + most, 0);
}

function withTypes(title: string, fixtureTypes: FixtureType[]): NonNullable<FileReading["show"]> {
  return { ...emptyShow(title), fixtureTypes };
}

function addressWords(addresses: number): string {
  return addresses === 1 ? "1 address" : `${addresses} addresses`;
}
