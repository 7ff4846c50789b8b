import fc from "fast-check";
import {
  type Show,
  ShowError,
  allLooks,
  checkSheet,
  listOf,
  parseShow,
  readEdits,
  readJson,
  serializeShow,
  sheetOf,
  reportMarks,
} from "../../src/index.ts";
import { showArbitrary } from "../support/randomShow.ts";
import { oneCue, smallShow } from "../support/smallShow.ts";

const plain = smallShow([
  oneCue("1", { "5": { intensity: 40 }, "1": { intensity: 9, pan: 20 } }, { up: 3 }),
  oneCue("2", { "5": { intensity: 0 } }),
]);
const text = serializeShow(plain.show);

/** What is said of a text that cannot be read; fails when it can, or when anything but a ShowError comes out. */
function refusal(document: string): string {
  try {
    parseShow(document);
  } catch (error) {
    if (error instanceof ShowError) return error.message;
    throw error;
  }
  throw new Error("the document was read");
}

/** The document with one piece of its text replaced; the piece must be there. */
function withText(from: string, to: string): string {
  if (!text.includes(from)) throw new Error(`${from} is not in the document`);
  return text.replace(from, to);
}

test.each([
  ["1e308", "1.pan: 1e+308 is outside -270 to 270"],
  ["-1e308", "1.pan: -1e+308 is outside -270 to 270"],
  ["1e999", "is not what a move can hold|a move is a number"],
  ['"NaN"', "a move is a number or an object"],
  ["null", "a move is a number or an object"],
  ["[20]", "a move is a number or an object"],
  ["true", "a move is a number or an object"],
  ['{"value": "20"}', "value is not what a move can hold"],
  ['{"value": 20, "release": true}', "exactly one of value, palette and release"],
  ["{}", "exactly one of value, palette and release"],
  ['{"release": false}', "release is not what a move can hold"],
  ['{"value": 20, "fade": -1}', "fade is not a time of 0 seconds or more"],
  ['{"value": 20, "fade": 1e300}', "fade is not a time of 0 seconds or more"],
  ['{"value": 20, "curve": "bouncy"}', "curve is not one of linear, ease"],
  ['{"palette": "__proto__"}', 'there is no palette "__proto__"'],
  ['{"palette": "constructor"}', 'there is no palette "constructor"'],
  ['{"value": 20, "__proto__": {}}', 'unknown field "__proto__"'],
])("a move of %s is refused with its place", (move, words) => {
  const said = refusal(withText('"pan": 20', `"pan": ${move}`));
  expect(said).toMatch(new RegExp(words.replace(/[.+()[\]]/g, "\\$&")));
  expect(said).toContain("list main, cue 1, part 1, 1.pan");
});

test.each([
  ['"12.3456"', "is not a cue number"],
  ['"1e3"', "is not a cue number"],
  ['"-1"', "is not a cue number"],
  ['" 1"', "is not a cue number"],
  ['"1."', "is not a cue number"],
  ['".5"', "is not a cue number"],
  ['"1234567"', "is not a cue number"],
  ['"١"', "is not a cue number"],
  ['"NaN"', "is not a cue number"],
  ['"Infinity"', "is not a cue number"],
  ["1", "is a text"],
])("a cue number of %s is refused", (number, words) => {
  expect(refusal(withText('"number": "1"', `"number": ${number}`))).toContain(words);
});

test("minus zero is read as zero, so that a look never shows -0", () => {
  const show = parseShow(withText('"pan": 20', '"pan": -0'));
  expect(Object.is(allLooks(listOf(sheetOf(show)))[0]?.values["1"]?.["pan"]?.value, 0)).toBe(true);
});

test.each(["__proto__", "constructor", "toString", "hasOwnProperty", "valueOf", "prototype pollution", "", "a".repeat(65), "a/b"])(
  "%j is no id of an attribute",
  (id) => {
    expect(refusal(withText('"id": "pan"', `"id": ${JSON.stringify(id)}`))).toMatch(/is not an id|programs keep for themselves/);
  },
);

test("a moves object with prototype keys is refused, and nothing leaks into other objects", () => {
  for (const name of ["__proto__", "constructor", "toString", "0", "01", "1.5", "1e1", "-1", "99999999"])
    expect(refusal(withText('"5": {\n', `${JSON.stringify(name)}: {\n`))).toMatch(/is not a channel number|is not in the rig/);
  expect(Reflect.get({}, "intensity")).toBeUndefined();
});

test("labels hold anything that can be written; control characters and breaks are refused", () => {
  for (const label of ["🎭🔥", "שלום עולם", "\u202Ereversed", "<script>alert(1)</script>", "'; DROP TABLE cues; --"]) {
    const show = parseShow(text.replace('"title": "Small"', `"title": ${JSON.stringify(label)}`));
    expect(show.title).toBe(label);
    expect(parseShow(serializeShow(show)).title).toBe(label);
  }
  for (const label of ["a\u0000b", "\u001b[31m", "a\u0085"])
    expect(refusal(text.replace('"title": "Small"', `"title": ${JSON.stringify(label)}`))).toContain("title: holds a control character");
  for (const label of ["two\nlines", "a\tb"])
    expect(refusal(text.replace('"title": "Small"', `"title": ${JSON.stringify(label)}`))).toContain("title: is one line");
  for (const label of ["", "  "]) expect(refusal(text.replace('"title": "Small"', `"title": "${label}"`))).toContain("a show has a title");
  expect(refusal(text.replace('"title": "Small"', `"title": "${"x".repeat(201)}"`))).toContain("longer than 200 characters");
  expect(refusal(text.replace('"title": "Small"', '"title": "a\\ud800"'))).toBe("title: holds half a character; type it again");
});

