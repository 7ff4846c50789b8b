import { ModulesContainer } from "@nestjs/core";
import { type Right, ROLES, type Role, mayDo, routes } from "@zm/protocol";
import { io } from "socket.io-client";
import request from "supertest";
import { z } from "zod";
import { LiveGateway } from "../../src/live/live.gateway.ts";
import { NEEDS, NOTHING } from "../../src/people/person.ts";
import { type TestServer, startServer } from "../support/testServer.ts";

const PASSWORD = "lamp-oil-and-salt";
/** What each route needs, written down once more by hand: whoever changes the one changes the other knowingly. */
const NEEDED: Readonly<Record<string, Right | typeof NOTHING>> = {
  "GET /api/health": NOTHING,
  "GET /api/me": NOTHING,
  "POST /api/sessions": NOTHING,
  "DELETE /api/sessions/own": NOTHING,
  "POST /api/invitations/join": NOTHING,
  "DELETE /api/sessions": "see",
  "PUT /api/me/password": "see",
  "POST /api/me/passage": "see",
  "GET /api/health/lead": NOTHING,
  "GET /api/servers": "see",
  "POST /api/servers/hand-over": "run",
  "POST /api/servers/take-over": "run",
  "DELETE /api/servers/:server": "manage",
  "GET /api/people": "see",
  "POST /api/people": "manage",
  "PATCH /api/people/:name": "manage",
  "DELETE /api/people/:name": "manage",
  "POST /api/invitations": "manage",
  "DELETE /api/invitations/:invitation": "manage",
  "GET /api/shows": "see",
  "POST /api/shows": "edit",
  "GET /api/shows/imports/:name": "see",
  "PATCH /api/shows/:id": "edit",
  "DELETE /api/shows/:id": "edit",
  "GET /api/shows/:id": "see",
  "GET /api/shows/:id/document": "see",
  "GET /api/shows/:id/edits": "see",
  "GET /api/shows/:id/requests/:request": "see",
  "POST /api/shows/:id/edits": "see",
  "GET /api/shows/:id/kept": "see",
  "POST /api/shows/:id/kept": "edit",
  "GET /api/shows/:id/run": "see",
  "POST /api/shows/:id/run": "run",
  "POST /api/shows/:id/run/edits": "edit",
  "GET /api/shows/:id/hand": "see",
  "POST /api/shows/:id/hand": "run",
  "GET /api/shows/:id/hand/damaged": "see",
  "DELETE /api/shows/:id/hand/damaged": "run",
  "POST /api/shows/:id/undo": "see",
  "POST /api/shows/:id/redo": "see",
  "GET /api/shows/:id/history": "see",
  "POST /api/shows/:id/versions": "edit",
  "GET /api/shows/:id/at/:revision": "see",
  "GET /api/shows/:id/at/:revision/cues": "see",
  "POST /api/shows/:id/back": "edit",
  "GET /api/shows/:id/accepted": "see",
  "POST /api/shows/:id/accepted": "edit",
  "GET /api/output": "see",
  "PUT /api/output": "edit",
  "GET /api/output/levels": "see",
  "GET /api/stage": "see",
  "PUT /api/stage": "run",
  "GET /api/osc": "see",
  "PUT /api/osc": "edit",
  "GET /api/shows/:id/caller": "see",
  "POST /api/shows/:id/caller": "run",
  "DELETE /api/shows/:id/caller": "run",
  "GET /api/shows/:id/runs": "see",
  "POST /api/shows/:id/runs": "run",
  "GET /api/shows/:id/runs/newest": "see",
  "GET /api/shows/:id/runs.csv": "see",
  "GET /api/shows/:id/runs/:run": "see",
  "PATCH /api/shows/:id/runs/:run": "run",
  "DELETE /api/shows/:id/runs/:run": "edit",
  "GET /api/backups": "see",
  "PUT /api/backups": "edit",
  "POST /api/shows/:id/backups": "edit",
  "GET /api/backups/document": "see",
  "POST /api/backups/restore": "edit",
};
const EVENTS: Readonly<Record<string, Right>> = { watch: "see", rig: "run", here: "see", clock: "see" };
const refusal = z.object({ message: z.string().optional() }).catch({});
const METHODS = ["GET", "POST", "PUT", "DELETE", "PATCH"];

let server: TestServer;
/** By role, what a browser of somebody with it carries; of nobody, nothing. */
const cookies = new Map<Role | "nobody", string>();

/** Every route that the server has, with what its handler says it needs. */
function handlers(): { name: string; says: unknown }[] {
  return [...server.app.get(ModulesContainer).values()].flatMap(({ controllers }) =>
    [...controllers.values()].flatMap(({ metatype }) => {
      if (typeof metatype !== "function") return [];
      const base = String(Reflect.getMetadata("path", metatype) ?? "");
      return Object.getOwnPropertyNames(metatype.prototype).flatMap((name) => {
        const handler: unknown = Reflect.get(metatype.prototype, name);
        const path: unknown = typeof handler === "function" ? Reflect.getMetadata("path", handler) : undefined;
        if (typeof handler !== "function" || name === "constructor" || path === undefined) return [];
        const own = [base, String(path)].map((each) => each.replace(/^\/|\/$/g, "")).filter((each) => each !== "");
        const method = METHODS[Number(Reflect.getMetadata("method", handler))] ?? "?";
        return [{ name: `${method} /${own.join("/")}`, says: Reflect.getMetadata(NEEDS, handler) as unknown }];
      });
    }),
  );
}

