import { LeaseTable } from "../../src/lease/leaseTable.ts";
import { type TestServer, client, startServer } from "../support/testServer.ts";
import { until } from "../support/until.ts";

let server: TestServer;
beforeEach(async () => {
  server = await startServer();
});
afterEach(() => server.end());

test("a server that has lost its lease stores no edit, however soon after", async () => {
  const edit = { base: 0, edits: [{ op: "setCue", from: "6", to: "6", label: "late" }] };
  // The show is in memory, and nothing has told the server yet.
  await client(server).get("/api/shows/1").expect(200);
  const table = new LeaseTable(server.settings.database);
  const other = { id: "b".repeat(32), address: "http://127.0.0.1:1", certificate: null };
  // A renewal may come between the two.
  await until(async () => table.give(await table.read(), other, 1));
  const { body } = await client(server).post("/api/shows/1/edits").send(edit).expect(503);
  expect(body.message).toMatch(/Another server leads|database is away/);
  const [{ revision }] = await server.database.query("SELECT revision FROM shows WHERE id = 1");
  expect(revision).toBe(0);
  table.end();
});
