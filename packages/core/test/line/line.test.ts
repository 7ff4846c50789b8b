import { readFileSync } from "node:fs";
import { type LineRequest, describeEdits, listOf, makeEdits, readEdits, readLine, readShow, sheetOf } from "../../src/index.ts";
import { oneCue, smallShow } from "../support/smallShow.ts";

const worked: { show: unknown } = JSON.parse(readFileSync(new URL("../cases/06-palettes.json", import.meta.url), "utf8"));
const show = readShow(worked.show);
const sheet = sheetOf({ ...show, groups: [{ id: "front", label: "Front wash", channels: [1, 2] }] });
const context = { sheet, list: listOf(sheet), cues: { from: "1", to: "1" } };

function asked(text: string): LineRequest {
  const read = readLine(text, context);
  if ("fault" in read) throw new Error(read.fault.message);
  return read.request;
}

test.each([
  ["1 = 70", { do: { set: 70 }, from: "1", to: "1", after: "track", keys: { channels: [1], families: ["intensity"] } }],
  [
    "#1..3: 1..5 = full only",
    { do: { set: 100 }, from: "1", to: "3", after: "restore", keys: { channels: [1, 2, 5], families: ["intensity"] } },
  ],
  ["@front + 10", { do: { add: 10 }, keys: { channels: [1, 2], families: ["intensity"] } }],
  ["1..5 / 2 - 5", { do: { add: -5 }, keys: { channels: [1, 5], families: ["intensity"] } }],
  ["@front = dusk", { do: { palette: "dusk" }, keys: { channels: [1, 2] } }],
  ["1 pan -20", { do: { set: -20 }, keys: { channels: [1], attributes: ["pan"] } }],
  ["1 pan - 20", { do: { add: -20 }, keys: { channels: [1], attributes: ["pan"] } }],
  ["1 -20", { do: { add: -20 }, keys: { channels: [1], families: ["intensity"] } }],
  ["1 pan = -20", { do: { set: -20 }, keys: { channels: [1], attributes: ["pan"] } }],
  ["1 position drop", { do: { drop: true }, keys: { channels: [1], families: ["position"] } }],
  ["5 * 0.8", { do: { scale: 0.8 } }],
])("%s is read as a change of looks", (text, expected) => {
  expect(asked(text)).toMatchObject({ kind: "edit", edits: [{ op: "change", where: "look", ...expected }] });
});

test("a copy in other colours swaps palettes in the copies alone", () => {
  expect(asked("copy #1 to #5 with dusk, chair for chair, dusk")).toMatchObject({
    kind: "edit",
    edits: [
      { op: "copyCue", cue: "1", to: "5" },
      { op: "swapPalette", from: "5", to: "5", palette: ["dusk", "chair"], as: ["chair", "dusk"], skipMissing: true },
    ],
  });
});

test("times and choices are read too", () => {
  expect(asked("#1..2: times * 1.2")).toMatchObject({ edits: [{ op: "setTimes", from: "1", to: "2", scale: 1.2 }] });
  expect(asked("#12.5")).toEqual({ kind: "choose", cues: { from: "12.5", to: "12.5" } });
  expect(asked("1, 5")).toEqual({ kind: "choose", channels: [1, 5] });
  expect(asked("undo")).toEqual({ kind: "history", what: "undo" });
});

test.each([
  ["show pictures", { kind: "show", what: "pictures", shown: true }],
  ["hide scenes", { kind: "show", what: "scenes", shown: false }],
  ["renumber", { kind: "numbers", cues: undefined }],
  ["renumber #2..3", { kind: "numbers", cues: { from: "2", to: "3" } }],
  ["take cues", { kind: "importCues" }],
  ['take #2..3 of "Spring tour" to #30', { kind: "importCues", cues: { from: "2", to: "3" }, from: "Spring tour", start: "30" }],
])("%s asks for something to be shown, and edits nothing", (text, expected) => {
  expect(asked(text)).toEqual(expected);
});

