import { readFileSync } from "node:fs";
import { saltAndParaffin } from "@zm/demo";
import { LINE_HELP, type LineRequest, completeLine, lightsNamed, listOf, parseLine, readLine, sheetOf } from "../../src/index.ts";

const sheet = sheetOf(saltAndParaffin());
const context = { sheet, list: listOf(sheet), cues: undefined, toHand: true };

function asked(text: string): LineRequest {
  const read = readLine(text, context);
  if ("fault" in read) throw new Error(read.fault.message);
  return read.request;
}
function fault(text: string): string {
  const read = readLine(text, context);
  if ("request" in read) throw new Error(`${text} was read`);
  return read.fault.message;
}

test.each([
  ["61..64 pan = -30~30", { kind: "give", operation: { set: "-30~30" }, selection: { channels: [61, 62, 63, 64], attributes: ["pan"] } }],
  ["1..3 + 5", { kind: "give", operation: { add: 5 }, selection: { channels: [1, 2, 3], families: ["intensity"] } }],
  ["@sea = dusk", { kind: "give", operation: { palette: "dusk" } }],
  ["61 position fade 3 delay 0~2", { kind: "time", wish: { fade: 3, delay: "0~2" }, selection: { families: ["position"] } }],
  [
    "61..64 pan wave sine 30 every 4 spread 0~360",
    {
      kind: "wave",
      wave: { shape: "sine", size: 30, period: 4, phase: "0~360" },
      selection: { channels: [61, 62, 63, 64], attributes: ["pan"] },
    },
  ],
  [
    "61 wave Flicker 20~40 at swell",
    { kind: "wave", wave: { shape: "flicker", size: "20~40", tempo: "swell" }, selection: { families: ["intensity"] } },
  ],
  ["61 pan wave stop", { kind: "wave", wave: { stop: true } }],
  ["61 pan wave none", { kind: "drop", waves: true, selection: { channels: [61], attributes: ["pan"] } }],
  ["hand in times", { kind: "inTime", on: true }],
  ["hand at once", { kind: "inTime", on: false }],
  ["5 drop", { kind: "drop", selection: { channels: [5] } }],
  ["drop", { kind: "drop", selection: {} }],
  ["take up", { kind: "restoreDropped" }],
  ["drop 61 position", { kind: "drop", selection: { channels: [61], families: ["position"] } }],
])("%s goes to the Hand", (text, operation) => {
  expect(asked(text)).toMatchObject({ kind: "hand", operation });
});

test("with a cue named, the same words edit blind; what only cues can do is refused for the Hand", () => {
  expect(asked("#6: 1 = 40 only")).toMatchObject({ kind: "edit", edits: [{ op: "change", from: "6" }] });
  expect(fault("1 = 40 only")).toMatch(/only speaks of cues/);
  expect(fault("record #12 up none")).toMatch(/forget one/);
  expect(fault("1 to part 2")).toMatch(/belongs to a cue/);
});

test.each([
  [
    "#6..7: 61 pan wave sine 30 every 1:30 only",
    { op: "setWave", from: "6", to: "7", wave: { shape: "sine", size: 30, period: 90 }, after: "restore" },
  ],
  ["#6: 61 wave stop", { op: "setWave", wave: { stop: true }, keys: { channels: [61], families: ["intensity"] }, after: "track" }],
  ["#6: 61 pan wave none", { op: "setWave", wave: null }],
  ["#6: waves pass", { op: "setCue", waves: "pass" }],
  ["#6: waves track", { op: "setCue", waves: null }],
  ["priority tower 60", { op: "setList", list: { id: "tower", priority: 60 } }],
  ["latest worklight", { op: "setHeldLook", look: { id: "worklight", levels: "latest" } }],
])("%s is an edit", (text, edit) => {
  expect(asked(text)).toMatchObject({ kind: "edit", edits: [edit] });
});

