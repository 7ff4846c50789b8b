import { readFileSync, readdirSync } from "node:fs";
import Ajv from "ajv/dist/2020.js";
import fc from "fast-check";
import { readShow, serializeShow, showJsonSchema } from "../../src/index.ts";
import { showArbitrary } from "../support/randomShow.ts";

const published = new URL("../../../../docs/show.schema.json", import.meta.url);
const validate = new Ajv.default({ strict: false, unicodeRegExp: true }).compile(showJsonSchema());

function example(): Record<string, unknown> {
  const file = new URL("../cases/07-split-times.json", import.meta.url);
  return JSON.parse(serializeShow(readShow(JSON.parse(readFileSync(file, "utf8")).show))) as Record<string, unknown>;
}

test("the published schema is the one that the code makes", () => {
  expect(JSON.parse(readFileSync(published, "utf8"))).toEqual(JSON.parse(JSON.stringify(showJsonSchema())));
});

test("every worked case, as it is written again, and every random show fits it", () => {
  const folder = new URL("../cases/", import.meta.url);
  for (const name of readdirSync(folder)) {
    const { show } = JSON.parse(readFileSync(new URL(name, folder), "utf8"));
    expect([name, validate(JSON.parse(serializeShow(readShow(show)))), validate.errors]).toEqual([name, true, null]);
  }
  fc.assert(fc.property(showArbitrary, (show) => expect(validate(JSON.parse(JSON.stringify(show)))).toBe(true)));
});

test.each([
  ["an unknown field", (show: Record<string, unknown>) => Object.assign(show, { colour: 1 })],
  ["another version", (show: Record<string, unknown>) => Object.assign(show, { version: 3 })],
  ["no list", (show: Record<string, unknown>) => Object.assign(show, { lists: [] })],
  [
    "a cue number with four places",
    (show: Record<string, unknown>) => Object.assign(show, { lists: [{ id: "main", label: "", cues: [{ number: "1.2345" }] }] }),
  ],
  ["a time below 0", (show: Record<string, unknown>) => Object.assign(show, { lists: [cueWith({ times: { up: -1 } })] })],
  [
    "a move with two targets",
    (show: Record<string, unknown>) => Object.assign(show, { lists: [cueWith({ moves: { "1": { pan: { value: 1, release: true } } } })] }),
  ],
  ["a move of text", (show: Record<string, unknown>) => Object.assign(show, { lists: [cueWith({ moves: { "1": { pan: "20" } } })] })],
  [
    "a channel of no number",
    (show: Record<string, unknown>) => Object.assign(show, { lists: [cueWith({ moves: { front: { pan: 20 } } })] }),
  ],
])("%s does not fit it", (_, change) => {
  expect(validate(example())).toBe(true);
  expect(validate(change(example()))).toBe(false);
});

function cueWith(part: object): object {
  return { id: "main", label: "", cues: [{ number: "1", parts: [{ number: 1, ...part }] }] };
}
