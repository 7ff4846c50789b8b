import { mkdtempSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { type TestServer, client, serve, startServer } from "../support/testServer.ts";

let first: TestServer;
let second: TestServer | undefined;

beforeEach(async () => {
  first = await startServer();
});
afterEach(async () => {
  await second?.stop();
  second = undefined;
  await first.end();
});

test("a second server on the same database only reads, says why, and moves nothing", async () => {
  second = await serve({ ...first.settings, runs: mkdtempSync(join(tmpdir(), "second-")) });
  await client(second).get("/api/shows/1").expect(200);
  await client(second).get("/api/shows/1/run").expect(200);
  const edit = { base: 0, edits: [{ op: "setCue", from: "6", to: "6", label: "second" }] };
  for (const [path, body] of [
    ["/api/shows/1/edits", edit],
    ["/api/shows/1/run", { press: "go" }],
    ["/api/shows/1/hand", { changes: [{ do: "inTime", on: true }] }],
    ["/api/shows/1/undo", {}],
  ] as const) {
    const { body: refused } = await client(second).post(path).send(body).expect(503);
    expect(refused.message).toMatch(/The server at http:\S+ \(process \d+\) has this database; this server only reads/);
  }
  expect((await client(second).get("/api/output").expect(200)).body).toMatchObject({ fault: expect.stringContaining("only reads") });
  await client(first).post("/api/shows/1/edits").send(edit).expect(200);
  await client(first).post("/api/shows/1/run").send({ press: "go" }).expect(200);
});

test("a second server with the same data folder only reads, whatever its database", async () => {
  const other = await startServer();
  await other.stop();
  second = await serve({ ...other.settings, runs: first.runs });
  const { body } = await client(second).post("/api/shows/1/run").send({ press: "go" }).expect(503);
  expect(body.message).toContain("data folder");
});

test("the lock ends with the server that had it, and is held again after the database was away", async () => {
  first = await first.restart();
  await client(first)
    .post("/api/shows/1/edits")
    .send({ base: 0, edits: [{ op: "setCue", from: "6", to: "6", label: "again" }] })
    .expect(200);
});
