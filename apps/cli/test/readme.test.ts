import { readFileSync } from "node:fs";
import { expect, test } from "@jest/globals";

const ROOT = new URL("../../../", import.meta.url);
const read = (path: string): string => readFileSync(new URL(path, ROOT), "utf8");

/** The rows of the table of promises: what is promised, and what shows it. */
function promises(): { promise: string; shown: string }[] {
  const [, section = ""] = read("docs/working-on-it.md").split("## What it promises, and the test that shows it");
  const [table = ""] = section.split("\n## ");
  const rows = table.split("\n").filter((line) => line.startsWith("| ") && !line.startsWith("| it promises") && !line.startsWith("| ---"));
  return rows.map((row) => {
    const [, promise = "", shown = ""] = row.split("|").map((cell) => cell.trim());
    return { promise, shown };
  });
}

test("every promise names a test that there is", () => {
  const rows = promises();
  expect(rows.length).toBeGreaterThan(15);
  for (const { promise, shown } of rows) {
    const named = [...shown.matchAll(/`([^`]+\.tsx?)`: "([^"]+)"/g)];
    expect(`${promise}: ${named.length > 0}`).toBe(`${promise}: true`);
    for (const [, path = "", name = ""] of named) expect(`${path}: ${read(path).includes(`test("${name}"`)}`).toBe(`${path}: true`);
  }
});

test("every script that README and documentation name is there", () => {
  const text = ["README.md", "CONTRIBUTING.md", "docs/using.md", "docs/working-on-it.md", "docs/architecture.md"].map(read).join("\n");
  const { scripts } = JSON.parse(read("package.json"));
  // What runs in one workspace alone has its script there.
  const named = [...text.matchAll(/npm run (?:-s )?([a-z][a-z:-]*)( -w)?/g)].filter(([, , workspace]) => workspace === undefined);
  expect(named.length).toBeGreaterThan(5);
  for (const [, name = ""] of named) expect(Object.keys(scripts)).toContain(name);
});
