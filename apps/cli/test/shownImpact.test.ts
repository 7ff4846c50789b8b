import { EDIT_OPS, type EditInput, serializeShow } from "@zm/core";
import { saltAndParaffin } from "@zm/demo";
import { run } from "../src/run.ts";

/** What the headless commands print of an edit and of looks, as far as it is compared. */
interface Edited {
  readonly show: unknown;
  readonly impact: readonly {
    readonly looks: readonly { cue: string; key: string; before: number | null; after: number | null; list?: string }[];
  }[];
}
type Looks = readonly { readonly cue: string; readonly values: Record<string, Record<string, { readonly value: number }>> }[];

const demo = saltAndParaffin();
const texts = new Map([["demo.json", serializeShow(demo)]]);
const files = {
  read: (path: string): string => texts.get(path) ?? "",
  readBytes: (path: string): Uint8Array => new TextEncoder().encode(texts.get(path) ?? ""),
  write: (path: string, content: string | Uint8Array): void => void texts.set(path, String(content)),
};

async function answer<T>(...args: string[]): Promise<T> {
  return JSON.parse(await run(args, files)) as T;
}

const cue = (number: string) => demo.lists[0]?.cues.find((each) => each.number === number);
const channel = (number: number) => demo.channels.find((each) => each.number === number) ?? { number, type: "lens" };
const type = (id: string) => demo.fixtureTypes.find((each) => each.id === id) ?? { id, name: id, attributes: [] };
const palette = (id: string) => demo.palettes.find((each) => each.id === id) ?? { id, label: id, family: "colour" as const, values: [] };
const sea = { id: "sea", label: "Sea" };
const level = (channels: number[]) => ({ channels, families: ["intensity" as const] });

