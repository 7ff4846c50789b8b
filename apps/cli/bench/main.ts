import {
  EMPTY_HAND,
  Mix,
  type EditInput,
  type ListSheet,
  type ShowSheet,
  changeHand,
  applyEdits,
  checkSheet,
  checkSheetInSlices,
  completeLine,
  cueAt,
  denseLooks,
  emptyState,
  giveMoves,
  listOf,
  lookAt,
  makeEdits,
  newCheckCache,
  parseShow,
  type Mark,
  markTimes,
  marksOf,
  placeMark,
  planMarks,
  planRecording,
  readEdits,
  recordSentence,
  serializeShow,
  sheetOf,
  stateAt,
} from "@zm/core";
import { TRIAL_SIZES, type TrialSize, randomFrom, trialShow } from "@zm/demo";
import { measure, memoryInUse } from "./measure.ts";
import { plainFold } from "./plainFold.ts";

/** Targets for the large show, milliseconds; frames in nanoseconds a key. */
const TARGETS: Readonly<Record<string, number>> = {
  "full looks": 40,
  "one-cell edit near the top": 1,
  "200 cues x 20 channels": 10,
  "look at a random cue": 0.05,
  "look as plain data": 1,
  "marks of the whole list": 150,
  "marks after a one-cell edit": 5,
  "check of the whole show": 500,
  "check after a one-cell edit": 20,
  "record sheet: 100 lights": 50,
};

interface Line {
  readonly name: string;
  readonly median: number;
  readonly rounds: number;
}

/** Measures one size of trial show and prints a table. */
function bench(size: TrialSize): void {
  const start = memoryInUse();
  const text = serializeShow(trialShow(size));
  const show = parseShow(text);
  const withShow = memoryInUse();
  const sheet = sheetOf(show);
  const list = listOf(sheet);
  stateAt(list, 0, emptyState(list));
  planMarks(list, show.script);
  const memory = { document: withShow - start - text.length, engine: memoryInUse() - withShow };

  const plain = measure(() => plainFold(show), nothing, 1).median;
  const lines: Line[] = [
    line("parse and validate", () => parseShow(text)),
    line("sheet from nothing", () => sheetOf(show)),
    ...looks(list),
    ...edits(sheet, list),
    ...thoughts(sheet, list),
    ...marks(sheet, list),
    line("check of the whole show", checkSheet, () => fresh(sheet)),
    checkAgain(sheet),
  ];
  const moves = list.columns.reduce((sum, column) => sum + column.rows.length, 0);
  print(`\n${size}: ${list.cues.length} cues, ${show.channels.length} channels, ${list.keys.all.length} keys, ${moves} moves`);
  print(
    `  plain full recomputation ${figure(plain)} ms; document ${megabytes(memory.document)} MB, engine beside it ${megabytes(memory.engine)} MB`,
  );
  for (const each of lines) print(told(each, plain, size === "large" ? TARGETS[each.name] : undefined));
  print(frames(sheet, plain));
  print(mixFrames(sheet));
}

function nothing(): undefined {
  return undefined;
}

function line<T>(name: string, work: (prepared: T) => unknown, before?: () => T, budget?: number): Line;
function line(name: string, work: (prepared: undefined) => unknown, before: () => undefined = nothing, budget?: number): Line {
  return { name, ...measure(work, before, budget) };
}

/** What a window does behind every edit: the check goes on from the one before. */
function checkAgain(sheet: ShowSheet): Line {
  const random = randomFrom(11);
  const cache = newCheckCache();
  let now = sheet;
  const check = (of: ShowSheet): void => {
    const steps = checkSheetInSlices(of, cache);
    while (!steps.next().done);
  };
  check(now);
  return line("check after a one-cell edit", check, () => {
    now = applyEdits(now, readEdits(oneCell(listOf(now), random))).sheet;
    return now;
  });
}

function looks(list: ListSheet): Line[] {
  const random = randomFrom(7);
  const room = new Float64Array(list.cues.length * list.keys.all.length);
  const state = emptyState(list);
  const row = (): number => random.between(0, list.cues.length - 1);
  return [
    line("full looks", () => denseLooks(list, room)),
    line("look at a random cue", (at: number) => stateAt(list, at, state), row),
    line("look as plain data", (at: number) => lookAt(list, at), row),
  ];
}

