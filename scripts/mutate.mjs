// Changes one line of the core at a time and sees whether its tests notice: prints every change that they let pass, and the share that
// they caught. Usage:  node scripts/mutate.mjs [how many] [seed] [sources] [tests]   (in a copy of the folder: the sources are changed while it runs)
// Sources and tests are patterns of their paths; left out, all of them: mutate.mjs 40 1 'rehearse/|marks/' 'rehearse|marks|planner'
import { spawnSync } from "node:child_process";
import { readFileSync, readdirSync, writeFileSync } from "node:fs";
import { join } from "node:path";

const wanted = Number(process.argv[2] ?? 60);
const seed = Number(process.argv[3] ?? 1);
const sources = new RegExp(process.argv[4] ?? "");
const tests = process.argv[5] ?? "";
const JEST = ["--no-warnings", "--experimental-vm-modules", "node_modules/jest/bin/jest.js"];
const source = new URL("../packages/core/src/", import.meta.url).pathname;

/** What a line is changed in, and to what. */
const CHANGES = [
  [/ < /, " <= "],
  [/ <= /, " < "],
  [/ > /, " >= "],
  [/ >= /, " > "],
  [/ === /, " !== "],
  [/ !== /, " === "],
  [/ && /, " || "],
  [/ \|\| /, " && "],
  [/ \+ 1\b/, " + 2"],
  [/ - 1\b/, " - 2"],
  [/\btrue\b/, "false"],
  [/Math\.max/, "Math.min"],
  [/Math\.min/, "Math.max"],
  [/\.slice\(\)/, ""],
];

function randomFrom(start) {
  let state = start >>> 0;
  return () => {
    state = (Math.imul(state, 1664525) + 1013904223) >>> 0;
    return state / 2 ** 32;
  };
}

/** Every line that can be changed: of code, not of a comment, an import, a type or a text for the user. */
function places() {
  const files = readdirSync(source, { recursive: true }).filter(
    (name) => name.endsWith(".ts") && sources.test(name) && !/index\.ts|help\.ts|words\.ts/i.test(name),
  );
  return files.sort().flatMap((name) =>
    readFileSync(join(source, name), "utf8")
      .split("\n")
      .flatMap((line, row) => {
        if (/^\s*(\*|\/|import|export (type|interface)|readonly)|throw new|`/.test(line) || /=>.*=>/.test(line)) return [];
        return CHANGES.flatMap(([from, to]) => (from.test(line) ? [{ name, row, line, changed: line.replace(from, to) }] : []));
      }),
  );
}

/** Runs tests of the core in one process, so that a change that makes them run for ever can be stopped whole. A test that only takes long has not failed. */
function runTests(which) {
  return spawnSync(
    process.execPath,
    [...JEST, "--selectProjects", "core", "--silent", "--runInBand", "--testTimeout", "300000", ...which],
    { encoding: "utf8", timeout: 480_000, killSignal: "SIGKILL", maxBuffer: 2 ** 28 },
  );
}

/** The files of tests in groups, the quickest first, so that most changes are noticed within seconds. Refuses to begin where the tests fail as it is. */
function groupsOfTests() {
  const whole = runTests(["--json", ...(tests === "" ? [] : ["--testPathPatterns", tests])]);
  if (whole.status !== 0) throw new Error("The tests of the core fail before anything is changed; mend them first");
  const files = JSON.parse(whole.stdout)
    .testResults.map((file) => ({ path: file.name, takes: file.endTime - file.startTime }))
    .sort((a, b) => a.takes - b.takes);
  const groups = [[]];
  let sum = 0;
  for (const { path, takes } of files) {
    if (sum > 12_000) {
      groups.push([]);
      sum = 0;
    }
    groups.at(-1).push(path);
    sum += takes;
  }
  return groups;
}

const groups = groupsOfTests();
const random = randomFrom(seed);
const all = places();
let caught = 0;
let tried = 0;
while (tried < wanted) {
  const { name, row, line, changed } = all[Math.floor(random() * all.length)];
  const path = join(source, name);
  const before = readFileSync(path, "utf8");
  const lines = before.split("\n");
  lines[row] = changed;
  writeFileSync(path, lines.join("\n"));
  const passed = groups.every((paths) => runTests(["--bail", "--runTestsByPath", ...paths]).status === 0);
  writeFileSync(path, before);
  tried += 1;
  if (!passed) caught += 1;
  else console.log(`let pass: ${name}:${row + 1}\n  - ${line.trim()}\n  + ${changed.trim()}`);
  console.log(`${caught} of ${tried} caught`);
}
