import { readSettings } from "../../src/settings.ts";
import { type DatabaseDoor, doorTo } from "../support/databaseDoor.ts";
import { type TestServer, client, startServer } from "../support/testServer.ts";
import { until } from "../support/until.ts";

let door: DatabaseDoor;
let server: TestServer;
const http = (): ReturnType<typeof client> => client(server);
const label = (words: string, base: number): object => ({ base, edits: [{ op: "setCue", from: "6", to: "6", label: words }] });
const revision = async (): Promise<number> => (await http().get("/api/shows/1").expect(200)).body.revision;

beforeEach(async () => {
  door = await doorTo(readSettings(process.env).database.port);
  server = await startServer(undefined, door.port);
  await http().get("/api/shows/1/run").expect(200);
});
afterEach(async () => {
  door.wake();
  await server.end();
  await door.shut();
});

test("a database that hangs counts as away: all is answered, nothing refused is stored later", async () => {
  door.hold();
  const began = Date.now();
  // More than the pool has lines: none of them waits for ever.
  const edits = await Promise.all(
    Array.from({ length: 12 }, (_, count) =>
      http()
        .post("/api/shows/1/edits")
        .send(label(`hung ${count}`, 0)),
    ),
  );
  expect(edits.map(({ status }) => status)).toEqual(Array(12).fill(503));
  expect(edits[0]?.body.message).toMatch(/database (is away|went away)/);
  expect(Date.now() - began).toBeLessThan(15_000);
  await http().get("/api/shows").expect(503);
  await http().post("/api/shows/1/run").send({ press: "go" }).expect(200);
  await http().get("/api/health").expect(503);
  door.wake();
  await until(async () => (await http().get("/api/shows")).status === 200);
  await until(
    async () =>
      (
        await http()
          .post("/api/shows/1/edits")
          .send(label("awake", await revision()))
      ).status === 200,
  );
  expect(await revision()).toBe(1);
  const { body } = await http().get("/api/shows/1/history").expect(200);
  expect(body.edits).toHaveLength(1);
});
