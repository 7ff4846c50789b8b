import { mkdtempSync, readFileSync, readdirSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { SoundFile } from "../../src/shared/soundFile.ts";

interface Data {
  readonly text: string;
}
const check = (raw: unknown): Data => {
  const text: unknown = typeof raw === "object" && raw !== null ? Reflect.get(raw, "text") : undefined;
  if (typeof text !== "string") throw new Error("text is missing");
  return { text };
};
let path: string;
const file = (): SoundFile<Data> => new SoundFile(path, check);
const paths = (): string[] => SoundFile.pathsOf(path);

beforeEach(() => {
  path = join(mkdtempSync(join(tmpdir(), "sound-")), "thing");
});

test("what was written last is read, and nothing before anything was written", async () => {
  expect(file().read()).toEqual({ data: undefined, damaged: [] });
  const first = file();
  for (const text of ["a", "b", "c"]) await first.write({ text });
  expect(file().read().data).toEqual({ text: "c" });
  const second = file();
  second.read();
  await second.write({ text: "d" });
  expect(file().read().data).toEqual({ text: "d" });
});

test("of much that waits for a slow disk the newest is written, and all who wait hear of it", async () => {
  const own = file();
  await Promise.all(Array.from({ length: 200 }, (_, count) => own.write({ text: String(count) })));
  expect(file().read().data).toEqual({ text: "199" });
});

test.each([
  ["cut off", (text: string) => text.slice(0, text.length / 2)],
  ["empty", () => ""],
  ["with a field that is null", (text: string) => text.replace('"two"', "null")],
  ["with a field that is missing", (text: string) => text.replace('"text":"two"', "")],
  ["without its serial number", (text: string) => text.replace(/"serial":\d+,/, "")],
])("the newest file damaged (%s): the one before counts, the damaged one is kept aside and not read again", async (_, damage) => {
  const own = file();
  await own.write({ text: "one" });
  await own.write({ text: "two" });
  const newest = paths().find((each) => readFileSync(each, "utf8").includes('"two"')) ?? "";
  writeFileSync(newest, damage(readFileSync(newest, "utf8")));
  const { data, damaged } = file().read();
  expect(data).toEqual({ text: "one" });
  expect(damaged).toHaveLength(1);
  expect(readFileSync(damaged[0]?.path ?? "", "utf8")).toBe(damage(JSON.stringify({ serial: 2, data: { text: "two" } })));
  expect(file().read().damaged).toEqual([]);
});

test("a disk that fails is told to whoever waits, and what is there stays", async () => {
  const own = file();
  await own.write({ text: "one" });
  const broken = new SoundFile<Data>(join("/dev/null", "thing"), check);
  await expect(broken.write({ text: "two" })).rejects.toThrow();
  expect(file().read().data).toEqual({ text: "one" });
});

test("what is removed is gone, with what waited to be written", async () => {
  const own = file();
  await own.write({ text: "one" });
  const waiting = own.write({ text: "two" });
  await own.remove();
  await waiting;
  expect(readdirSync(join(path, ".."))).toEqual([]);
});
