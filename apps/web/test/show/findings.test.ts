import { type Finding, type Severity, CODES, checkSheet, findingId, sheetOf } from "@zm/core";
import { saltAndParaffin } from "@zm/demo";
import {
  KINDS,
  KIND_WORDS,
  findingsIn,
  groupedFindings,
  leaveFindings,
  placeOf,
  receiveAccepted,
  receiveFindings,
  useFindings,
} from "../../src/show/findings.ts";

const found = checkSheet(sheetOf(saltAndParaffin()));
const all: ReadonlySet<Severity> = new Set(["error", "warning", "hint"]);
const one = (code: Finding["code"], cue: string | null, list: string | null = "main"): Finding => ({
  code,
  severity: CODES[code],
  list,
  cue,
  channel: 1,
  message: "",
});

afterEach(leaveFindings);

test("every kind of finding has a name, the graver before the lighter", () => {
  expect(KINDS.map(([code]) => code).toSorted()).toEqual(Object.keys(CODES).toSorted());
  const weights = KINDS.map(([code]) => ["error", "warning", "hint"].indexOf(CODES[code]));
  expect(weights).toEqual(weights.toSorted());
  for (const code of Object.keys(CODES)) expect(KIND_WORDS.get(code)).toMatch(/^[a-z]/);
});

test("gathered by cue or by kind, every finding that is wanted stands once", () => {
  for (const by of ["cue", "kind"] as const) {
    const groups = groupedFindings(found, all, by);
    expect(new Set(groups.flatMap(({ findings }) => findings))).toEqual(new Set(found));
    expect(groups.flatMap(({ findings }) => findings)).toHaveLength(found.length);
    expect(groups.every(({ findings }) => findings.length > 0)).toBe(true);
    expect(new Set(groups.map(({ id }) => id)).size).toBe(groups.length);
  }
  const hints = groupedFindings(found, new Set(["hint"]), "cue").flatMap(({ findings }) => findings);
  expect(hints).toEqual(found.filter(({ severity }) => severity === "hint"));
  expect(groupedFindings(found, new Set(), "kind")).toEqual([]);
});

test("by cue they stand in the order of the cues, by kind the gravest first", () => {
  const some = [one("no-change", "2"), one("mark-late", "2"), one("lit-in-blackout", "7"), one("patch-clash", null, null)];
  expect(groupedFindings(some, all, "cue").map(({ id }) => id)).toEqual([placeOf("main", "2"), placeOf("main", "7"), placeOf("", "")]);
  expect(groupedFindings(some, all, "kind").map(({ id }) => id)).toEqual(["lit-in-blackout", "patch-clash", "mark-late", "no-change"]);
});

test("the spine counts what has weight, cue by cue; hints and the rig are not counted there", () => {
  receiveFindings(1, 5, [
    one("mark-late", "2"),
    one("lit-in-blackout", "2"),
    one("no-change", "2"),
    one("patch-clash", null, null),
    one("mark-lit", "3"),
  ]);
  expect([...useFindings.getState().counts]).toEqual([
    [placeOf("main", "2"), 2],
    [placeOf("main", "3"), 1],
  ]);
  leaveFindings();
  expect(useFindings.getState()).toMatchObject({ found: null, revision: -1 });
});

test("what is accepted is folded away and counts no more, until its facts change", () => {
  const [late, lit] = [one("mark-late", "2"), one("lit-in-blackout", "2")];
  receiveFindings(1, 5, [late, lit]);
  receiveAccepted(new Map([[findingId(late), "the designer wants it"]]));
  expect(useFindings.getState()).toMatchObject({ found: [lit], accepted: [{ finding: late, note: "the designer wants it" }] });
  expect([...useFindings.getState().counts]).toEqual([[placeOf("main", "2"), 1]]);
  const changed = { ...late, message: "it is another second late" };
  receiveFindings(1, 6, [changed, lit]);
  expect(useFindings.getState()).toMatchObject({ found: [changed, lit], accepted: [] });
});

test("findings in cues of a list are those that stand there, both ends included", () => {
  receiveFindings(1, 5, [one("mark-late", "2"), one("mark-late", "3.5"), one("mark-late", "10"), one("mark-late", "3", "sea")]);
  expect(findingsIn("main", { from: "2", to: "3.5" }).map(({ cue }) => cue)).toEqual(["2", "3.5"]);
});

test("no two findings of the demo share an identity, and each says it alone", () => {
  expect(new Set(found.map(findingId)).size).toBe(new Set(found.map((each) => JSON.stringify({ ...each, mend: undefined }))).size);
  expect(findingId(one("mark-late", "2"))).toMatch(/^[0-9a-f]{16}$/);
  expect(findingId(one("mark-late", "2"))).toBe(findingId(one("mark-late", "2")));
});
