import type { z } from "zod";

/**
 * Turns a schema's complaints into sentences that name the place as a person would: "lists main, cue 12.5, part 1, times: …".
 * One sentence for each complaint, in the order of the document. `root` is the data that was read: the numbers and ids of the place
 * are taken from it.
 * Never empty for an error that has issues.
 */
export function faultsOf(error: z.ZodError, root: unknown): string[] {
  return error.issues.flatMap((issue) => sentences(issue, root));
}

/** The sentences of one complaint. A union complains of each of its forms; only the form that the data came nearest to is told. */
function sentences(issue: z.core.$ZodIssue, root: unknown): string[] {
  const place = placeOf(issue.path, root);
  if (issue.code === "unrecognized_keys") return issue.keys.map((key) => `${place}: unknown field "${key}"`);
  if (issue.code === "invalid_type" && !has(issue.path, root)) return [`${place}: is missing`];
  if (issue.code === "invalid_union") {
    const deepest = [...issue.errors].sort((a, b) => depth(b) - depth(a))[0];
    const inner = (deepest ?? []).map((each) => ({ ...each, path: [...issue.path, ...each.path] }));
    if (inner.length > 0 && depth(deepest ?? []) > 0) return inner.flatMap((each) => sentences(each, root));
  }
  const plain = plainWords(issue);
  if (plain !== undefined) return [`${place}: ${plain}`];
  if (issue.message === "Invalid input") return [`${place}: is none of what may stand here`];
  return [`${place}: ${issue.message.replace(/^Invalid input: /, "").replace(/^Too (small|big): /, "")}`];
}

/** What is expected of a value, by the name that the schema gives its kind. */
const EXPECTED: Readonly<Record<string, string>> = {
  string: "is a text",
  number: "is a number",
  int: "is a whole number",
  boolean: "is true or false",
  array: "is a list",
  object: "is an object",
  record: "is an object",
  tuple: "is a list",
};

/** What the schema complains of in words of its own, said in ours; undefined where the words are ours already. */
function plainWords(issue: z.core.$ZodIssue): string | undefined {
  switch (issue.code) {
    case "invalid_type":
      return issue.message.startsWith("Invalid input") ? (EXPECTED[issue.expected] ?? "is none of what may stand here") : undefined;
    case "too_small":
      return issue.message.startsWith("Too small") ? `is below ${String(issue.minimum)}, or has fewer than that` : undefined;
    case "too_big":
      return issue.message.startsWith("Too big") ? `is above ${String(issue.maximum)}, or has more than that` : undefined;
    case "invalid_value":
      return issue.message.startsWith("Invalid") ? `is one of ${issue.values.map(String).join(", ")}` : undefined;
    case "not_multiple_of":
    case "invalid_format":
    case "invalid_key":
    case "invalid_element":
      return issue.message.startsWith("Invalid") ? "is none of what may stand here" : undefined;
    default:
      return undefined;
  }
}

/** How far into the data the deepest of some complaints reaches. */
function depth(issues: readonly z.core.$ZodIssue[]): number {
  return Math.max(0, ...issues.map((issue) => (issue.code === "unrecognized_keys" ? 1 : issue.path.length)));
}

/** True when there is something at a place of the data. */
function has(path: readonly PropertyKey[], root: unknown): boolean {
  let current: unknown = root;
  for (const step of path) {
    const next = child(current, step);
    if (next === undefined) return false;
    current = next;
  }
  return true;
}

/** What a field or a place of plain data holds; undefined where it has none of that name. */
function child(parent: unknown, step: PropertyKey): unknown {
  return typeof parent === "object" && parent !== null ? Reflect.get(parent, step) : undefined;
}

/** What one of a list is called, by the name of its list. */
const SINGULAR: Record<string, string> = {
  lists: "list",
  cues: "cue",
  parts: "part",
  channels: "channel",
  palettes: "palette",
  groups: "group",
  paces: "pace",
  fixtureTypes: "fixture type",
  attributes: "attribute",
  values: "value",
  lines: "line",
};

/** The place of a complaint as a person would name it: by numbers and ids where things have them, else by counting. */
function placeOf(path: readonly PropertyKey[], root: unknown): string {
  const words: string[] = [];
  let current: unknown = root;
  for (const step of path) {
    const parent = words.at(-1);
    current = child(current, step);
    if (typeof step === "number" && parent !== undefined && SINGULAR[parent])
      words[words.length - 1] = `${SINGULAR[parent]} ${nameOf(current) ?? `no. ${step + 1}`}`;
    else words.push(String(step));
  }
  return words.join(", ") || "the document";
}

/** What a thing is called in its document; undefined where it has neither number nor id. */
function nameOf(thing: unknown): string | undefined {
  const name = child(thing, "number") ?? child(thing, "id") ?? child(thing, "attribute");
  return typeof name === "string" || typeof name === "number" ? String(name).slice(0, 40) : undefined;
}