test.each([
  ["up 3 down 5", { set: { up: 3, down: 5 }, from: "1", to: "1" }, "Cue 1: up 3, down 5"],
  ["#2: up delay 1", { set: { upDelay: 1 }, from: "2" }, "Cue 2: up delay 1"],
  ["#1..2: down 5 delay 0.5 up none", { set: { up: null, down: 5, downDelay: 0.5 } }, "Cues 1 to 2: up none, down 5, down delay 0.5"],
  [
    "#2: position 4 delay 1 Colour none",
    { set: { position: { fade: 4, delay: 1 }, colour: { fade: null } } },
    "Cue 2: position 4, position delay 1, colour none",
  ],
  ["#2: part 2 beam delay 0", { part: 2, set: { beam: { delay: 0 } } }, "Cue 2, part 2: beam delay 0"],
  ["#1..2: times * 1.2", { scale: 1.2 }, "Cues 1 to 2: times × 1.2"],
])("%s is read as times of cues, and read back", (text, expected, words) => {
  const request = asked(text);
  expect(request).toMatchObject({ kind: "edit", edits: [{ op: "setTimes", ...expected }] });
  if (request.kind === "edit") expect(describeEdits(readEdits(request.edits))).toBe(words);
});

test.each([
  ["#2: follows end 2", { trigger: { type: "follow", from: "complete", after: 2 } }, "Cue 2: follows 2 s after the end of the cue before"],
  ["follows go", { trigger: { type: "follow", from: "go", after: 0 } }, "Cue 1: follows 0 s after the Go of the cue before"],
  ["#1..2: on go", { trigger: null, to: "2" }, "Cues 1 to 2: fires on Go"],
])("%s is read as what fires cues, and read back", (text, expected, words) => {
  const request = asked(text);
  expect(request).toMatchObject({ kind: "edit", edits: [{ op: "setCue", ...expected }] });
  if (request.kind === "edit") expect(describeEdits(readEdits(request.edits))).toBe(words);
});

test.each([
  ["block #1..2", { op: "block", from: "1", to: "2" }],
  ["unblock #2", { op: "unblock", from: "2", to: "2" }],
  ["restate #2", { op: "restate" }],
  ["recast 1 as 2 in #1..3", { op: "recast", channel: 1, as: 2, how: "replace", from: "1", to: "3" }],
  ["recast look of 1 as 2 in #1..3 only", { op: "recast", channel: 1, as: 2, where: "look", after: "restore", from: "1", to: "3" }],
  ["exchange look of 1 and 2 in #2 only", { op: "recast", how: "swap", where: "look", after: "restore" }],
  ["recast 1 as 2 in #2", { op: "recast", where: "moves", after: "track" }],
  ["recast 1 as 2 too", { op: "recast", how: "copy", from: "1", to: "1" }],
  ["exchange 1 and 2 in #2", { op: "recast", how: "swap", from: "2" }],
  ["swap dusk for Dusk in #1..3", { op: "swapPalette", palette: "dusk", as: "dusk" }],
  ["swap dusk, Dusk for Dusk, dusk in #1..3", { op: "swapPalette", palette: ["dusk", "dusk"], as: ["dusk", "dusk"] }],
  ["copy #1 to #5", { op: "copyCue", cue: "1", to: "5", what: "moves" }],
  ["copy look of #1 to #5", { op: "copyCue", what: "look" }],
  ["move #1 to #2.5", { op: "moveCue", cue: "1", to: "2.5" }],
  ["renumber #1..3 from 10 by 0.5", { op: "renumber", from: "1", to: "3", start: "10", step: "0.5" }],
  ["split @front position of #1 to #1.5", { op: "split", cue: "1", to: "1.5", keys: { channels: [1, 2], families: ["position"] } }],
  ["insert #1.5", { op: "insertCue", cue: "1.5" }],
  ['insert #1.5 "Lamp out"', { op: "insertCue", cue: "1.5", label: "Lamp out" }],
  ['label #1 "Storm breaks"', { op: "setCue", label: "Storm breaks" }],
  ["@front pan = -30~30", { op: "change", do: { set: "-30~30" }, keys: { channels: [1, 2], attributes: ["pan"] } }],
  [
    "1, 2 position fade 3 delay 0~2 curve ease",
    { op: "setMoveTimes", fade: 3, delay: "0~2", curve: "ease", keys: { families: ["position"] } },
  ],
  ["#2: 1 to part 3", { op: "assignPart", cue: "2", part: 3, keys: { channels: [1] } }],
])("%s is read as an edit of its own", (text, expected) => {
  const request = asked(text);
  expect(request).toMatchObject({ kind: "edit", edits: [expected] });
  if (request.kind === "edit") expect(() => readEdits(request.edits)).not.toThrow();
});

test("delete names each cue that stands in the range, and leaves the one before chosen", () => {
  const three = smallShow([oneCue("1", {}), oneCue("2", {}), oneCue("2.5", {})]);
  const read = readLine("delete #2..9", { sheet: three, list: listOf(three), cues: undefined });
  const edits = ["2", "2.5"].map((cue) => ({ op: "deleteCue", list: "main", cue }));
  expect(read).toEqual({ request: { kind: "edit", channels: undefined, cues: { from: "1", to: "1" }, edits } });
});

