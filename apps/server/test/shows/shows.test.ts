import { type Show, readShow, serializeShow } from "@zm/core";
import { saltAndParaffin } from "@zm/demo";
import request from "supertest";
import { ShowRow } from "../../src/database/entities.ts";
import { withImportThread } from "../support/importing.ts";
import { type TestServer, client, startServer } from "../support/testServer.ts";

withImportThread();
let server: TestServer;
const http = (): ReturnType<typeof client> => client(server);
const change = (from: string, to: string, channel: number, set: number): object => ({
  op: "change",
  from,
  to,
  keys: { channels: [channel], attributes: ["intensity"] },
  do: { set },
  after: "restore",
});

async function stored(id = 1): Promise<string> {
  const { text } = await http().get(`/api/shows/${id}/document`).buffer(true).expect(200);
  return text;
}

beforeEach(async () => {
  server = await startServer();
});
afterEach(async () => {
  await server.end();
});

test("a show goes into rows and comes out as the identical document", async () => {
  expect(await stored()).toBe(serializeShow(saltAndParaffin()));
});

test("every field of the document survives the rows", async () => {
  const demo = saltAndParaffin();
  const [list, ...sideLists] = demo.lists;
  const show: Show = readShow({
    ...demo,
    title: "Ünïcode 🎭",
    channels: demo.channels.map((channel, index) => (index === 2 ? { ...channel, house: true } : channel)),
    lists: [
      { ...list, marks: { policy: "dark", fade: 2 }, priority: 80, master: 90, releaseTime: 0 },
      ...sideLists,
      {
        id: "sea",
        label: "Sea",
        levels: "highest",
        fader: "rate",
        startsAt: 5,
        steps: { tempo: "slow", order: "bounce", rounds: 3 },
        cues: [
          {
            number: "0.125",
            label: "",
            note: "a\nb",
            scene: "II",
            block: false,
            restate: true,
            carries: "isolated",
            trigger: { type: "go" },
            mark: { policy: "view", at: "0.1", channels: { "61": { at: "0.1" }, "62": { view: true } } },
            call: { line: "I.1", word: "now", kind: "on" },
            waves: "pass",
            actions: [{ do: "start", list: "main" }, { do: "look", look: "warmers", level: 80, time: 3, after: 1 }, { do: "release" }],
            parts: [
              {
                number: 1,
                label: "one",
                curve: "ease",
                times: { up: 0, position: { fade: 1, delay: 0, curve: "slowEnd" }, beam: {} },
                moves: {
                  "61": {
                    pan: { value: -20.5, fade: 0, delay: 1, curve: "atEnd" },
                    red: { palette: "dusk", fade: 3 },
                    gobo: { release: true },
                  },
                },
              },
              {
                number: 4,
                times: {},
                moves: {},
                waves: { "61": { pan: { shape: "sine", size: 30, period: 4, phase: 90 }, red: { stop: true } } },
              },
            ],
          },
        ],
      },
    ],
    heldLooks: [{ id: "warmers", label: "Warmers", values: { "61": { intensity: 80, red: { palette: "dusk" } } }, priority: 10, fade: 2 }],
    tempos: [...(demo.tempos ?? []), { id: "slow", label: "Slow", perMinute: 100 }],
    script: { pace: 150, lines: [{ id: "I.1", page: 1, who: "ADA", text: "Now.", seconds: 2, quiet: true }] },
  });
  const { body } = await http()
    .post("/api/shows")
    .set("Content-Type", "application/vnd.zealous-mark.show+json")
    .send(serializeShow(show))
    .expect(201);
  server = await server.restart();
  expect(await stored(body.id)).toBe(serializeShow(show));
});

test("held looks and tempos come and go row for row, and lists keep how they run", async () => {
  const before = await stored();
  const look = { id: "warmers", label: "Warmers", values: { "1": { intensity: 40 } } };
  const [{ cues: _cues, ...head } = { id: "main", label: "Main", cues: [] }] = saltAndParaffin().lists;
  const edits = [
    { op: "setTempo", tempo: { id: "slow", label: "Slow", perMinute: 90 } },
    { op: "setHeldLook", look },
    { op: "setHeldLook", look: { ...look, values: { "1": { intensity: 60 } } } },
    { op: "setList", list: { ...head, priority: 70, steps: { tempo: "slow" } } },
  ];
  await http().post("/api/shows/1/edits").send({ base: 0, edits }).expect(200);
  server = await server.restart();
  const after = JSON.parse(await stored());
  expect(after.heldLooks).toEqual([...JSON.parse(before).heldLooks, { ...look, values: { "1": { intensity: 60 } } }]);
  expect(after.tempos).toEqual([...JSON.parse(before).tempos, { id: "slow", label: "Slow", perMinute: 90 }]);
  expect(after.lists[0]).toMatchObject({ priority: 70, steps: { tempo: "slow" } });
  const { body } = await http()
    .post("/api/shows/1/edits")
    .send({ base: 1, edits: [{ op: "removeTempo", tempo: "slow" }] });
  expect(JSON.stringify(body)).toMatch(/is what list Main steps at/);
  await http().post("/api/shows/1/undo").send({}).expect(200);
  server = await server.restart();
  expect(await stored()).toBe(before);
});

