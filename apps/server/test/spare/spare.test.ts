import { mkdtempSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { runEvent, serversReply } from "@zm/protocol";
import { Lease } from "../../src/lease/lease.ts";
import { type TestServer, client, serve, startServer } from "../support/testServer.ts";
import { until } from "../support/until.ts";

let leader: TestServer;
let spare: TestServer;

beforeEach(async () => {
  leader = await startServer();
  spare = await serve({ ...leader.settings, runs: mkdtempSync(join(tmpdir(), "spare-")), spareOf: "127.0.0.1" });
  await until(async () => (await statesAt(spare)).ready === spare.address);
});
afterEach(async () => {
  await spare.stop();
  await leader.end();
});

/** By state, the address of a server. */
async function statesAt(server: TestServer): Promise<Record<string, string>> {
  const { servers } = serversReply.parse((await client(server).get("/api/servers").expect(200)).body);
  return Object.fromEntries(servers.map(({ state, address }) => [state, address]));
}

async function press(server: TestServer, id: string): Promise<string | null | undefined> {
  const { body } = await client(server).post("/api/shows/1/run").send({ press: "go", id }).expect(200);
  return runEvent.parse(body).cues["main"];
}

test("a spare passes on what is asked of it, and both say who leads", async () => {
  expect(await press(spare, "one")).toBe("0.5");
  expect(await press(leader, "two")).toBe("1");
  expect((await client(spare).get("/api/shows/1/run").expect(200)).body).toEqual(
    expect.objectContaining({ version: (await client(leader).get("/api/shows/1/run")).body.version }),
  );
  await until(async () => (await statesAt(leader)).ready === spare.address);
  expect((await statesAt(leader)).leads).toBe(leader.address);
});

test("what ran goes on at the spare when the leader ends: no cue is skipped or fired twice, and a press that comes again is done once", async () => {
  await client(leader)
    .post("/api/shows/1/edits")
    .send({ base: 0, edits: [{ op: "setCue", from: "2", to: "2", label: "Before" }] })
    .expect(200);
  for (const id of ["a", "b", "c"]) await press(leader, id);
  await client(leader)
    .post("/api/shows/1/hand")
    .send({ changes: [{ do: "set", channels: [1], attribute: "intensity", value: 42 }] });
  await leader.stop();
  await until(() => spare.app.get(Lease).leads);
  expect(await press(spare, "c")).toBe("1.5");
  expect(await press(spare, "d")).toBe("2");
  expect((await client(spare).get("/api/shows/1").expect(200)).text).toContain("Before");
  leader = await serve(leader.settings);
  expect(leader.app.get(Lease).role.value).toBe("follows");
  expect(await press(leader, "e")).toBe("3");
});

test("the lead is handed over, and asked once more it says that nobody is ready", async () => {
  await press(leader, "a");
  const { body } = await client(leader).post("/api/servers/hand-over").send({}).expect(200);
  expect(serversReply.parse(body).servers.find(({ state }) => state === "leads")?.address).toBe(spare.address);
  await until(() => spare.app.get(Lease).leads);
  expect(await press(spare, "b")).toBe("1");
  expect(await press(leader, "c")).toBe("1.5");
  const { body: refused } = await client(spare).post("/api/servers/hand-over").send({}).expect(409);
  expect(refused.message).toContain("No spare is ready");
});

test("a page of another server of these shows is let in, and a stranger's is not", async () => {
  await client(leader).get("/api/shows").set("Origin", "http://127.0.0.1:1").expect(403);
  const { headers } = await client(leader).get("/api/shows").set("Origin", spare.address).expect(200);
  expect(headers["access-control-allow-origin"]).toBe(spare.address);
});
