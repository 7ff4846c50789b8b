import { readdirSync } from "node:fs";
import { gzipSync } from "node:zlib";
import { SHOW_TYPE } from "@zm/protocol";
import { saltAndParaffin } from "@zm/demo";
import { serializeShow } from "@zm/core";
import { readSettings } from "../src/settings.ts";
import { type TestServer, client, startServer } from "./support/testServer.ts";
import { withImportThread } from "./support/importing.ts";

withImportThread();
let server: TestServer;
const http = (): ReturnType<typeof client> => client(server);
const send = (document: string | Buffer, headers: Record<string, string> = {}) =>
  http()
    .post("/api/shows")
    .set({ "Content-Type": SHOW_TYPE, ...headers })
    .serialize((body) => body)
    .send(document);
const demo = serializeShow(saltAndParaffin());

beforeAll(async () => {
  server = await startServer();
});
afterAll(async () => {
  await server.end();
});

describe("addresses", () => {
  const set = (body: object) =>
    http()
      .put("/api/output")
      .send({ on: true, address: "127.0.0.1:5568", universes: {}, ...body });

  test.each([
    ["port 0", { address: "127.0.0.1:0" }, 400],
    ["a port above 65535", { address: "127.0.0.1:65536" }, 400],
    ["numbers above 255", { address: "300.0.0.1:5568" }, 400],
    ["no port", { address: "desk" }, 400],
    ["a universe to nonsense", { universes: { 1: "nonsense" } }, 422],
    ["a universe to port 0", { universes: { 1: "127.0.0.1:0" } }, 422],
    ["a universe that is none", { universes: { 0: "127.0.0.1:5568" } }, 422],
    ["universe 64000", { universes: { 64000: "127.0.0.1:5568" } }, 422],
    ["a host that nobody knows", { address: "no-such-host.invalid:5568" }, 422],
    ["a universe to a host that nobody knows", { universes: { 2: "no-such-host.invalid:5568" } }, 422],
  ])("%s is refused where it is entered, in words", async (_, body, status) => {
    const refused = await set(body).expect(status);
    expect(refused.body.message).toMatch(/host and a port|whole number from 1 to 63999|cannot be found/);
    expect((await http().get("/api/output").expect(200)).body).toMatchObject({ on: false, fault: null });
  });

  test("OSC at a port that is none, or a host that nobody knows, is refused alike", async () => {
    await http().put("/api/osc").send({ on: true, address: "127.0.0.1:0", show: null }).expect(400);
    const { body } = await http().put("/api/osc").send({ on: true, address: "no-such-host.invalid:8765", show: null }).expect(422);
    expect(body.message).toContain("cannot be found");
  });

  test("settings of hosts that are none are refused, each with what could stand there", () => {
    const env = { ...process.env };
    for (const host of ["10.0.0", "10.0.0.5:4600", "desk_1", "", "a b"])
      expect(() => readSettings({ ...env, ZM_HOST: host })).toThrow(/ZM_HOST is an address of this machine such as 10.0.0.5/);
    expect(() => readSettings({ ...env, ZM_TLS_CERT: "/a.pem" })).toThrow("ZM_TLS_CERT and ZM_TLS_KEY go together; one of them is missing");
    expect(() => readSettings({ ...env, ZM_LOCAL_KEY: "short" })).toThrow(/ZM_LOCAL_KEY is a secret of 32 letters/);
    expect(() => readSettings({ ...env, ZM_OUTPUT: "desk:0" })).toThrow(/ZM_OUTPUT.*1 to 65535/);
    expect(() => readSettings({ ...env, ZM_OSC: "desk:70000" })).toThrow(/ZM_OSC/);
    expect(readSettings({ ...env, ZM_HOST: "127.0.0.1" }).host).toBe("127.0.0.1");
  });
});

describe("a document that is imported", () => {
  test("may be packed; what is packed counts as it is unpacked", async () => {
    await send(gzipSync(demo), { "Content-Encoding": "gzip" }).expect(201);
    const bomb = gzipSync(Buffer.alloc(210 * 1_048_576, " "));
    expect(bomb.length).toBeLessThan(1_048_576);
    const { body } = await send(bomb, { "Content-Encoding": "gzip" }).expect(413);
    expect(body.message).toContain("200 MB");
    expect(readdirSync(server.runs).filter((name) => name.startsWith("import-"))).toEqual([]);
  }, 60_000);

  test("cut off, packed badly, or in a way that nobody knows: refused in words", async () => {
    expect((await send(gzipSync(demo).subarray(0, 400), { "Content-Encoding": "gzip" })).status).toBe(503);
    expect((await send("no zip", { "Content-Encoding": "gzip" })).body.message).toContain("nothing was imported");
    await send(demo, { "Content-Encoding": "br" }).expect(415);
    await http().post("/api/shows").set("Content-Type", "application/json").send({}).expect(415);
  });

  test("eight at once come one after the other", async () => {
    const answers = await Promise.all(Array.from({ length: 8 }, () => send(demo)));
    expect(answers.map(({ status }) => status)).toEqual(Array(8).fill(201));
  }, 60_000);

  test("a title that is empty or blank, and labels with control characters, are refused by name", async () => {
    const show = JSON.parse(demo);
    for (const title of ["", "   "]) {
      const { body } = await send(JSON.stringify({ ...show, title })).expect(422);
      expect(body.message).toContain("a show has a title");
    }
    const [list] = show.lists;
    for (const label of ["a\u0000b", "a\u0007b", "two\nlines"]) {
      const cues = [{ ...list.cues[0], label }];
      const { body } = await send(JSON.stringify({ ...show, lists: [{ ...list, cues }] })).expect(422);
      expect(body.message).toMatch(/cue .*label: (holds a control character|is one line)/);
    }
    const edit = { op: "setCue", from: "1", to: "1", label: "a\u0000b" };
    await http()
      .post("/api/shows/1/edits")
      .send({ base: 0, edits: [edit] })
      .expect(422);
  });
});

test("a label with control characters that was stored before opens, without them", async () => {
  await server.database.query("UPDATE cues SET label = ? WHERE show_id = 1 AND number = 1000", ["Be\u0000ll\n"]);
  server = await server.restart();
  const { body } = await http().get("/api/shows/1").expect(200);
  expect(body.show.lists[0].cues.find(({ number }: { number: string }) => number === "1").label).toBe("Bell ");
  await http().post("/api/shows/1/run").send({ press: "goto", cue: "1" }).expect(200);
});