test("pages, notes, movements, colour lists, times of palettes and cues that are switched off are kept in rows, and gone after undo", async () => {
  const before = await stored();
  const { palettes }: { palettes: { id: string }[] } = JSON.parse(before);
  const page = { id: "storm", label: "Storm", items: [{ list: "main" }, { do: { do: "release", list: "main" }, label: "Away" }] };
  const note = { id: "n1", text: "Warmer here", list: "main", cue: "6", channels: [1], asked: "Act I" };
  const movement = { id: "circle", label: "Circle", waves: [{ attribute: "pan", shape: "sine", size: 20 }], period: 4 };
  const colourList = { id: "book", label: "Book", colours: [{ number: "101", name: "Amber", rgb: "#ffb066" }] };
  const edits = [
    { op: "setPage", page: { ...page, id: "other" } },
    { op: "setPage", page },
    { op: "removePage", page: "other" },
    { op: "setNote", note },
    { op: "setMovement", movement },
    { op: "setColourList", colourList },
    { op: "setPalette", palette: { ...palettes[0], times: { fade: 3, delay: "0~1" } } },
    { op: "switchOff", from: "6", to: "6" },
  ];
  await http().post("/api/shows/1/edits").send({ base: 0, edits }).expect(200);
  const made = await stored();
  server = await server.restart();
  expect(await stored()).toBe(made);
  const after = JSON.parse(made);
  const held = JSON.parse(before);
  expect(after).toMatchObject({
    pages: [...held.pages, page],
    notes: [...held.notes, note],
    movements: [...held.movements, movement],
    colourLists: [...held.colourLists, colourList],
  });
  expect(after.palettes[0]).toMatchObject({ times: { fade: 3, delay: "0~1" } });
  expect(after.lists[0].off).toMatchObject([{ number: "6" }, ...held.lists[0].off]);
  await http().post("/api/shows/1/undo").send({}).expect(200);
  server = await server.restart();
  expect(await stored()).toBe(before);
});

test("an edit, its undo and its redo are all still there after a restart", async () => {
  const before = await stored();
  await http()
    .post("/api/shows/1/edits")
    .send({ base: 0, edits: [change("6", "12", 1, 33)] })
    .expect(200);
  const after = await stored();
  expect(after).not.toBe(before);
  server = await server.restart();
  expect(await stored()).toBe(after);
  const undone = await http().post("/api/shows/1/undo").expect(200);
  expect(undone.body).toMatchObject({
    edit: { revision: 2, kind: "undo" },
    history: { undo: null, redo: { of: "edit", words: "Cues 6 to 12, 1 light: intensity to 33, restored after" } },
  });
  server = await server.restart();
  expect(await stored()).toBe(before);
  await http().post("/api/shows/1/redo").expect(200);
  expect(await stored()).toBe(after);
  await http().post("/api/shows/1/redo").expect(409);
});

test("inserting and deleting cues with parts is stored and taken back row for row", async () => {
  const before = await stored();
  const insert = {
    op: "insertCue",
    cue: "6.5",
    label: "New",
    parts: [
      { number: 1, moves: { "1": { intensity: 5 } } },
      { number: 2, times: { up: 3 }, moves: { "61": { pan: 4 } } },
    ],
  };
  await http()
    .post("/api/shows/1/edits")
    .send({
      base: 0,
      edits: [insert, { op: "deleteCue", cue: "27" }, { op: "record", cue: "4", mode: "replace", moves: { "2": { intensity: 7 } } }],
    })
    .expect(200);
  const after = await stored();
  server = await server.restart();
  expect(await stored()).toBe(after);
  await http().post("/api/shows/1/undo").expect(200);
  server = await server.restart();
  expect(await stored()).toBe(before);
});

