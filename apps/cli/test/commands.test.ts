import { execFile } from "node:child_process";
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { fileURLToPath } from "node:url";
import { saltAndParaffin } from "@zm/demo";
import { serializeShow } from "@zm/core";
import { commands } from "../src/commands.ts";
import { run } from "../src/run.ts";

const root = fileURLToPath(new URL("../../..", import.meta.url));
const cases = join(root, "packages/core/test/cases");
const folder = mkdtempSync(join(tmpdir(), "zm-"));
afterAll(() => rmSync(folder, { recursive: true }));

interface Ended {
  status: number;
  out: string;
  error: string;
}

/** Runs a headless command as a user does. */
function zm(args: string[], input = ""): Promise<Ended> {
  return new Promise((resolve) => {
    const child = execFile(
      "npm",
      ["run", "-s", "zm", "--", ...args],
      { cwd: root, env: { ...process.env, NODE_OPTIONS: "" } },
      (failure, out, error) => {
        resolve({ status: typeof failure?.code === "number" ? failure.code : 0, out, error });
      },
    );
    child.stdin?.end(input);
  });
}

function worked(name: string): { show: string; run: string; expect: unknown; args: { at: number[] } } {
  const { show, args, expect } = JSON.parse(readFileSync(join(cases, name), "utf8"));
  const files = { show: file(`show-${name}`, show), run: file(`run-${name}`, args.run ?? []) };
  return { ...files, expect, args };
}

function file(name: string, content: unknown): string {
  const path = join(folder, name);
  writeFileSync(path, typeof content === "string" ? content : JSON.stringify(content));
  return path;
}

const files = {
  read: (path: string): string => readFileSync(path, "utf8"),
  readBytes: (path: string): Uint8Array => readFileSync(path),
  write: (path: string, content: string | Uint8Array): void => writeFileSync(path, content),
};
const answer = async (...args: string[]): Promise<unknown> => JSON.parse(await run(args, files));

/** The samples of a worked run. */
function samplesOf(expected: unknown): { cue: string | null }[] {
  return Array.isArray(expected) ? expected : [];
}

test("look, schedule, marks and play print what the worked cases expect", async () => {
  const looks = worked("01-tracking.json");
  const chain = worked("08-follow-chain.json");
  const marks = worked("12-marks-in-a-chain.json");
  const played = worked("13-play-overlap.json");
  expect(await answer("look", looks.show, "--all")).toEqual(looks.expect);
  expect(await answer("schedule", chain.show, "--from", "1", "--list", "main")).toEqual(chain.expect);
  expect(await answer("marks", marks.show)).toEqual(marks.expect);
  expect(await answer("play", played.show, "--run", played.run, "--at", played.args.at.join(","))).toEqual(
    samplesOf(played.expect).map((sample) => ({ ...sample, cues: { main: sample.cue } })),
  );
  const several = worked("16-side-list-over-main.json");
  expect(await answer("play", several.show, "--run", several.run, "--at", several.args.at.join(","))).toEqual(several.expect);
});

test("edit prints show, impact of each edit, and what takes them back to the identical document", async () => {
  const demo = file("demo.json", serializeShow(saltAndParaffin()));
  const edits = [
    { op: "change", from: "6", to: "8", keys: { channels: [1], families: ["intensity"] }, do: { set: 33 } },
    { op: "deleteCue", cue: "7" },
    { op: "renumber", from: "8", to: "9", start: "7.5", step: "0.5" },
  ];
  const edited = (await answer("edit", demo, file("edits.json", edits))) as {
    show: unknown;
    impact: { looks: unknown[] }[];
    inverse: unknown[];
  };
  expect(edited.impact).toHaveLength(3);
  expect(edited.impact[0]?.looks.length).toBeGreaterThan(0);
  const after = file("after.json", edited.show);
  const back = (await answer("edit", after, file("inverse.json", edited.inverse))) as { show: unknown };
  expect(`${JSON.stringify(back.show, undefined, 1)}\n`).toBe(serializeShow(saltAndParaffin()));
});

test("edit tells what an edit left alone", async () => {
  const demo = file("demo.json", serializeShow(saltAndParaffin()));
  const edits = file("recast.json", { op: "recast", from: "0", to: "99", channel: 61, as: 1, skipMissing: true });
  expect(((await answer("edit", demo, edits)) as { notes: string[] }).notes[0]).toMatch(/^Light 1 has no /);
});

test("check prints findings with code, severity, place and sentence", async () => {
  const { show } = worked("12-marks-in-a-chain.json");
  expect(await answer("check", show)).toEqual(
    expect.arrayContaining([
      expect.objectContaining({ code: "mark-late", severity: "warning", cue: "4", channel: 1, message: expect.any(String) }),
    ]),
  );
});

