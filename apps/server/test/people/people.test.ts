import { type HistoryPage, type InvitationReply, type MeReply, type Role } from "@zm/protocol";
import { io } from "socket.io-client";
import request from "supertest";
import { type TestServer, startServer } from "../support/testServer.ts";
import { until } from "../support/until.ts";

const PASSWORD = "lamp-oil-and-salt";
type Browser = ReturnType<typeof request.agent>;

let server: TestServer;
beforeEach(async () => void (server = await startServer()));
afterEach(() => server.end());

/** A browser that keeps what it is given to carry. */
const browser = (): Browser => request.agent(server.address).set("X-Requested-With", "zealous-mark");
const signIn = (own: Browser, name: string, password = PASSWORD) => own.post("/api/sessions").send({ name, password });
const me = async (own: Browser): Promise<MeReply> => (await own.get("/api/me").expect(200)).body;

/** The programmer Ada, whose account is the first, and others whom she has made one for, each in a browser of their own. */
async function people(others: Readonly<Record<string, Role>> = {}): Promise<Browser[]> {
  const ada = browser();
  await ada.post("/api/people").send({ name: "Ada", role: "programmer", password: PASSWORD }).expect(200);
  const rest: Browser[] = [];
  for (const [name, role] of Object.entries(others)) {
    await ada.post("/api/people").send({ name, role, password: PASSWORD }).expect(200);
    const own = browser();
    await signIn(own, name).expect(200);
    rest.push(own);
  }
  return [ada, ...rest];
}

/** How a live line of a browser ends, once it stands. */
async function lineOf(cookie: string): Promise<{ ended: Promise<string>; close: () => void }> {
  const line = io(server.address, { transports: ["websocket"], extraHeaders: { Cookie: cookie }, reconnection: false });
  const ended = new Promise<string>((resolve) => line.on("disconnect", resolve));
  await new Promise<void>((resolve, reject) => {
    line.on("connect", resolve);
    line.on("connect_error", reject);
  });
  return { ended, close: () => void line.close() };
}

async function cookieOf(name: string): Promise<string> {
  const answer = await signIn(browser(), name).expect(200);
  return [answer.headers["set-cookie"] ?? []].flat().join();
}

describe("signing in", () => {
  test("without accounts whoever sits at the machine may do everything; the first is a programmer's and signs in whoever makes it", async () => {
    const [first, other] = [browser(), browser()];
    expect(await me(first)).toEqual({ person: { name: null, role: "programmer" }, accounts: false, fingerprint: null, addresses: [] });
    const { body } = await first.post("/api/people").send({ name: "Bea", role: "operator", password: PASSWORD }).expect(409);
    expect(body.message).toBe("The first account is a programmer's, who can let others in");
    await other.get("/api/shows").expect(200);
    await first.post("/api/people").send({ name: " Ada Óg ", role: "programmer", password: PASSWORD }).expect(200);
    expect((await me(first)).person).toEqual({ name: "Ada Óg", role: "programmer" });
    await first.get("/api/shows").expect(200);
    expect(await me(other)).toMatchObject({ person: null, accounts: true });
    await other.get("/api/shows").expect(401);
    await signIn(other, "ADA ÓG").expect(200);
    expect((await me(other)).person?.name).toBe("Ada Óg");
  });

  test("names and passwords that are none are refused, and a name is somebody's once", async () => {
    const [ada] = await people();
    const add = async (name: string, password = PASSWORD) =>
      (await ada?.post("/api/people").send({ name, role: "watcher", password }))?.body.message;
    expect(await add("ada")).toBe("ada has an account already; choose another name");
    expect(await add("  ")).toMatch(/^a name is 1 to 40 letters/);
    expect(await add("A\u0000b")).toMatch(/^a name is 1 to 40 letters/);
    expect(await add("<b>")).toMatch(/^a name is 1 to 40 letters/);
    expect(await add("Cy", "short")).toBe("a password has 10 to 200 characters; this one has 5");
    expect((await ada?.get("/api/people").expect(200))?.body.accounts).toHaveLength(1);
  });

  test("a wrong password and a name that nobody has are told in the same words; after ten tries one waits", async () => {
    await people();
    const own = browser();
    const said = new Set<string>();
    for (let tries = 0; tries < 9; tries += 1)
      said.add((await signIn(own, tries % 2 === 0 ? "Ada" : "Nobody", "not-the-password")).body.message);
    expect([...said]).toEqual(["Name and password do not go together"]);
    const answers = [await signIn(own, "Ada", "not-the-password"), await signIn(own, "Ada")];
    expect(answers.map(({ status }) => status)).toContain(429);
    expect(answers.at(-1)?.body.message).toBe("That was tried too often; wait a minute and try again");
  });

  test("what a browser carries is out of reach of scripts and foreign pages, is not what is stored, and outlives a restart", async () => {
    await people();
    const cookie = await cookieOf("Ada");
    expect(cookie).toMatch(/^zm_session=[\w-]{43}; Max-Age=2592000; Path=\/; Expires=[^;]+; HttpOnly; SameSite=Strict$/);
    const stored: { token: string }[] = await server.database.query("SELECT token FROM sessions");
    expect(stored.some(({ token }) => cookie.includes(token))).toBe(false);
    server = await server.restart();
    const answer = await request(server.address)
      .get("/api/me")
      .set("Cookie", cookie.split(";")[0] ?? "")
      .expect(200);
    expect(answer.body.person).toEqual({ name: "Ada", role: "programmer" });
  });

  test("signing out everywhere signs every browser out and cuts its live lines; another password signs out all but one", async () => {
    const [ada, other] = [...(await people()), browser()];
    if (!ada || !other) throw new Error("There are two browsers");
    await signIn(other, "Ada").expect(200);
    const line = await lineOf((await cookieOf("Ada")).split(";")[0] ?? "");
    await ada.put("/api/me/password").send({ password: "not-the-password", next: "another-lamp-oil" }).expect(403);
    await ada.put("/api/me/password").send({ password: PASSWORD, next: "another-lamp-oil" }).expect(200);
    expect(await line.ended).toBe("io server disconnect");
    await other.get("/api/shows").expect(401);
    await ada.get("/api/shows").expect(200);
    await signIn(other, "Ada", "another-lamp-oil").expect(200);
    expect((await ada.delete("/api/sessions").expect(200)).body.person).toBeNull();
    for (const own of [ada, other]) await own.get("/api/shows").expect(401);
  });
});

