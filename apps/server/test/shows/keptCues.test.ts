import { type Step, readEdits } from "@zm/core";
import { KeptCues } from "../../src/shows/keptCues.ts";
import { type TestServer, client, startServer } from "../support/testServer.ts";

let server: TestServer | undefined;
afterEach(async () => {
  await server?.end();
  server = undefined;
});

const relabel = (cue: string): Step[] => [{ at: "cue", list: "main", cue, before: {}, after: { label: "Other" } }];
const ada = { window: "a", person: "Ada" };

describe("a cue that somebody keeps", () => {
  test("is changed by them in any window of theirs, and by nobody else", () => {
    const kept = new KeptCues();
    kept.keep(1, "main", "12.0", ada);
    expect(() => kept.expectFree(1, relabel("12"), { window: "another", person: "Ada" })).not.toThrow();
    expect(() => kept.expectFree(1, relabel("12"), { window: "b", person: "Bea" })).toThrow(
      "Ada keeps cue 12, for 10 more minutes. Nothing was changed; take it over first: keep #12",
    );
    for (const free of [relabel("13"), relabel("1.2")])
      expect(() => kept.expectFree(1, free, { window: "b", person: "Bea" })).not.toThrow();
    expect(() => kept.expectFree(2, relabel("12"), { window: "b", person: "Bea" })).not.toThrow();
  });

  test("is theirs who took it over last, until they let go or ten minutes are over", () => {
    const kept = new KeptCues();
    kept.keep(1, "main", "12", ada);
    kept.keep(1, "main", "12", { window: "b", person: "Bea" });
    expect(() => kept.expectFree(1, relabel("12"), ada)).toThrow("Bea keeps cue 12");
    expect(kept.of(1, Date.now() + 599_000)).toHaveLength(1);
    expect(kept.of(1, Date.now() + 601_000)).toEqual([]);
    kept.release(1, "main", "12");
    expect(() => kept.expectFree(1, relabel("12"), ada)).not.toThrow();
  });

  test("is not renumbered under them, nor deleted, nor taken back", async () => {
    server = await startServer();
    const http = client(server);
    const edit = (window: string, one: object, base: number) =>
      http.post("/api/shows/1/edits").send({ base, edits: readEdits([one]), window });
    await edit("a", { op: "setCue", from: "12", to: "12", label: "Other" }, 0).expect(200);
    const { body } = await http.post("/api/shows/1/kept").send({ window: "a", list: "main", cue: "12", keep: true }).expect(200);
    expect(body.kept).toMatchObject([{ list: "main", cue: "12", window: "a", person: null }]);
    for (const one of [
      { op: "deleteCue", cue: "12", looks: "letGo" },
      { op: "renumber", from: "12", to: "12", start: "12.2", step: "1" },
      { op: "setCue", from: "11", to: "13", note: "all three" },
    ])
      expect((await edit("b", one, 1).expect(409)).body.message).toMatch(/^Another window keeps cue 12, for 10 more minutes/);
    await http.post("/api/shows/1/undo").send({ window: "b" }).expect(409);
    await http.post("/api/shows/1/kept").send({ window: "b", list: "main", cue: "999", keep: true }).expect(422);
    await http.post("/api/shows/1/undo").send({ window: "a" }).expect(200);
    await http.post("/api/shows/1/kept").send({ window: "b", list: "main", cue: "12", keep: true }).expect(200);
    expect((await edit("b", { op: "setCue", from: "12", to: "12", label: "Third" }, 2).expect(200)).body.revision).toBe(3);
    expect((await http.get("/api/shows/1/kept").expect(200)).body.kept).toMatchObject([{ window: "b" }]);
  });
});