test("convert writes the document in its one fixed order and prints what it wrote", async () => {
  const { show } = worked("09-parts.json");
  const out = join(folder, "out.json");
  expect(await answer("convert", show, out)).toMatchObject({ written: out, title: "Worked case" });
  const again = join(folder, "again.json");
  const table = out.replace(/\.json$/, ".csv");
  expect(await answer("convert", show, table)).toMatchObject({ written: table });
  expect(readFileSync(table, "utf8").split("\n").slice(0, 2)).toEqual([
    "channel,type,label,universe,address,x,y,z,aimX,aimY,aimZ",
    expect.stringMatching(/^\d+,\S+,/),
  ]);
  await run(["convert", out, again], files);
  expect(readFileSync(again, "utf8")).toBe(readFileSync(out, "utf8"));
  expect(await answer("convert", show, "-")).toEqual(JSON.parse(readFileSync(out, "utf8")));
});

test("convert goes between formats by their endings, tells what does not come along, and answers what a file leaves open", async () => {
  const [demo, text] = [file("demo.json", serializeShow(saltAndParaffin())), join(folder, "demo.asc")];
  const out = await answer("convert", demo, text);
  expect(out).toMatchObject({ written: text, cues: saltAndParaffin().lists.reduce((sum, { cues }) => sum + cues.length, 0) });
  expect(out).toHaveProperty(
    "unsaid",
    expect.arrayContaining([expect.objectContaining({ kind: "left", words: expect.stringContaining("position") })]),
  );
  const [looks, moves] = [join(folder, "looks.json"), join(folder, "moves.json")];
  await answer("convert", text, looks);
  await answer("convert", text, moves, "--with", "levels=stored");
  const stored = (path: string): number => readFileSync(path, "utf8").split('"intensity": ').length;
  expect(stored(moves)).toBeGreaterThan(stored(looks) * 2);
  const [drawing, brought] = [join(folder, "rig.mvr"), join(folder, "brought.json")];
  await answer("convert", demo, drawing);
  expect(await answer("convert", drawing, brought, "--into", text.replace(".asc", ".json"))).toMatchObject({ read: { format: "mvr" } });
  expect(JSON.parse(readFileSync(brought, "utf8")).channels).toEqual(JSON.parse(readFileSync(demo, "utf8")).channels);
  const table = join(folder, "cues.csv");
  await answer("convert", demo, table, "--as", "cueTable", "--list", "main");
  writeFileSync(table, readFileSync(table, "utf8").replace(/^7,[^,]*/m, "7,Supper late"));
  await answer("convert", table, brought, "--into", demo);
  expect(readFileSync(brought, "utf8")).toContain('"label": "Supper late"');
});

test("trial prints a show that reads back, the same for the same seed", async () => {
  const first = await run(["trial", "small", "--seed", "7"], files);
  expect(await run(["trial", "small", "--seed", "7"], files)).toBe(first);
  expect(await run(["trial", "small", "--seed", "8"], files)).not.toBe(first);
  expect(await answer("look", file("trial.json", first), "--all")).toHaveLength(60);
});

test("schema prints the published schema", async () => {
  expect(await answer("schema")).toEqual(JSON.parse(readFileSync(join(root, "docs/show.schema.json"), "utf8")));
});

test("help names every command, and each tells of itself", async () => {
  const overview = await run(["--help"], files);
  for (const [name, { words, summary }] of commands) {
    expect(overview).toContain(`  ${[name, ...words].join(" ")}`);
    expect(await run([name, "--help"], files)).toContain(summary);
  }
});

test("the command reads - from standard input, prints one JSON value, and ends with 0", async () => {
  const { show } = worked("01-tracking.json");
  const { out, status } = await zm(["look", "-", "--cue", "2.50"], files.read(show));
  expect(status).toBe(0);
  expect(JSON.parse(out).cue).toBe("2.5");
}, 60_000);

test("bad input ends with 1, one message on standard error and nothing on standard output", async () => {
  const { show } = worked("01-tracking.json");
  const ended = await zm(["look", show, "--cue", "3"]);
  expect(ended).toEqual({ status: 1, out: "", error: 'List "main" has no cue 3; next to where it would stand: 2.5 and 10\n' });
  const cut = await zm(["check", "-"], files.read(show).slice(0, 200));
  expect(cut).toMatchObject({ status: 1, out: "", error: expect.stringContaining("the text is not whole JSON") });
}, 60_000);

