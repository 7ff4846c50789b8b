import { createSocket } from "node:dgram";
import { existsSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import { readShow, serializeShow } from "@zm/core";
import type { LoggedRunReply, OscState, RunsReply } from "@zm/protocol";
import { type OscWords, readOsc, writeOsc } from "@zm/protocol/oscPacket";
import { type DatabaseDoor, doorTo } from "../support/databaseDoor.ts";
import { type TestServer, client, startServer } from "../support/testServer.ts";
import { pause, until } from "../support/until.ts";

const intensity = { id: "intensity", family: "intensity", min: 0, max: 100, home: 0 };
const cue = (number: string, level: number, fields: object = {}): object => ({
  number,
  ...fields,
  parts: [{ number: 1, times: {}, moves: { "1": { intensity: level } } }],
});
const show = readShow({
  format: "zealous-mark/show",
  version: 2,
  title: "Outside",
  fixtureTypes: [{ id: "lamp", name: "Lamp", attributes: [intensity] }],
  channels: [{ number: 1, type: "lamp" }],
  heldLooks: [{ id: "warmers", label: "Warmers", values: { "1": { intensity: 20 } } }],
  lists: [
    {
      id: "main",
      label: "Main",
      cues: [
        cue("1", 50, { label: "Dawn" }),
        cue("2", 70),
        cue("3", 90, { trigger: { type: "follow", from: "go", after: 0.1 } }),
        cue("4.5", 10),
      ],
    },
    { id: "sea", label: "Sea", cues: [cue("1", 10), cue("2", 20)] },
  ],
});

let server: TestServer;
/** The door between server and database, where a test shuts it. */
let door: DatabaseDoor | undefined;
const desks: { close: () => void }[] = [];

afterEach(async () => {
  for (const desk of desks.splice(0)) desk.close();
  await server.end();
  await door?.shut();
  door = undefined;
});

/** A free port for OSC. */
async function freePort(): Promise<number> {
  const socket = createSocket("udp4");
  await new Promise<void>((resolve) => socket.bind(0, "127.0.0.1", () => resolve()));
  const { port } = socket.address();
  await new Promise<void>((resolve) => socket.close(() => resolve()));
  return port;
}

/** Somebody outside who speaks OSC, and keeps what comes back. */
async function desk(
  port: number,
): Promise<{ heard: OscWords[]; say: (address: string, ...args: (string | number)[]) => void; raw: (bytes: Uint8Array) => void }> {
  const socket = createSocket("udp4");
  const heard: OscWords[] = [];
  socket.on("message", (packet) => heard.push(...readOsc(packet)));
  await new Promise<void>((resolve) => socket.bind(0, "127.0.0.1", () => resolve()));
  desks.push({ close: () => socket.close() });
  const raw = (bytes: Uint8Array): void => socket.send(bytes, port, "127.0.0.1");
  return { heard, raw, say: (address, ...args) => raw(writeOsc({ address, args })) };
}

/** Switches OSC on. */
async function openDoor(): Promise<number> {
  const port = await freePort();
  const { body } = await client(server)
    .put("/api/osc")
    .send({ on: true, address: `127.0.0.1:${port}`, show: null })
    .expect(200);
  expect(body).toMatchObject({ on: true, fault: null });
  return port;
}

const cues = async (): Promise<Record<string, string | null>> => {
  const { body } = await client(server).get("/api/shows/1/run");
  return Object.fromEntries(Object.entries<{ cue: string | null }>(body.mix.lists).map(([id, run]) => [id, run.cue]));
};
/** The newest runs that count. */
const counted = async (): Promise<LoggedRunReply[]> => (await client(server).get("/api/shows/1/runs/newest").expect(200)).body.runs;
/** The newest runs with what was fired in them, whether they count or not. */
const newest = async (): Promise<LoggedRunReply[]> =>
  Promise.all((await runs()).runs.map(async ({ id }) => (await client(server).get(`/api/shows/1/runs/${id}`).expect(200)).body));
const runs = async (): Promise<RunsReply> => (await client(server).get("/api/shows/1/runs").expect(200)).body;
const press = (body: object) => client(server).post("/api/shows/1/run").send(body);

describe("OSC", () => {
  test("nobody outside is heard until it is switched on; then their commands do what a window does", async () => {
    server = await startServer(show);
    expect((await client(server).get("/api/osc")).body).toMatchObject({ on: false });
    const outside = await desk(await openDoor());
    outside.say("/zm/hello");
    await until(() => outside.heard.length >= 3);
    expect(outside.heard).toEqual([
      { address: "/zm/show", args: [1, "Outside"] },
      { address: "/zm/at", args: ["main", ""] },
      { address: "/zm/at", args: ["sea", ""] },
    ]);
    outside.say("/zm/go");
    await until(() => outside.heard.some(({ address, args }) => address === "/zm/cue" && args[1] === "1"));
    expect(outside.heard.at(-1)).toEqual({ address: "/zm/cue", args: ["main", "1", "Dawn", "press"] });
    outside.say("/zm/go", "2");
    await until(() => outside.heard.some(({ args }) => args[1] === "3"));
    expect(outside.heard.at(-1)).toEqual({ address: "/zm/cue", args: ["main", "3", "", "follow"] });
    outside.say("/zm/goto", 4.5, 0);
    await until(async () => (await cues())["main"] === "4.5");
    outside.say("/zm/back");
    await until(async () => (await cues())["main"] === "3");
    outside.say("/zm/list/sea/go");
    await until(async () => (await cues())["sea"] === "1");
    outside.say("/zm/hold", 1);
    await until(() => outside.heard.some(({ address, args }) => address === "/zm/held" && args[1] === 1));
    outside.say("/zm/release", 0);
    await until(() => outside.heard.some(({ address, args }) => address === "/zm/at" && args[0] === "main" && args[1] === ""));
    expect(await cues()).toMatchObject({ main: null });
  });

  test("what servers like this one say is not answered, so that two do not go on for ever", async () => {
    server = await startServer(show);
    const outside = await desk(await openDoor());
    for (const address of ["/zm/error", "/zm/at", "/zm/cue", "/zm/held", "/zm/show"]) outside.say(address, "a", "b");
    outside.say("/zm/nonsense");
    await until(() => outside.heard.length > 0);
    expect(outside.heard).toEqual([{ address: "/zm/error", args: ["/zm/nonsense", expect.stringContaining("is not known here")] }]);
  });

  test("words that are no number or no switch are refused, and nothing is held by mistake", async () => {
    server = await startServer(show);
    const outside = await desk(await openDoor());
    outside.say("/zm/go");
    await until(async () => (await cues())["main"] === "1");
    outside.say("/zm/hold", "off");
    outside.say("/zm/hold", "perhaps");
    outside.say("/zm/rate", "fast");
    outside.say("/zm/rate", "0x10");
    outside.say("/zm/master", "");
    outside.say("/zm/list/%E0%A4%A/go");
    const errors = (): OscWords[] => outside.heard.filter(({ address }) => address === "/zm/error");
    await until(() => errors().length === 5);
    expect(errors().map(({ args }) => args[0])).toEqual(["/zm/hold", "/zm/rate", "/zm/rate", "/zm/master", "/zm/list/%E0%A4%A/go"]);
    const { mix } = (await client(server).get("/api/shows/1/run")).body;
    expect(mix.lists.main).toMatchObject({ rate: 1, clock: { held: false } });
  });

  test("control characters reach no packet, and sixty strangers drive out nobody who said hello", async () => {
    server = await startServer(show);
    await server.database.query("UPDATE cues SET label = ? WHERE show_id = 1", ["Be\u0000ll"]);
    const port = await openDoor();
    const outside = await desk(port);
    outside.say("/zm/hello");
    await until(() => outside.heard.length >= 3);
    const strangers = await Promise.all(Array.from({ length: 60 }, () => desk(port)));
    for (const stranger of strangers) stranger.say("/zm/non\u0000sense");
    await until(() => strangers.at(-1)?.heard.length === 1);
    outside.heard.length = 0;
    outside.say("/zm/goto", "4.5", 0);
    await until(() => outside.heard.some(({ address }) => address === "/zm/cue"));
  });

  test("a flood is left out beyond what can be done, and that is told; what comes after it is done", async () => {
    server = await startServer(show);
    const outside = await desk(await openDoor());
    for (let count = 0; count < 5000; count += 1) outside.say("/zm/master", 50 + (count % 50), 0);
    await until(() => outside.heard.some(({ args }) => String(args[1]).includes("More messages came at once")));
    // On a busy machine the flood is still being read: a message that falls into it is left out too, and is sent again.
    await until(async () => {
      outside.say("/zm/goto", "2", 0);
      await pause(500);
      return ["2", "3"].includes((await cues())["main"] ?? "");
    });
    outside.raw(new Uint8Array(60_000));
    outside.raw(new Uint8Array([47, 0, 0]));
    await client(server).get("/api/health");
    await until(async () => (await client(server).get("/api/shows")).status === 200);
  });

  test("standby and fire, a rate, a master and a look", async () => {
    server = await startServer(show);
    const outside = await desk(await openDoor());
    outside.say("/zm/standby", "main", "2", "sea", "1");
    outside.say("/zm/fire");
    await until(async () => JSON.stringify(await cues()) === '{"main":"3","sea":"1"}');
    outside.say("/zm/list/sea/rate", 2.5);
    outside.say("/zm/master", 60);
    outside.say("/zm/look", "warmers", 40, 0);
    await until(async () => {
      const { mix } = (await client(server).get("/api/shows/1/run")).body;
      return mix.lists.sea.rate === 2.5 && mix.lists.main.master.to === 60 && mix.looks.warmers.level.to === 40;
    });
    expect(outside.heard.filter(({ address }) => address === "/zm/error")).toEqual([]);
  });

  test("what cannot be done comes back in words, and nothing happens", async () => {
    server = await startServer(show);
    const outside = await desk(await openDoor());
    const refusal = async (address: string, ...args: (string | number)[]): Promise<string> => {
      outside.heard.length = 0;
      outside.say(address, ...args);
      await until(() => outside.heard.length > 0);
      expect(outside.heard[0]?.address).toBe("/zm/error");
      return String(outside.heard[0]?.args[1]);
    };
    expect(await refusal("/zm/go", "2")).toContain("the next is 1");
    expect(await refusal("/zm/goto", "99")).toContain("99");
    expect(await refusal("/zm/goto", "lamp")).toContain("is none");
    expect(await refusal("/zm/back")).toContain("no cue before");
    expect(await refusal("/zm/list/rain/go")).toContain("the lists are main, sea");
    expect(await refusal("/zm/dance")).toContain("is not known here");
    expect(await refusal("/other/go")).toContain("begins with /zm/");
    expect(await refusal("/zm/master", 300)).toContain("level");
    expect(await refusal("/zm/look", "warmers")).toContain("needs a level");
    outside.heard.length = 0;
    outside.raw(new Uint8Array([1, 2, 3]));
    await until(() => outside.heard.length > 0);
    expect(String(outside.heard[0]?.args[1])).toContain("no OSC message");
    expect(await cues()).toEqual({ main: null, sea: null });
  });

  test("presses come in the order in which they were sent, each once, and can be read afterwards", async () => {
    server = await startServer(show);
    const outside = await desk(await openDoor());
    for (const number of ["1", "2"]) outside.say("/zm/go", number);
    outside.say("/zm/list/sea/go", "1");
    outside.say("/zm/list/sea/go", "2");
    await until(async () => (await cues())["sea"] === "2");
    await until(async () => (await cues())["main"] === "3");
    const state: OscState = (await client(server).get("/api/osc")).body;
    expect(state.messages.filter(({ way }) => way === "in").map(({ words }) => words)).toEqual([
      '/zm/list/sea/go "2"',
      '/zm/list/sea/go "1"',
      '/zm/go "2"',
      '/zm/go "1"',
    ]);
  });

  test("lists left at the caller's speed by a killed server run at their own again after the start", async () => {
    server = await startServer(show);
    const rates = async (): Promise<unknown[]> => {
      const { body } = await client(server).get("/api/shows/1/run");
      const { main, sea } = body.mix.lists;
      return [main.rate, sea.rate];
    };
    for (const [list, rate] of [
      ["main", 20],
      ["sea", 3],
    ] as const)
      await client(server).post("/api/shows/1/run").send({ press: "rate", list, rate }).expect(200);
    writeFileSync(join(server.runs, "caller.json"), JSON.stringify({ show: 1, speed: 20 }));
    server = await server.restart();
    await until(async () => (await rates())[0] === 1);
    expect(await rates()).toEqual([1, 3]);
    await until(() => !existsSync(join(server.runs, "caller.json")));
  });

  test("a caller left behind of a show that is gone is forgotten", async () => {
    server = await startServer(show);
    writeFileSync(join(server.runs, "caller.json"), JSON.stringify({ show: 77, speed: 20 }));
    server = await server.restart();
    await until(() => !existsSync(join(server.runs, "caller.json")));
  });

  test("where it cannot listen it says why, and it keeps its settings", async () => {
    server = await startServer(show);
    const port = await openDoor();
    const taken = createSocket("udp4");
    await new Promise<void>((resolve) => taken.bind(0, "127.0.0.1", () => resolve()));
    const { body } = await client(server)
      .put("/api/osc")
      .send({ on: true, address: `127.0.0.1:${taken.address().port}`, show: null });
    expect(body.fault).toContain("Nobody can be listened to");
    await client(server).put("/api/osc").send({ on: true, address: "nowhere", show: null }).expect(400);
    await client(server)
      .put("/api/osc")
      .send({ on: false, address: `127.0.0.1:${port}`, show: 1 })
      .expect(200);
    taken.close();
    server = await server.restart();
    expect((await client(server).get("/api/osc")).body).toMatchObject({ on: false, address: `127.0.0.1:${port}`, show: 1 });
    const { message } = (await client(server).post("/api/shows/1/caller").send({ speed: 20 }).expect(409)).body;
    expect(message).toContain("switched off");
  });
});

describe("the run log", () => {
  test("steps that a list makes by itself are counted, not listed one by one", async () => {
    const [main, sea] = show.lists;
    if (!main || !sea) throw new Error("The show has two lists");
    const chase = { ...sea, steps: { interval: 0.05 } };
    server = await startServer(readShow({ ...show, lists: [main, chase] }));
    await press({ press: "go", list: "sea" }).expect(200);
    await pause(1500);
    await press({ press: "release", list: "sea", time: 0 }).expect(200);
    server = await server.restart();
    await until(async () => ((await newest())[0]?.entries[0]?.steps ?? 0) > 15);
    const entries = (await newest())[0]?.entries ?? [];
    expect(entries.map(({ list, how }) => [list, how])).toEqual([
      ["sea", "next"],
      ["sea", "release"],
    ]);
  });

  test("keeps what was fired, when and by whom; a run begins with the first cue and has a name", async () => {
    server = await startServer(show);
    const outside = await desk(await openDoor());
    await client(server).get("/api/shows/1/run");
    await press({ press: "go" }).expect(200);
    await press({ press: "go" }).expect(200);
    await until(async () => (await cues())["main"] === "3");
    outside.say("/zm/go");
    await until(async () => (await cues())["main"] === "4.5");
    // Nothing follows cue 1 by itself, however late the hold comes.
    await press({ press: "goto", cue: "1", time: 0 }).expect(200);
    await press({ press: "hold", held: true }).expect(200);
    await until(async () => (await newest())[0]?.entries.length === 6);
    const [first] = await newest();
    expect(first?.entries.map(({ cue: number, how, by }) => [number, how, by])).toEqual([
      ["1", "next", "window"],
      ["2", "next", "window"],
      ["3", "next", "follow"],
      ["4.5", "next", "osc"],
      ["1", "goto", "window"],
      [null, "hold", "window"],
    ]);
    expect(first?.entries[3]?.who).toMatch(/^127\.0\.0\.1:\d+$/);
    const moments = first?.entries.map(({ at }) => at) ?? [];
    expect(moments).toEqual([...moments].sort((a, b) => a - b));
    expect((moments[2] ?? 0) - (moments[1] ?? 0)).toBeCloseTo(100, -1);
    await press({ press: "release", time: 0 }).expect(200);
    await press({ press: "go" }).expect(200);
    await until(async () => (await runs()).runs.length === 2);
    const [second] = (await runs()).runs;
    expect(second?.cues).toBe(1);
    await client(server).patch(`/api/shows/1/runs/${second?.id}`).send({ name: "second dress" }).expect(200);
    expect((await runs()).runs.map(({ name, cues: many }) => [name, many])).toEqual([
      ["second dress", 1],
      ["", 5],
    ]);
    const { text } = await client(server)
      .get("/api/shows/1/runs.csv")
      .expect(200)
      .expect("Content-Type", /text\/csv/);
    expect(text.trim().split("\n")).toHaveLength(1 + 7 + 1);
    expect(text).toContain(",main,1,Dawn,next,window,");
    await client(server).delete(`/api/shows/1/runs/${second?.id}`).expect(200);
    expect((await runs()).runs).toHaveLength(1);
    await client(server).get("/api/shows/1/runs/999").expect(404);
  });

  test("what is fired in one moment stands in the order in which it was", async () => {
    const follows = { trigger: { type: "follow", from: "go", after: 0 } };
    const chain = Array.from({ length: 12 }, (_, index) => cue(String(index + 1), index, index > 0 ? follows : {}));
    const document = JSON.parse(serializeShow(show));
    server = await startServer(readShow({ ...document, lists: [{ ...document.lists[0], cues: chain }] }));
    await client(server).post("/api/shows/1/run").send({ press: "go" }).expect(200);
    const log = async (): Promise<LoggedRunReply | undefined> => {
      const { runs }: RunsReply = (await client(server).get("/api/shows/1/runs")).body;
      return runs[0] && (await client(server).get(`/api/shows/1/runs/${runs[0].id}`)).body;
    };
    await until(async () => ((await log())?.entries.length ?? 0) === 12);
    const entries = (await log())?.entries ?? [];
    expect(new Set(entries.map(({ at }) => at)).size).toBe(1);
    expect(entries.map(({ cue: number }) => number)).toEqual(chain.map((_, index) => String(index + 1)));
  });

  test("a begun run takes what is fired next; one at another speed does not count", async () => {
    server = await startServer(show);
    await client(server).post("/api/shows/1/runs").send({ name: "called", speed: 20 }).expect(200);
    await press({ press: "go" }).expect(200);
    await until(async () => (await runs()).runs[0]?.cues === 1);
    expect((await runs()).runs).toMatchObject([{ name: "called", speed: 20, cues: 1, begun: "window", counts: false, open: true }]);
    expect(await counted()).toEqual([]);
    await client(server).post("/api/shows/1/runs").send({ name: "x", speed: 100 }).expect(400);
  });

  const change = (run: number | undefined, body: object) => client(server).patch(`/api/shows/1/runs/${run}`).send(body);
  const told = async (): Promise<unknown[]> =>
    (await runs()).runs.map(({ begun, counts, open, cues: many }) => [begun, counts, open, many]);
  /** From nothing to the first cue. */
  const fromNothing = async (): Promise<void> => {
    await press({ press: "release", time: 0 }).expect(200);
    await press({ press: "go" }).expect(200);
  };

  test("what is fired without a begun run does not count unless somebody says so", async () => {
    server = await startServer(show);
    await press({ press: "go" }).expect(200);
    await until(async () => (await runs()).runs[0]?.cues === 1);
    expect(await told()).toEqual([["itself", false, false, 1]]);
    expect(await counted()).toEqual([]);
    const { body } = await client(server).post("/api/shows/1/runs").send({ name: "" }).expect(200);
    const [begun] = body.runs;
    await fromNothing();
    await fromNothing();
    await until(async () => (await runs()).runs[0]?.cues === 2);
    expect(await told()).toEqual([
      ["window", true, true, 2],
      ["itself", false, false, 1],
    ]);
    await change(begun.id, { ends: true }).expect(200);
    await fromNothing();
    await until(async () => (await runs()).runs.length === 3);
    expect(await told()).toEqual([
      ["itself", false, false, 1],
      ["window", true, false, 2],
      ["itself", false, false, 1],
    ]);
    expect((await counted()).map(({ id }) => id)).toEqual([begun.id]);
    const [own] = (await runs()).runs;
    await change(own?.id, { counts: true }).expect(200);
    await change(begun.id, { counts: false }).expect(200);
    expect((await counted()).map(({ id }) => id)).toEqual([own?.id]);
    await change(own?.id, { counts: "yes" }).expect(400);
    await change(own?.id, { counts: null, name: null, ends: null }).expect(200);
    const fast = (await client(server).post("/api/shows/1/runs").send({ name: "fast", speed: 20 }).expect(200)).body.runs[0];
    expect((await change(fast.id, { counts: true }).expect(409)).body.message).toContain("20 times as fast");
  });

  test("a caller's run takes all that is fired until the caller leaves, and nothing afterwards", async () => {
    server = await startServer(show);
    const address = await openDoor();
    const [first, second] = [await desk(address), await desk(address)];
    first.say("/zm/run", "called", 20);
    await until(async () => (await runs()).runs.length === 1);
    await fromNothing();
    await fromNothing();
    await until(async () => (await runs()).runs[0]?.cues === 2);
    expect(await told()).toEqual([["caller", false, true, 2]]);
    // Somebody in a window who begins a run would have the caller's presses in it.
    const refused = await client(server).post("/api/shows/1/runs").send({ name: "dress" }).expect(409);
    expect(refused.body.message).toContain("A caller reads the play");
    second.say("/zm/run", "called", 1);
    await until(async () => (await runs()).runs.length === 2);
    first.say("/zm/go");
    // With the cue that follows it.
    await until(async () => (await cues())["main"] === "3" && ((await runs()).runs[0]?.cues ?? 0) === 2);
    first.say("/zm/endrun");
    second.say("/zm/endrun");
    await until(async () => (await runs()).runs[0]?.open === false);
    // What follows by itself behind the end is of the run whose cue it follows.
    await press({ press: "goto", cue: "1", time: 0 }).expect(200);
    await until(async () => (await runs()).runs.length === 3);
    await press({ press: "go" }).expect(200);
    await change((await runs()).runs[0]?.id, { ends: true }).expect(200);
    await until(async () => (await runs()).runs[0]?.cues === 3);
    expect((await runs()).runs).toHaveLength(3);
    await fromNothing();
    await until(async () => (await runs()).runs.length === 4);
    expect(await told()).toEqual([
      ["itself", false, false, 1],
      ["itself", false, false, 3],
      ["caller", false, false, expect.any(Number)],
      ["caller", false, false, 2],
    ]);
    expect(await counted()).toEqual([]);
    first.say("/zm/run", "called", 1);
    await until(async () => (await runs()).runs.length === 5);
    expect((await told())[0]).toEqual(["caller", true, true, 0]);
  });

  test("what is fired while the database is away is kept over an end of the server and stored once", async () => {
    door = await doorTo(Number(process.env["ZM_DB_PORT"] ?? 4601));
    server = await startServer(show, door.port);
    await client(server).get("/api/shows/1/run");
    await press({ press: "go" }).expect(200);
    await until(async () => (await newest())[0]?.entries.length === 1);
    await door.shut();
    await press({ press: "go" }).expect(200);
    await until(async () => (await cues())["main"] === "3");
    await door.open();
    await until(async () => (await client(server).get("/api/shows/1/runs")).status === 200);
    server = await server.restart();
    await until(async () => (await newest())[0]?.entries.length === 3);
    expect((await newest())[0]?.entries.map(({ cue: number }) => number)).toEqual(["1", "2", "3"]);
  });
});