test("two edits made at once on different things are both kept", async () => {
  const both = [change("6", "7", 1, 11), change("8", "9", 2, 22)].map((edit) =>
    http()
      .post("/api/shows/1/edits")
      .send({ base: 0, edits: [edit] }),
  );
  const replies = await Promise.all(both);
  expect(replies.map((reply) => reply.status)).toEqual([200, 200]);
  expect(replies.map((reply) => reply.body.revision).sort()).toEqual([1, 2]);
});

test("the later of two edits of the same thing is refused whole, with the reason", async () => {
  await http()
    .post("/api/shows/1/edits")
    .send({ base: 0, edits: [change("6", "7", 1, 11)] })
    .expect(200);
  const before = await stored();
  const late = await http()
    .post("/api/shows/1/edits")
    .send({ base: 0, edits: [change("20", "20", 3, 44), change("6", "6", 1, 99)] })
    .expect(409);
  expect(late.body.message).toMatch(/^Cue 6 has just been changed in another window/);
  expect(await stored()).toBe(before);
  await http()
    .post("/api/shows/1/edits")
    .send({ base: 1, edits: [change("6", "6", 1, 99)] })
    .expect(200);
});

test("an edit in a cue that has gone meanwhile is refused", async () => {
  await http()
    .post("/api/shows/1/edits")
    .send({ base: 0, edits: [{ op: "deleteCue", cue: "7" }] })
    .expect(200);
  await http()
    .post("/api/shows/1/edits")
    .send({ base: 0, edits: [{ op: "record", cue: "7", moves: { "1": { intensity: 1 } } }] })
    .expect(409);
});

test("bad input is refused with the thing, the place and what to do, and nothing is changed", async () => {
  const before = await stored();
  const refused = async (edit: object, words: RegExp): Promise<void> => {
    const { body } = await http()
      .post("/api/shows/1/edits")
      .send({ base: 0, edits: [edit] })
      .expect(422);
    expect(body.message).toMatch(words);
  };
  await refused(change("6", "7", 1, 101), /1\.intensity: 101 is outside 0 to 100/);
  await refused(change("140", "150", 1, 5), /no cue from 140 to 150/);
  await refused(change("6", "7", 999, 5), /Light 999 is not in the rig/);
  await refused({ op: "setTimes", from: "6", to: "6", part: 3, set: { up: 1 } }, /Cue 6 has no part 3; its only part is 1/);
  await refused({ op: "setTimes", from: "6", to: "6", set: { up: -1 } }, /time below 0/);
  await refused({ op: "setCue", from: "6", to: "6", colour: "red" }, /unknown field "colour"/);
  await refused({ op: "insertCue", cue: "6.1234" }, /not a cue number/);
  const { body } = await http().post("/api/shows/1/edits").send({ base: -1, edits: [], extra: 1 }).expect(400);
  expect(body.faults.length).toBeGreaterThanOrEqual(3);
  expect(await stored()).toBe(before);
});

test("a bad document is refused with every fault named, and nothing is half loaded", async () => {
  const bad = JSON.parse(serializeShow(saltAndParaffin()));
  bad.lists[0].cues[3].parts[0].times.upp = 3;
  bad.lists[0].cues[4].trigger = { type: "follow", from: "go", after: -1 };
  const send = (text: string): request.Test =>
    http().post("/api/shows").set("Content-Type", "application/vnd.zealous-mark.show+json").send(text);
  const structure = await send(JSON.stringify(bad)).expect(422);
  expect(structure.body.faults).toEqual([
    'list main, cue 2, part 1, times: unknown field "upp"',
    "list main, cue 3, trigger, after: is a time below 0",
  ]);
  delete bad.lists[0].cues[3].parts[0].times.upp;
  bad.lists[0].cues[4].trigger.after = 1;
  bad.lists[0].cues[0].parts[0].moves["21"].intensity = 140;
  bad.lists[0].cues[0].parts[0].moves["500"] = { intensity: 1 };
  bad.lists[0].cues[1].number = "0.5";
  const content = await send(JSON.stringify(bad)).expect(422);
  expect(content.body.faults).toEqual(
    expect.arrayContaining([
      "list main: cue 0.5 stands twice",
      "list main, cue 0.5, part 1, 21.intensity: 140 is outside 0 to 100",
      expect.stringContaining("channel 500 is not in the rig"),
    ]),
  );
  await send('{"format": "zealous-mark/show", ').expect(422);
  expect(await server.database.manager.count(ShowRow)).toBe(1);
});