test.each([
  [["look", "SHOW"], /look: give --cue N, or --all/],
  [["look", "SHOW", "--cue", "1", "--list", "sea"], /There is no list "sea"; the lists are main/],
  [["play", "SHOW", "--run", "SHOW", "--at", "soon"], /play: "soon" in --at is not a moment/],
  [["play", "SHOW", "--run", "SHOW", "--at", "1"], /The run: /],
  [["look"], /look: SHOW is missing; write look SHOW/],
  [["edit", "SHOW"], /edit: EDITS is missing/],
  [["edit", "SHOW", "SHOW"], /The edit: /],
  [["edit", "-", "-"], /edit: only one of SHOW and EDITS/],
  [["dance", "SHOW"], /There is no command "dance"/],
  [["look", "SHOW", "extra", "--all"], /"extra" is one word too many/],
  [["look", "SHOW", "--colour", "red"], /--colour/],
  [["look", "SHOW", "--seed", "3"], /look: it knows no --seed/],
  [
    ["convert", "SHOW", "out.pdf"],
    /out\.pdf: its ending names no format that is written; the formats are \.json, \.zip, \.asc, \.xlsx, \.csv, \.mvr, \.fountain/,
  ],
  [["convert", "SHOW", "out.csv", "--as", "poem"], /"poem" is not what a \.csv file can hold; it can hold rigTable, cueTable/],
  [["convert", "SHOW", "out.json", "--with", "levels"], /convert: "levels" is no answer; write --with QUESTION=ANSWER/],
  [["convert", "SHOW", "out.json", "--into", "SHOW"], /This file is a whole show; leave out --into/],
  [["paper", "SHOW"], /paper: give a file with --out/],
  [["paper", "SHOW", "--out", "cues.doc"], /paper: "cues\.doc": its ending names no paper/],
  [
    ["paper", "SHOW", "--kind", "poem", "--out", "cues.pdf"],
    /There is no paper "poem"; the papers are cues, changes, patch, calls, notes, palettes, osc/,
  ],
  [["trial", "huge"], /trial: "huge" is no size; the sizes are small, middle, large/],
  [["trial", "small", "--seed", "1.5"], /trial: "1\.5" is no seed/],
])("%j is refused by name", async (args, message) => {
  const { show } = worked("01-tracking.json");
  const asked = args.map((arg) => (arg === "SHOW" ? show : arg));
  await expect(run(asked, files)).rejects.toThrow(message);
});

test("compare tells what is different between two states, cue by cue", async () => {
  const show = saltAndParaffin();
  const old = file("old.json", serializeShow(show));
  const [main, ...others] = show.lists;
  if (!main) throw new Error("The demo has no list");
  const cues = main.cues
    .map((cue) => (cue.number === "12" ? { ...cue, label: "Edwin in the door" } : cue))
    .filter(({ number }) => number !== "8");
  const now = file("new.json", serializeShow({ ...show, lists: [{ ...main, cues }, ...others] }));
  expect(await answer("compare", old, old)).toEqual({ summary: "no cue looks different", beside: [], cues: [] });
  const { cues: told } = (await answer("compare", old, now)) as { cues: { cue: string; after: string | null }[] };
  expect(told).toEqual(
    expect.arrayContaining([expect.objectContaining({ cue: "8", after: null }), expect.objectContaining({ cue: "12", after: "12" })]),
  );
});

test("paper writes pages that are a PDF with the type in it, and a table", async () => {
  const show = file("paper.json", serializeShow(saltAndParaffin()));
  const [pdf, csv] = [join(folder, "cues.pdf"), join(folder, "cues.csv")];
  expect(await answer("paper", show, "--kind", "cues", "--out", pdf)).toMatchObject({ written: pdf, title: "Cue sheet" });
  const bytes = readFileSync(pdf);
  expect(bytes.subarray(0, 5).toString("latin1")).toBe("%PDF-");
  expect(bytes.toString("latin1")).toContain("AtkinsonHyperlegible");
  await answer("paper", show, "--kind", "palettes", "--out", csv);
  expect(readFileSync(csv, "utf8")).toMatch(/^palette,family,values,used in,by lights\n/);
});

test("rehearse runs the demo in seconds and tells what is seen; a speed that is none is refused", async () => {
  const show = file("rehearsed.json", saltAndParaffin());
  const { status, out } = await zm(["rehearse", show, "--speed", "1"]);
  expect(status).toBe(0);
  const {
    clean,
    seconds,
    findings,
    assumed,
  }: { clean: boolean; seconds: number; findings: { code: string; cue: string }[]; assumed: string[] } = JSON.parse(out);
  expect(clean).toBe(findings.length === 0);
  expect(seconds).toBeGreaterThan(1000);
  // Every cue of the demo that waits for somebody is called from the play.
  expect(assumed).toEqual([]);
  const kinds = new Set(findings.map(({ code }) => code));
  expect([...kinds].every((code) => ["sweep-seen", "late", "cut-short", "dark-missed"].includes(code))).toBe(true);
  const refused = await zm(["rehearse", show, "--speed", "fast"]);
  expect([refused.status, refused.out]).toEqual([1, ""]);
  expect(refused.error).toMatch(/"fast" is no speed/);
}, 60_000);