function oneCell(list: ListSheet, random: ReturnType<typeof randomFrom>): EditInput {
  const cue = cueAt(list, random.between(1, 12)).number;
  const channel = 1 + 10 * random.between(0, Math.floor(list.keys.byChannel.size / 10) - 1);
  return { op: "change", from: cue, to: cue, keys: { channels: [channel], families: ["intensity"] }, do: { set: random.between(1, 100) } };
}

function edits(sheet: ShowSheet, list: ListSheet): Line[] {
  const random = randomFrom(3);
  const last = Math.min(210, list.cues.length);
  const channels = Array.from({ length: 20 }, (_, index) => index + 1);
  const wide = (): EditInput => ({
    op: "change",
    from: cueAt(list, Math.max(0, last - 200)).number,
    to: cueAt(list, last - 1).number,
    keys: { channels, families: ["intensity"] },
    do: random.chance(0.5) ? { add: -5 } : { scale: 0.9 },
    after: "restore",
  });
  const make = (edit: EditInput): unknown => makeEdits(sheet, readEdits(edit));
  return [line("one-cell edit near the top", make, () => oneCell(list, random)), line("200 cues x 20 channels", make, wide)];
}

/** What stands on screen while somebody types or fills in the record sheet. */
function thoughts(sheet: ShowSheet, list: ListSheet): Line[] {
  const channels = [...sheet.keys.byChannel.keys()].slice(0, 100);
  const selection = { channels, families: ["intensity" as const] };
  const moves = giveMoves(sheet, selection, { set: "10~90" }, () => 0);
  const hand = changeHand(EMPTY_HAND, { do: "give", moves }, sheet, 0);
  const cue = cueAt(list, Math.floor(list.cues.length / 2)).number;
  const wish = { cue, from: "hand", what: "both", changed: true, mode: "merge", scope: "track" } as const;
  return [
    line("100 lights taken in hand", () => changeHand(EMPTY_HAND, { do: "give", moves }, sheet, 0)),
    line("record sheet: 100 lights", () => {
      const plan = planRecording(sheet, list, hand, { run: undefined, outputOf: () => 0 }, wish);
      return recordSentence(list, plan, makeEdits(sheet, readEdits(plan.edit)));
    }),
    line("completion of a line", () => completeLine("1..12, 21..26 / 2 position fade 3 delay 0~2 c", sheet)),
  ];
}

function marks(sheet: ShowSheet, list: ListSheet): Line[] {
  const random = randomFrom(5);
  const { script } = sheet.show;
  const timeFor = markTimes(list, script);
  const edited = (): ShowSheet => makeEdits(sheet, readEdits(oneCell(list, random))).sheet;
  return [
    line(
      "marks of the whole list",
      (anew: ShowSheet) => planMarks(listOf(anew), script),
      () => fresh(sheet),
    ),
    line("marks after a one-cell edit", (after: ShowSheet) => planMarks(listOf(after), script), edited),
    line(
      "a mark dragged to another cue: what it would have there",
      ({ mark, row }: Dragged) => timeFor(mark, row),
      () => dragged(list, random),
    ),
    line(
      "a mark put into another cue: the show and all marks after it",
      ({ mark, row }: Dragged) => planMarks(listOf(makeEdits(sheet, readEdits(placeMark(list, mark, row))).sheet), script),
      () => dragged(list, random),
    ),
  ];
}

/** A mark, and another row of its window to which it is dragged. */
interface Dragged {
  readonly mark: Mark;
  readonly row: number;
}

/** Some mark of a list with a dark window of several cues, and a row of it. */
function dragged(list: ListSheet, random: ReturnType<typeof randomFrom>): Dragged {
  const marks = marksOf(list).filter(({ window }) => window !== null && window.last > window.first);
  const mark = marks[random.between(0, marks.length - 1)];
  if (!mark?.window) throw new Error("No light of this show has a dark window of several cues");
  return { mark, row: random.between(mark.window.first, mark.window.last) };
}

/** The same sheet with nothing kept of what was computed from it. */
function fresh(sheet: ShowSheet): ShowSheet {
  return { ...sheet, lists: new Map([...sheet.lists].map(([id, list]) => [id, { ...list }])) };
}