/** Every kind of edit, some of them in more than one way, over the demo production. */
const EDITS: readonly EditInput[] = [
  { op: "setScript", pace: 120, standby: 3 },
  { op: "setLines", lines: ["I.3.8"], text: "Careful. It is the first of eleven.", quiet: true },
  { op: "setText", first: "I.3.8", last: "I.3.9", text: "EDWIN: Careful.\n\nADA: Of what?" },
  { op: "record", cue: "8", moves: { 1: { intensity: 12 }, 61: { pan: 40 } } },
  { op: "record", cue: "8", moves: { 1: { intensity: 12 } }, scope: "cueOnly" },
  { op: "record", cue: "8.5", moves: { 2: { intensity: 77 } }, mode: "replace", label: "New" },
  { op: "record", cue: "7", moves: { 1: { intensity: 0 } }, mode: "remove" },
  { op: "change", from: "8", to: "14", keys: level([1, 2, 41]), do: { set: 35 }, after: "restore" },
  { op: "change", from: "8", to: "14", keys: level([1, 2, 41]), do: { scale: 0.5 }, after: "track" },
  { op: "change", from: "6", to: "9", keys: { families: ["colour"] }, do: { palette: "storm" }, where: "moves" },
  { op: "change", from: "5", to: "12", keys: { channels: [61, 62] }, do: { release: true } },
  { op: "change", from: "6", to: "20", keys: level([1]), do: { drop: true }, where: "moves" },
  { op: "change", from: "6", to: "10", keys: level([1, 2, 3]), do: { set: "10~60" }, along: "cues", after: "restore" },
  { op: "update", cue: "8", moves: { 1: { intensity: 5 } }, at: "here" },
  { op: "update", cue: "8", moves: { 1: { intensity: 5 } }, at: "atSource" },
  { op: "update", cue: "4", moves: { 61: { pan: 12 } }, at: "inPalette" },
  { op: "deleteCue", cue: "7" },
  { op: "deleteCue", cue: "7", looks: "letGo" },
  { op: "insertCue", cue: "7.5", label: "Between", parts: [{ number: 1, moves: { 3: { intensity: 3 } } }] },
  { op: "insertCue", cue: "7.5", block: true },
  { op: "copyCue", cue: "6", to: "14.5", what: "look" },
  { op: "copyCue", cue: "6", to: "14.5", what: "moves" },
  { op: "moveCue", cue: "8", to: "10.5" },
  { op: "renumber", from: "6", to: "9", start: "6", step: "0.25" },
  { op: "split", cue: "7", to: "7.3", keys: level([1, 2]) },
  { op: "assignPart", cue: "7", keys: level([1, 2]), part: 2, times: { up: 9 } },
  { op: "setPart", cue: "4", part: 2, label: "Stairs", curve: "ease" },
  { op: "recast", from: "0", to: "99", channel: 1, as: 2 },
  { op: "recast", from: "6", to: "12", channel: 61, as: 65, how: "swap" },
  { op: "swapPalette", from: "0", to: "99", palette: "storm", as: "moon" },
  { op: "setTimes", from: "6", to: "12", set: { up: 9, position: { fade: 2 } } },
  { op: "setMoveTimes", from: "6", to: "12", keys: level([1, 2]), fade: "0~3" },
  { op: "stretch", from: "12", to: "13", seconds: 40 },
  { op: "setCue", from: "8", to: "8", carries: "cueOnly" },
  { op: "setCue", from: "9.5", to: "9.5", carries: "track", label: "Bang" },
  { op: "block", from: "10", to: "10" },
  { op: "block", from: "10", to: "10", keys: level([1, 2]) },
  { op: "unblock", from: "18", to: "30" },
  { op: "restate", from: "10", to: "10" },
  { op: "unrestate", from: "0", to: "99" },
  { op: "copyList", as: "copy", label: "Copy" },
  { op: "setPalette", palette: { ...palette("moon"), values: palette("moon").values.map((each) => ({ ...each, value: 50 })) } },
  { op: "removePalette", palette: "moon", used: "drop" },
  { op: "removePalette", palette: "storm", used: "keepLooks" },
  { op: "setGroup", group: { id: "few", label: "Few", channels: [1, 2] } },
  { op: "removeGroup", group: "front" },
  { op: "setPace", pace: { id: "quick", label: "Quick", colour: { fade: 1 } } },
  { op: "removePace", pace: "slow-sweep" },
  { op: "setHeldLook", look: { id: "warmers", label: "Warmers", values: { 1: { intensity: 40 } } } },
  { op: "removeHeldLook", look: "warmers" },
  { op: "setTempo", tempo: { id: "slow", label: "Slow", perMinute: 90 } },
  { op: "removeTempo", tempo: "slow" },
  { op: "setPage", page: { id: "storm", label: "Storm", items: [{ list: "flame" }] } },
  { op: "removePage", page: "storm" },
  { op: "setNote", note: { id: "n1", text: "Warmer here", list: "main", cue: "8" } },
  { op: "removeNote", note: "n1" },
  { op: "setMovement", movement: { id: "circle", label: "Circle", waves: [{ attribute: "pan", shape: "sine", size: 20 }], period: 4 } },
  { op: "removeMovement", movement: "circle" },
  { op: "setColourList", colourList: { id: "book", label: "Book", colours: [{ number: "101", rgb: "#ffb066" }] } },
  { op: "removeColourList", colourList: "book" },
  { op: "switchOff", from: "8", to: "8" },
  { op: "switchOn", from: "8.7", to: "8.7" },
  { op: "setWave", from: "6", to: "9", keys: { channels: [61], attributes: ["pan"] }, wave: { shape: "sine", size: 20, period: 4 } },
  { op: "setChannel", channel: { ...channel(1), label: "Other" } },
  { op: "removeChannel", channel: 3, used: "drop" },
  { op: "renumberChannel", channel: 1, to: 901 },
  { op: "setType", type: { ...type("flood"), name: "Another name" } },
  { op: "removeType", type: "spare" },
  { op: "setList", list: { id: "main", label: "Main", marks: { policy: "dark" } } },
  { op: "removeList", list: "sea" },
  { op: "setShow", title: "Other title" },
  {
    op: "steps",
    steps: [{ at: "move", list: "main", cue: "8", channel: 5, attribute: "intensity", before: undefined, after: { part: 1, move: 44 } }],
  },
];

