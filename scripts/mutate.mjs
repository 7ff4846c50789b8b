// Changes one line of the core at a time and sees whether its tests notice: prints every change that they let pass, and the share that
// they caught. Usage:  node scripts/mutate.mjs [how many] [seed]   (in a copy of the folder: the sources are changed while it runs)
import { spawnSync } from "node:child_process";
import { readFileSync, readdirSync, writeFileSync } from "node:fs";
import { join } from "node:path";

const wanted = Number(process.argv[2] ?? 60);
const seed = Number(process.argv[3] ?? 1);
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
    (name) => name.endsWith(".ts") && !/index\.ts|help\.ts|words\.ts/i.test(name),
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

/** The long properties; they are asked last. */
const SLOW = "(edits\\.|hand\\.|rig\\.|resting|check|hostile)";

/** Runs tests of the core until one fails. In one process, so that a change that makes them run for ever can be stopped whole. */
function testsPass(which) {
  const jest = spawnSync(process.execPath, [...JEST, "--selectProjects", "core", "--bail", "--silent", "--runInBand", ...which], {
    encoding: "utf8",
    timeout: 480_000,
    killSignal: "SIGKILL",
  });
  return jest.status === 0;
}

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
  const passed = testsPass(["--testPathIgnorePatterns", SLOW]) && testsPass(["--testPathPatterns", SLOW]);
  writeFileSync(path, before);
  tried += 1;
  if (!passed) caught += 1;
  else console.log(`let pass: ${name}:${row + 1}\n  - ${line.trim()}\n  + ${changed.trim()}`);
  console.log(`${caught} of ${tried} caught`);
}