/** Frames while the first list alone runs, every fade of it going on. */
function frames(sheet: ShowSheet, plain: number): string {
  const mix = new Mix(sheet);
  const list = listOf(sheet);
  let time = 0;
  for (let press = 0; press < 40; press += 1) mix.go(list.id, (time += 0.7));
  const into = new Float64Array(list.keys.all.length);
  const { median } = measure(() => {
    for (let frame = 0; frame < 50; frame += 1) mix.frame((time += 0.0004), into);
  }, nothing);
  const before = memoryInUse();
  for (let frame = 0; frame < 1000; frame += 1) mix.frame((time += 0.0004), into);
  const { heapUsed, arrayBuffers } = process.memoryUsage();
  const left = Math.max(0, heapUsed + arrayBuffers - before);
  const perFrame = median / 50;
  const perKey = (perFrame * 1e6) / list.keys.all.length;
  return `  ${"frame of one list".padEnd(30)} ${figure(perFrame).padStart(10)} ms  ${figure(perKey)} ns a key (under 20: ${perKey < 20 ? "yes" : "NO"}), ${left} bytes left by 1000 frames, 1/${Math.round(plain / perFrame)} of plain; ${marksOf(list).length} marks`;
}

/** Frames of all keys while three lists and ten held looks run over the same lights. */
function mixFrames({ show }: ShowSheet): string {
  const [main] = show.lists;
  if (!main) throw new Error("The trial show has no list");
  // Nothing fires by itself and everything takes long, so that what is measured is frames, and of keys that move.
  const cues = main.cues.slice(0, 60).map(({ trigger: _trigger, ...cue }) => ({
    ...cue,
    parts: cue.parts.map((part) => ({
      ...part,
      times: { up: 60, down: 60, position: { fade: 60 }, colour: { fade: 60 }, beam: { fade: 60 } },
    })),
  }));
  const lists = ["one", "two", "three"].map((id) => ({ ...main, id, cues }));
  const heldLooks = Array.from({ length: 10 }, (_, look) => ({
    id: `look${look}`,
    label: "",
    values: Object.fromEntries(
      show.channels.filter((_channel, index) => index % 10 === look).map(({ number }) => [number, { intensity: 70 }]),
    ),
  }));
  const running = sheetOf({ ...show, lists, heldLooks });
  const mix = new Mix(running);
  let time = 0;
  for (let press = 0; press < 40; press += 1) for (const { id } of lists) mix.go(id, (time += 0.23));
  for (const { id } of heldLooks) mix.setLookLevel(id, 60, (time += 0.01), 1);
  const into = new Float64Array(running.keys.all.length);
  const perFrame =
    measure(() => {
      for (let frame = 0; frame < 50; frame += 1) mix.frame((time += 0.0004), into);
    }, nothing).median / 50;
  const perKey = (perFrame * 1e6) / into.length;
  const moving = mix.scheduler.table.unchanging.filter((unchanging) => unchanging === 0).length;
  return `  ${"frame of 3 lists, 10 looks".padEnd(30)} ${figure(perFrame).padStart(10)} ms  ${figure(perKey)} ns a key (under 25: ${perKey < 25 ? "yes" : "NO"}), ${moving} of ${into.length} keys moving`;
}

function told({ name, median, rounds }: Line, plain: number, target: number | undefined): string {
  const ratio = median < plain ? `1/${Math.round(plain / median)}` : `${figure(median / plain)} x`;
  const met = target === undefined ? "" : ` under ${target}: ${median < target ? "yes" : "NO"}`;
  return `  ${name.padEnd(30)} ${figure(median).padStart(10)} ms  ${ratio.padStart(8)} of plain  (${rounds} rounds)${met}`;
}

function figure(milliseconds: number): string {
  return milliseconds >= 10 ? milliseconds.toFixed(1) : milliseconds.toFixed(4);
}

function megabytes(bytes: number): string {
  return (bytes / 1e6).toFixed(1);
}

function print(text: string): void {
  process.stdout.write(`${text}\n`);
}

const asked = process.argv.slice(2);
const sizes = Object.keys(TRIAL_SIZES).filter((size): size is TrialSize => asked.length === 0 || asked.includes(size));
print("Medians of one run on this machine. Ratios are to a plain full recomputation of all looks in the same run.");
for (const size of sizes) bench(size);