/** What stands in the show before the edit so that there is something to take away. */
const FIRST: Readonly<Record<string, EditInput | readonly EditInput[]>> = {
  removePage: { op: "setPage", page: { id: "storm", label: "Storm", items: [] } },
  removeNote: { op: "setNote", note: { id: "n1", text: "Warmer here" } },
  removeMovement: {
    op: "setMovement",
    movement: { id: "circle", label: "Circle", waves: [{ attribute: "pan", shape: "sine", size: 20 }], period: 4 },
  },
  removeColourList: { op: "setColourList", colourList: { id: "book", label: "Book", colours: [] } },
  // A cue without moves, so that no look is different without it.
  switchOn: [
    { op: "insertCue", cue: "8.7" },
    { op: "switchOff", from: "8.7", to: "8.7" },
  ],
  removeHeldLook: { op: "setHeldLook", look: { id: "warmers", label: "Warmers", values: {} } },
  removeTempo: { op: "setTempo", tempo: { id: "slow", label: "Slow", perMinute: 90 } },
  removeType: { op: "setType", type: { id: "spare", name: "Spare", attributes: [] } },
  removeList: { op: "setList", list: sea },
};

/** The number that a cue has after an edit, and the name that a key has. */
function renamed(edit: EditInput, number: string): string {
  if (edit.op === "moveCue" && number === edit.cue) return edit.to;
  if (edit.op !== "renumber") return number;
  const inside = (demo.lists[0]?.cues ?? []).filter(
    (each) => Number(each.number) >= Number(edit.from) && Number(each.number) <= Number(edit.to),
  );
  const at = inside.findIndex((each) => each.number === number);
  return at < 0 ? number : String(Number(edit.start) + at * Number(edit.step));
}

test("for every kind of edit the impact shown is the difference of the looks exported", async () => {
  expect(new Set(EDITS.map(({ op }) => op))).toEqual(new Set(EDIT_OPS));
  expect(cue("8")).toBeDefined();
  let changed = 0;
  for (const edit of EDITS) {
    const first = [FIRST[edit.op] ?? []].flat();
    texts.set("edits.json", JSON.stringify([...first, edit]));
    const edited = await answer<Edited>("edit", "demo.json", "edits.json");
    texts.set("after.json", JSON.stringify(edited.show));
    const [was, is] = [await answer<Looks>("look", "demo.json", "--all"), await answer<Looks>("look", "after.json", "--all")];
    const later = new Map(is.map((look) => [look.cue, look.values]));
    const expected: string[] = [];
    for (const { cue: number, values } of was) {
      const name = renamed(edit, number);
      const after = later.get(name);
      if (!after) continue;
      for (const key of new Set([...keysOf(values), ...keysOf(after)])) {
        const [old, now] = [valueOf(values, key), valueOf(after, key)];
        const same = old === null || now === null ? old === now : Math.abs(old - now) <= 1e-6;
        if (!same) expected.push(`${name} ${key}: ${old} to ${now}`);
      }
    }
    const shown = (edited.impact.at(-1)?.looks ?? [])
      .filter(({ list }) => list === undefined)
      .map(({ cue: number, key, before, after }) => `${number} ${key}: ${before} to ${after}`);
    expect({ edit, looks: [...shown].sort() }).toEqual({ edit, looks: expected.sort() });
    changed += expected.length > 0 ? 1 : 0;
  }
  // Most of these edits change how some cue looks.
  expect(changed).toBeGreaterThan(20);
});

function keysOf(values: Looks[number]["values"]): string[] {
  return Object.entries(values).flatMap(([number, own]) => Object.keys(own).map((attribute) => `${number}.${attribute}`));
}

function valueOf(values: Looks[number]["values"], key: string): number | null {
  const dot = key.indexOf(".");
  return values[key.slice(0, dot)]?.[key.slice(dot + 1)]?.value ?? null;
}
