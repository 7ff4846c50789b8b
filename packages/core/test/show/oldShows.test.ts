import { readFileSync, readdirSync } from "node:fs";
import { allLooks, parseShow, reportMarks, serializeShow, sheetOf } from "../../src/index.ts";

const FOLDER = new URL("../oldShows/", import.meta.url);
const files = readdirSync(FOLDER).filter((name) => name.endsWith(".json"));
const textOf = (name: string): string => readFileSync(new URL(name, FOLDER), "utf8");

test("there are documents of both versions", () => {
  expect(new Set(files.map((name) => JSON.parse(textOf(name)).version))).toEqual(new Set([1, 2]));
});

test.each(files)("%s is read whole, says the same when it is written, and shows its cues", (name) => {
  const old = JSON.parse(textOf(name));
  const show = parseShow(textOf(name));
  expect(show.version).toBe(2);
  expect(show.lists.map(({ cues }) => cues.length)).toEqual(old.lists.map(({ cues }: { cues: unknown[] }) => cues.length));
  expect(serializeShow(parseShow(serializeShow(show)))).toBe(serializeShow(show));
  const values = (document: { lists: { cues: { parts: { moves: object }[] }[] }[] }): string =>
    JSON.stringify(document.lists.map(({ cues }) => cues.map(({ parts }) => parts.map(({ moves }) => moves))));
  expect(values(show)).toBe(values(old));
  const sheet = sheetOf(show);
  const [main] = [...sheet.lists.values()];
  expect(main && allLooks(main).filter((look) => Object.keys(look.values).length > 0).length).toBeGreaterThan(40);
  for (const list of sheet.lists.values()) {
    const looks = allLooks(list);
    expect(looks).toHaveLength(list.cues.length);
    expect(reportMarks(list, show.script).every(({ needed }) => needed >= 0)).toBe(true);
  }
});