test.each([
  ["start tower", { do: "start", list: "tower" }],
  ["go tower to #2 in 3", { do: "goto", list: "tower", cue: "2", time: 3 }],
  ["back main", { do: "back", list: "main" }],
  ["catch main", { do: "catch", list: "main" }],
  ["fader tower 40 in 2", { do: "fader", list: "tower", level: 40, time: 2 }],
  ["raise worklight to 80", { do: "look", look: "worklight", level: 80 }],
  ["tempo swell 96", { do: "tempo", tempo: "swell", perMinute: 96 }],
  [
    "standby tower #2, main #012.30",
    {
      do: "standby",
      chosen: [
        { list: "tower", cue: "2" },
        { list: "main", cue: "12.3" },
      ],
    },
  ],
  ["drop standby", { do: "standby", chosen: [] }],
  ["fire set", { do: "fire" }],
  ["blackout", { do: "blackout", on: true }],
  ["blackout off in 2", { do: "blackout", on: false, time: 2 }],
  ["grand 60 in 3", { do: "grand", level: 60, time: 3 }],
  ["all off", { do: "allOff" }],
  ["all out in 5", { do: "allOff", time: 5 }],
])("%s presses what runs and stores nothing", (text, press) => {
  expect(asked(text)).toEqual({ kind: "press", press });
});

test("a press names lists, cues and looks that there are", () => {
  expect(fault("go see")).toMatch(/There is no list "see"; the lists are main/);
  expect(fault("start tower at #99")).toMatch(/List "tower" has no cue 99/);
  expect(fault("standby main #9999")).toMatch(/has no cue 9999/);
  expect(fault("raise worklamp to 5")).toMatch(/There is no held look "worklamp"/);
  expect(fault("priority tower 101")).toMatch(/A priority is 0 to 100/);
  expect(fault("priority nobody 5")).toMatch(/There is no list or held look "nobody"/);
  expect(asked('keep look "Warm wash" from stage')).toEqual({ kind: "keep", what: "look", label: "Warm wash", stage: true });
});

test.each([
  ["record", { cue: undefined, wish: { from: "hand", changed: true, mode: "merge", scope: "track" } }],
  ["record new", { cue: "new" }],
  [
    'record #12 "Storm breaks" up 3 delay 1 down 5 delay 2',
    { cue: "12", wish: { label: "Storm breaks", times: { up: 3, upDelay: 1, down: 5, downDelay: 2 } } },
  ],
  [
    "record #12 of 61 position position 4 delay 1 up delay 2",
    { wish: { families: ["position"], times: { position: { fade: 4, delay: 1 }, upDelay: 2 } } },
  ],
  ["record #12 of 61 position 4", { wish: { channels: [61], times: { position: { fade: 4 } } } }],
  ["record #12 take out of 61..62 position", { wish: { mode: "remove", channels: [61, 62], families: ["position"] } }],
  [
    'record #12 follows end 2 scene "I.9" note "Wait" isolated',
    { wish: { scope: "isolated", fields: { trigger: { type: "follow", from: "complete", after: 2 }, scene: "I.9", note: "Wait" } } },
  ],
  ["record #12 of 61 pan waves", { wish: { channels: [61], attributes: ["pan"], waves: "alone" } }],
  ["record #12 without waves", { wish: { waves: "without" } }],
  ["record #12 on go note none", { wish: { scope: "track", fields: { trigger: null, note: null } } }],
  ["record #12 only from stage all part 2 times", { wish: { scope: "cueOnly", from: "stage", changed: false, part: 2, what: "times" } }],
])("%s is read as a record", (text, expected) => {
  expect(asked(text)).toMatchObject({ kind: "record", ...expected });
});