describe("invitations", () => {
  const invite = async (ada: Browser, role: Role): Promise<InvitationReply> =>
    (await ada.post("/api/invitations").send({ role }).expect(200)).body;
  const join = (own: Browser, code: string, name: string) => own.post("/api/invitations/join").send({ code, name, password: PASSWORD });

  test("make one account of their role, however the code is typed, and no second one", async () => {
    const [ada] = await people();
    if (!ada) throw new Error("Ada is there");
    const { code, ends } = await invite(ada, "designer");
    expect(code).toMatch(/^[2-9A-HJ-NP-Z]{4}-[2-9A-HJ-NP-Z]{4}$/);
    expect(ends - Date.now()).toBeGreaterThan(590_000);
    expect(ends - Date.now()).toBeLessThanOrEqual(601_000);
    const [cy, late] = [browser(), browser()];
    // A name that is taken does not use the invitation up.
    await join(cy, code, "Ada").expect(409);
    expect((await join(cy, ` ${code.toLowerCase().replace("-", " ")}`, "Cy").expect(200)).body.person).toEqual({
      name: "Cy",
      role: "designer",
    });
    expect((await join(late, code, "Dot").expect(403)).body.message).toMatch(/^There is no such invitation/);
    await cy.get("/api/shows").expect(200);
  });

  test("end, and are taken back", async () => {
    const [ada] = await people();
    if (!ada) throw new Error("Ada is there");
    const [ended, taken] = [await invite(ada, "watcher"), await invite(ada, "watcher")];
    await server.database.query("UPDATE invitations SET ends_at = UTC_TIMESTAMP() - INTERVAL 1 SECOND WHERE id = ?", [ended.id]);
    const { body } = await ada.delete(`/api/invitations/${taken.id}`).expect(200);
    expect(body.invitations).toEqual([]);
    for (const { code } of [ended, taken]) await join(browser(), code, "Eve").expect(403);
  });
});

