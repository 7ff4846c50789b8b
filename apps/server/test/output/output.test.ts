import { createSocket } from "node:dgram";
import type { AddressInfo } from "node:net";
import { readShow } from "@zm/core";
import { type TestServer, client, serve, emptyDatabase } from "../support/testServer.ts";
import { insertShow } from "../../src/shows/showRows.ts";
import { until } from "../support/until.ts";

const intensity = { id: "intensity", family: "intensity", min: 0, max: 100, home: 0 };
const show = readShow({
  format: "zealous-mark/show",
  version: 2,
  title: "Output",
  fixtureTypes: [{ id: "lamp", name: "Lamp", attributes: [intensity] }],
  channels: [
    { number: 1, type: "lamp", patch: { universe: 3, address: 1 } },
    { number: 2, type: "lamp", patch: { universe: 3, address: 512 } },
  ],
  lists: [
    {
      id: "main",
      label: "Main",
      cues: [{ number: "1", parts: [{ number: 1, times: { up: 0 }, moves: { 1: { intensity: 100 }, 2: { intensity: 40 } } }] }],
    },
  ],
});

const socket = createSocket("udp4");
const packets: Buffer[] = [];
let server: TestServer;

beforeAll(async () => {
  socket.on("message", (message) => packets.push(message));
  await new Promise<void>((resolve) => socket.bind(0, "127.0.0.1", resolve));
  const settings = await emptyDatabase();
  server = await serve(settings);
  await server.database.transaction((manager) => insertShow(manager, show));
});
afterAll(async () => {
  await server.end();
  socket.close();
});

test("nothing is sent until the output is on; then packets are the standard's, byte for byte", async () => {
  const http = client(server);
  const { port }: AddressInfo = socket.address();
  expect((await http.get("/api/output").expect(200)).body).toEqual({
    on: false,
    address: "127.0.0.1:5568",
    universes: {},
    show: null,
    fault: null,
  });
  await http.post("/api/shows/1/run").send({ press: "go" }).expect(200);
  await new Promise((resolve) => setTimeout(resolve, 200));
  expect(packets).toEqual([]);
  await http.put("/api/output").send({ on: true, address: "nowhere", universes: {} }).expect(400);
  await http
    .put("/api/output")
    .send({ on: true, address: `127.0.0.1:${port}`, universes: {} })
    .expect(200);
  await until(() => packets.length >= 3);
  const [first, second] = packets;
  if (!first || !second) throw new Error("No packet came");
  // ANSI E1.31, table 4-1: root layer, framing layer, DMP layer.
  expect(first.length).toBe(638);
  expect(first.readUInt16BE(0)).toBe(0x0010);
  expect(first.readUInt16BE(2)).toBe(0);
  expect(first.subarray(4, 16).toString("latin1")).toBe("ASC-E1.17\0\0\0");
  expect(first.readUInt16BE(16)).toBe(0x7000 | (638 - 16));
  expect(first.readUInt32BE(18)).toBe(4);
  expect(first.subarray(22, 38).every((byte) => byte === 0)).toBe(false);
  expect(first.readUInt16BE(38)).toBe(0x7000 | (638 - 38));
  expect(first.readUInt32BE(40)).toBe(2);
  expect(first.subarray(44, 108).toString("utf8").replaceAll("\0", "")).toBe("Zealous Mark");
  expect([first[108], first.readUInt16BE(109), first[112], first.readUInt16BE(113)]).toEqual([100, 0, 0, 3]);
  expect(first.readUInt16BE(115)).toBe(0x7000 | (638 - 115));
  expect([first[117], first[118], first.readUInt16BE(119), first.readUInt16BE(121), first.readUInt16BE(123)]).toEqual([2, 0xa1, 0, 1, 513]);
  expect([first[125], first[126], first[127], first[637]]).toEqual([0, 255, 0, 102]);
  expect(second[111]).toBe(((first[111] ?? 0) + 1) & 255);
  const levels = (await http.get("/api/output/levels").expect(200)).body;
  expect([levels.show, levels.universes["3"][0], levels.universes["3"][511]]).toEqual([1, 255, 102]);
});

test("blackout and grand master lie over what runs and the Hand, but for lights that stay; all off drops the Hand too", async () => {
  const http = client(server);
  const press = (body: object) => http.post("/api/shows/1/run").send(body).expect(200);
  const levels = (): (number | undefined)[] => [packets.at(-1)?.[126], packets.at(-1)?.[637]];
  await http
    .post("/api/shows/1/edits")
    .send({
      base: 0,
      edits: [{ op: "setChannel", channel: { number: 2, type: "lamp", patch: { universe: 3, address: 512 }, house: true } }],
    })
    .expect(200);
  await http
    .post("/api/shows/1/hand")
    .send({ changes: [{ do: "give", moves: { 1: { intensity: 80 } } }] })
    .expect(200);
  await press({ press: "grand", level: 50 });
  await until(() => levels()[0] === 102 && levels()[1] === 102);
  await press({ press: "blackout" });
  await until(() => levels()[0] === 0 && levels()[1] === 102);
  await press({ press: "grand", level: 100 });
  await press({ press: "blackout" });
  await until(() => levels()[0] === 204);
  await press({ press: "allOff", time: 0 });
  await until(() => levels()[0] === 0 && levels()[1] === 102);
  await until(async () => Object.keys((await http.get("/api/shows/1/hand")).body.hand.held).length === 0);
  await press({ press: "go" });
  await until(() => levels()[0] === 255);
});

test("the Hand goes out over what runs, and switching off says three times that no more comes", async () => {
  const http = client(server);
  await http
    .post("/api/shows/1/hand")
    .send({ changes: [{ do: "give", moves: { 1: { intensity: 50 } } }] })
    .expect(200);
  await until(() => packets.at(-1)?.[126] === 128);
  packets.length = 0;
  await http.put("/api/output").send({ on: false, address: "127.0.0.1:5568", universes: {} }).expect(200);
  await until(() => packets.filter((packet) => ((packet[112] ?? 0) & 0x40) !== 0).length === 3);
  const count = packets.length;
  await new Promise((resolve) => setTimeout(resolve, 1200));
  expect(packets.length).toBe(count);
});
