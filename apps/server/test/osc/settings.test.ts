import { type TestServer, client, startServer } from "../support/testServer.ts";

let server: TestServer;
beforeAll(async () => void (server = await startServer()));
afterAll(() => server.end());

test("other machines that are listened to are named by their addresses, kept, and left as they were where nothing is said of them", async () => {
  const set = (from?: unknown) =>
    client(server)
      .put("/api/osc")
      .send({ on: false, address: "127.0.0.1:8765", show: 1, ...(from === undefined ? {} : { from }) });
  for (const from of ["10.0.0.8", ["10.0.0"], ["10.0.0.256"], ["desk"], [8], Array(51).fill("10.0.0.8")])
    expect((await set(from).expect(400)).body.message).toMatch(/^from/);
  await set(["10.0.0.8", "10.0.0.9", "10.0.0.8"]).expect(200);
  expect((await set().expect(200)).body.from).toEqual(["10.0.0.8", "10.0.0.9"]);
  server = await server.restart();
  expect((await client(server).get("/api/osc")).body).toMatchObject({ on: false, show: 1, from: ["10.0.0.8", "10.0.0.9"] });
  expect((await set([]).expect(200)).body.from).toEqual([]);
});
