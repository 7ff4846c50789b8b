import { execFile } from "node:child_process";
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { fileURLToPath } from "node:url";
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
  const files = { show: join(folder, `show-${name}`), run: join(folder, `run-${name}`) };
  writeFileSync(files.show, JSON.stringify(show));
  writeFileSync(files.run, JSON.stringify(args.run ?? []));
  return { ...files, expect, args };
}

const read = (file: string): string => readFileSync(file, "utf8");

test("look, schedule and play print what the worked cases expect", () => {
  const looks = worked("01-tracking.json");
  const chain = worked("08-follow-chain.json");
  const played = worked("13-play-overlap.json");
  expect(JSON.parse(run(["look", looks.show, "--all"], read))).toEqual(looks.expect);
  expect(JSON.parse(run(["schedule", chain.show, "--from", "1", "--list", "main"], read))).toEqual(chain.expect);
  expect(JSON.parse(run(["play", played.show, "--run", played.run, "--at", played.args.at.join(",")], read))).toEqual(played.expect);
});

test("help names every command", () => {
  for (const name of ["look", "schedule", "play"]) expect(run(["--help"], read)).toContain(name);
});

test("the command reads - from standard input, prints one JSON value, and ends with 0", async () => {
  const { show } = worked("01-tracking.json");
  const { out, status } = await zm(["look", "-", "--cue", "2.50"], read(show));
  expect(status).toBe(0);
  expect(JSON.parse(out).cue).toBe("2.5");
}, 60_000);

test("bad input ends with 1, one message on standard error and nothing on standard output", async () => {
  const { show } = worked("01-tracking.json");
  const ended = await zm(["look", show, "--cue", "3"]);
  expect(ended).toEqual({ status: 1, out: "", error: 'List "main" has no cue 3; next to where it would stand: 2.5 and 10\n' });
}, 60_000);

test.each([
  [["look", "SHOW"], /look: give --cue N, or --all/],
  [["look", "SHOW", "--cue", "1", "--list", "sea"], /There is no list "sea"; the lists are main/],
  [["play", "SHOW", "--run", "SHOW", "--at", "soon"], /"soon" in --at is not a moment/],
  [["play", "SHOW", "--run", "SHOW", "--at", "1"], /The run: /],
  [["look"], /look: name the show document/],
  [["dance", "SHOW"], /There is no command "dance"/],
  [["look", "SHOW", "extra", "--all"], /"extra" is one word too many/],
  [["look", "SHOW", "--colour", "red"], /--colour/],
])("%j is refused by name", (args, message) => {
  const { show } = worked("01-tracking.json");
  expect(() =>
    run(
      args.map((arg) => (arg === "SHOW" ? show : arg)),
      read,
    ),
  ).toThrow(message);
});
