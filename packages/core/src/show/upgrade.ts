import { isRecord } from "./isRecord.ts";
/** What the policies of marks were called in version 1 of the document. */
const POLICY_NAMES: Readonly<Record<string, string>> = { late: "before", early: "dark", live: "view" };
const OP_NAMES: Readonly<Record<string, string>> = { assert: "restate", unassert: "unrestate" };

/**
 * A document of version 1 as one of version 2, for reading: `assert` of a cue is `restate`, the policies late, early and live are before, dark and view, and a light that is not
 * prepared says `view` (FORMAT). Everything else, and every other document, comes back as it is; what is wrong in it is told on reading.
 */
export function upgradedDocument(raw: unknown): unknown {
  if (!isRecord(raw) || raw["version"] !== 1) return raw;
  const { lists } = raw;
  return { ...raw, version: 2, ...(Array.isArray(lists) ? { lists: lists.map(upgradedList) } : {}) };
}

/** A list with the names of version 2; its moves are not looked at. */
function upgradedList(list: unknown): unknown {
  if (!isRecord(list)) return list;
  const { cues } = list;
  return {
    ...list,
    ...("marks" in list ? { marks: upgradedNames(list["marks"]) } : {}),
    ...(Array.isArray(cues) ? { cues: cues.map(upgradedCue) } : {}),
  };
}

function upgradedCue(cue: unknown): unknown {
  if (!isRecord(cue) || !("assert" in cue || "mark" in cue)) return cue;
  return Object.fromEntries(
    Object.entries(cue).map(([name, value]) =>
      name === "assert" ? ["restate", value] : name === "mark" ? [name, upgradedNames(value)] : [name, value],
    ),
  );
}

/**
 * Plain data that was written with the names of version 1, such as an edit or what is stored of one, with those of version 2, however deep they stand.
 * Only values that cannot be meant otherwise are touched: `assert` as a flag, a `policy` of the three old words, `live: true`, the operations of old names.
 */
export function upgradedNames(value: unknown): unknown {
  if (Array.isArray(value)) return value.map(upgradedNames);
  if (!isRecord(value)) return value;
  return Object.fromEntries(Object.entries(value).map(([name, own]) => upgradedField(name, own)));
}

function upgradedField(name: string, value: unknown): [string, unknown] {
  if (name === "assert" && (typeof value === "boolean" || value === null)) return ["restate", value];
  if (name === "live" && value === true) return ["view", true];
  if (name === "policy" && typeof value === "string") return [name, POLICY_NAMES[value] ?? value];
  if (name === "op" && typeof value === "string") return [name, OP_NAMES[value] ?? value];
  return [name, upgradedNames(value)];
}
