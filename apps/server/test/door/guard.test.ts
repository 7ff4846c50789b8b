import { io } from "socket.io-client";
import request from "supertest";
import { type TestServer, client, startServer } from "../support/testServer.ts";

let server: TestServer;
const bare = (): ReturnType<typeof request> => request(server.address);

beforeAll(async () => {
  server = await startServer();
});
afterAll(async () => {
  await server.end();
});

test("a form on a foreign page presses nothing: changes need the application's own header", async () => {
  for (const path of ["run", "undo", "redo", "edits"]) {
    const form = bare().post(`/api/shows/1/${path}`).type("form").send({ press: "go" });
    expect((await form).status).toBe(403);
  }
  expect((await bare().get("/api/shows/1/run")).body.mix.lists.main.cue).toBeNull();
});

test("a body that is not JSON is refused", async () => {
  const { body } = await client(server).post("/api/shows/1/run").type("text/plain").send('{"press":"go"}').expect(415);
  expect(body.message).toMatch(/JSON/);
  await client(server).post("/api/shows/1/run").type("form").send({ press: "go" }).expect(415);
});

test("a foreign Host is not served, pages neither", async () => {
  await bare().get("/api/shows").set("Host", "evil.example").expect(403);
  await bare().get("/").set("Host", "evil.example:4600").expect(403);
  await client(server).post("/api/shows/1/run").set("Host", "evil.example").send({ press: "go" }).expect(403);
});

test("a foreign Origin is refused for what changes and for what reads", async () => {
  await client(server).post("/api/shows/1/run").set("Origin", "http://evil.example").send({ press: "go" }).expect(403);
  await bare().get("/api/shows/1").set("Origin", "http://evil.example").expect(403);
  await bare().get("/api/shows/1").set("Origin", server.address).expect(200);
});

test("a foreign page's socket cannot watch the show, one of ours can", async () => {
  const open = (origin: string): Promise<string> =>
    new Promise((resolve) => {
      const socket = io(server.address, { transports: ["websocket"], extraHeaders: { Origin: origin }, reconnection: false });
      const end = (how: string): void => {
        socket.close();
        resolve(how);
      };
      socket.on("connect", () => end("connected"));
      socket.on("connect_error", () => end("refused"));
    });
  expect(await open("http://evil.example")).toBe("refused");
  expect(await open(server.address)).toBe("connected");
});

test("a body that is too large is told its own limit", async () => {
  const note = (megabytes: number): string => "x".repeat(megabytes * 1024 * 1024);
  const edits = (text: string) =>
    client(server)
      .post("/api/shows/1/edits")
      .send({ base: 0, edits: [{ op: "setCue", note: text }] });
  expect((await edits(note(9)).expect(413)).body.message).toBe("This is larger than the 8 MB that can be sent at once");
  expect((await edits(note(2)).expect(422)).body.message).not.toContain("larger than the");
  const press = await client(server)
    .post("/api/shows/1/run")
    .send({ press: "go", cue: note(2) })
    .expect(413);
  expect(press.body.message).toBe("This is larger than the 1 MB that can be sent at once");
});

test("text that holds half a character is refused by name", async () => {
  const { body } = await client(server)
    .post("/api/shows/1/edits")
    .send('{"base":0,"edits":[{"op":"setCue","from":"6","to":"6","label":"a\\ud800"}]}')
    .type("application/json")
    .expect(422);
  expect(body.message).toMatch(/label: holds half a character/);
});

test("a body names its fields and nothing of its class; entries of a list are held to theirs", async () => {
  const http = client(server);
  const refused = async (path: string, body: string): Promise<string> =>
    (await http.post(`/api/shows/1/${path}`).type("json").send(body).expect(400)).body.message;
  const press = '"press":"standby","chosen":';
  for (const name of ["__proto__", "constructor", "prototype"]) {
    expect(await refused("run", `{"press":"go","${name}":{"press":"back"}}`)).toBe("The body of the request is not what is asked for here");
    expect(await refused("run", `{${press}[{"list":"main","cue":"1","${name}":{}}]}`)).toBe("chosen.0 is not what is asked for here");
  }
  expect(await refused("run", "[]")).toBe("The body of the request is not what is asked for here");
  expect(await refused("run", '{"press":"go","loudly":true}')).toBe("loudly is not known here; leave it out");
  expect(await refused("run", `{${press}[{"list":"main","cue":1}]}`)).toBe("chosen.0.cue is a text");
  expect(await refused("run", `{${press}[{"list":"main","cue":"1","at":2}]}`)).toBe("chosen.0.at is not known here; leave it out");
  expect(await refused("run", `{${press}["main"]}`)).toMatch(/chosen[.]0 is /);
  expect(await refused("edits", "{}")).toBe("base is the revision that the edit was made on, a whole number");
  expect((await http.get("/api/shows/1/run")).body.mix.lists.main.cue).toBeNull();
  expect((await http.get("/api/shows/1/run")).body.mix.standby).toEqual([]);
});