async function signedIn(name: string): Promise<string> {
  const answer = await request(server.address)
    .post("/api/sessions")
    .set("X-Requested-With", "zealous-mark")
    .send({ name, password: PASSWORD })
    .expect(200);
  const [cookie = ""] = [answer.headers["set-cookie"] ?? []].flat();
  return cookie.split(";")[0] ?? "";
}

beforeAll(async () => {
  server = await startServer();
  const http = request.agent(server.address).set("X-Requested-With", "zealous-mark");
  for (const role of ROLES)
    await http
      .post("/api/people")
      .send({ name: `The ${role}`, role, password: PASSWORD })
      .expect(200);
  for (const role of ROLES) cookies.set(role, await signedIn(`The ${role}`));
  cookies.set("nobody", "");
}, 30_000);
afterAll(async () => {
  await server.end();
});

test("every route says what it needs, and it is what is written down for it", () => {
  const said = Object.fromEntries(handlers().map(({ name, says }) => [name, says]));
  expect(said).toStrictEqual(NEEDED);
  // Nothing that windows ask for is left out of the walk.
  const paths = new Set(Object.keys(NEEDED).map((name) => name.replace(/:\w+/g, "{}")));
  for (const { method, path } of Object.values(routes))
    expect([`${method} ${path}`, paths.has(`${method} ${path.replace(/{\w+}/g, "{}")}`)]).toEqual([`${method} ${path}`, true]);
});

test("every route lets in whom it names, and refuses everybody else in words", async () => {
  let asked = 0;
  for (const [name, needed] of Object.entries(NEEDED)) {
    const [method = "", path = ""] = name.split(" ");
    // Things that there are not, so that nothing is changed by those who may.
    const place = path.replace(":id", "999").replace(/:\w+/g, "999");
    if (["DELETE /api/sessions", "DELETE /api/sessions/own"].includes(name)) continue;
    for (const role of [...ROLES, "nobody"] as const) {
      const answer = await fetch(`${server.address}${place}`, {
        method,
        headers: { "X-Requested-With": "zealous-mark", "Content-Type": "application/json", Cookie: cookies.get(role) ?? "" },
        ...(method === "GET" ? {} : { body: '{"nonsense":true}' }),
      });
      const { message } = refusal.parse(await answer.json().catch(() => ({})));
      asked += 1;
      const may = needed === NOTHING || (role !== "nobody" && mayDo({ role }, needed));
      const how = answer.status === 401 ? "sign in" : answer.status === 403 ? "not allowed" : "let in";
      // Whoever signs in with nonsense, or too often, is refused for that.
      const expected = may ? "let in" : role === "nobody" ? "sign in" : "not allowed";
      expect([name, role, how]).toEqual([name, role, expected]);
      if (how === "not allowed") expect(message).toMatch(new RegExp(`^The ${role} is an? ${role}, who .* Nothing was changed\\.$`));
      if (how === "sign in") expect(message).toBe("Sign in first");
    }
  }
  expect(asked).toBeGreaterThan(280);
}, 60_000);

test("every live event says what it needs, and is done for those alone", async () => {
  const gateway = server.app.get(LiveGateway);
  const events = Object.getOwnPropertyNames(LiveGateway.prototype).flatMap((name) => {
    const handler: unknown = Reflect.get(gateway, name);
    if (typeof handler !== "function" || Reflect.getMetadata("websockets:message_mapping", handler) !== true) return [];
    return [[String(Reflect.getMetadata("message", handler)), Reflect.getMetadata(NEEDS, handler) as unknown]];
  });
  expect(Object.fromEntries(events)).toStrictEqual(EVENTS);
  for (const role of ROLES) {
    const line = io(server.address, { transports: ["websocket"], extraHeaders: { Cookie: cookies.get(role) ?? "" }, reconnection: false });
    try {
      const refusals: string[] = [];
      line.on("refused", (why: string) => refusals.push(why));
      expect(await line.timeout(3000).emitWithAck("watch", 1)).toMatchObject({ revision: expect.any(Number) });
      const seen = new Promise<string>((resolve) => {
        line.once("rig", () => resolve("done"));
        line.once("refused", () => resolve("refused"));
      });
      line.emit("rig", { show: 1, moving: false, values: {} });
      expect([role, await seen]).toEqual([role, mayDo({ role }, "run") ? "done" : "refused"]);
      expect(await line.timeout(3000).emitWithAck("clock")).toEqual(expect.any(Number));
      expect(refusals.join()).toMatch(mayDo({ role }, "run") ? /^$/ : /only a programmer or operator runs the show/);
    } finally {
      line.close();
    }
  }
});

test("nobody who has not signed in gets a live line", async () => {
  const line = io(server.address, { transports: ["websocket"], reconnection: false });
  const how = await new Promise<string>((resolve) => {
    line.on("connect", () => resolve("connected"));
    line.on("connect_error", (error) => resolve(error.message));
  });
  line.close();
  expect(how).toBe("sign in");
});