test.each([
  ["1 = nonsense", 4, "palette"],
  ["9 = 5", 0, "Light 9"],
  ["@nobody = 5", 1, "group"],
  ["1 = ", 4, "not finished"],
  ["1 == 5", 3, "here could stand"],
  ["1 = 5 %", 6, "means nothing"],
  ["1 gobos = 3", 2, "gobos"],
  ["fooo", 0, "a line begins with lights"],
  ["#2: follows 3", 12, "here could stand go, end"],
  ["up", 2, "not finished"],
  ["1 fade 3 curve bouncy", 15, "curve"],
  ["1 pace quick", 7, "pace"],
  ["swap dusk for noon", 14, "palette"],
  ["copy #1 to 5", 11, "Cues are typed with #, as in to #5"],
  ["recast 1 in #2", 9, "here could stand .., as"],
  ["1 thru 6 = 50", 7, "A range is written 1..6"],
  ["1 to 6 = 50", 5, "A range is written 1..6"],
  ["1 at 50", 2, "A level is written with =, as in 1 = 50"],
  ["1 50", 2, "A level is written with =, as in 1 = 50"],
  ["= 50", 0, "Which lights?"],
  ["pan 3", 0, "Lights come first and a value has =, as in 5 pan = 3"],
  ["1 pan 3", 6, "A value is written with =, as in pan = 3"],
  ["go", 2, "On which list? Name it, as in go main"],
  ["1 pan wave wobble 3 every 2", 11, "the shapes are sine"],
  ["1 pan wave sine 3 at fast", 21, "There is no tempo"],
  ["standby sea", 11, "not finished"],
  ["cue 2", 0, "Cues are typed with #, as in #2"],
  ["delete 2", 7, "Cues are typed with #, as in delete #2"],
  ["2.5", 0, "cues are typed with #, as in #2.5"],
  ["#2 1 = 50", 3, "A colon stands between the cues and what is done in them, as in #2: 1 = 50"],
  ["1-6 = 50", 0, "Which is meant? Lights 1 to 6 are written 1..6; light 1 down by 6 is written 1 - 6"],
  ["1 relaese", 2, 'is "release" meant?'],
])("the fault in %s points at its word", (text, at, words) => {
  const read = readLine(text, context);
  expect(read).toMatchObject({ fault: { at, message: expect.stringContaining(words) } });
});

test.each([
  ["#1: up 1:30", { up: 90 }],
  ["#1: up 2+1 down 1.5+1", { up: 2, upDelay: 1, down: 1.5, downDelay: 1 }],
  ["#1: position 1:05+2", { position: { fade: 65, delay: 2 } }],
])("%s reads its times as they are written everywhere", (text, set) => {
  expect(asked(text)).toMatchObject({ kind: "edit", edits: [{ op: "setTimes", set }] });
});

test("a light and a number behind cues are no time of day", () => {
  const request = asked("#1..2:2 = 30");
  expect(request).toMatchObject({ kind: "edit", edits: [{ op: "change", from: "1", to: "2", keys: { channels: [2] }, do: { set: 30 } }] });
});

test.each([
  ["#1..2 carries only", "cueOnly"],
  ["#1 carries isolated", "isolated"],
  ["#2: carries track", "track"],
])("%s says how cues carry what they move", (text, carries) => {
  expect(asked(text)).toMatchObject({ kind: "edit", edits: [{ op: "setCue", carries }] });
});

test("letting go and dropping speak of all that a light does, a level of its level alone", () => {
  const keysOf = (text: string): unknown => {
    const request = asked(text);
    return request.kind === "edit" && request.edits[0]?.op === "change" ? request.edits[0].keys : undefined;
  };
  expect(keysOf("#1: 2 release")).toEqual({ channels: [2] });
  expect(keysOf("#1: 2 drop")).toEqual({ channels: [2] });
  expect(keysOf("#1: 2 = 5")).toEqual({ channels: [2], families: ["intensity"] });
  const request = asked("#1: 2 drop");
  if (request.kind === "edit") expect(describeEdits(readEdits(request.edits))).toBe("Cue 1, 1 light: all families moves dropped");
});

test("others out takes out just the lights that are lit somewhere in the cues", () => {
  const lit = smallShow([oneCue("1", { "1": { intensity: 20 }, "5": { intensity: 30 } }), oneCue("2", { "5": { intensity: 0 } })]);
  const read = (text: string): unknown => readLine(text, { sheet: lit, list: listOf(lit), cues: undefined });
  expect(read("#1: 1 = 50 others out")).toMatchObject({
    request: { edits: [{ do: { set: 50 } }, { keys: { channels: [5] }, do: { set: 0 } }] },
  });
  expect(read("#2: 1 = 50 others out only")).toMatchObject({ request: { edits: [{ after: "restore" }] } });
});

