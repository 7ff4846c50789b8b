import { readFileSync } from "node:fs";
import { RuleShow, examplesOf } from "./support/rulePage.ts";

const PAGES = ["rules.md", "running.md"];
/** What is held against other things than a list: packets and moments, by tests of their own. */
const WITHOUT = ["Output", "Rehearsal"];
const pages = PAGES.map((name) => ({ name, text: readFileSync(new URL(`../../../docs/${name}`, import.meta.url), "utf8") }));
const examples = pages.flatMap(({ name, text }) => examplesOf(text).map((example) => ({ place: `${name}:${example.line}`, ...example })));

test.each(examples)("the example of $place, $heading, comes to what the page says", ({ lines }) => {
  const show = new RuleShow();
  const expected = lines.flatMap((line) => (line.startsWith("=> ") ? [line.slice(3).trim()] : []));
  const answers = lines.flatMap((line) => {
    if (line.startsWith("=> ")) return [show.answer(line.slice(3).trim())];
    show.type(line);
    return [];
  });
  show.expectNothingRefused();
  expect(expected.length).toBeGreaterThan(0);
  expect(answers).toEqual(expected);
});

test.each(pages)("every heading of $name has an example, but for what no example of a list can show", ({ text }) => {
  const headings = text.split("\n").flatMap((line) => (line.startsWith("## ") ? [line.slice(3)] : []));
  const shown = new Set(examplesOf(text).map(({ heading }) => heading));
  expect(headings.filter((heading) => !shown.has(heading) && !WITHOUT.includes(heading))).toEqual([]);
});