test("updates, palettes, paces, groups, patches, gathered lists and views are read", () => {
  expect(asked("update at source of 61 position")).toEqual({
    kind: "update",
    place: "atSource",
    selection: { channels: [61], families: ["position"] },
  });
  expect(asked("update")).toMatchObject({ place: undefined });
  expect(asked('keep palette "Warm" colour for types')).toEqual({
    kind: "keep",
    what: "palette",
    label: "Warm",
    family: "colour",
    scope: "type",
  });
  expect(asked('keep pace "Slow"')).toEqual({ kind: "keep", what: "pace", label: "Slow" });
  expect(asked('keep group "Odd ones" 1..8 / 2')).toMatchObject({
    edits: [{ op: "setGroup", group: { id: "odd-ones", channels: [1, 3, 5, 7] } }],
  });
  expect(asked('patch 201..202 as led-wash from 9.10 "Side"')).toMatchObject({
    edits: [
      { op: "setChannel", channel: { number: 201, label: "Side 1", patch: { universe: 9, address: 10 } } },
      { op: "setChannel", channel: { number: 202, patch: { universe: 9, address: 14 } } },
    ],
  });
  expect(asked('gather #6..7, #2 "Again" moves')).toMatchObject({
    edits: [
      { op: "setList", list: { id: "again" } },
      { cue: "6", to: "1" },
      { cue: "7", to: "2" },
      { cue: "2", to: "3", what: "moves" },
    ],
  });
  expect(asked("stage")).toEqual({ kind: "view", view: "stage" });
  expect(asked("lit")).toEqual({ kind: "choice", what: "lit" });
  expect(fault("patch 201 as laser")).toMatch(/no fixture type "laser"/);
  expect(fault('keep palette "x" pink')).toMatch(/no family/);
  expect(fault("patch 201 as lens from 1.900")).toMatch(/not a patch/);
});

test("completion offers what can come next: words of the line and the names of the show", () => {
  const words = (text: string): string[] => completeLine(text, sheet).words.map(({ word }) => word);
  expect(words("")).toEqual(expect.arrayContaining(["record", "block", "undo", "stage"]));
  expect(words("@s")).toEqual(["sea"]);
  expect(words("@sea = ")).toEqual(
    expect.arrayContaining(["full", "out", ...sheet.show.palettes.filter(({ family }) => family === "colour").map(({ id }) => id)]),
  );
  expect(words("@sea = ")).not.toContain("table");
  expect(words("1 ")[0]).toBe("=");
  expect(words("1 ")).toEqual(expect.arrayContaining(["intensity", "home"]));
  expect(words("1 ")).not.toEqual(expect.arrayContaining(["pan"]));
  expect(words("61 p")).toEqual(expect.arrayContaining(["position", "pan", "pace"]));
  expect(words("61 position curve ")).toEqual(expect.arrayContaining(["ease", "slowStart"]));
  expect(words("record #12 t")).toEqual(expect.arrayContaining(["take", "times"]));
  expect(completeLine("record #12 ta", sheet).from).toBe(11);
  expect(words("patch 1..4 as le")).toEqual(["lens-lantern", "led-wash"]);
  expect(words("#6..9: 3 + 10 onl")).toEqual(["only"]);
});

test("every completion of every beginning of the help's examples can be read on", () => {
  for (const { entries } of LINE_HELP)
    for (const { typed } of entries)
      for (const example of typed) {
        const beginnings = [...example.matchAll(/ /g)]
          .map(({ index }) => example.slice(0, index + 1))
          .filter((text) => (text.split('"').length - 1) % 2 === 0);
        for (const text of beginnings)
          for (const { word } of completeLine(text, sheet).words) {
            const read = parseLine(`${text}${word}`);
            if ("fault" in read) expect([text, word, read.fault.at]).toEqual([text, word, text.length + word.length]);
          }
      }
});

test("every example of the help is a line that reads, and the documentation has them all", () => {
  const docs = readFileSync(new URL("../../../../docs/line.md", import.meta.url), "utf8");
  for (const { about, entries } of LINE_HELP) {
    expect(docs).toContain(about);
    for (const { typed, does } of entries) {
      expect(docs).toContain(does);
      for (const example of typed) {
        expect([example, parseLine(example)]).toEqual([example, { sentence: expect.anything() }]);
        expect(docs).toContain(`\`${example}\``);
      }
    }
  }
});

test("lights are named outside the line too", () => {
  expect(lightsNamed("@sea / 4, 1", sheet)).toMatchObject({ fault: { at: 8 } });
  expect(lightsNamed("3, 1..2", sheet)).toEqual({ channels: [3, 1, 2] });
  expect(lightsNamed("3 = 5", sheet)).toMatchObject({ fault: { message: expect.stringContaining("does not name lights") } });
});