test("home sends everything but the level to its resting value", () => {
  const read = asked("#1: 1 home");
  const pan = expect.objectContaining({ op: "change", keys: { channels: [1], attributes: ["pan"] }, do: { set: 0 } });
  expect(read).toMatchObject({ kind: "edit", edits: expect.arrayContaining([pan]) });
  expect(JSON.stringify(read)).not.toContain("intensity");
});

test("a search and the help are no edits", () => {
  expect(asked('find storm "breaks"')).toEqual({ kind: "find", text: "storm breaks" });
  expect(asked("help")).toEqual({ kind: "help" });
  expect(asked("rehearse")).toEqual({ kind: "rehearse", speed: 1 });
  expect(asked("rehearse at 1.5")).toEqual({ kind: "rehearse", speed: 1.5 });
  expect(asked("again 3")).toEqual({ kind: "choice", what: "before", steps: 3 });
  expect(asked("people")).toEqual({ kind: "people" });
  expect(asked("servers")).toEqual({ kind: "servers" });
  expect(asked("hand over")).toEqual({ kind: "handOver" });
});

test("a cue is kept by its number, or no more; there must be such a cue", () => {
  expect(asked("keep #1")).toEqual({ kind: "keepCue", list: "main", cue: "1", keep: true });
  expect(asked("keep #1.0 off")).toEqual({ kind: "keepCue", list: "main", cue: "1", keep: false });
  expect(() => asked("keep #77")).toThrow(/77/);
  expect(() => asked("keep #")).toThrow();
});

test.each(["5 - 6", "5 -6", "5- 6"])("%s is light 5 made darker: only without a blank on either side may a range be meant", (text) => {
  expect(readLine(text, context)).toMatchObject({ request: { kind: "edit" } });
});

test("what a cue does besides is typed, added and taken away; an unknown list is pointed at", () => {
  const held = {
    heldLooks: [{ id: "warm", label: "Warm", values: { 5: { intensity: 50 } } }],
    tempos: [{ id: "slow", label: "Slow", perMinute: 60 }],
  };
  const base = smallShow([oneCue("1", {}), oneCue("2", {})], {}, held);
  const sheet = makeEdits(
    base,
    readEdits([
      { op: "setList", list: { id: "sea", label: "Sea" } },
      { op: "insertCue", list: "sea", cue: "3" },
    ]),
  ).sheet;
  const actionsAfter = (...lines: string[]): unknown => {
    let now = sheet;
    for (const line of lines) {
      const read = readLine(line, { sheet: now, list: listOf(now), cues: undefined });
      if (!("request" in read) || read.request.kind !== "edit") throw new Error(JSON.stringify(read));
      now = makeEdits(now, readEdits(read.request.edits)).sheet;
    }
    return listOf(now).cues[0]?.actions;
  };
  expect(actionsAfter("#1: start sea at #3 after 1.5", "#1: raise warm to 80 in 3", "#1: release Sea in 4 after 1:00")).toEqual([
    { do: "start", list: "sea", cue: "3", after: 1.5 },
    { do: "look", look: "warm", level: 80, time: 3 },
    { do: "release", list: "sea", time: 4, after: 60 },
  ]);
  expect(
    actionsAfter("#1: go sea", "#1: go sea to #3 in 2", "#1: hold sea", "#1: rate sea 1.5", "#1: master sea 60", "#1: tempo slow 96"),
  ).toEqual([
    { do: "go", list: "sea" },
    { do: "goto", list: "sea", cue: "3", time: 2 },
    { do: "hold", list: "sea" },
    { do: "rate", list: "sea", rate: 1.5 },
    { do: "master", list: "sea", level: 60 },
    { do: "tempo", tempo: "slow", perMinute: 96 },
  ]);
  expect(actionsAfter("#1: start sea", "#1: actions none")).toBeUndefined();
  const wrong = readLine("#1: start storm", { sheet, list: listOf(sheet), cues: undefined });
  expect(wrong).toEqual({ fault: { message: 'There is no list "storm"; the lists are main, sea', at: 10, length: 5 } });
  expect(readLine("#1..2: start sea", { sheet, list: listOf(sheet), cues: undefined })).toMatchObject({
    fault: { message: expect.stringMatching(/one cue/) },
  });
});
