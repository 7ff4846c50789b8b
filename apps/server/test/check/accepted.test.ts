import { type TestServer, client, startServer } from "../support/testServer.ts";

let server: TestServer;
const http = (): ReturnType<typeof client> => client(server);
const [ONE, TWO] = ["0123456789abcdef", "fedcba9876543210"];
const accept = (findings: string[], note: string | null): ReturnType<ReturnType<typeof client>["post"]> =>
  http().post("/api/shows/1/accepted").send({ findings, note });

beforeEach(async () => {
  server = await startServer();
});
afterEach(async () => {
  await server.end();
});

test("findings are accepted with a note, survive a restart, and are shown again", async () => {
  await accept([ONE, TWO], "the designer wants it seen").expect(200);
  await accept([TWO], "mended in the set").expect(200);
  server = await server.restart();
  const { body } = await http().get("/api/shows/1/accepted").expect(200);
  expect(new Map(body.accepted.map(({ finding, note }: { finding: string; note: string }) => [finding, note]))).toEqual(
    new Map([
      [ONE, "the designer wants it seen"],
      [TWO, "mended in the set"],
    ]),
  );
  const { body: left } = await accept([ONE], null).expect(200);
  expect(left.accepted).toMatchObject([{ finding: TWO }]);
});

test("what names no finding, or no show, is refused and stores nothing", async () => {
  const { body } = await accept(["cue 12.3"], "why not").expect(400);
  expect(body.message).toContain("sixteen hexadecimal digits");
  await http().get("/api/shows/9/accepted").expect(404);
  expect((await http().get("/api/shows/1/accepted").expect(200)).body.accepted).toEqual([]);
});