test("ids in other scripts are ids", () => {
  const show = parseShow(text.replaceAll('"lamp"', '"лампа"').replaceAll('"mover"', '"灯"'));
  expect(show.fixtureTypes.map((type) => type.id)).toEqual(["灯", "лампа"]);
});

test("a field that stands twice in one object is refused with its line, however it is spelled", () => {
  expect(refusal('{"a": 1,\n "a": 2}')).toBe('This is not a show document: the field "a" stands twice in one object, at line 2');
  expect(refusal('{"a": 1, "\\u0061": 2}')).toContain('the field "a" stands twice');
  expect(refusal(withText('"5": {', '"1": {}, "5": {'))).toContain('the field "1" stands twice');
  expect(refusal(withText('"up": 3', '"up": 3, "up": 4'))).toContain('the field "up" stands twice');
  expect(() => readJson('[{"a": 1}, {"a": 2}, {"b": "a\\":"}, "a", {"c": {"a": 1}, "a": "{[\\\\"}]', "It")).not.toThrow();
});

test("text that nests without end is refused, and quickly", () => {
  const deep = "[".repeat(200_000) + "]".repeat(200_000);
  expect(refusal(deep)).toContain("it nests deeper than 64 levels");
  expect(refusal(withText('"pan": 20', `"pan": ${'{"value":'.repeat(5000)}1${"}".repeat(5000)}`))).toContain("nests deeper");
  expect(refusal("[".repeat(200_000))).toContain("not whole JSON");
});

test("a file that is cut off anywhere is refused, and says that it is not whole", () => {
  fc.assert(
    fc.property(fc.integer({ min: 0, max: text.trimEnd().length - 1 }), (end) => {
      expect(refusal(text.slice(0, end))).toContain("not whole JSON");
    }),
  );
});

test("a document with a value torn out or replaced is read or refused in words", () => {
  const junk = fc.constantFrom("null", "0", "-1", "1e308", '""', '"x"', "[]", "{}", "true", '{"__proto__":1}', "[[[]]]", '"\\ud800"');
  const values = [...text.matchAll(/: ("[^"]*"|-?[\d.]+|\[\]|\{\}|true|false)/g)];
  fc.assert(
    fc.property(fc.nat({ max: values.length - 1 }), junk, (pick, value) => {
      const match = values[pick];
      if (!match) return;
      const at = match.index + 2;
      const torn = text.slice(0, at) + value + text.slice(at + (match[1]?.length ?? 0));
      try {
        const sheet = sheetOf(parseShow(torn));
        checkSheet(sheet);
        for (const list of sheet.lists.values()) allLooks(list);
      } catch (error) {
        if (!(error instanceof ShowError)) throw error;
        expect(error.message.length).toBeGreaterThan(10);
      }
    }),
    { numRuns: 1000 },
  );
});

test("edits of any shape are read or refused in words", () => {
  fc.assert(
    fc.property(
      fc.jsonValue({ maxDepth: 5 }),
      fc.constantFrom("record", "change", "steps", "recast", "setPalette", "renumber"),
      (value, op) => {
        for (const edit of [
          value,
          { op, ...(typeof value === "object" ? value : {}) },
          { op, steps: value, moves: value, palette: value },
        ]) {
          try {
            readEdits(edit);
          } catch (error) {
            if (!(error instanceof ShowError)) throw error;
          }
        }
      },
    ),
    { numRuns: 500 },
  );
});

test("hostile sizes: many empty cues, a cue with every move, a hundred parts", () => {
  const show: Show = {
    ...plain.show,
    lists: [
      {
        id: "main",
        label: "",
        cues: Array.from({ length: 20_000 }, (_, index) => ({ number: String(index), parts: [{ number: 1, times: {}, moves: {} }] })),
      },
    ],
  };
  const sheet = sheetOf(parseShow(serializeShow(show)));
  expect(listOf(sheet).cues).toHaveLength(20_000);
  expect(reportMarks(listOf(sheet), undefined)).toEqual([]);
  const parts = Array.from({ length: 100 }, (_, index) => ({ number: index + 1, times: {}, moves: {} }));
  expect(refusal(JSON.stringify({ ...plain.show, lists: [{ id: "main", label: "", cues: [{ number: "1", parts }] }] }))).toContain(
    "cue 1, part 100",
  );
});

test("attributes without any room: a range of one value, huge ranges, a speed of almost nothing", () => {
  const narrow = parseShow(
    text
      .replace('"min": -270,\n     "max": 270', '"min": 20,\n     "max": 20')
      .replace(/"home": 0,\n {5}"speed"/, '"home": 20,\n     "speed"'),
  );
  expect(allLooks(listOf(sheetOf(narrow)))[0]?.values["1"]?.["pan"]?.value).toBe(20);
  expect(refusal(text.replace('"max": 270', '"max": 1e308'))).toContain("is too large");
  expect(refusal(text.replace('"speed": 90', '"speed": 1e-300'))).toContain("is not a speed above 0");
  expect(refusal(text.replace('"max": 270', '"max": -271'))).toContain("min -270 is above max -271");
});

test("whatever a random show holds, its text reads back as itself", () => {
  fc.assert(fc.property(showArbitrary, (show) => expect(serializeShow(parseShow(serializeShow(show)))).toBe(serializeShow(show))));
});
