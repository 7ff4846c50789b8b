import type { EditInput } from "@zm/core";
import { type TestServer, client, startServer } from "../support/testServer.ts";

let server: TestServer;
const http = (): ReturnType<typeof client> => client(server);
const edit = (base: number, ...edits: EditInput[]): ReturnType<ReturnType<typeof client>["post"]> =>
  http().post("/api/shows/1/edits").send({ base, edits, window: "desk" });
const showNow = async (): Promise<unknown> => (await http().get("/api/shows/1").expect(200)).body.show;
const showAt = async (revision: number): Promise<unknown> => (await http().get(`/api/shows/1/at/${revision}`).expect(200)).body.show;
const label = (text: string): EditInput => ({ op: "setCue", from: "1", to: "1", label: text });

beforeEach(async () => {
  server = await startServer();
});
afterEach(async () => {
  await server.end();
});

test("the history lists every edit with window and words, newest first, also those taken back", async () => {
  await edit(0, label("One")).expect(200);
  await edit(1, label("Two")).expect(200);
  await http().post("/api/shows/1/undo").send({ window: "lap" }).expect(200);
  const { body } = await http().get("/api/shows/1/history").expect(200);
  expect(body.edits).toMatchObject([
    { revision: 3, kind: "undo", summary: "Cue 1: label “Two”", window: "lap" },
    { revision: 2, kind: "edit", summary: "Cue 1: label “Two”", window: "desk" },
    { revision: 1, kind: "edit", summary: "Cue 1: label “One”", window: "desk" },
  ]);
  expect(Math.abs(Date.parse(body.edits[0].madeAt) - Date.now())).toBeLessThan(60_000);
  expect(body.older).toBeNull();
  const { body: older } = await http().get("/api/shows/1/history?before=3").expect(200);
  expect(older.edits.map(({ revision }: { revision: number }) => revision)).toEqual([2, 1]);
});

test("the show is seen as it was after any edit, whatever came since: numbers, palettes, lists", async () => {
  const shows = [await showNow()];
  const edits: EditInput[][] = [
    [{ op: "renumber", from: "1", to: "9", start: "1", step: "0.5" }],
    [{ op: "removePalette", palette: "dusk", used: "keepLooks" }],
    [{ op: "copyList", as: "matinee", label: "Matinee" }],
    [{ op: "deleteCue", cue: "12" }, label("Last")],
  ];
  for (const [revision, some] of edits.entries()) {
    await edit(revision, ...some).expect(200);
    shows.push(await showNow());
  }
  for (const [revision, show] of shows.entries()) expect(await showAt(revision)).toEqual(show);
  await http().get("/api/shows/1/at/99").expect(404);
});

test("which cue is which between two states is known from what was done, over undo too", async () => {
  const same = async (from: number, to = ""): Promise<unknown> => (await http().get(`/api/shows/1/at/${from}/cues${to}`).expect(200)).body;
  await edit(0, { op: "renumber", from: "1", to: "1", start: "1.1", step: "1" }).expect(200);
  await edit(1, { op: "insertCue", cue: "1", label: "Another" }).expect(200);
  expect(await same(0)).toEqual({ from: 0, to: 2, lists: { main: { "1": null, "1.1": "1" } } });
  expect(await same(1)).toEqual({ from: 1, to: 2, lists: { main: { "1": null } } });
  expect(await same(0, "?to=1")).toEqual({ from: 0, to: 1, lists: { main: { "1.1": "1" } } });
  for (let time = 0; time < 2; time += 1) await http().post("/api/shows/1/undo").expect(200);
  expect(await same(0)).toEqual({ from: 0, to: 4, lists: { main: {} } });
  const { body } = await http().get("/api/shows/1/at/3/cues?to=1").expect(400);
  expect(body.message).toBe("State 3 comes after state 1; name the earlier one first");
  await http().get("/api/shows/1/at/0/cues?to=99").expect(404);
});

test("going back is an edit of its own, and is taken back like any other", async () => {
  const first = await showNow();
  await edit(0, label("One")).expect(200);
  await edit(1, { op: "renumber", from: "1", to: "9", start: "1", step: "0.5" }).expect(200);
  const { body } = await http().post("/api/shows/1/back").send({ revision: 0, window: "desk" }).expect(200);
  expect(body).toMatchObject({ revision: 3, kind: "edit", summary: "Back to how the show was after edit 0" });
  expect(await showNow()).toEqual(first);
  server = await server.restart();
  expect(await showNow()).toEqual(first);
  await http().post("/api/shows/1/undo").expect(200);
  expect(await showNow()).toEqual(await showAt(2));
  await http().post("/api/shows/1/back").send({ revision: 99 }).expect(404);
});

test("going back and forth over and over stores what is different and not the ways between", async () => {
  const first = await showNow();
  await edit(0, label("One"), { op: "renumber", from: "1", to: "9", start: "1", step: "0.5" }).expect(200);
  const second = await showNow();
  const sizes: number[] = [];
  for (let time = 0; time < 6; time += 1) {
    const { body } = await http()
      .post("/api/shows/1/back")
      .send({ revision: time % 2 === 0 ? 0 : 1 })
      .expect(200);
    sizes.push(JSON.stringify(body.steps).length);
    expect(await showNow()).toEqual(time % 2 === 0 ? first : second);
  }
  expect(Math.max(...sizes)).toBeLessThan(Math.min(...sizes) * 1.5);
});

test("a state named twice at once has one of the names, and control characters are refused", async () => {
  const name = (words: string) => http().post("/api/shows/1/versions").send({ revision: 0, name: words });
  const all = await Promise.all(Array.from({ length: 8 }, (_, index) => name(`night ${index}`)));
  expect(all.map(({ status }) => status)).toEqual(Array(8).fill(200));
  expect((await name("a\u0007b").expect(400)).body.message).toContain("control character");
});

test("a state has a name, another, and none; names survive a restart", async () => {
  await edit(0, label("One")).expect(200);
  const name = (revision: number, text: string): ReturnType<ReturnType<typeof client>["post"]> =>
    http().post("/api/shows/1/versions").send({ revision, name: text });
  await name(0, "begun").expect(200);
  await name(1, "first dress").expect(200);
  const { body } = await name(1, "after second dress").expect(200);
  expect(body.versions).toMatchObject([
    { revision: 1, name: "after second dress" },
    { revision: 0, name: "begun" },
  ]);
  server = await server.restart();
  await name(0, " ").expect(200);
  const { body: page } = await http().get("/api/shows/1/history").expect(200);
  expect(page.versions).toMatchObject([{ revision: 1, name: "after second dress" }]);
  const { body: refused } = await name(7, "later").expect(404);
  expect(refused.message).toBe("The show has had 1 edits; there is no state after edit 7 yet");
});