test("when the database is away an edit is refused and the show stays as stored", async () => {
  const before = await stored();
  await server.database.query("RENAME TABLE edits TO edits_away");
  await http()
    .post("/api/shows/1/edits")
    .send({ base: 0, edits: [change("6", "7", 1, 11)] })
    .expect(503);
  await server.database.query("RENAME TABLE edits_away TO edits");
  expect(await stored()).toBe(before);
  await http()
    .post("/api/shows/1/edits")
    .send({ base: 0, edits: [change("6", "7", 1, 11)] })
    .expect(200);
});

test("the OpenAPI page is served", async () => {
  const { body } = await http().get("/api-json").expect(200);
  expect(Object.keys(body.paths)).toEqual(expect.arrayContaining(["/api/shows/{id}/edits", "/api/shows/{id}/run"]));
});

describe("every kind of edit goes into rows and is taken back row for row", () => {
  const white = { id: "white", family: "colour", label: "White", values: [{ attribute: "red", value: 100 }] };
  const batches: [string, object[]][] = [
    ["numbers", [{ op: "renumber", from: "0.5", to: "99", start: "100", step: "2" }]],
    ["a cue moved, then changed under its new number", [{ op: "moveCue", cue: "6", to: "8.5" }, change("8.5", "8.5", 1, 12)]],
    [
      "walls and parts",
      [
        { op: "block", from: "4", to: "9" },
        { op: "assignPart", cue: "6", keys: { families: ["intensity"] }, part: 3, times: { up: 9 } },
      ],
    ],
    [
      "copies and splits",
      [
        { op: "copyCue", cue: "6", to: "6.5", what: "look" },
        { op: "split", cue: "7", to: "7.5" },
      ],
    ],
    [
      "a palette made, used, changed and taken away",
      [
        { op: "setPalette", palette: white },
        { op: "change", from: "6", to: "8", keys: { channels: [61] }, do: { palette: "white" } },
        {
          op: "setPalette",
          palette: {
            ...white,
            values: [
              { attribute: "red", value: 90 },
              { attribute: "red", value: 80, channel: 61 },
            ],
          },
        },
      ],
    ],
    ["a palette that cues use is taken away", [{ op: "removePalette", palette: "dusk", used: "keepLooks" }]],
    [
      "a channel made and another taken away with all it does",
      [
        { op: "setChannel", channel: { number: 7, type: "profile" } },
        { op: "removeChannel", channel: 61, used: "drop" },
      ],
    ],
    [
      "groups and paces come and go",
      [
        { op: "setGroup", group: { id: "odd", label: "Odd", channels: [1, 3] } },
        { op: "setPace", pace: { id: "odd", label: "Odd", beam: { fade: "1~4" } } },
        { op: "setMoveTimes", from: "1", to: "9", keys: {}, fade: "2~6" },
      ],
    ],
    [
      "a list comes with its cues",
      [
        {
          op: "setList",
          list: { id: "sea", label: "Sea", cues: [{ number: "1", parts: [{ number: 1, moves: { "1": { intensity: 4 } } }] }] },
        },
      ],
    ],
  ];

  test.each(batches)("%s", async (_, edits) => {
    const before = await stored();
    const types = JSON.parse(before).fixtureTypes as { id: string }[];
    const sent = JSON.parse(JSON.stringify(edits).replace('"type":"profile"', `"type":"${types[0]?.id ?? ""}"`)) as object[];
    await http().post("/api/shows/1/edits").send({ base: 0, edits: sent }).expect(200);
    const after = await stored();
    expect(after).not.toBe(before);
    server = await server.restart();
    expect(await stored()).toBe(after);
    await http().post("/api/shows/1/undo").expect(200);
    server = await server.restart();
    expect(await stored()).toBe(before);
    await http().post("/api/shows/1/redo").expect(200);
    server = await server.restart();
    expect(await stored()).toBe(after);
  });
});

test("an edit in a list whose cues have taken other numbers meanwhile is refused", async () => {
  await http()
    .post("/api/shows/1/edits")
    .send({ base: 0, edits: [{ op: "renumber", from: "10", to: "12", start: "10", step: "0.5" }] })
    .expect(200);
  const late = await http()
    .post("/api/shows/1/edits")
    .send({ base: 0, edits: [change("6", "7", 1, 11)] })
    .expect(409);
  expect(late.body.message).toMatch(/^Cue 6 has just been changed/);
});
