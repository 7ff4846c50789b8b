// Draws the layers into docs/architecture.md from what the files import: the parts of the product, and the folders of core, server and window, each over those that it
// uses. An arrow that follows from others is left out. With --check nothing is written, and a drawing that is no longer true ends with 1.
import { readFileSync, readdirSync, writeFileSync } from "node:fs";
import { dirname, join, normalize, relative, sep } from "node:path";

const PAGE = "docs/architecture.md";
const BEGIN = "<!-- layers: drawn by npm run layer-drawing -->";
const END = "<!-- end of the layers -->";
const PARTS = [
  "packages/core",
  "packages/protocol",
  "packages/demo",
  "apps/server",
  "apps/web",
  "apps/cli",
  "apps/caller",
  "apps/dummy-rig",
];

/** A part whose folders stand on more floors than this has become hard to change: something shared lies too high in it. */
const MOST_FLOORS = 10;

const files = PARTS.flatMap((part) =>
  readdirSync(join(part, "src"), { recursive: true, encoding: "utf8" })
    .filter((name) => /\.tsx?$/.test(name))
    .map((name) => join(part, "src", name)),
);
const imports = files.flatMap((file) => targetsOf(file).map((target) => ({ file, target })));

const drawings = [
  drawing("The parts of the product", partOf),
  ...[
    ["packages/core", "The core"],
    ["apps/server", "The server"],
    ["apps/web", "The window"],
  ].map(([part, title]) => drawing(title, (file) => folderOf(part, file))),
];
const drawn = [BEGIN, "", ...drawings, END].join("\n");
const page = readFileSync(PAGE, "utf8");
const [before, rest = ""] = page.split(BEGIN);
const [, after = ""] = rest.split(END);
const next = `${before}${drawn}${after}`;
if (!process.argv.includes("--check")) writeFileSync(PAGE, next);
else if (next !== page) {
  console.error(`The drawing of the layers in ${PAGE} is no longer true; npm run layer-drawing draws it anew`);
  process.exitCode = 1;
}

/** What a file imports, as a file of ours or the name of a part. */
function targetsOf(file) {
  const text = readFileSync(file, "utf8");
  return [...text.matchAll(/(?:from|import\()\s*"([^"]+)"/g)].flatMap(([, name]) => {
    if (name.startsWith(".")) return [normalize(join(dirname(file), name))];
    const part = /^@zm\/([^/]+)/.exec(name)?.[1];
    return part === undefined ? [] : [join("packages", part, "src", "index.ts")];
  });
}

function partOf(file) {
  return file.split(sep)[1];
}

/** The folder of a part that a file lies in; undefined for what lies beside the folders, and in other parts. */
function folderOf(part, file) {
  const [folder, ...below] = relative(join(part, "src"), file).split(sep);
  return folder === ".." || below.length === 0 ? undefined : folder;
}

/** A drawing of what stands over what, the highest first. */
function drawing(title, boxOf) {
  const uses = new Map(
    files
      .map(boxOf)
      .filter(Boolean)
      .sort()
      .map((box) => [box, new Set()]),
  );
  for (const { file, target } of imports) {
    const [from, to] = [boxOf(file), boxOf(target)];
    if (from !== undefined && uses.has(to) && from !== to) uses.get(from).add(to);
  }
  const reached = new Map();
  const reach = (box) => {
    if (!reached.has(box)) reached.set(box, new Set([...uses.get(box)].flatMap((used) => [used, ...reach(used)])));
    return reached.get(box);
  };
  const floorOf = (box) => Math.max(-1, ...[...uses.get(box)].map(floorOf)) + 1;
  const boxes = [...uses.keys()].sort((a, b) => floorOf(b) - floorOf(a) || a.localeCompare(b));
  const arrows = boxes.flatMap((box) =>
    [...uses.get(box)]
      .filter((used) => ![...uses.get(box)].some((other) => other !== used && reach(other).has(used)))
      .sort()
      .map((used) => `  ${box} --> ${used}`),
  );
  const alone = boxes.filter((box) => !arrows.some((arrow) => arrow.trim().split(" --> ").includes(box))).map((box) => `  ${box}`);
  const count = [...uses.values()].reduce((sum, used) => sum + used.size, 0);
  const floors = Math.max(...boxes.map(floorOf)) + 1;
  if (floors > MOST_FLOORS) {
    console.error(`${title} stands on ${floors} floors; at most ${MOST_FLOORS}: move what is shared further down`);
    process.exitCode = 1;
  }
  return [
    `${title}: ${boxes.length} on ${floors} floors, ${count} arrows.`,
    "",
    "```mermaid",
    "graph TD",
    ...arrows,
    ...alone,
    "```",
    "",
  ].join("\n");
}