describe("accounts", () => {
  test("the last programmer stays one; who is taken away is out at once", async () => {
    const [ada] = await people({ Bea: "operator" });
    if (!ada) throw new Error("Ada is there");
    for (const asked of [ada.patch("/api/people/Ada").send({ role: "watcher" }), ada.delete("/api/people/Ada")])
      expect((await asked.expect(409)).body.message).toBe("Ada is the last programmer; make somebody else one first");
    expect((await ada.delete("/api/people/Nobody").expect(404)).body.message).toBe("Nobody is called Nobody here; there are Ada, Bea");
    const line = await lineOf((await cookieOf("Bea")).split(";")[0] ?? "");
    await ada.delete("/api/people/bea").expect(200);
    expect(await line.ended).toBe("io server disconnect");
  });

  test("what another program changes in them holds here within seconds", async () => {
    const [, bea] = await people({ Bea: "programmer" });
    await bea?.get("/api/shows").expect(200);
    await server.database.query("UPDATE accounts SET role = 'watcher' WHERE name = 'Bea'");
    await until(async () => (await bea?.post("/api/shows/1/run").send({ press: "go" }))?.status === 403);
  });

  test("programs of this machine come in by its key, and by no other", async () => {
    await people();
    const get = (key: string) => request(server.address).get("/api/shows").set("Authorization", `Bearer ${key}`);
    await get(server.settings.localKey).expect(200);
    await get("another-key").expect(401);
    await request(server.address)
      .post("/api/shows/1/edits")
      .set({ Authorization: `Bearer ${server.settings.localKey}`, "X-Requested-With": "zealous-mark" })
      .send({ base: 0, edits: [{ op: "setCue", from: "6", to: "6", label: "Other" }] })
      .expect(403);
  });
});

describe("what people do", () => {
  const edit = (own: Browser, edit: object, base = 0) => own.post("/api/shows/1/edits").send({ base, edits: [edit] });
  const note = { op: "setNote", note: { id: "n1", text: "Warmer here", list: "main", cue: "6" } };
  const label = { op: "setCue", from: "6", to: "6", label: "Other" };

  test("a designer's notes are stored and can be taken back; a cue stays as it is", async () => {
    const [, cy, bea, dot] = await people({ Cy: "designer", Bea: "operator", Dot: "watcher" });
    if (!cy || !bea || !dot) throw new Error("All three are there");
    for (const own of [bea, dot]) {
      expect((await edit(own, label).expect(403)).body.message).toMatch(/only a programmer edits. Nothing was changed.$/);
      expect((await edit(own, note).expect(403)).body.message).toMatch(/only a programmer or designer writes notes. Nothing was changed.$/);
    }
    const refused = await edit(cy, label).expect(403);
    expect(refused.body.message).toBe(
      "Cy is a designer, who sees everything and writes notes, and neither runs nor edits; only a programmer edits. Nothing was changed.",
    );
    await cy
      .post("/api/shows/1/edits")
      .send({ base: 0, edits: [note, label] })
      .expect(403);
    expect((await edit(cy, note).expect(200)).body).toMatchObject({ revision: 1, person: "Cy" });
    expect((await cy.post("/api/shows/1/undo").send({}).expect(200)).body.edit).toMatchObject({ revision: 2, kind: "undo", person: "Cy" });
  });

  test("nobody takes back what is not theirs to change; an operator takes back what was in hand", async () => {
    const [ada, bea, cy] = await people({ Bea: "operator", Cy: "designer" });
    if (!ada || !bea || !cy) throw new Error("All three are there");
    await edit(ada, label).expect(200);
    for (const own of [bea, cy]) {
      const { body } = await own.post("/api/shows/1/undo").send({}).expect(403);
      expect(body.message).toMatch(/only a programmer edits\. ".*Other.*" stays as it is\.$/);
    }
    await bea
      .post("/api/shows/1/hand")
      .send({ changes: [{ do: "give", moves: { 1: { intensity: 30 } } }] })
      .expect(200);
    await cy.post("/api/shows/1/undo").send({}).expect(403);
    expect((await bea.post("/api/shows/1/undo").send({}).expect(200)).body.edit).toBeNull();
  });

  test("history, the next step and the run log say who it was", async () => {
    const [ada, bea] = await people({ Bea: "operator" });
    if (!ada || !bea) throw new Error("Both are there");
    await edit(ada, label).expect(200);
    const page: HistoryPage = (await bea.get("/api/shows/1/history").expect(200)).body;
    expect(page.edits[0]).toMatchObject({ revision: 1, person: "Ada" });
    server = await server.restart();
    const after = browser();
    await signIn(after, "Bea").expect(200);
    expect((await after.get("/api/shows/1").expect(200)).body.history.undo).toMatchObject({ person: "Ada" });
    await after.post("/api/shows/1/run").send({ press: "go" }).expect(200);
    await until(async () => (await after.get("/api/shows/1/runs.csv").expect(200)).text.includes("Bea"));
  });
});

test("who is signed in goes on while the database is away", async () => {
  const [ada] = await people();
  await server.database.destroy();
  expect((await ada?.get("/api/shows/1/run").expect(200))?.body.mix).toBeDefined();
  await server.database.initialize();
});
