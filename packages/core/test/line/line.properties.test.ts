import fc from "fast-check";
import { saltAndParaffin } from "@zm/demo";
import {
  type EditInput,
  LINE_HELP,
  completeLine,
  describeEdits,
  lightsNamed,
  listOf,
  parseLine,
  readEdits,
  readLine,
  sheetOf,
} from "../../src/index.ts";

fc.configureGlobal({ numRuns: 300 });

const sheet = sheetOf(saltAndParaffin());
const context = { sheet, list: listOf(sheet), cues: { from: "6", to: "8" } };
const CHANNELS = [...sheet.keys.byChannel.keys()];

/** Words and signs of the line, and some that mean nothing in it. */
const WORDS = [
  ...new Set(
    LINE_HELP.flatMap(({ entries }) => entries.flatMap(({ typed }) => typed.flatMap((line) => line.split(/(?<=[ #@,.:])|(?=[ #@,.:])/)))),
  ),
  "…",
  "%",
  "12.5.1",
  "-",
  '"',
  "constructor",
  "__proto__",
];

test("no line whatever breaks the reader; a fault points into the line", () => {
  const anyLine = fc.oneof(
    fc.string({ maxLength: 40 }),
    fc.array(fc.constantFrom(...WORDS), { maxLength: 12 }).map((words) => words.join("")),
  );
  fc.assert(
    fc.property(anyLine, fc.boolean(), (text, toHand) => {
      const read = readLine(text, { ...context, toHand });
      if ("fault" in read) {
        expect(read.fault.message).not.toBe("");
        expect(read.fault.at).toBeGreaterThanOrEqual(0);
        expect(read.fault.at).toBeLessThanOrEqual(text.length);
      }
      const { from, words } = completeLine(text, sheet);
      expect(from).toBeLessThanOrEqual(text.length);
      for (const { word } of words) expect(word).not.toBe("");
      const named = lightsNamed(text, sheet);
      if ("channels" in named) expect(named.channels.every((each) => CHANNELS.includes(each))).toBe(true);
    }),
  );
});

test("an edit that a line asks for is one that edits can be, or the reader says why not", () => {
  fc.assert(
    fc.property(fc.array(fc.constantFrom(...WORDS), { maxLength: 10 }), (words) => {
      const read = readLine(words.join(" "), context);
      if ("fault" in read || read.request.kind !== "edit") return;
      const { edits } = read.request;
      // What only the show can refuse, such as a cue number with four places, is refused by name.
      try {
        readEdits(edits);
      } catch (error) {
        expect(error).toMatchObject({ name: "ShowError" });
        return;
      }
      expect(describeEdits(readEdits(edits))).not.toMatch(/undefined|\[object/);
    }),
  );
});

const channel = fc.constantFrom(...CHANNELS);
const span = fc
  .tuple(channel, channel)
  .map(([a, b]) => ({ text: a === b ? `${a}` : `${Math.min(a, b)}..${Math.max(a, b)}`, from: Math.min(a, b), to: Math.max(a, b) }));
const lights = fc
  .tuple(fc.array(span, { minLength: 1, maxLength: 3 }), fc.integer({ min: 1, max: 4 }), fc.constantFrom(", ", ",", " , "))
  .map(([spans, every, comma]) => {
    const all = [...new Set(spans.flatMap(({ from, to }) => CHANNELS.filter((each) => each >= from && each <= to)))];
    return {
      text: `${spans.map(({ text }) => text).join(comma)}${every === 1 ? "" : ` / ${every}`}`,
      channels: all.filter((_, index) => index % every === 0),
    };
  });
const amount = fc.integer({ min: -900, max: 900 }).map((tenth) => tenth / 10);
const fan = fc.array(amount, { minLength: 2, maxLength: 4 }).map((points) => points.join("~"));
const cues = fc.constantFrom(
  { text: "", from: "6", to: "8" },
  { text: "#12: ", from: "12", to: "12" },
  { text: "#10..20.5: ", from: "10", to: "20.5" },
);

function editOf(text: string): EditInput | undefined {
  const read = readLine(text, context);
  return "request" in read && read.request.kind === "edit" ? read.request.edits[0] : undefined;
}

test("lights mean the same however they are written: spans, every n-th, spaces, capitals", () => {
  fc.assert(
    fc.property(lights, (chosen) => {
      expect(readLine(chosen.text, context)).toEqual({ request: { kind: "choose", channels: chosen.channels } });
      expect(lightsNamed(chosen.text, sheet)).toEqual({ channels: chosen.channels });
    }),
  );
});

test("a value, a fan, a step or a factor typed for lights in cues is the change that it says", () => {
  const operations = fc.oneof(
    amount.map((set) => ({ text: `= ${set}`, do: { set } })),
    fan.map((set) => ({ text: `= ${set}`, do: { set } })),
    amount.map((add) => ({ text: add < 0 ? `- ${-add}` : `+ ${add}`, do: { add } })),
    fc.integer({ min: 0, max: 40 }).map((tenth) => ({ text: `* ${tenth / 10}`, do: { scale: tenth / 10 } })),
    fc.constantFrom(
      { text: "= FULL", do: { set: 100 } },
      { text: "= out", do: { set: 0 } },
      { text: "release", do: { release: true } },
      { text: "drop", do: { drop: true } },
      { text: "= dusk", do: { palette: "dusk" } },
    ),
  );
  fc.assert(
    fc.property(
      cues,
      lights,
      fc.constantFrom("", "pan", "colour", "intensity"),
      operations,
      fc.boolean(),
      (range, chosen, attribute, operation, only) => {
        const text = `${range.text}${chosen.text} ${attribute} ${operation.text}${only ? " only" : ""}`;
        const families = attribute === "colour" || attribute === "intensity" ? [attribute] : undefined;
        expect(editOf(text)).toMatchObject({
          op: "change",
          from: range.from,
          to: range.to,
          do: operation.do,
          after: only ? "restore" : "track",
          keys: { channels: chosen.channels, ...(attribute === "pan" ? { attributes: ["pan"] } : {}), ...(families ? { families } : {}) },
        });
      },
    ),
  );
});

const seconds = fc.integer({ min: 0, max: 80 }).map((quarter) => quarter / 4);
const typedTime = fc.record({ time: fc.option(seconds), delay: fc.option(fc.option(seconds), { nil: undefined }) });

test("times of cues are the changes that they say, in any order", () => {
  const names = fc.shuffledSubarray(["up", "down", "position", "colour", "beam"] as const, { minLength: 1 });
  fc.assert(
    fc.property(
      cues,
      names,
      fc.array(typedTime, { minLength: 5, maxLength: 5 }),
      fc.option(fc.integer({ min: 1, max: 9 })),
      (range, order, times, part) => {
        const set: Record<string, unknown> = {};
        const words = order.map((name, index) => {
          const { time, delay } = times[index] ?? { time: 0, delay: undefined };
          if (name === "up" || name === "down") {
            set[name] = time;
            if (delay !== undefined) set[`${name}Delay`] = delay;
          } else set[name] = { fade: time, ...(delay === undefined ? {} : { delay }) };
          return `${name} ${time ?? "none"}${delay === undefined ? "" : ` delay ${delay ?? "none"}`}`;
        });
        const edit = editOf(`${range.text}${part === null ? "" : `part ${part} `}${words.join(" ")}`);
        expect(edit).toEqual({ op: "setTimes", list: "main", from: range.from, to: range.to, set, ...(part === null ? {} : { part }) });
      },
    ),
  );
});

test("own times of lights are the times that they say, fans included", () => {
  const own = fc.record(
    {
      fade: fc.oneof(seconds, fc.constant("0~5")),
      delay: fc.oneof(seconds, fc.constant("2~5~2")),
      curve: fc.constantFrom("ease", "linear", "atEnd"),
    },
    { requiredKeys: ["fade"] },
  );
  fc.assert(
    fc.property(cues, lights, own, (range, chosen, times) => {
      const text = Object.entries(times)
        .map(([name, value]) => `${name} ${value}`)
        .join(" ");
      expect(editOf(`${range.text}${chosen.text} position ${text}`)).toEqual({
        op: "setMoveTimes",
        list: "main",
        from: range.from,
        to: range.to,
        keys: { channels: chosen.channels, families: ["position"] },
        ...times,
      });
    }),
  );
});

test("the options of a record may stand in any order", () => {
  const options: readonly (readonly [string, object])[] = [
    ["up 3 delay 1", { times: expect.objectContaining({ up: 3, upDelay: 1 }) }],
    ["position 4", { times: expect.objectContaining({ position: { fade: 4 } }) }],
    ["exactly", { mode: "replace" }],
    ["only", { scope: "cueOnly" }],
    ["part 2", { part: 2 }],
    ["all", { changed: false }],
    ["from stage", { from: "stage" }],
    ["values", { what: "values" }],
    ["of 5..8 colour", { channels: [5, 6, 7, 8], families: ["colour"] }],
  ];
  fc.assert(
    fc.property(fc.shuffledSubarray([...options]), (some) => {
      const text = `record #12.5 "Storm breaks" ${some.map(([typed]) => typed).join(" ")}`;
      const read = readLine(text, context);
      expect(read).toMatchObject({
        request: { kind: "record", cue: "12.5", wish: { label: "Storm breaks", ...Object.assign({}, ...some.map(([, wish]) => wish)) } },
      });
    }),
  );
});

test("a beginning of a line never reads as something that is wrong before its end", () => {
  const examples = LINE_HELP.flatMap(({ entries }) => entries.flatMap(({ typed }) => typed));
  for (const example of examples)
    for (let length = 1; length <= example.length; length += 1) {
      const text = example.slice(0, length);
      if ((text.split('"').length - 1) % 2 === 1) continue;
      const read = parseLine(text);
      if ("fault" in read && /[ #@]$/.test(text)) expect([text, read.fault.at]).toEqual([text, text.length]);
    }
});
