// Holds the READMEs of the source folders against the folders: each has one, every file and folder that it names is there, and the folders that it says it uses are
// those that its files import from. Where a file cites a page of rules, the heading that it names must stand there.
// Links of the documentation lead somewhere, and every page of it is linked from its first one.
import { existsSync, readFileSync, readdirSync } from "node:fs";
import { dirname, join, relative } from "node:path";

const ROOTS = ["apps", "packages"]
  .flatMap((kind) => readdirSync(kind).map((name) => join(kind, name, "src")))
  .filter((path) => existsSync(path));
const folders = ROOTS.flatMap((root) => [root, ...subfolders(root)]);
const RULES = Object.fromEntries(["rules", "running"].map((page) => [page, headingsOf(`docs/${page}.md`)]));
let citations = 0;
const readmeFaults = folders.flatMap((folder) => {
  const path = join(folder, "README.md");
  if (!existsSync(path)) return [`${folder} has no README.md: say what lives there, what it uses and where to begin`];
  const text = readFileSync(path, "utf8");
  const gone = namesIn(text).filter((name) => !isThere(folder, name));
  return [...gone.map((name) => `${path} names ${name}, which is not there`), ...usesFaults(folder, path, text)];
});
const tests = ["apps", "packages"]
  .flatMap((kind) => readdirSync(kind).map((name) => join(kind, name, "test")))
  .filter((path) => existsSync(path));
const PAGES = [
  ...["README.md", "CONTRIBUTING.md", "CHANGELOG.md", "NOTICES.md"],
  ...readdirSync("docs").flatMap((name) => (name.endsWith(".md") ? [`docs/${name}`] : [])),
];
const faults = [
  ...readmeFaults,
  ...PAGES.flatMap(linkFaults),
  ...unlinked(),
  ...[...ROOTS, ...tests].flatMap(textsUnder).flatMap(citationFaults),
];
for (const fault of faults) console.error(fault);
console.log(`${folders.length} folders of source and ${citations} citations of rules, ${faults.length} faults`);
process.exitCode = faults.length > 0 ? 1 : 0;

/** Where a link leads, as the page has it: a path from the page's folder, and a heading in it. */
function linksOf(page) {
  return [...readFileSync(page, "utf8").matchAll(/\]\(([^)\s]+)\)/g)].flatMap(([, link]) => {
    const [path, anchor] = link.split("#");
    return /^https?:/.test(link) ? [] : [{ link, path: path === "" ? page : join(dirname(page), path), anchor }];
  });
}

function linkFaults(page) {
  return linksOf(page).flatMap(({ link, path, anchor }) => {
    if (!existsSync(path)) return [`${page} links to ${link}, which is not there`];
    return anchor === undefined || anchorsOf(path).includes(anchor) ? [] : [`${page} links to ${link}, and there is no such heading`];
  });
}

function anchorsOf(page) {
  return [...readFileSync(page, "utf8").matchAll(/^#+ (.+)$/gm)].map(([, heading]) =>
    heading
      .toLowerCase()
      .replace(/[^\w\s-]/g, "")
      .replace(/\s/g, "-"),
  );
}

/** Pages and files of the documentation that its first page does not lead to. */
function unlinked() {
  const linked = new Set(linksOf("docs/README.md").map(({ path }) => path));
  return readdirSync("docs", { withFileTypes: true }).flatMap((entry) => {
    const path = `docs/${entry.name}`;
    return entry.isDirectory() || path === "docs/README.md" || linked.has(path) ? [] : [`docs/README.md does not link to ${entry.name}`];
  });
}

function headingsOf(page) {
  return readFileSync(page, "utf8")
    .split("\n")
    .flatMap((line) => (line.startsWith("## ") ? [line.slice(3)] : []));
}

/** Citations such as "docs/rules.md, Times and Playing", also where a comment breaks behind the comma, whose page or heading is not there. */
function citationFaults(file) {
  const text = readFileSync(file, "utf8").replace(/\n\s*(\*|\/\/)\s*/g, " ");
  return [...text.matchAll(/docs\/(\w+)\.md,\s+(\w+)(?:,? (?:and|to) ([A-Z]\w+))?/g)].flatMap(([cited, page, ...named]) => {
    citations += 1;
    const gone = named.filter((heading) => heading !== undefined && !RULES[page]?.includes(heading));
    return gone.map((heading) => `${file} cites ${cited}, and docs/${page}.md has no heading ${heading}`);
  });
}

function textsUnder(folder) {
  return [folder, ...subfolders(folder)].flatMap((each) =>
    readdirSync(each)
      .filter((name) => /\.(tsx?|md)$/.test(name))
      .map((name) => join(each, name)),
  );
}

function subfolders(folder) {
  const own = readdirSync(folder, { withFileTypes: true }).filter((entry) => entry.isDirectory());
  return own.flatMap(({ name }) => [join(folder, name), ...subfolders(join(folder, name))]);
}

/** What stands in a README as code and is a file or a folder: with an ending, with a slash, or in the line of what is used. */
function namesIn(text) {
  const used = text.split("\n").filter((line) => line.startsWith("Uses:"));
  const codes = [...text.matchAll(/`([^`\s]+)`/g)].map(([, name]) => name);
  const usedNames = used.flatMap((line) => [...line.matchAll(/`([^`\s]+)`/g)].map(([, name]) => name));
  return [...new Set([...codes.filter((name) => /\.(tsx?|mjs|md)$|\/$/.test(name)), ...usedNames])];
}

/** Where the line of what a folder uses is not what its files import from; folders at the top of a source alone have such a line. */
function usesFaults(folder, path, text) {
  const line = text.split("\n").find((each) => each.startsWith("Uses:"));
  if (line === undefined) return [];
  const said = [...line.matchAll(/`([^`\s]+)`/g)].map(([, name]) => name).sort();
  const own = [...new Set(filesUnder(folder).flatMap((file) => foldersImported(folder, file)))].sort();
  return said.join() === own.join()
    ? []
    : [`${path} says that it uses ${said.join(", ") || "nothing"}, and it uses ${own.join(", ") || "nothing"}`];
}

function filesUnder(folder) {
  return [folder, ...subfolders(folder)].flatMap((each) =>
    readdirSync(each)
      .filter((name) => /\.tsx?$/.test(name))
      .map((name) => join(each, name)),
  );
}

/** The folders beside `folder` from which a file imports. */
function foldersImported(folder, file) {
  const source = dirname(folder);
  return [...readFileSync(file, "utf8").matchAll(/from "(\.[^"]+)"|import\("(\.[^"]+)"\)/g)].flatMap(([, plain, lazy]) => {
    const [first, ...rest] = relative(source, join(dirname(file), plain ?? lazy)).split("/");
    return rest.length === 0 || first === ".." || first === relative(source, folder) ? [] : [first];
  });
}

/** A name counts from the folder, from one above it up to the source, or from the top of the repository; `*` stands for anything. */
function isThere(folder, name) {
  for (let from = folder; from !== "."; from = dirname(from)) if (matches(from, name)) return true;
  return matches(".", name);
}

function matches(from, name) {
  if (!name.includes("*")) return existsSync(join(from, name));
  const [inside, pattern] = [
    join(from, dirname(name)),
    new RegExp(`^${name.split("/").at(-1).replaceAll(".", "[.]").replaceAll("*", ".*")}$`),
  ];
  return existsSync(inside) && readdirSync(inside).some((each) => pattern.test(each));
}
